import {
	declareAnyMember,
	declareInside,
	declareLanded,
	declareMember
} from '../settings/arrangements/list.ts';
import type { Declarations } from '../settings/declarations.ts';
import { declareSettings } from '../settings/list.ts';
import { declareDrawer } from '../settings/member/show.ts';
import { declareBackground } from '../settings/box/background.ts';
import { declareBorder } from '../settings/box/border.ts';
import { declarePadding } from '../settings/box/pad.ts';
import { bandPlaces, type Bands } from '../resolve/bands.ts';
import { edgeDeclarations } from './edges.ts';
import type { Box } from './frame.ts';
import { BoxInBand } from './box-in-band.ts';
import { insideAt } from './inside.ts';
import { sumOf } from '../size/sums.ts';
import type { Surroundings } from './surroundings.ts';

/** Everything that CSS has to say about a box in one band. */
export function declare(box: Box, band: number, surroundings: Surroundings): Declarations {
	const placed = new BoxInBand(box, band, surroundings);
	const { settings, inside, around } = placed;
	if (box.kind === 'opener') return around ? declareAnyMember(around.inside) : {};
	if (settings.show?.kind === 'hidden') return { display: 'none' };
	if (settings.show?.kind === 'drawer') {
		return {
			...declareInside(inside, settings),
			...declarePadding(settings),
			...declareBorder(settings),
			...declareBackground(settings),
			...declareDrawer(settings.show)
		};
	}
	const member = declareMember(placed);
	if (member.display === 'none') return member;
	const said = declareSettings(placed);
	// What is left free before it in columns, and its own margin.
	const starts = [member['margin-inline-start'], said['margin-inline-start']];
	const [free, own] = starts;
	const isBoth = free !== undefined && own !== undefined;
	return {
		...declareInside(inside, settings),
		...edgeDeclarations(placed),
		...member,
		...said,
		...(isBoth && { 'margin-inline-start': own === 'auto' ? free : sumOf([free, own]) }),
		// What rides under its neighbours stays over the background of the box that holds them.
		...(placed.overlapsInside && { isolation: 'isolate' })
	};
}

/** What a layout's root has besides, by the slot that it lands in. */
export function declareInSlot(host: Box, band: number, bands: Bands): Declarations {
	return declareLanded(insideAt(host, band, bands));
}

/** Whether layouts that land in a slot take what is left along its line, which pieces do not. */
export function layoutsGrowIn(host: Box, bands: Bands): boolean {
	return bandPlaces(bands).some((band) => {
		const { flex } = declareInSlot(host, band, bands);
		return flex !== undefined && flex !== 'none' && flex.grow === 1;
	});
}

/** What everything that lands in a region has by the region's arrangement. */
export function declareInRegion(host: Box, band: number, bands: Bands): Declarations {
	return declareAnyMember(insideAt(host, band, bands));
}
