import { bandAt } from '../resolve/bands.ts';
import type { Length, Viewport } from '../size/length.ts';
import type { TrackList } from '../size/tracks.ts';
import type { BoxName, GridLines, LayoutBox } from './layout-box.ts';
import { Layout, nextRun } from './layout.ts';
import { boxesInBand, type PageGround } from './page.ts';
import { padDown, usedWidth } from './sizing.ts';
import type { Style } from './style.ts';

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

interface Band {
	readonly root: LayoutBox;
	/** Content widths hold for every viewport; undefined where some depend on it. */
	readonly intrinsicRun: number | undefined;
}

/** The boxes of one page, at any width. */
export class PageLayout {
	private readonly bands = new Map<number, Band>();

	constructor(private readonly ground: PageGround) {}

	/** All boxes that are shown, each before what is in it. */
	boxesAt(view: Viewport): PlacedBox[] {
		const { settings } = this.ground.site;
		const { root, intrinsicRun } = this.band(bandAt(settings.bands, view.width));
		const layout = new Layout(view, intrinsicRun ?? nextRun());
		const width = usedWidth(root, view.width, view.width, true, layout);
		layout.lay(root, width, undefined, view.width);
		root.x = 0;
		root.y = 0;
		const placer = new Placer(view, settings.dir === 'rtl');
		placer.place(root, 0, 0, placer.screen);
		for (const drawer of drawersIn(root)) {
			layFixed(drawer, layout);
			placer.place(drawer, 0, 0, placer.screen);
		}
		return placer.placed;
	}

	private band(place: number): Band {
		let band = this.bands.get(place);
		if (!band) {
			const root = boxesInBand(this.ground, place);
			band = { root, intrinsicRun: dependsOnViewport(root) ? undefined : nextRun() };
			this.bands.set(place, band);
		}
		return band;
	}
}

/** The open drawers of the layouts that were laid out. */
function drawersIn(box: LayoutBox): LayoutBox[] {
	const inside = box.chosen ? [box.chosen] : box.children;
	return [...box.drawers, ...inside.flatMap(drawersIn)];
}

/** CSS Positioned Layout 3, section 4: a drawer fills the screen between the edges it keeps to. */
function layFixed(box: LayoutBox, layout: Layout): void {
	const { view } = layout;
	const { style } = box;
	const wide = usedWidth(box, view.width, view.width, true, layout);
	const most = style.maxHeight?.at(view.height, view) ?? Infinity;
	const height = Math.min(style.height?.at(view.height, view) ?? view.height, most);
	layout.lay(box, wide, Math.max(height, padDown(box, view.width, layout)), view.width);
	box.x = style.start ? 0 : view.width - wide;
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

/** Turns places within parents into places on the page. */
class Placer {
	readonly placed: PlacedBox[] = [];
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
		const inPlace = box.name.kind !== 'space';
		if (inPlace) this.placed.push(this.entry(box, x, y, { x: 0, y: 0 }));
		const reach = this.placeInside(box, x, y, port);
		const end = { x: x + box.width, y: y + box.height };
		if (inPlace) {
			const overflow = { x: Math.max(0, reach.x - end.x), y: Math.max(0, reach.y - end.y) };
			if (overflow.x > 0 || overflow.y > 0) this.placed[index] = this.entry(box, x, y, overflow);
		}
		return box.style.scrolls ? end : { x: Math.max(end.x, reach.x), y: Math.max(end.y, reach.y) };
	}

	private entry(box: LayoutBox, x: number, y: number, overflow: Reach): PlacedBox {
		const { name, width, height, lines } = box;
		return {
			name,
			x: this.mirrored ? this.view.width - x - width : x,
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
			const room = Math.max(0, box.width - padStart - style.padEnd.at(laidBase, this.view));
			return { x: inner.x + box.leaf.min, y: inner.y + box.leaf.heightAt(room) };
		}
		const children = box.chosen ? [box.chosen] : box.children;
		const bottom = y + box.height - style.padBottom.at(laidBase, this.view);
		// What sticks in a box that scrolls keeps within its padding.
		const within = style.scrolls ? { top: inner.y, bottom } : port;
		let reach: Reach = { x, y };
		for (const child of children) {
			const end = this.place(child, inner.x, inner.y, within, { top: inner.y, bottom });
			reach = { x: Math.max(reach.x, end.x), y: Math.max(reach.y, end.y) };
		}
		return reach;
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
			return y >= least ? y : Math.max(y, Math.min(least, bounds.bottom - outer));
		}
		const most = port.bottom - (style.bottom?.at(0, this.view) ?? 0) - height;
		return y <= most ? y : Math.min(y, Math.max(most, bounds.top));
	}
}

/** Whether a width that a box or its content would like depends on the size of the screen. */
function dependsOnViewport(box: LayoutBox): boolean {
	// What is in a box that measures its own space is made later, and may depend on it.
	if (box.variant) return true;
	return styleDepends(box.style) || [...box.children, ...box.drawers].some(dependsOnViewport);
}

function styleDepends(style: Style): boolean {
	const { width, minWidth, maxWidth, padStart, padEnd, marginStart, flexBasis, columnGap } = style;
	const lengths: (Length | undefined)[] = [
		typeof width === 'string' ? undefined : width,
		minWidth,
		maxWidth,
		padStart,
		padEnd,
		marginStart,
		flexBasis,
		columnGap,
		...lengthsOf(style.columns)
	];
	return lengths.some((length) => length?.viewport);
}

function lengthsOf({ tracks, repeat }: TrackList): (Length | undefined)[] {
	return [...tracks, ...(repeat?.tracks ?? [])].flatMap(({ min, max, limit }) => [
		min.kind === 'length' ? min.length : undefined,
		max.kind === 'length' ? max.length : undefined,
		limit
	]);
}
