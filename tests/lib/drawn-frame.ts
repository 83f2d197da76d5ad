import fc from 'fast-check';
import { bodyWord, partWord, type FrameReading, type ReadBox, type Sides } from '../../src/core/arranging/frame/reading.ts'; // prettier-ignore

/**
 * Frames whose boxes anyone can work out by hand: blocks below each other, or in columns of px and of what is left. What a
 * browser would read of one is worked out here, and shares nothing with how boxes are laid out elsewhere.
 */
export type DrawnBox = DrawnLeaf | DrawnStack | DrawnColumns;

interface DrawnLeaf {
	readonly kind: 'leaf';
	/** px, as it is said of it */
	readonly height: number;
}

interface DrawnStack {
	readonly kind: 'stack';
	/** px around what is in it */
	readonly pad: Sides;
	/** px between two */
	readonly gap: number;
	/** px that it is never wider than, and lies in the middle then */
	readonly most: number | undefined;
	readonly boxes: readonly DrawnBox[];
}

interface DrawnColumns {
	readonly kind: 'columns';
	readonly gap: number;
	/** px, or an equal part of what is left */
	readonly columns: readonly (number | 'rest')[];
	/** px of the screen from which on they stand side by side; below each other before */
	readonly from: number;
	readonly boxes: readonly DrawnBox[];
}

/** A frame: what its body holds. */
export interface DrawnFrame {
	readonly root: DrawnStack;
}

/** Where a box is, px of the page. */
export interface DrawnRect {
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
}

const plain: Omit<ReadBox, keyof DrawnRect | 'flow' | 'margin'> = {
	border: [0, 0, 0, 0],
	padding: [0, 0, 0, 0],
	out: [0, 0],
	depth: [0, 0],
	isPainted: false,
	isPlain: true,
	isMadeBlock: false,
	isRelative: false,
	sharesRows: false,
	isHug: false,
	keepsContent: false
};

/** All boxes of a frame in the order of its markup, each with the name of its region or element. */
export function namesIn({ root }: DrawnFrame): Map<DrawnBox, string> {
	const names = new Map<DrawnBox, string>();
	const go = (box: DrawnBox): void => {
		names.set(box, `b${names.size}`);
		if (box.kind !== 'leaf') box.boxes.forEach(go);
	};
	root.boxes.forEach(go);
	return names;
}

/** The markup of a frame; the first leaf is where pages land. */
export function markupOf(frame: DrawnFrame): string {
	const names = namesIn(frame);
	let hasSlot = false;
	const write = (box: DrawnBox): string => {
		const name = names.get(box) ?? '';
		if (box.kind !== 'leaf') return `<div id="${name}">${box.boxes.map(write).join('')}</div>`;
		if (hasSlot) return `<div id="${name}">{region ${name}}<p>words</p>{end}</div>`;
		hasSlot = true;
		return `<main id="${name}">{slot}</main>`;
	};
	return frame.root.boxes.map(write).join('');
}

/** The name of the region in which pages land. */
export function slotOf(frame: DrawnFrame): string | undefined {
	return [...namesIn(frame)].find(([box]) => box.kind === 'leaf')?.[1];
}

/** Where all boxes are on a screen of some width. */
export function rectsAt(frame: DrawnFrame, screen: number): Map<DrawnBox, DrawnRect> {
	const rects = new Map<DrawnBox, DrawnRect>();
	const lay = (box: DrawnBox, x: number, y: number, width: number): number => {
		const height = heightOf(box, x, y, width);
		rects.set(box, { x, y, width, height });
		return height;
	};
	const heightOf = (box: DrawnBox, x: number, y: number, width: number): number => {
		if (box.kind === 'leaf') return box.height;
		if (box.kind === 'columns' && screen >= box.from) {
			const widths = columnWidths(box, width);
			let left = x;
			const heights = box.boxes.map((one, at) => {
				const height = lay(one, left, y, widths[at] ?? 0);
				left += (widths[at] ?? 0) + box.gap;
				return height;
			});
			const most = Math.max(...heights);
			// A column is as tall as its row; what is said to have a height keeps it.
			for (const one of box.boxes) {
				const rect = rects.get(one);
				if (rect && one.kind !== 'leaf') rects.set(one, { ...rect, height: most });
			}
			return most;
		}
		const [top, right, bottom, left] = box.kind === 'stack' ? box.pad : [0, 0, 0, 0];
		let below = y + top;
		for (const [at, one] of box.boxes.entries()) {
			if (at > 0) below += box.gap;
			const room = width - left - right;
			const own = one.kind === 'stack' ? Math.min(room, one.most ?? room) : room;
			below += lay(one, x + left + (room - own) / 2, below, own);
		}
		return below + bottom - y;
	};
	lay(frame.root, 0, 0, screen);
	return rects;
}

function columnWidths({ columns, gap }: DrawnColumns, width: number): number[] {
	const said = columns.reduce<number>((sum, one) => sum + (one === 'rest' ? 0 : one), 0);
	const rests = columns.filter((one) => one === 'rest').length;
	const left = Math.max(0, width - said - gap * (columns.length - 1));
	return columns.map((one) => (one === 'rest' ? left / rests : one));
}

/** Whether all that stands side by side has room on a screen, and 48 px at least. */
export function fits(frame: DrawnFrame, screen: number): boolean {
	const rects = rectsAt(frame, screen);
	return [...rects].every(([box, { width }]) => {
		if (width < 48) return false;
		if (box.kind !== 'columns' || screen < box.from) return true;
		const all = box.boxes.reduce((sum, one) => sum + (rects.get(one)?.width ?? 0), 0);
		return all + box.gap * (box.boxes.length - 1) <= width + 0.01;
	});
}

/** What a browser reads of a frame at some widths. */
export function readingOf(frame: DrawnFrame, widths: readonly number[]): FrameReading {
	const numbers = new Map([...namesIn(frame).keys()].map((box, at) => [box, at]));
	const edges = new Set<number>();
	for (const box of numbers.keys()) if (box.kind === 'columns') edges.add(box.from);
	return {
		edges: [...edges].sort((a, b) => a - b),
		isMirrored: false,
		at: widths.map((width) => {
			const rects = rectsAt(frame, width);
			const parts: Record<string, ReadBox> = {};
			const go = (box: DrawnBox, flow: ReadBox['flow'], above: number): void => {
				const rect = rects.get(box);
				const number = numbers.get(box);
				if (!rect) return;
				const isRow = box.kind === 'columns' && width >= box.from;
				const word = number === undefined ? bodyWord : partWord.element(number);
				parts[word] = {
					...plain,
					...rect,
					flow,
					margin: [flow === 'block' ? above : 0, 0, 0, 0],
					isPlain: !isRow,
					...(box.kind === 'stack' && { padding: box.pad }),
					...(box.kind === 'leaf' && { saidHeight: box.height })
				};
				if (box.kind === 'leaf') return;
				const inner = isRow ? 'item' : 'block';
				box.boxes.forEach((one, at) => go(one, inner, at > 0 ? box.gap : 0));
			};
			go(frame.root, 'block', 0);
			return { width, parts };
		})
	};
}

const px = (most: number): fc.Arbitrary<number> =>
	fc.nat(Math.floor(most / 4)).map((one) => one * 4);
const leaf: fc.Arbitrary<DrawnLeaf> = fc.record({
	kind: fc.constant('leaf'),
	height: fc.integer({ min: 5, max: 60 }).map((one) => one * 4)
});

const boxes = fc.letrec<{ box: DrawnBox; stack: DrawnStack; columns: DrawnColumns }>((tie) => ({
	box: fc.oneof({ maxDepth: 2, withCrossShrink: true }, leaf, tie('stack'), tie('columns')),
	stack: fc.record({
		kind: fc.constant('stack'),
		pad: fc.tuple(px(24), px(24), px(24), px(24)),
		gap: px(24),
		most: fc.option(fc.constantFrom(640, 960, 1200), { nil: undefined, freq: 3 }),
		boxes: fc.array(tie('box'), { minLength: 1, maxLength: 3 })
	}),
	columns: fc
		.array(fc.tuple(tie('box'), fc.constantFrom('rest' as const, 80, 120)), {
			minLength: 2,
			maxLength: 3
		})
		.chain((members) =>
			fc.record({
				kind: fc.constant('columns' as const),
				gap: px(24),
				columns: fc.constant(members.map(([, column]) => column)),
				from: fc.constantFrom(0, 600, 960),
				boxes: fc.constant(members.map(([box]) => box))
			})
		)
}));

/** Any such frame. */
export const drawnFrame: fc.Arbitrary<DrawnFrame> = fc
	.record({
		kind: fc.constant('stack' as const),
		pad: fc.tuple(px(24), px(24), px(24), px(24)),
		gap: px(24),
		most: fc.constant(undefined),
		boxes: fc.array(boxes.box, { minLength: 1, maxLength: 3 })
	})
	.map((root) => ({ root }));
