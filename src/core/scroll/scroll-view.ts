import { markOf, type Mark, type Marks } from '../view-models/marks.ts';
import { frameOf, type Box } from '../box-styles/frame.ts';
import type { BoxName } from '../geometry/layout-box.ts';
import type { PlacedBox } from '../geometry/page-layout.ts';
import type { ScrollerName } from '../geometry/page.ts';
import { bandAt, settingsAt, type Bands } from '../resolve/bands.ts';
import type { Trial } from '../model/trial.ts';
import type { ResolvedPage } from '../resolve/page.ts';
import { isOverlapped } from '../settings/member/overlap.ts';
import { isNamed, ownContent } from './own-content.ts';
import { roomLeft, scrollReach, seenOf } from './room-left.ts';
import { actionsAt, scrollActions, type ScrollAction, type ScrollTraits } from './states.ts';

/** What scrolling does on a page at one width, as plain data. */
export interface ScrollView {
	/** What is scrolled; undefined: the page. */
	readonly in: ScrollerName | undefined;
	/** Height of what it is seen through, px. */
	readonly height: number;
	/** How far it can be scrolled, px. */
	readonly reach: number;
	readonly lanes: readonly ScrollLane[];
	/** Boxes that scroll by themselves, and have something to scroll. */
	readonly scrollers: readonly Scroller[];
	/** What is left of the screen for the page's own content at some places; straight lines between them. */
	readonly left: readonly { readonly px: number; readonly left: number }[];
}

export interface Scroller {
	readonly name: ScrollerName;
	readonly words: string;
	readonly reach: number;
}

/** A box to which scrolling does something. */
export interface ScrollLane {
	readonly key: string;
	readonly layout: string;
	readonly name: string;
	readonly mark: Mark | undefined;
	readonly spans: readonly ScrollSpan[];
}

/** px, both inclusive. */
export interface ScrollSpan {
	readonly action: ScrollAction;
	readonly from: number;
	readonly to: number;
}

/** Boxes of a page where what is scrolled has been scrolled by some px. */
export type ScrolledBoxes = (px: number) => readonly PlacedBox[];

/** Places that are looked at in any case; between two that differ, the place where they do is looked for. */
const looks = 48;

/** px of the screen that is left for the content of a page at a place, on straight lines between those known. */
export function leftAt({ left }: ScrollView, px: number): number | undefined {
	const after = left.findIndex((one) => one.px >= px);
	const [a, b] = [left[Math.max(0, after - 1)], left[after]];
	if (!a || !b) return undefined;
	return b.px === a.px ? b.left : a.left + ((b.left - a.left) * (px - a.px)) / (b.px - a.px);
}

/** A box in one word. */
function keyOf({ kind, layout, region, wrapper, pieces }: BoxName): string {
	const names = pieces.map(({ owner, piece }) => `${owner}/${piece}`).join();
	return [kind, layout, wrapper, region, names].join(' ');
}

/**
 * What scrolling does on a page. Works through one place after the other, so that others get their turn between two:
 * the end gives what was found.
 */
export function* scrollView(
	page: ResolvedPage,
	bands: Bands,
	marks: Marks,
	screen: { readonly width: number; readonly height: number },
	within: ScrollerName | undefined,
	trial: Trial,
	boxesAt: ScrolledBoxes
): Generator<undefined, ScrollView> {
	const known = new Map<number, readonly PlacedBox[]>();
	const at = (px: number): readonly PlacedBox[] => {
		const boxes = known.get(px) ?? boxesAt(px);
		known.set(px, boxes);
		return boxes;
	};
	const port = within && at(0).find(({ name, scrolls }) => scrolls && isNamed(name, within));
	const height = port?.height ?? screen.height;
	const reach = Math.floor(port ? port.overflowY : scrollReach(at(0), screen.height));
	const moves = !trial.printed && !trial.lessMotion;
	const traits = traitsOf(page, bands, screen.width, at(0), at(reach), moves);
	const states = (px: number): Map<string, Set<ScrollAction>> => {
		const boxes = at(px);
		const stuck = boxes.filter((box) => box.sticking && box.inScroller === (port !== undefined));
		const top = port ? port.y : 0;
		return new Map(
			boxes.flatMap((box) => {
				const own = traits.get(keyOf(box.name));
				if (!own) return [];
				const actions = actionsAt(box, own, { boxes, stuck }, px + top, height);
				return [[keyOf(box.name), actions] as const];
			})
		);
	};
	const places = placesOf(reach);
	const turns = new Set<number>([0, reach]);
	for (const [index, from] of places.entries()) {
		const to = places[index + 1];
		if (to === undefined) break;
		for (const turn of turnsBetween(from, to, states)) turns.add(turn);
		yield undefined;
	}
	const sorted = [...turns].sort((a, b) => a - b);
	const content = ownContent(page);
	return {
		in: within,
		height,
		reach,
		lanes: lanesOf(page, marks, at(0), traits, sorted, states, reach),
		scrollers: scrollersOf(at(0)),
		left: sorted.flatMap((px) => {
			const box = at(px).find(({ name }) => isNamed(name, content));
			if (!box) return [];
			const from = px + (port?.y ?? 0);
			const seen = port ? { from, to: from + height } : seenOf(box, px, height);
			return [{ px, left: roomLeft(at(px), box, seen) }];
		})
	};
}

function placesOf(reach: number): number[] {
	const even = Array.from({ length: looks + 1 }, (_, index) => Math.round((reach * index) / looks));
	// Heads shrink and shadows come at the very beginning.
	const first = [1, 8, 16, 23, 24, 32, 48, 64, 96, 128].filter((px) => px < reach);
	return [...new Set([...even, ...first])].sort((a, b) => a - b);
}

/** Whole px from which on something is otherwise than before, between two places; one for each box at most. */
function turnsBetween(
	from: number,
	to: number,
	states: (px: number) => Map<string, Set<ScrollAction>>
): number[] {
	const [before, after] = [wordsOf(states(from)), wordsOf(states(to))];
	if (before === after) return [];
	if (to - from <= 1) return [to];
	const middle = Math.floor((from + to) / 2);
	return [...turnsBetween(from, middle, states), ...turnsBetween(middle, to, states)];
}

function wordsOf(states: Map<string, Set<ScrollAction>>): string {
	return [...states].map(([key, actions]) => `${key}: ${[...actions].join()}`).join('; ');
}

function lanesOf(
	page: ResolvedPage,
	marks: Marks,
	boxes: readonly PlacedBox[],
	traits: ReadonlyMap<string, ScrollTraits>,
	turns: readonly number[],
	states: (px: number) => Map<string, Set<ScrollAction>>,
	reach: number
): ScrollLane[] {
	const found = turns.map((px) => ({ px, states: states(px) }));
	const lanes = boxes.flatMap(({ name }) => {
		const key = keyOf(name);
		if (!traits.has(key)) return [];
		const spans = scrollActions.flatMap(
			(action) =>
			spansOf(action, found.map(({ px, states }) => [px, states.get(key)?.has(action) === true]), reach) // prettier-ignore
		);
		if (spans.length === 0) return [];
		const layout = page.chain.find((one) => one.name.text === name.layout);
		return [
			{
				key,
				layout: name.layout ?? '',
				name: nameOf(name),
				mark: layout && markOf(layout, marks),
				spans
			}
		];
	});
	// What keeps to an edge comes first: the rest only goes by under it.
	const moves = ({ spans }: ScrollLane): boolean =>
		spans.some(({ action }) => action !== 'is covered');
	return [...lanes.filter(moves), ...lanes.filter((lane) => !moves(lane))];
}

/** From each place on where it begins, to the px before it ends. */
function spansOf(
	action: ScrollAction,
	places: readonly (readonly [px: number, is: boolean])[],
	reach: number
): ScrollSpan[] {
	const spans: ScrollSpan[] = [];
	let since: number | undefined;
	for (const [px, is] of places) {
		if (is && since === undefined) since = px;
		if (is || since === undefined) continue;
		spans.push({ action, from: since, to: px - 1 });
		since = undefined;
	}
	if (since !== undefined) spans.push({ action, from: since, to: reach });
	return spans;
}

function nameOf({ pieces, wrapper, region, layout }: BoxName): string {
	return pieces.map(({ piece }) => piece).join(', ') || (wrapper ?? region ?? layout ?? 'the page');
}

/** What scrolling may do something to: regions, wrappers, and pieces that stick. */
function traitsOf(
	page: ResolvedPage,
	bands: Bands,
	width: number,
	atRest: readonly PlacedBox[],
	scrolled: readonly PlacedBox[],
	moves: boolean
): Map<string, ScrollTraits> {
	const band = bandAt(bands, width);
	const traits = new Map<string, ScrollTraits>();
	for (const box of atRest) {
		const { name, sticking } = box;
		const isMember = name.kind === 'region' || name.kind === 'wrapper';
		if (!isMember && sticking === undefined) continue;
		const layout = page.chain.find((one) => one.name.text === name.layout);
		const frame = layout && isMember ? frameOf(layout, bands) : undefined;
		const member = frame?.boxes.get(name.region ?? name.wrapper ?? '');
		const settings = member && settingsAt(member.settings, bands, band);
		const last = scrolled.find((one) => keyOf(one.name) === keyOf(name));
		const shrinks = settings?.shrink !== undefined && settings.shrink !== 'none';
		traits.set(keyOf(name), {
			hasShadow: moves && settings?.shadow === 'scrolled',
			ridesUp: member !== undefined && followsOverlap(member, bands, band),
			height: box.height,
			shrinksTo: shrinks ? Math.min(box.height, last?.height ?? box.height) : box.height
		});
	}
	return traits;
}

/** What stands before it lets it ride up. */
function followsOverlap(box: Box, bands: Bands, band: number): boolean {
	const { members = [] } = box.parent ?? {};
	const before = members[members.indexOf(box) - 1];
	return before !== undefined && isOverlapped(settingsAt(before.settings, bands, band));
}

function scrollersOf(boxes: readonly PlacedBox[]): Scroller[] {
	return boxes
		.filter(({ scrolls, overflowY }) => scrolls && overflowY >= 1)
		.map(({ name, overflowY }) => {
			const { layout, wrapper, region } = name;
			return {
				name: { layout, wrapper, region },
				words: nameOf(name),
				reach: Math.floor(overflowY)
			};
		});
}
