import type { SettingsAt } from '../model/setting.ts';
import { settingsAt, type Bands } from '../resolve/bands.ts';
import { hasBoundedHeight } from '../settings/box/height.ts';
import { isApart } from '../settings/member/show.ts';
import { isOverlapped } from '../settings/member/overlap.ts';
import { edgeOf, isBehind } from '../settings/member/stick.ts';
import type { Around, Edge, Inside, Placed } from '../settings/placed.ts';
import type { Box } from './frame.ts';
import { insideAt } from './inside.ts';
import { stuckAt } from './stick.ts';
import type { Surroundings } from './surroundings.ts';

/** A box in one band, with its settings there and those of what is around it. */
export class BoxInBand implements Placed {
	readonly settings: SettingsAt;
	readonly inside: Inside;
	readonly around: Around | undefined;

	constructor(
		readonly box: Box,
		readonly band: number,
		readonly surroundings: Surroundings
	) {
		const { bands } = surroundings;
		this.settings = settingsAt(box.settings, bands, band);
		this.inside = insideAt(box, band, bands);
		const { parent } = box;
		const place = parent?.members.indexOf(box) ?? -1;
		this.around = parent && {
			inside: insideAt(parent, band, bands),
			settings: settingsAt(parent.settings, bands, band),
			members:
				place < 0 ? undefined : parent.members.map((one) => settingsAt(one.settings, bands, band)),
			place
		};
	}

	get kind(): Box['kind'] {
		return this.box.kind;
	}

	get name(): string {
		return this.box.name;
	}

	get scrollsInside(): boolean {
		return scrollsIn(this.box, this.band, this.surroundings.bands);
	}

	get overlapsInside(): boolean {
		const { box, band, surroundings } = this;
		const brought = box.kind === 'region' && surroundings.overlapped.has(box.name);
		return (
			brought ||
			box.contents.some(({ settings }) => {
				const said = settingsAt(settings, surroundings.bands, band);
				return isBehind(said) || (isOverlapped(said) && said.show?.kind !== 'hidden');
			})
		);
	}

	stuckAt(edge: Edge): string {
		return stuckAt(this.box, edge, this.band, this.surroundings);
	}
}

/** A layout as tall as the screen whose regions scroll by themselves is no taller than the screen. */
function scrollsIn(box: Box, band: number, bands: Bands): boolean {
	return box.members.some((member) => {
		const settings = settingsAt(member.settings, bands, band);
		if (isApart(settings)) return false;
		const bounded = hasBoundedHeight(settings) || edgeOf(settings) !== undefined;
		return (settings.scroll === 'own' && !bounded) || scrollsIn(member, band, bands);
	});
}
