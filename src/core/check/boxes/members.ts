import type { Arrangement } from '../../model/arrange.ts';
import { layersOf, type Layer, type Layout, type Member, type Piece } from '../../model/site.ts';
import type { Setting } from '../../model/setting.ts';
import type { Span } from '../../model/span.ts';
import { isSizedRef, type ArrangedRef, type BoxRef, type SizedRef } from '../../model/command.ts';
import { layerRef } from '../../model/layer-ref.ts';
import { adjustedChain, landingAdjusts } from '../../resolve/adjust.ts';
import { bandPlace } from '../../resolve/bands.ts';
import { landingFills } from '../../resolve/fill-target.ts';
import { boxesOf, contentsOf, memberNamed, membersIn } from '../../resolve/boxes/members.ts';
import { broughtBy } from '../../resolve/content/brought.ts';
import { holdersIn } from '../../resolve/content/holders.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { slotOf } from '../../resolve/structure.ts';

/** A member with what arranges it. */
export interface Placement {
	readonly member: Member | Piece;
	readonly around: {
		readonly arrangements: readonly Arrangement[];
		/** What it arranges, where that is the same on every page. */
		readonly members?: readonly Member[];
	};
	/** Those of its settings that the layer says; the others are told where they are said. */
	readonly said: readonly Setting[];
}

/** Everything with settings that a layer brings into something that may arrange it, there or further out. */
export function placementsIn(layer: Layer, { structure }: ResolvedSite): Placement[] {
	const placed = boxesOf(layer).flatMap((around) =>
		contentsOf(around).map((member) => placement(member, around))
	);
	const content = layer.kind === 'layout' ? [] : broughtBy(layer);
	const { fills, adjusts } = layer;
	if (fills.length === 0 && adjusts.length === 0 && content.length === 0)
		return withSettings(placed);
	const chain = structure.chainOf(layer);
	// As the pages inside have them.
	const seen = adjustedChain(layer, structure);
	const innermost = seen.at(-1);
	const slot = (innermost && slotOf(innermost)) ?? { arrangements: [] };
	const filled = landingFills(layer, chain).flatMap(({ fill, layout, region }) => {
		const now = seen[chain.indexOf(layout)]?.regions[layout.regions.indexOf(region)] ?? region;
		return broughtBy(fill).map((member) => placement(member, now));
	});
	const adjusted = landingAdjusts(layer, chain).flatMap(({ adjust, layout, box }): Placement[] => {
		const now = seen[chain.indexOf(layout)] ?? layout;
		const member = memberNamed(now, box.name.text) ?? box;
		const around = boxesOf(now).find((one) => contentsOf(one).includes(member));
		return around ? [{ member, around, said: adjust.settings }] : [];
	});
	return withSettings([
		...placed,
		...content.map((member) => placement(member, slot)),
		...filled,
		...adjusted
	]);
}

/** A member of which the layer says all settings itself. */
function placement(member: Placement['member'], around: Placement['around']): Placement {
	return { member, around, said: member.settings };
}

function withSettings(placements: readonly Placement[]): Placement[] {
	return placements.filter(({ said }) => said.length > 0);
}

/** The setting that stands at a place of the text, with the box or piece that has it and the band it is for. */
export function settingAtPlace(
	place: Span,
	resolved: ResolvedSite
): { box: SizedRef; setting: Setting; band: string } | undefined {
	const { bands } = resolved.site.settings;
	for (const { box, settings } of sizedIn(resolved)) {
		const setting = settings.find(({ span }) => sameSpan(span, place));
		const band = setting && bands[bandPlace(bands, setting.band)]?.name.text;
		if (setting && band !== undefined && isSizedRef(box)) return { box, setting, band };
	}
	return undefined;
}

/** What has settings and may arrange something, as a command names it. */
interface Sized {
	readonly box: ArrangedRef;
	readonly settings: readonly Setting[];
	readonly arrangements: readonly Arrangement[];
}

/** Whatever has settings, as a command names it. */
function* sizedIn(resolved: ResolvedSite): Generator<Sized> {
	for (const layout of resolved.site.layouts) {
		for (const box of [layout, ...membersIn(layout.members)]) {
			yield { ...box, box: refOf(box, layout) };
		}
	}
	for (const layer of layersOf(resolved.site)) {
		const chain = resolved.structure.chainOf(layer);
		for (const { adjust, layout, box } of landingAdjusts(layer, chain)) {
			const ref = { ...refOf(box, layout), only: layerRef(layer) };
			yield { ...adjust, box: ref };
		}
		for (const { holder, pieces } of holdersIn(layer, resolved)) {
			for (const piece of pieces) {
				const { name, settings } = piece;
				const arrangements = piece.kind === 'group' ? piece.arrangements : [];
				const isWhole = piece.kind === 'group' && piece.isWhole;
				const box = isWhole ? { holder } : { holder, piece: name.text };
				yield { box, settings, arrangements };
			}
		}
	}
}

function refOf(box: Layout | Member, layout: Layout): BoxRef {
	return { layout: layout.name.text, box: box === layout ? undefined : box.name.text };
}

/** The box whose arrangement stands at a place of the text, with the band it is for. */
export function boxAtArrangement(
	place: Span,
	resolved: ResolvedSite
): { box: ArrangedRef; band: string } | undefined {
	const { bands } = resolved.site.settings;
	for (const { box, arrangements } of sizedIn(resolved)) {
		const found = arrangements.find(({ span }) => sameSpan(span, place));
		const band = found && bands[bandPlace(bands, found.band)]?.name.text;
		if (band !== undefined) return { box, band };
	}
	return undefined;
}

function sameSpan(a: Span, b: Span): boolean {
	return a.file === b.file && a.from === b.from && a.to === b.to;
}
