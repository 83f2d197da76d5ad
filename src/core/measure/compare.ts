import type { BoxName } from '../geometry/layout-box.ts';
import type { PlacedBox } from '../geometry/page-layout.ts';
import { isWhole } from '../model/piece-key.ts';

/** A box as a browser shows it, px from the corner of the page before anything is scrolled. */
export interface ShownBox {
	readonly word: string;
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
}

/** What is compared of two boxes. */
const sides = ['x', 'y', 'width', 'height'] as const;
type Side = (typeof sides)[number];

/** A box that is shown elsewhere, or in another size, than it was worked out. */
export interface BoxDifference {
	readonly word: string;
	/** How the box is called in a sentence. */
	readonly called: string;
	/** Where the two differ most; `undefined` where only one of them has the box. */
	readonly side: Side | undefined;
	/** px; what is shown, less what was computed. */
	readonly by: number;
}

/** px; browsers count in 64ths and round text, so less than this is no difference. */
const tolerance = 0.5;

/** One word for a box that has an element, from what the page says of it: layout, and what it is. */
function boxWord({ kind, layout, region, wrapper, pieces }: BoxName): string {
	const piece = pieces[0]?.piece;
	switch (kind) {
		case 'opener':
			return shownWord(`${layout}.${region}`, `opener ${piece}`);
		case 'piece':
		case 'group':
			return shownWord(region === undefined ? '' : `${layout}.${region}`, piece ?? '');
		default:
			return shownWord(layout ?? '', wrapper ?? region ?? '');
	}
}

/** The same word for what stands in a layout, or in a region of one. */
export function shownWord(where: string, what: string): string {
	return `${where}/${what}`;
}

/**
 * Boxes that differ by more than half a px, in the order of the page. What only moves because something before
 * it is taller is not named: a box is where its own size differs, or it begins elsewhere than all before it.
 */
export function differencesOf(
	computed: readonly PlacedBox[],
	shown: readonly ShownBox[]
): BoxDifference[] {
	// A page that is measured as a whole has no box that was computed.
	if (computed.some(({ name }) => name.kind === 'run' && isWhole(name))) return [];
	const there = new Map(shown.map((box) => [box.word, box]));
	return computed.flatMap((box): BoxDifference[] => {
		const { kind } = box.name;
		if (kind === 'run' || kind === 'bare') return [];
		const word = boxWord(box.name);
		const called = calledOf(box.name);
		const real = there.get(word);
		if (!real) return [{ word, called, side: undefined, by: 0 }];
		const [most] = sides
			.map((side) => ({ side, by: real[side] - box[side] }))
			.filter(({ by }) => Math.abs(by) > tolerance)
			.sort((a, b) => weight(b) - weight(a));
		return most ? [{ word, called, ...most }] : [];
	});
}

/** A size says more of where a difference comes from than a place does. */
function weight({ side, by }: { readonly side: Side; readonly by: number }): number {
	return Math.abs(by) * (side === 'width' || side === 'height' ? 1000 : 1);
}

function calledOf({ kind, layout, region, wrapper, pieces }: BoxName): string {
	const name = pieces[0]?.piece ?? wrapper ?? region;
	if (name === undefined) return layout ?? 'the page';
	if (kind === 'piece' || kind === 'group') return `${name} in ${region ?? 'the page'}`;
	return kind === 'opener' ? `the opener of ${name}` : `${name} of ${layout}`;
}

/**
 * The difference that others follow from, as far as one can tell: what differs in size with nothing in it that
 * differs, else what begins elsewhere first.
 */
export function firstCause(differences: readonly BoxDifference[]): BoxDifference | undefined {
	const isSize = ({ side }: BoxDifference): boolean => side === 'width' || side === 'height';
	const inside = differences.filter(
		(one) => !isSize(one) || !differences.some((other) => holds(one, other))
	);
	return inside.find(isSize) ?? inside[0] ?? differences[0];
}

/** Whether one box is the layout, or the region, that another stands in. */
function holds(one: BoxDifference, other: BoxDifference): boolean {
	if (one === other) return false;
	const [layout = '', name = ''] = one.word.split('/');
	const [where = ''] = other.word.split('/');
	return name === '' ? where.split('.')[0] === layout : where === `${layout}.${name}`;
}

const words: Readonly<Record<Side, readonly [string, string]>> = {
	x: ['further right', 'further left'],
	y: ['further down', 'further up'],
	width: ['wider', 'narrower'],
	height: ['taller', 'lower']
};

/** What is different, as the beginning of a sentence. */
export function differenceWords({ called, side, by }: BoxDifference): string {
	if (side === undefined) return `${called} was computed but is not shown`;
	const px = Math.round(Math.abs(by) * 10) / 10;
	return `${called} is ${px} px ${words[side][by > 0 ? 0 : 1]} than computed`;
}
