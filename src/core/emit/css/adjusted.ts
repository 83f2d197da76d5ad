import { edgesInside, overlappedIn } from '../../box-styles/landing.ts';
import { frameOf } from '../../box-styles/frame.ts';
import { surroundingsOf } from '../../box-styles/outside.ts';
import type { Surroundings } from '../../box-styles/surroundings.ts';
import type { Layer, Layout, Site } from '../../model/site.ts';
import { adjustedChain } from '../../resolve/adjust.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import { broughtBy } from '../../resolve/content/brought.ts';
import { landingFills } from '../../resolve/fill-target.ts';
import type { Structure } from '../../resolve/structure.ts';
import { bandedCss, givenOver, namesIn, standing, type BandedRule } from './boxes/banded.ts';
import { withHeightNames } from './boxes/heights.ts';
import { landingRules } from './boxes/landing-rules.ts';
import { frameRules } from './boxes/member-rules.ts';
import { pieceRules, placeInRegion } from './boxes/piece-rules.ts';
import { printCss } from './boxes/print.ts';
import { initialValue, type Printed } from './boxes/printed.ts';
import { scrollingCss } from './boxes/scrolling.ts';
import { rule } from './css-text.ts';
import { flowing } from './boxes/flow.ts';
import { Selectors } from './selectors.ts';

/**
 * What a layer says of boxes further out, in its own sheet, which only the pages inside it have: of all boxes around it
 * what is another with it, since what one box says moves what keeps to an edge beside it and in it. `flow`: selectors of
 * boxes that arrange nothing in some band only since then.
 */
export function adjustedCss(
	layer: Layer,
	site: Site,
	structure: Structure
): { readonly flow: readonly string[]; readonly rules: readonly string[] } {
	if (layer.adjusts.length === 0) return { flow: [], rules: [] };
	const { bands } = site.settings;
	const selectors = new Selectors(site);
	const written = structure.chainOf(layer);
	const [before, after] = [adjustedChain(layer, structure, true), adjustedChain(layer, structure)];
	const around = (chain: readonly Layout[], at: number): Surroundings => {
		const layout = written[at];
		const outer = chain.slice(0, at);
		if (!layout) return surroundingsOf(outer, bands);
		const [inside, overlapped] = [edgesInside(layout, structure), overlappedIn(layout, structure)];
		// Heights have the names that all sheets know them by.
		return withHeightNames(layout, structure, surroundingsOf(outer, bands, inside, overlapped));
	};
	const rulesIn = (chain: readonly Layout[]): BandedRule[][] =>
		chain.map((layout, at) => [
			...frameRules(layout, around(chain, at), selectors),
			...broughtRules(layout, written.slice(at + 1), around(chain, at), structure, selectors)
		]);
	const [said, now] = [rulesIn(before), rulesIn(after)];
	const changed = after.map((_, at) => overruling(said[at] ?? [], now[at] ?? []));
	// The sheet of a layout says where links land in it, with all that is around it.
	const landing = layer.kind === 'layout' ? [] : landingRules(after, before, bands, selectors);
	const rest = after.flatMap((layout, at) => {
		const own = around(after, at);
		return [
			...movingCss(before[at] ?? layout, layout, own, selectors),
			// On paper, too, this sheet has the last word.
			printCss(layout, own, selectors, changed[at] ?? [], true)
		];
	});
	const flow = after.flatMap((layout, at) => {
		const was = new Set(flowing(before[at] ?? layout, around(before, at), selectors));
		return flowing(layout, around(after, at), selectors).filter((one) => !was.has(one));
	});
	// States of a box come after all that is said of it in any band: they are no heavier than it.
	const isState = ({ selector }: BandedRule): boolean => selector.includes(':');
	const plain = changed.flat().filter((one) => !isState(one));
	const rules = [
		...bandedCss([...plain, ...landing], bands),
		...bandedCss(changed.flat().filter(isState), bands),
		...rest
	];
	return { flow, rules: rules.filter((text) => text !== '') };
}

/** What layers between the layout and the one that adjusts it have put into its regions. */
function broughtRules(
	layout: Layout,
	between: readonly Layout[],
	surroundings: Surroundings,
	structure: Structure,
	selectors: Selectors
): BandedRule[] {
	const { boxes } = frameOf(layout, surroundings.bands);
	return between.flatMap((owner) =>
		landingFills(owner, structure.chainOf(owner)).flatMap(({ fill, layout: target, region }) => {
			const box = boxes.get(region.name.text);
			if (target.name.text !== layout.name.text || !box) return [];
			const place = placeInRegion(box, layout, surroundings, selectors);
			return pieceRules(broughtBy(fill), owner, place);
		})
	);
}

/**
 * Rules that make of what is said what holds now; what is said of nothing that is there any more is taken back. What is
 * said of a box while it is open, or closed, has to be said again where anything is said of the box.
 */
function overruling(said: readonly BandedRule[], now: readonly BandedRule[]): BandedRule[] {
	const before = new Map(said.map((one) => [one.selector, { ...one, bands: standing(one.bands) }]));
	const plain = now
		.filter(({ selector }) => !mainOf(selector, now))
		.flatMap((one) => {
			const was = before.get(one.selector);
			const made = was
				? { ...one, bands: hiddenAsWas(one.bands, was.bands), under: underNow(one, was) }
				: one;
			return isSaid(made) ? [] : [made];
		});
	const states = now.flatMap((one) => {
		const main = mainOf(one.selector, now);
		const made = main && inState(one, main, before);
		return made && !isSaid(made) ? [made] : [];
	});
	const gone = said.flatMap(({ selector, bands, layout }): BandedRule[] => {
		if (now.some((one) => one.selector === selector)) return [];
		const nothing = bands.map((): Printed => new Map());
		return [{ selector, bands: mainOf(selector, now)?.bands ?? nothing, under: bands, layout }];
	});
	return [...plain, ...states, ...gone];
}

/**
 * What is said of a box in one state of it, over what it was said to be in it, but for what this sheet says of the box
 * anew. Where nothing is said of the state, it is as the box is.
 */
function inState(
	one: BandedRule,
	main: BandedRule,
	before: ReadonlyMap<string, BandedRule>
): BandedRule {
	const was = before.get(one.selector)?.bands;
	const names = namesIn([...one.bands, ...(was ?? [])]);
	const then = before.get(main.selector)?.bands ?? [];
	const under = givenOver(was ?? main.bands, main.bands, then).map((lines) => only(lines, names));
	const bands = one.bands.map((lines, place) =>
		lines.size === 0 ? only(main.bands[place] ?? lines, names) : lines
	);
	return { ...one, bands, under };
}

function only(lines: Printed, names: ReadonlySet<string>): Printed {
	return new Map([...lines].filter(([name]) => names.has(name)));
}

function valueIn(lines: Printed | undefined, name: string): string {
	return lines?.get(name) ?? initialValue(name);
}

/** What a box has before its own rule: what it was said to be, but for what this sheet says of all that stands beside it. */
function underNow(
	{ bands, under = bands.map(() => new Map()) }: BandedRule,
	was: BandedRule
): Printed[] {
	return givenOver(was.bands, under, was.under ?? []);
}

/** The rule of the box that a selector means in one state of it. */
function mainOf(selector: string, rules: readonly BandedRule[]): BandedRule | undefined {
	return rules.find((one) => selector.startsWith(`${one.selector}:`));
}

/** What is not there needs nothing taken back of what is said of it. */
function hiddenAsWas(now: readonly Printed[], was: readonly Printed[]): Printed[] {
	return now.map((lines, place) =>
		lines.get('display') === 'none' ? new Map([...(was[place] ?? []), ...lines]) : lines
	);
}

/** Whether a rule says what is said already, in every band. */
function isSaid({ bands, under = [] }: BandedRule): boolean {
	return bands.every((lines, place) => {
		const weaker = under[place] ?? new Map<string, string>();
		const names = [...namesIn([lines, weaker])];
		return names.every((name) => valueIn(lines, name) === valueIn(weaker, name));
	});
}

/** What moves as one scrolls, where that is another than it was. */
function movingCss(
	before: Layout,
	after: Layout,
	surroundings: Surroundings,
	selectors: Selectors
): string[] {
	const [old, own] = [before, after].map((layout) => frameOf(layout, surroundings.bands).boxes);
	return membersIn(after.members).flatMap(({ name }) => {
		const selector = selectors.member(after, name.text);
		const [was, is] = [old?.get(name.text), own?.get(name.text)];
		if (!was || !is || was.settings === is.settings) return [];
		const css = scrollingCss(selector, is, after, surroundings);
		const stops = css.length === 0 && scrollingCss(selector, was, before, surroundings).length > 0;
		return stops ? [rule(selector, ['animation: none;'])] : css;
	});
}
