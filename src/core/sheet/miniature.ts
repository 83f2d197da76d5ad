import { drawersAt, type DrawerTab } from './drawer-tabs.ts';
import { beyondScreen } from '../geometry/sticking-out.ts';
import type { Rectangle } from '../view-models/rectangle.ts';
import { rowsIn, type ContentText } from './content-rows.ts';
import type { PlacedBox } from '../geometry/page-layout.ts';
import type { LineKind } from '../geometry/pieces/text-lines.ts';
import type { Paint } from '../author-styles/paint.ts';
import type { Marks, Mark } from '../view-models/marks.ts';
import type { ResolvedPage } from '../resolve/page.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { isWhole } from '../model/piece-key.ts';
import { slotOf } from '../resolve/structure.ts';

/** What a layer brought; a page's own matter has no mark. */
export interface Owned {
	readonly mark: Mark | undefined;
	/** The colours that the page gives it, where it is drawn in those. */
	readonly paint?: Paint;
}

export interface RegionShape extends Rectangle, Owned {
	readonly kind: 'region';
	readonly layout: string;
	readonly region: string;
	/** The page's own content or a further layout lands there, so it has no ground of its own. */
	readonly open: boolean;
}

/** A piece or a run, with the layer that brought it where that is not the region's own. */
export interface ContentShape extends Rectangle, Owned {
	readonly kind: 'content';
	readonly guest: boolean;
	/** The region that it stands in. */
	readonly region: string | undefined;
	readonly rows: readonly ({ readonly kind: LineKind } & Rectangle)[];
}

export type Shape = RegionShape | ContentShape;

/** A page on a screen as a small drawing, px of the page. */
export interface Miniature {
	/** Of the screen. */
	readonly width: number;
	/** Of the page. */
	readonly height: number;
	readonly shapes: readonly Shape[];
	readonly drawers: readonly DrawerTab[];
	/** What does not fit: parts of boxes that lie beyond the edge of the screen. */
	readonly beyond: readonly Rectangle[];
	/** It rests on sizes that were guessed. */
	readonly estimated: boolean;
	/** Colour of the page, where it is drawn in its own. */
	readonly ground?: string | undefined;
}

/** Draws the boxes of a page on a screen of some width, px; what lies lower than `depth` is left out. */
export function drawMiniature(
	boxes: readonly PlacedBox[],
	page: ResolvedPage,
	resolved: ResolvedSite,
	of: {
		readonly width: number;
		readonly depth: number;
		readonly marks: Marks;
		readonly text: ContentText;
		readonly estimated: boolean;
	}
): Miniature {
	const { width, depth, marks, text, estimated } = of;
	const [root] = boxes;
	const shapes: Shape[] = [];
	for (const box of boxes) {
		if (box.y > depth) continue;
		const shape = frameShape(box, boxes, page, marks) ?? shapeOf(box, page, marks, text, depth);
		if (shape) shapes.push(shape);
	}
	const isMirrored = resolved.site.settings.dir === 'rtl';
	const beyond = boxes.flatMap((box) => beyondEdge(box, width, isMirrored));
	return {
		width,
		height: root ? root.y + root.height + root.overflowY : 0,
		shapes,
		drawers: drawersAt(page, resolved, width, marks),
		beyond: outermost(beyond),
		estimated
	};
}

/**
 * A frame of own markup where it was measured: all of it is the layout's, but for the regions that lie on it.
 * Undefined for every other box.
 */
function frameShape(
	{ name, x, y, width, height }: PlacedBox,
	{ length }: readonly PlacedBox[],
	page: ResolvedPage,
	marks: Marks
): ContentShape | undefined {
	const { kind, layout } = name;
	const isMeasured = kind === 'run' && isWhole(name) && length > wholeAlone;
	const isInner =
		kind === 'layout' && page.chain.slice(1).some((one) => one.frame && one.name.text === layout);
	if ((!isMeasured && !isInner) || layout === undefined) return undefined;
	const at = { x, y, width, height };
	return {
		kind: 'content',
		...at,
		mark: marks.get(layout),
		guest: true,
		region: undefined,
		rows: []
	};
}

/** The boxes of a page of which only the size of all of it is known: the layout, and what is in it. */
const wholeAlone = 2;

function shapeOf(
	box: PlacedBox,
	page: ResolvedPage,
	marks: Marks,
	text: ContentText,
	depth: number
): Shape | undefined {
	const { name, x, y, width, height } = box;
	const at = { x, y, width, height };
	if (name.kind === 'region') {
		const layout = page.chain.find((one) => one.name.text === name.layout);
		const { layout: owner = '', region = '' } = name;
		const open = layout !== undefined && slotOf(layout)?.name.text === region;
		return { kind: 'region', ...at, layout: owner, region, open, mark: marks.get(owner) };
	}
	if (name.kind !== 'piece' && name.kind !== 'run' && name.kind !== 'opener') return undefined;
	const [first] = name.pieces;
	const owner = name.kind === 'opener' ? name.layout : first?.owner;
	return {
		kind: 'content',
		...at,
		mark: owner === undefined ? undefined : marks.get(owner),
		guest: owner !== name.layout,
		region: name.region,
		rows: rowsIn(box, text, depth)
	};
}

/** px; what is out by less is not seen. */
const seen = 0.5;

/** The part of a box, or of what sticks out of it, that lies beyond the edge of the screen. */
function beyondEdge(box: PlacedBox, screen: number, isMirrored: boolean): Rectangle[] {
	const { name, x, y, height } = box;
	if (name.kind === 'layout' || name.kind === 'bare') return [];
	const { left, right } = beyondScreen(box, screen, isMirrored);
	if (right > seen) {
		const from = Math.max(x, screen);
		return [{ x: from, y, width: screen + right - from, height }];
	}
	return left > seen ? [{ x: -left, y, width: left, height }] : [];
}

/** Of parts that lie in one another, the largest. */
function outermost(parts: readonly Rectangle[]): Rectangle[] {
	return parts.filter(
		(part, index) => !parts.some((other, at) => other !== part && holds(other, part, at < index))
	);
}

function holds(outer: Rectangle, inner: Rectangle, orSame: boolean): boolean {
	const within =
		outer.x <= inner.x &&
		outer.y <= inner.y &&
		outer.x + outer.width >= inner.x + inner.width &&
		outer.y + outer.height >= inner.y + inner.height;
	const same = outer.width === inner.width && outer.height === inner.height;
	return within && (!same || orSame);
}
