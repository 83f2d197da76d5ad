import { parseDeclaration, type CssDeclaration } from '../../size/css-declaration.ts';
import { CssText } from '../../size/css-items.ts';

/** The text that something is set in, px. */
export interface TextType {
	readonly size: number;
	/** Height of a line. */
	readonly line: number;
}

/** What a style says of the size of an element, as far as it is plain: px, rem, em or a number of lines. */
export interface SaidSize {
	/** Nothing of it is laid out where it stands. */
	readonly hidden?: true;
	readonly size?: Measure;
	/** A number of sizes of the text, or a length. */
	readonly line?: Measure | { readonly share: number };
	readonly width?: Measure;
	readonly minWidth?: Measure;
	readonly maxWidth?: Measure;
	readonly height?: Measure;
	readonly minHeight?: Measure;
	/** Padding. */
	readonly left?: Measure;
	readonly right?: Measure;
	readonly above?: Measure;
	readonly below?: Measure;
	readonly marginAbove?: Measure;
	readonly marginBelow?: Measure;
	/** What is in it stands side by side. */
	readonly inRow?: boolean;
	/** Whether its lines break. */
	readonly wraps?: boolean;
	/** Its height for each px of its width. */
	readonly ratio?: number;
	/** What becomes of what sticks out of it sideways. */
	readonly holds?: 'cut' | 'scrolled' | 'nothing';
	/** What is cut off ends with three dots, which says so. */
	readonly dotted?: boolean;
}

export interface Measure {
	readonly number: number;
	readonly of: 'px' | 'em';
}

/** px, in some size of text; browsers, too, let nothing be larger than there is. */
export function pxOf({ number, of }: Measure, size: number): number {
	return Math.min(mostPx, of === 'px' ? number : number * size);
}

/** px */
const mostPx = 1e6;

/** What declarations say, the later ones over those before. What they say in other ways is left out. */
export function saidIn(declarations: readonly CssDeclaration[]): SaidSize {
	return declarations.reduce<SaidSize>(
		(said, { property, value }) => ({ ...said, ...saidBy(property, value) }),
		{}
	);
}

/** What the `style` of an element says. */
export function saidInline(style: string): SaidSize {
	const known = inline.get(style);
	if (known) return known;
	const text = new CssText(style);
	const said = saidIn(
		text.items().flatMap(({ kind, start, to }) => {
			const declared = kind === 'declaration' && parseDeclaration(style.slice(start, to));
			return declared ? [declared] : [];
		})
	);
	if (inline.size >= mostKnown) inline.clear();
	inline.set(style, said);
	return said;
}

const inline = new Map<string, SaidSize>();
const mostKnown = 2000;

const lengths = {
	'font-size': 'size',
	width: 'width',
	'inline-size': 'width',
	'min-width': 'minWidth',
	'min-inline-size': 'minWidth',
	'max-width': 'maxWidth',
	'max-inline-size': 'maxWidth',
	height: 'height',
	'block-size': 'height',
	'min-height': 'minHeight',
	'min-block-size': 'minHeight',
	'padding-left': 'left',
	'padding-inline-start': 'left',
	'padding-right': 'right',
	'padding-inline-end': 'right',
	'padding-top': 'above',
	'padding-block-start': 'above',
	'padding-bottom': 'below',
	'padding-block-end': 'below',
	'margin-top': 'marginAbove',
	'margin-block-start': 'marginAbove',
	'margin-bottom': 'marginBelow',
	'margin-block-end': 'marginBelow'
} as const;

const isLengthName = (property: string): property is keyof typeof lengths => property in lengths;

function saidBy(property: string, value: string): SaidSize {
	if (isLengthName(property)) {
		const length = measureOf(value);
		return length ? { [lengths[property]]: length } : {};
	}
	switch (property) {
		case 'display':
			return value === 'none' ? { hidden: true } : { inRow: /flex/.test(value) };
		case 'flex-direction':
			return { inRow: !value.startsWith('column') };
		case 'position':
			return value === 'absolute' || value === 'fixed' ? { hidden: true } : {};
		case 'line-height':
			return lineOf(value);
		case 'font':
			return fontOf(value);
		case 'white-space':
		case 'text-wrap':
		case 'white-space-collapse':
			return { wraps: !/^(nowrap|pre)$/.test(value) };
		case 'aspect-ratio':
			return ratioOf(value);
		case 'overflow':
		case 'overflow-x':
		case 'overflow-inline':
			return { holds: heldBy(value) };
		case 'text-overflow':
			return { dotted: value !== 'clip' };
		case 'padding':
			return named(sidesOf(value), ['above', 'right', 'below', 'left']);
		case 'margin':
			return named(sidesOf(value), ['marginAbove', undefined, 'marginBelow', undefined]);
		case 'padding-inline':
			return named(pairOf(value), ['left', 'right']);
		case 'padding-block':
			return named(pairOf(value), ['above', 'below']);
		case 'margin-block':
			return named(pairOf(value), ['marginAbove', 'marginBelow']);
		default:
			return {};
	}
}

/** px, rem and em; undefined for all else. */
function measureOf(value: string): Measure | undefined {
	const [, number = '', unit] = /^\+?(\d*\.?\d+)(px|rem|em)?$/.exec(value.trim()) ?? [];
	if (number === '' || (unit === undefined && Number(number) !== 0)) return undefined;
	if (!Number.isFinite(Number(number))) return undefined;
	if (unit === 'em') return { number: Number(number), of: 'em' };
	return { number: Number(number) * (unit === 'rem' ? 16 : 1), of: 'px' };
}

function heldBy(value: string): NonNullable<SaidSize['holds']> {
	if (/^(hidden|clip)/.test(value)) return 'cut';
	return /^(auto|scroll)/.test(value) ? 'scrolled' : 'nothing';
}

function lineOf(value: string): SaidSize {
	if (/^\d*\.?\d+$/.test(value)) return { line: { share: Math.min(mostPx, Number(value)) } };
	const length = measureOf(value);
	return length ? { line: length } : {};
}

function fontOf(value: string): SaidSize {
	const [, size = '', line = ''] =
		/(?:^|\s)([\d.]+(?:px|rem|em))(?:\/([\d.]+(?:px|rem|em)?))?/.exec(value) ?? [];
	const length = measureOf(size);
	return { ...(length && { size: length }), ...lineOf(line) };
}

function ratioOf(value: string): SaidSize {
	const [, width = '', height = '1'] = /([\d.]+)(?:\s*\/\s*([\d.]+))?/.exec(value) ?? [];
	const ratio = Number(height) / Number(width);
	return Number.isFinite(ratio) ? { ratio: Math.min(mostPx, ratio) } : {};
}

/** CSS Box 3, section 4.2: one to four lengths, from the top around. */
function sidesOf(value: string): (Measure | undefined)[] {
	const [above, right = above, below = above, left = right] = value
		.split(/\s+/)
		.map((one) => measureOf(one));
	return [above, right, below, left];
}

function pairOf(value: string): (Measure | undefined)[] {
	const [first, last = first] = value.split(/\s+/).map((one) => measureOf(one));
	return [first, last];
}

type Side = 'above' | 'right' | 'below' | 'left' | 'marginAbove' | 'marginBelow';

function named(
	measures: readonly (Measure | undefined)[],
	sides: readonly (Side | undefined)[]
): SaidSize {
	const said = sides.flatMap((side, index): [Side, Measure][] => {
		const measure = measures[index];
		return side && measure ? [[side, measure]] : [];
	});
	return Object.fromEntries(said);
}
