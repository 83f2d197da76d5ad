import { isWhole } from '../model/piece-key.ts';
import { remOf } from '../model/trial.ts';
import type { Viewport } from '../size/length.ts';
import { exceeds, larger, noteTurns, smaller, type Turns } from '../size/turns.ts';
import type { BoxName, GridLines, LayoutBox } from './layout-box.ts';
import { Layout } from './layout.ts';
import { notedBand } from './widths/noted-band.ts';
import { isFlat } from './reach.ts';
import { boxesInBand, isScrolled, type PageContent, type Scrolled } from './page.ts';
import { padAcross, padDown, usedWidth } from './sizing.ts';
import { measuredBoxes, type MarkedBox } from './pieces/marked-boxes.ts';

/**
 * Where a box is on the page at one width, px from the top left of what it scrolls with: where nothing sticks it is the
 * same however far that is scrolled.
 */
export interface PlacedBox {
	readonly name: BoxName;
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	/** How far what is in it sticks out sideways and at the bottom, px; what it scrolls does not count. */
	readonly overflowX: number;
	readonly overflowY: number;
	/** How far text in its content is cut off by what hides it, px. */
	readonly cut: number;
	/** What sticks out of it is scrolled, and seen nowhere else. */
	readonly scrolls: boolean;
	/** It stands in a box that scrolls by itself, and so sticks out of no other. */
	readonly inScroller: boolean;
	/** Its tracks, where it is a grid. */
	readonly lines: GridLines | undefined;
	/** The box that it is in, by its place in the list; undefined for the outermost, and for drawers. */
	readonly inside: number | undefined;
	/** What keeping to an edge does to it; undefined for a box that keeps to none. */
	readonly sticking: Sticking | undefined;
}

/** How a box keeps to an edge as far as things are scrolled now. */
export interface Sticking {
	/** How far down it has been moved from its place, px. */
	readonly by: number;
	/** Whatever it stands in ends, and takes it along. */
	readonly pushed: boolean;
	/** What follows is scrolled over it, so it covers nothing. */
	readonly under: boolean;
}

/** How tall a page is by its boxes, px, with what sticks out of it. */
export function pageHeight([root]: readonly PlacedBox[]): number {
	return root ? root.y + root.height + root.overflowY : 0;
}

/** How wide a page is by its boxes, px, with what sticks out of it. */
function pageWidth([root]: readonly PlacedBox[]): number {
	return root ? root.width + root.overflowX : 0;
}

/** The boxes of one page, at any width. */
export class PageLayout {
	/** The boxes of each band of the screen, made when they are first asked for. */
	private readonly roots = new Map<number, LayoutBox>();

	constructor(private readonly content: PageContent) {}

	/** All boxes that are shown, each before what is in it. */
	boxesAt(on: Viewport): PlacedBox[] {
		const { scrollbar = 0 } = this.content;
		const screen = this.withText(on);
		if (scrollbar === 0) return this.placedIn(screen);
		return this.barred({ ...screen, scrollbar });
	}

	/**
	 * A classic scrollbar is there where the page is taller or wider than what is left of the screen, and takes room
	 * from it; one can bring the other, and none goes away again (CSS Overflow 3, section 3.1).
	 */
	private barred(view: Viewport): PlacedBox[] {
		const placed = this.placedIn(view);
		const isBarred = (view.isBarred ?? false) || exceeds(pageHeight(placed), heightOf(view));
		const isBarredBelow = (view.isBarredBelow ?? false) || exceeds(pageWidth(placed), roomOf(view));
		if (isBarred === view.isBarred && isBarredBelow === view.isBarredBelow) return placed;
		if (!isBarred && !isBarredBelow) return placed;
		return this.barred({ ...view, isBarred, isBarredBelow });
	}

	/** A screen with the size of text that the page is tried with. */
	private withText(screen: Viewport): Viewport {
		const { trial } = this.content.site.settings;
		return trial.largeText ? { ...screen, rem: remOf(trial) } : screen;
	}

	private placedIn(view: Viewport): PlacedBox[] {
		const { settings } = this.content.site;
		const root = this.rootIn(notedBand(settings.bands, view.width));
		const layout = new Layout(view);
		const room = roomOf(view);
		const width = usedWidth(root, room, room, true, layout);
		layout.lay(root, width, undefined, room);
		root.x = 0;
		root.y = 0;
		const { scrolled, marked = [] } = this.content;
		const placer = new Placer(view, settings.dir === 'rtl', scrolled, marked);
		placer.place(root, 0, 0, placer.screen);
		for (const drawer of placer.drawers) {
			layFixed(drawer, layout);
			placer.place(drawer, 0, 0, placer.screen);
		}
		return placer.placed;
	}

	/**
	 * The least width that each region needs for its content on a screen, px; none for one that scrolls by itself.
	 */
	leastWidths(on: Viewport): { readonly name: BoxName; readonly px: number }[] {
		this.boxesAt(on);
		const screen = this.withText(on);
		const layout = new Layout(screen);
		const found: { readonly name: BoxName; readonly px: number }[] = [];
		const visit = (box: LayoutBox): void => {
			if (box.name.kind === 'region' && !box.style.scrolls) {
				layout.intrinsic(box, undefined);
				found.push({ name: box.name, px: box.minContent + padAcross(box, 0, layout) });
			}
			for (const child of box.chosen ? [box.chosen] : box.children) visit(child);
		};
		visit(this.rootIn(notedBand(this.content.site.settings.bands, screen.width)));
		return found;
	}

	/** The same, with the turns that it took to work them out. */
	notedAt(view: Viewport): { readonly boxes: PlacedBox[]; readonly turns: Turns } {
		const { result, turns } = noteTurns(() => this.boxesAt(view));
		return { boxes: result, turns };
	}

	private rootIn(band: number): LayoutBox {
		let root = this.roots.get(band);
		if (!root) this.roots.set(band, (root = boxesInBand(this.content, band)));
		return root;
	}
}

/** What the scrollbar leaves of the screen, px. */
function roomOf({ width, scrollbar = 0, isBarred = false }: Viewport): number {
	return isBarred ? width - scrollbar : width;
}

/** What a scrollbar along the foot leaves of it. */
function heightOf({ height, scrollbar = 0, isBarredBelow = false }: Viewport): number {
	return isBarredBelow ? height - scrollbar : height;
}

/** CSS Positioned Layout 3, section 4: a drawer fills the screen between the edges it keeps to. */
function layFixed(box: LayoutBox, layout: Layout): void {
	const { view } = layout;
	const { style } = box;
	const room = roomOf(view);
	const wide = usedWidth(box, room, room, true, layout);
	const seen = heightOf(view);
	const most = style.maxHeight?.at(seen, view) ?? Infinity;
	const height = smaller(style.height?.at(seen, view) ?? seen, most);
	layout.lay(box, wide, larger(height, padDown(box, room, layout)), room);
	box.x = style.start ? 0 : room - wide;
	box.y = style.top ? 0 : seen - box.height;
}

/** The part of the page that something sticks in: the screen, or a box that scrolls by itself. */
interface Port {
	readonly top: number;
	readonly bottom: number;
}

/** How far a box and what sticks out of it reach, in the directions of lines and down, px. */
interface Reach {
	readonly x: number;
	readonly y: number;
}

interface Place extends Reach {
	readonly sticking: Sticking | undefined;
}

/** px; what reaches nowhere reaches less far than anything. */
const nowhere: Reach = { x: -1e9, y: -1e9 };

/** Turns places within parents into places on the page. */
class Placer {
	readonly placed: PlacedBox[] = [];
	/** The open drawers of the layouts that were placed; those of one in a drawer come after it. */
	readonly drawers: LayoutBox[] = [];
	readonly screen: Port;
	/** Places of the boxes around what is placed, the outermost first. */
	private readonly around: number[] = [];
	/** How many boxes that scroll by themselves are around what is placed. */
	private scrollers = 0;

	constructor(
		private readonly view: Viewport,
		private readonly mirrored: boolean,
		private readonly scrolled: Scrolled | undefined,
		private readonly marked: readonly MarkedBox[]
	) {
		const by = this.scrolledBy(undefined);
		this.screen = { top: by, bottom: by + heightOf(view) };
	}

	/** Places a box whose parent's border box begins at a place; gives how far it reaches. */
	place(
		box: LayoutBox,
		parentX: number,
		parentY: number,
		port: Port,
		bounds?: { top: number; bottom: number }
	): Reach {
		const x = parentX + box.x;
		const sticking = this.stuck(box, parentY + box.y, port, bounds);
		const y = parentY + box.y + (sticking?.by ?? 0);
		const index = this.placed.length;
		this.drawers.push(...box.drawers);
		const inPlace = box.name.kind !== 'space';
		const at: Place = { x, y, sticking };
		if (inPlace) this.placed.push(this.entry(box, at, { x: 0, y: 0 }));
		if (box.style.scrolls) this.scrollers++;
		if (inPlace) this.around.push(index);
		const reach = this.placeInside(box, x, y, port);
		if (inPlace) this.around.pop();
		if (box.style.scrolls) this.scrollers--;
		const end = { x: x + box.width, y: y + box.height };
		if (inPlace) {
			const line = this.lineOf(box);
			const overflow = {
				x: larger(0, reach.x - end.x + line.x),
				y: larger(0, reach.y - end.y + line.y)
			};
			if (overflow.x > 0 || overflow.y > 0) this.placed[index] = this.entry(box, at, overflow);
		}
		// CSS Overflow 3, section 2.2: what has no area is nothing to scroll to.
		if (isFlat(box)) return box.style.scrolls ? nowhere : reach;
		if (box.style.scrolls) return end;
		return { x: larger(end.x, reach.x), y: larger(end.y, reach.y) };
	}

	/** How far a box is scrolled, px; without a box, the page. */
	private scrolledBy(name: BoxName | undefined): number {
		return isScrolled(this.scrolled, name) ? (this.scrolled?.px ?? 0) : 0;
	}

	/** What scrolls does so within its border; what only sticks out does so of its border too. */
	private lineOf({ style }: LayoutBox): Reach {
		if (!style.scrolls) return { x: 0, y: 0 };
		return { x: style.lineEnd.at(0, this.view), y: style.lineBottom.at(0, this.view) };
	}

	private entry(box: LayoutBox, { x, y, sticking }: Place, overflow: Reach): PlacedBox {
		const { name, width, height, lines } = box;
		return {
			name,
			x: this.mirrored ? roomOf(this.view) - x - width : x,
			y,
			width,
			height,
			overflowX: overflow.x,
			overflowY: overflow.y,
			cut: this.cutIn(box),
			scrolls: box.style.scrolls,
			inScroller: this.scrollers > 0,
			lines,
			inside: this.around.at(-1),
			sticking
		};
	}

	/** What is measured as a whole has its boxes where the browser has them. */
	private placeMarked({ name, leaf }: LayoutBox, room: number): void {
		const place = this.around.at(-1);
		if (this.marked.length === 0 || place === undefined || !isWhole(name)) return;
		const numbers = leaf?.markedAt?.(room, this.view) ?? [];
		this.placed.push(...measuredBoxes(this.marked, numbers, { place, width: room }));
	}

	private cutIn({ leaf, style, width, laidBase }: LayoutBox): number {
		if (!leaf?.cutAt) return 0;
		const pads = style.padStart.at(laidBase, this.view) + style.padEnd.at(laidBase, this.view);
		return leaf.cutAt(larger(0, width - pads), this.view);
	}

	private placeInside(box: LayoutBox, x: number, y: number, port: Port): Reach {
		const { style, laidBase } = box;
		const padStart = style.padStart.at(laidBase, this.view);
		const padTop = style.padTop.at(laidBase, this.view);
		const inner = { x: x + padStart, y: y + padTop };
		if (box.leaf) {
			const room = larger(0, box.width - padStart - style.padEnd.at(laidBase, this.view));
			const out = box.leaf.overflowAt(room, this.view);
			const height = box.leaf.heightAt(room, this.view);
			this.placeMarked(box, room);
			return { x: inner.x + room + out.x, y: inner.y + height + out.y };
		}
		const children = box.chosen ? [box.chosen] : box.children;
		const padBottom = style.padBottom.at(laidBase, this.view);
		const bottom = y + box.height - padBottom;
		// What sticks in a box that scrolls keeps within its padding, and goes as far as it scrolls.
		const by = style.scrolls ? this.scrolledBy(box.name) : 0;
		const within = style.scrolls ? { top: inner.y + by, bottom: bottom + by } : port;
		const far = style.scrolls ? larger(bottom, this.lowest(children, inner.y, padBottom)) : bottom;
		let reach: Reach = nowhere;
		for (const child of children) {
			const end = this.place(child, inner.x, inner.y, within, { top: inner.y, bottom: far });
			reach = { x: larger(reach.x, end.x), y: larger(reach.y, end.y) };
		}
		return style.scrolls ? this.reachInside(children, inner, box, reach) : reach;
	}

	/**
	 * CSS Overflow 3, section 2.2: behind the boxes that stand in it, what scrolls has its padding once more;
	 * what only sticks out of them has none.
	 */
	private reachInside(
		children: readonly LayoutBox[],
		inner: Reach,
		{ style, laidBase, lines, width, height, barAcross, barDown }: LayoutBox,
		reach: Reach
	): Reach {
		const line = { x: style.lineEnd.at(0, this.view), y: style.lineBottom.at(0, this.view) };
		const padEnd = style.padEnd.at(laidBase, this.view) - line.x + barAcross;
		const padBottom = style.padBottom.at(laidBase, this.view) - line.y + barDown;
		// Tracks count whether or not something stands in them, and what sticks out of them only as far as it does.
		const bounds =
			lines && style.display === 'grid'
				? { x: inner.x + lines.across + padEnd, y: inner.y + lines.down + padBottom }
				: // A box counts here even where it has no area.
					children.reduce(({ x, y }, child) => {
						const below = child.style.marginBottom.at(child.laidBase, this.view);
						const beside = child.style.marginEnd.at(child.laidBase, this.view);
						const out = this.outOfRun(child);
						return {
							x: larger(x, inner.x + child.x + child.width + beside + out + padEnd),
							y: larger(y, inner.y + child.y + child.height + below + padBottom)
						};
					}, nowhere);
		const from = {
			x: inner.x - style.padStart.at(laidBase, this.view) + style.lineStart.at(0, this.view),
			y: inner.y - style.padTop.at(laidBase, this.view) + style.lineTop.at(0, this.view)
		};
		// Together with the room that the box has it counts only where that has an area.
		const room = {
			x: larger(bounds.x, inner.x - style.padStart.at(laidBase, this.view) + width - line.x),
			y: larger(bounds.y, inner.y - style.padTop.at(laidBase, this.view) + height - line.y)
		};
		if (!exceeds(room.x, from.x) || !exceeds(room.y, from.y)) return reach;
		return { x: larger(reach.x, bounds.x), y: larger(reach.y, bounds.y) };
	}

	/** The elements of a run are boxes of the region itself. */
	private outOfRun({ name, leaf, width }: LayoutBox): number {
		if (name.kind !== 'run' || !leaf) return 0;
		const { x, outermost = x } = leaf.overflowAt(width, this.view);
		return outermost;
	}

	/**
	 * Where the content of a box that scrolls ends, without its padding (CSS Overflow 3, section 2.2):
	 * the lowest of the boxes in it, or of what sticks out of them further than the padding.
	 */
	private lowest(children: readonly LayoutBox[], y: number, padBottom: number): number {
		if (!children.some(({ style }) => style.position === 'sticky')) return -Infinity;
		return children.reduce((lowest, child) => {
			const own =
				y + child.y + child.height + child.style.marginBottom.at(child.laidBase, this.view);
			return larger(larger(lowest, own), y + child.y + this.depth(child) - padBottom);
		}, -Infinity);
	}

	/** How far down a box and what sticks out of it reach from its top, before anything sticks. */
	private depth(box: LayoutBox): number {
		const { style, laidBase, height } = box;
		if (style.scrolls) return height;
		const top = style.padTop.at(laidBase, this.view);
		if (box.leaf) {
			const across = style.padStart.at(laidBase, this.view) + style.padEnd.at(laidBase, this.view);
			const room = larger(0, box.width - across);
			return larger(height, top + box.leaf.heightAt(room, this.view));
		}
		const children = box.chosen ? [box.chosen] : box.children;
		return children.reduce(
			(most, child) => larger(most, top + child.y + this.depth(child)),
			height
		);
	}

	/** CSS Positioned Layout 3, section 3.4: what would lie outside of what it scrolls in comes in. */
	private stuck(
		{ style, height, laidBase }: LayoutBox,
		y: number,
		port: Port,
		bounds: { top: number; bottom: number } | undefined
	): Sticking | undefined {
		if (style.position !== 'sticky' || !bounds) return undefined;
		const { under } = style;
		if (style.top) {
			const least = port.top + style.top.at(0, this.view);
			const outer = height + style.marginBottom.at(laidBase, this.view);
			const most = bounds.bottom - outer;
			return { by: larger(y, smaller(least, most)) - y, pushed: least > most, under };
		}
		const most = port.bottom - (style.bottom?.at(0, this.view) ?? 0) - height;
		const highest = bounds.top + style.marginTop.at(laidBase, this.view);
		return { by: smaller(y, larger(most, highest)) - y, pushed: most < highest, under };
	}
}
