import type { Viewport } from '../size/length.ts';
import { exceeds, larger, noteTurns, smaller, type Turns } from '../size/turns.ts';
import type { BoxName, GridLines, LayoutBox } from './layout-box.ts';
import { Layout } from './layout.ts';
import { notedBand } from './widths/noted-band.ts';
import { isFlat } from './reach.ts';
import { boxesInBand, type PageContent } from './page.ts';
import { padDown, usedWidth } from './sizing.ts';

/** Where a box is on the page at one width, px from the top left, before anything is scrolled. */
export interface PlacedBox {
	readonly name: BoxName;
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	/** How far what is in it sticks out sideways and at the bottom, px; what it scrolls does not count. */
	readonly overflowX: number;
	readonly overflowY: number;
	/** Its tracks, where it is a grid. */
	readonly lines: GridLines | undefined;
}

/** The boxes of one page, at any width. */
export class PageLayout {
	/** The boxes of each band of the screen, made when they are first asked for. */
	private readonly roots = new Map<number, LayoutBox>();

	constructor(private readonly content: PageContent) {}

	/** All boxes that are shown, each before what is in it. */
	boxesAt(screen: Viewport): PlacedBox[] {
		const { scrollbar = 0 } = this.content;
		if (scrollbar === 0) return this.placedIn(screen);
		const placed = this.placedIn({ ...screen, scrollbar });
		const [root] = placed;
		// A classic scrollbar is there where the page is taller than the screen, and takes room from it.
		const bottom = root ? root.y + root.height + root.overflowY : 0;
		return exceeds(bottom, screen.height)
			? this.placedIn({ ...screen, scrollbar, isBarred: true })
			: placed;
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
		const placer = new Placer(view, settings.dir === 'rtl');
		placer.place(root, 0, 0, placer.screen);
		for (const drawer of placer.drawers) {
			layFixed(drawer, layout);
			placer.place(drawer, 0, 0, placer.screen);
		}
		return placer.placed;
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

/** CSS Positioned Layout 3, section 4: a drawer fills the screen between the edges it keeps to. */
function layFixed(box: LayoutBox, layout: Layout): void {
	const { view } = layout;
	const { style } = box;
	const room = roomOf(view);
	const wide = usedWidth(box, room, room, true, layout);
	const most = style.maxHeight?.at(view.height, view) ?? Infinity;
	const height = smaller(style.height?.at(view.height, view) ?? view.height, most);
	layout.lay(box, wide, larger(height, padDown(box, room, layout)), room);
	box.x = style.start ? 0 : room - wide;
	box.y = style.top ? 0 : view.height - box.height;
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

/** px; what reaches nowhere reaches less far than anything. */
const nowhere: Reach = { x: -1e9, y: -1e9 };

/** Turns places within parents into places on the page. */
class Placer {
	readonly placed: PlacedBox[] = [];
	/** The open drawers of the layouts that were placed; those of one in a drawer come after it. */
	readonly drawers: LayoutBox[] = [];
	readonly screen: Port;

	constructor(
		private readonly view: Viewport,
		private readonly mirrored: boolean
	) {
		this.screen = { top: 0, bottom: view.height };
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
		const y = this.stuck(box, parentY + box.y, port, bounds);
		const index = this.placed.length;
		this.drawers.push(...box.drawers);
		const inPlace = box.name.kind !== 'space';
		if (inPlace) this.placed.push(this.entry(box, x, y, { x: 0, y: 0 }));
		const reach = this.placeInside(box, x, y, port);
		const end = { x: x + box.width, y: y + box.height };
		if (inPlace) {
			const line = this.lineOf(box);
			const overflow = {
				x: larger(0, reach.x - end.x + line.x),
				y: larger(0, reach.y - end.y + line.y)
			};
			if (overflow.x > 0 || overflow.y > 0) this.placed[index] = this.entry(box, x, y, overflow);
		}
		if (box.style.scrolls) return end;
		// CSS Overflow 3, section 2.2: what has no area is nothing to scroll to.
		if (isFlat(box)) return reach;
		return { x: larger(end.x, reach.x), y: larger(end.y, reach.y) };
	}

	/** What scrolls does so within its border; what only sticks out does so of its border too. */
	private lineOf({ style }: LayoutBox): Reach {
		if (!style.scrolls) return { x: 0, y: 0 };
		return { x: style.lineEnd.at(0, this.view), y: style.lineBottom.at(0, this.view) };
	}

	private entry(box: LayoutBox, x: number, y: number, overflow: Reach): PlacedBox {
		const { name, width, height, lines } = box;
		return {
			name,
			x: this.mirrored ? roomOf(this.view) - x - width : x,
			y,
			width,
			height,
			overflowX: overflow.x,
			overflowY: overflow.y,
			lines
		};
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
			return { x: inner.x + room + out.x, y: inner.y + height + out.y };
		}
		const children = box.chosen ? [box.chosen] : box.children;
		const padBottom = style.padBottom.at(laidBase, this.view);
		const bottom = y + box.height - padBottom;
		// What sticks in a box that scrolls keeps within its padding, and goes as far as it scrolls.
		const within = style.scrolls ? { top: inner.y, bottom } : port;
		const far = style.scrolls ? larger(bottom, this.lowest(children, inner.y, padBottom)) : bottom;
		let reach: Reach = nowhere;
		for (const child of children) {
			const end = this.place(child, inner.x, inner.y, within, { top: inner.y, bottom: far });
			reach = { x: larger(reach.x, end.x), y: larger(reach.y, end.y) };
		}
		return style.scrolls ? this.scrolled(children, inner, box, reach) : reach;
	}

	/**
	 * CSS Overflow 3, section 2.2: behind the boxes that stand in it, what scrolls has its padding once more;
	 * what only sticks out of them has none.
	 */
	private scrolled(
		children: readonly LayoutBox[],
		inner: Reach,
		{ style, laidBase, lines, barAcross, barDown }: LayoutBox,
		reach: Reach
	): Reach {
		const line = { x: style.lineEnd.at(0, this.view), y: style.lineBottom.at(0, this.view) };
		const padEnd = style.padEnd.at(laidBase, this.view) - line.x + barAcross;
		const padBottom = style.padBottom.at(laidBase, this.view) - line.y + barDown;
		// Tracks count whether or not something stands in them.
		const tracks = style.display === 'grid' ? lines : undefined;
		const least = {
			x: larger(reach.x, inner.x + (tracks?.across ?? 0) + (tracks ? padEnd : 0)),
			y: larger(reach.y, inner.y + (tracks?.down ?? 0) + (tracks ? padBottom : 0))
		};
		return children.reduce(({ x, y }, child) => {
			if (isFlat(child)) return { x, y };
			const below = child.style.marginBottom.at(child.laidBase, this.view);
			const out = this.outOfRun(child);
			return {
				x: larger(x, inner.x + child.x + child.width + out + padEnd),
				y: larger(y, inner.y + child.y + child.height + below + padBottom)
			};
		}, least);
	}

	/** The elements of a run are boxes of the region itself. */
	private outOfRun({ name, leaf, width }: LayoutBox): number {
		return name.kind === 'run' && leaf ? leaf.overflowAt(width, this.view).x : 0;
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

	/** CSS Positioned Layout 3, section 3.4: as nothing is scrolled, what would lie outside comes in. */
	private stuck(
		{ style, height, laidBase }: LayoutBox,
		y: number,
		port: Port,
		bounds: { top: number; bottom: number } | undefined
	): number {
		if (style.position !== 'sticky' || !bounds) return y;
		if (style.top) {
			const least = port.top + style.top.at(0, this.view);
			const outer = height + style.marginBottom.at(laidBase, this.view);
			return larger(y, smaller(least, bounds.bottom - outer));
		}
		const most = port.bottom - (style.bottom?.at(0, this.view) ?? 0) - height;
		return smaller(y, larger(most, bounds.top));
	}
}
