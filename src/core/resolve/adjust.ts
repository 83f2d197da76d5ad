import { error, type Problem } from '../messages/problem.ts';
import { listWords } from '../messages/wording.ts';
import type { Arrangement } from '../model/arrange.ts';
import type { Setting } from '../model/setting.ts';
import { layerName, type Adjust, type Layer, type Layout, type Member } from '../model/site.ts';
import { bandPlace, type Bands } from './bands.ts';
import { memberNamed, membersIn } from './boxes/members.ts';
import type { Structure } from './structure.ts';

/** A region or wrapper together with the layout it stands in. */
export interface BoxOf {
	readonly layout: Layout;
	readonly box: Member;
}

/** What a layer says of a box further out, and which that is. */
export interface LandingAdjust extends BoxOf {
	readonly adjust: Adjust;
}

/**
 * The box that a layer adjusts: of the nearest layout above with a box of that name, or of the layout that is named. Gives
 * the problem instead where there is none, or where it is locked.
 */
export function adjustTarget(
	adjust: Adjust,
	layer: Layer,
	chain: readonly Layout[]
): BoxOf | Problem {
	const { layout: named, box: name, targetSpan } = adjust;
	if (named !== undefined && !chain.some((layout) => layout.name.text === named)) {
		return error('adjust-no-layout', targetSpan, named, layerName(layer));
	}
	const meant = chain.filter((layout) => named === undefined || layout.name.text === named);
	for (const layout of meant.toReversed()) {
		const box = memberNamed(layout, name);
		if (!box) continue;
		if (box.kind === 'region' && box.locked) {
			return error('adjust-locked', targetSpan, name, layout.name.text, layerName(layer));
		}
		if (layout.frame) return error('adjust-in-frame', targetSpan, name, layout.name.text);
		return { layout, box };
	}
	const open = meant.flatMap(({ members }) =>
		membersIn(members).filter((one) => one.kind === 'wrapper' || !one.locked)
	);
	const known = listWords([...new Set(open.map((one) => one.name.text))]);
	return error('adjust-no-box', targetSpan, name, layerName(layer), known);
}

/** What a layer adjusts that is there, by what it sits under; the rest are problems of their own. */
export function landingAdjusts(layer: Layer, chain: readonly Layout[]): LandingAdjust[] {
	return layer.adjusts.flatMap((adjust) => {
		const target = adjustTarget(adjust, layer, chain);
		return 'code' in target ? [] : [{ ...target, adjust }];
	});
}

/** The words that a layer says of a box: settings, and that it arranges it. */
export function adjustWords({ settings, arrangements }: Adjust): string[] {
	const words = settings.map(({ kind }): string => kind);
	return [...new Set([...words, ...(arrangements.length > 0 ? ['arrange'] : [])])];
}

/**
 * The layouts around a layer, outermost first, as the pages inside it have them: with all that layers down to this one say
 * of their boxes. `outside`: without what the layer says itself.
 */
export function adjustedChain(
	layer: Layer,
	structure: Structure,
	outside = false
): readonly Layout[] {
	const chain = structure.chainOf(layer);
	const layers = outside ? chain : [...chain, layer];
	if (layers.every(({ adjusts }) => adjusts.length === 0)) return chain;
	const { bands } = structure.site.settings;
	let seen = chain;
	for (const one of layers) {
		for (const { adjust, layout, box } of landingAdjusts(one, structure.chainOf(one))) {
			const place = chain.indexOf(layout);
			seen = seen.map((was, at) =>
				at === place ? adjusted(was, box.name.text, adjust, bands) : was
			);
		}
	}
	return seen;
}

const known = new WeakMap<
	Layout,
	WeakMap<Adjust, { readonly bands: Bands; readonly layout: Layout }>
>();

/** A layout with what is said of one of its boxes; the same for the same, so that its frame is worked out once. */
function adjusted(layout: Layout, name: string, adjust: Adjust, bands: Bands): Layout {
	const made = known.get(layout) ?? new WeakMap<Adjust, { bands: Bands; layout: Layout }>();
	known.set(layout, made);
	const before = made.get(adjust);
	if (before?.bands === bands) return before.layout;
	const members = layout.members.map((member) => adjustedMember(member, name, adjust, bands));
	const regions = membersIn(members).filter((one) => one.kind === 'region');
	const after: Layout = { ...layout, members, regions };
	made.set(adjust, { bands, layout: after });
	return after;
}

function adjustedMember(member: Member, name: string, adjust: Adjust, bands: Bands): Member {
	if (member.name.text === name) {
		return {
			...member,
			settings: overruled(member.settings, adjust.settings, ({ kind }: Setting) => kind, bands),
			arrangements: overruled(
				member.arrangements,
				adjust.arrangements,
				(_: Arrangement) => '',
				bands
			)
		};
	}
	if (member.kind === 'region') return member;
	const members = member.members.map((inner) => adjustedMember(inner, name, adjust, bands));
	return members.every((inner, at) => inner === member.members[at])
		? member
		: { ...member, members };
}

/** What is said further in holds from its first band on, whatever is said there further out. */
function overruled<T extends Setting | Arrangement>(
	outer: readonly T[],
	inner: readonly T[],
	kindOf: (one: T) => string,
	bands: Bands
): T[] {
	const placeOf = ({ band }: T): number => bandPlace(bands, band);
	const kept = outer.filter((one) => {
		const over = inner.filter((other) => kindOf(other) === kindOf(one)).map(placeOf);
		return over.length === 0 || placeOf(one) < Math.min(...over);
	});
	return [...kept, ...inner];
}
