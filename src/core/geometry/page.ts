import { settingsAt, type Bands } from '../resolve/bands.ts';
import { type Surroundings } from '../box-styles/surroundings.ts';
import { bareBox, frameOf, type Box, type Frame } from '../box-styles/frame.ts';
import { declaredScrolled } from '../box-styles/scrolled.ts';
import { type Layout, type Site } from '../model/site.ts';
import { wholeKey, type PieceName } from '../model/piece-key.ts';
import { isFramed, type ResolvedPage, type ResolvedRegion } from '../resolve/page.ts';
import { landedIn, namesIn, standingIn, type Standing } from '../resolve/boxes/runs.ts';
import type { Declarations } from '../settings/declarations.ts';
import type { Lookup } from '../size/tokens.ts';
import { BoxStyles } from './box-styles.ts';
import type { BoxName, LayoutBox } from './layout-box.ts';
import type { MarkedBox } from './pieces/marked-boxes.ts';
import type { PieceSize, PieceSizes, SpaceBand } from './pieces/piece-size.ts';
import { notedBand } from './widths/noted-band.ts';
import { widthsDepend, type Style } from './style.ts';

/** Which drawers are open, by layout and region. */
export type OpenDrawers = ReadonlySet<string>;

/** How a drawer is named among the open ones. */
export function drawerName(layout: string, region: string): string {
	return `${layout}.${region}`;
}

/** A box that scrolls by itself: a layout's root, or a wrapper or region of it. */
export type ScrollerName = Pick<BoxName, 'layout' | 'wrapper' | 'region'>;

/** The page, or a box that scrolls by itself, scrolled by some px. */
export interface Scrolled {
	readonly px: number;
	/** undefined: the page. */
	readonly in: ScrollerName | undefined;
}

/** Whether a box is what is scrolled; without a box, whether the page is. */
export function isScrolled(scrolled: Scrolled | undefined, of: ScrollerName | undefined): boolean {
	const inside = scrolled?.in;
	return (
		inside?.layout === of?.layout &&
		inside?.wrapper === of?.wrapper &&
		inside?.region === of?.region
	);
}

/** What a page's boxes are made from. */
export interface PageContent {
	readonly page: ResolvedPage;
	readonly site: Site;
	readonly sizes: PieceSizes;
	readonly open: OpenDrawers;
	/** The boxes of a page that is measured as a whole, as its marked elements make them. */
	readonly marked?: readonly MarkedBox[];
	/** Nothing is put into boxes but drawers: what they hold follows from the screen alone. */
	readonly only?: 'drawers';
	/** What a classic scrollbar at the side takes of the screen, px; bands look at all of the screen. */
	readonly scrollbar?: number;
	/** How far what scrolls has been scrolled; nothing has where it is not said. */
	readonly scrolled?: Scrolled;
	/** Told the width that a layout gets which measures its own space, px, each time it is laid out. */
	readonly onSpace?: (layout: string, width: number) => void;
}

/** Makes the boxes of a page as they are in a band of the screen, given by its place. */
export function boxesInBand(content: PageContent, band: number): LayoutBox {
	return new BoxMaker(content, band).make();
}

/** A layout with the band that its boxes are in. */
interface InBand {
	readonly frame: Frame;
	readonly band: number;
	readonly surroundings: Surroundings;
	readonly lookup: Lookup;
	/** The spaces that it stands in, outermost first. */
	readonly spaces: readonly SpaceBand[];
	/** Open drawers found so far. */
	readonly drawers: LayoutBox[];
	/** The region that it scrolls with; undefined: the page. */
	readonly scroller: ScrollerName | undefined;
}

class BoxMaker {
	private readonly bands: Bands;
	private readonly styles: BoxStyles;

	constructor(
		private readonly given: PageContent,
		private readonly screenBand: number
	) {
		const { settings } = given.site;
		this.bands = settings.bands;
		this.styles = BoxStyles.of(settings);
	}

	make(): LayoutBox {
		const { page } = this.given;
		const lookup = this.styles.lookupIn(this.screenBand);
		const [outermost] = page.chain;
		if (outermost && isFramed(page)) return this.whole(outermost, lookup);
		return outermost ? this.layoutOrSpace(outermost, undefined, lookup) : this.bare(lookup);
	}

	/** A page whose boxes lie as its sheets say: all of it has one size, which is measured. */
	private whole({ name: { text: layout } }: Layout, lookup: Lookup): LayoutBox {
		const size = this.given.sizes(wholeKey(layout), []);
		const style = this.styles.style(nothing, lookup);
		const leaf = makeBox({ ...noName, kind: 'run', layout }, style, [], size);
		return makeBox({ ...noName, kind: 'layout', layout }, style, [leaf]);
	}

	private bare(lookup: Lookup): LayoutBox {
		const surroundings = this.styles.surroundingsIn([]);
		const standing = standingIn({ region: undefined, landed: this.given.page.bare });
		const at: PiecesAt = {
			box: bareBox,
			band: this.screenBand,
			surroundings,
			lookup,
			spaces: [],
			layout: undefined,
			region: undefined
		};
		const children = standing.flatMap((one) => this.content(one, at));
		return makeBox({ ...noName, kind: 'bare' }, this.styles.style(nothing, lookup), children);
	}

	/** A layout's root; in a box of its own where its bands look at that box's width. */
	private layoutOrSpace(layout: Layout, host: InRegion | undefined, lookup: Lookup): LayoutBox {
		const name: BoxName = { ...noName, kind: 'layout', layout: layout.name.text };
		const outer = host?.at.spaces ?? [];
		const scroller = host?.at.scroller;
		const inSlot = host ? this.styles.inSlot(host.box, host.at.band) : nothing;
		if (layout.measure === 'screen') {
			return this.layout(layout, this.screenBand, name, inSlot, lookup, outer, scroller);
		}
		const variants = new Map<number, LayoutBox>();
		const space = makeBox({ ...name, kind: 'space' }, this.styles.style(inSlot, lookup), []);
		const variant = (width: number): LayoutBox => {
			// A sum of parts may come out a hair below the whole.
			const band = notedBand(this.bands, width + 0.008);
			this.given.onSpace?.(layout.name.text, width);
			let made = variants.get(band);
			if (!made) {
				const spaces = [...outer, { layout: layout.name.text, band }];
				made = this.layout(layout, band, name, nothing, lookup, spaces, scroller);
				variants.set(band, made);
			}
			return made;
		};
		return { ...space, variant };
	}

	private layout(
		layout: Layout,
		band: number,
		name: BoxName,
		inSlot: Declarations,
		lookup: Lookup,
		spaces: readonly SpaceBand[],
		scroller: InBand['scroller']
	): LayoutBox {
		const { chain } = this.given.page;
		const frame = frameOf(layout, this.bands);
		const surroundings = this.styles.surroundingsIn(chain.slice(0, chain.indexOf(layout)));
		const own = this.styles.declared(frame.root, band, surroundings, layout);
		const declared = this.styles.both(inSlot, own);
		const inner = this.styles.lookupInside(lookup, declared);
		const drawers: LayoutBox[] = [];
		const style = this.styles.style(declared, lookup);
		const around = style.scrolls ? name : scroller;
		const at = { frame, band, surroundings, lookup: inner, spaces, drawers, scroller: around };
		const made = makeBox(name, style, this.members(frame.root, at));
		return { ...made, drawers };
	}

	private members(parent: Box, at: InBand): LayoutBox[] {
		return parent.members.flatMap((box) => this.member(box, at));
	}

	private member(box: Box, at: InBand): LayoutBox[] {
		const { frame, band, surroundings, lookup } = at;
		const { layout: of } = frame;
		const atRest = this.styles.declared(box, band, surroundings, of);
		const moved = isScrolled(this.given.scrolled, at.scroller) ? this.given.scrolled : undefined;
		const settings = settingsAt(box.settings, this.bands, band);
		const { trial } = this.given.site.settings;
		const declared = declaredScrolled(atRest, settings, moved?.px ?? 0, trial);
		if (declared.display === 'none') return [];
		const layout = of.name.text;
		const style = this.styles.style(declared, lookup);
		if (box.kind === 'wrapper') {
			const name: BoxName = { ...noName, kind: 'wrapper', layout, wrapper: box.name };
			const inner = style.scrolls ? { ...at, scroller: name } : at;
			return [makeBox(name, style, this.members(box, inner))];
		}
		const isOpen = trial.drawersOpen || this.given.open.has(drawerName(layout, box.name));
		if (style.position === 'fixed' && !isOpen) return [];
		const resolved = this.given.page.regions.find(
			(one) => one.layout === frame.layout && one.region.name.text === box.name
		);
		const name: BoxName = { ...noName, kind: 'region', layout, region: box.name };
		const scroller = style.scrolls ? name : at.scroller;
		const inner = { ...at, lookup: this.styles.lookupInside(lookup, declared), scroller };
		const made = makeBox(
			name,
			style,
			resolved
				? this.landed(resolved, { box, at: inner, isDrawer: style.position === 'fixed' })
				: []
		);
		if (style.position !== 'fixed') return [made];
		at.drawers.push(made);
		return [];
	}

	private landed(resolved: ResolvedRegion, host: InRegion): LayoutBox[] {
		const openers = (end: 'first' | 'last'): LayoutBox[] =>
			host.at.frame.openers
				.filter((opener) => opener.host === resolved.region && opener.end === end)
				.flatMap((opener) => {
					const shows = settingsAt(opener.region.settings, this.bands, host.at.band).show;
					if (shows?.kind !== 'drawer') return [];
					const box = this.styles.openerIn(opener, host.box);
					const declared = this.declaredIn(host, box);
					const pieces = [{ piece: box.name, owner: host.at.frame.layout.name.text }];
					return this.leaf(
						nameIn(host, 'opener', pieces),
						declared,
						host.at.lookup,
						host.at.spaces
					);
				});
		const content = standingIn(resolved).flatMap((one) => this.standing(one, host));
		if (this.isLeftOut(host)) return content;
		return [...openers('first'), ...content, ...openers('last')];
	}

	private standing(one: Standing, host: InRegion): LayoutBox[] {
		const { at } = host;
		if (one.kind === 'layout') return [this.layoutOrSpace(one.layout, host, at.lookup)];
		if (this.isLeftOut(host)) return [];
		return this.content(one, {
			...at,
			box: host.box,
			layout: at.frame.layout,
			region: host.box.name
		});
	}

	/** A piece, a run, or a group with what stands in it. */
	private content(one: Standing, at: PiecesAt): LayoutBox[] {
		if (one.kind === 'layout') return [];
		const { band, surroundings, lookup, spaces, layout, region } = at;
		const place = { layout: layout?.name.text, region, wrapper: undefined };
		const pieces = namesIn(one);
		if (one.kind === 'run')
			return this.leaf({ ...place, kind: 'run', pieces }, nothing, lookup, spaces);
		const box = this.styles.pieceIn(one.piece, at.box);
		const declared = this.styles.declared(box, band, surroundings, layout);
		if (one.piece.kind !== 'group') {
			return this.leaf({ ...place, kind: 'piece', pieces }, declared, lookup, spaces);
		}
		if (declared.display === 'none') return [];
		const inner = { ...at, box, lookup: this.styles.lookupInside(lookup, declared) };
		const children = standingIn({ region: one.piece, landed: landedIn(one) });
		return [
			makeBox(
				{ ...place, kind: 'group', pieces },
				this.styles.style(declared, lookup),
				children.flatMap((child) => this.content(child, inner))
			)
		];
	}

	private isLeftOut({ isDrawer }: InRegion): boolean {
		return this.given.only === 'drawers' && !isDrawer;
	}

	private declaredIn({ at }: InRegion, box: Box): Declarations {
		return this.styles.declared(box, at.band, at.surroundings, at.frame.layout);
	}

	private leaf(
		name: BoxName,
		declared: Declarations,
		lookup: Lookup,
		spaces: readonly SpaceBand[]
	): LayoutBox[] {
		if (declared.display === 'none') return [];
		const { layout, region, pieces } = name;
		const key = { layout, region, pieces, opener: name.kind === 'opener' };
		const size = this.given.sizes(key, spaces);
		return [makeBox(name, this.styles.style(declared, lookup), [], size)];
	}
}

const nothing: Declarations = {};

/** What pieces stand in, as their boxes are made. */
interface PiecesAt extends Pick<InBand, 'band' | 'surroundings' | 'lookup' | 'spaces'> {
	readonly box: Box;
	readonly layout: Layout | undefined;
	readonly region: string | undefined;
}

/** A region whose content is being made. */
interface InRegion {
	readonly box: Box;
	readonly at: InBand;
	readonly isDrawer: boolean;
}

const noName = {
	layout: undefined,
	region: undefined,
	wrapper: undefined,
	pieces: []
};

function nameIn({ box, at }: InRegion, kind: 'opener', pieces: readonly PieceName[]): BoxName {
	const layout = at.frame.layout.name.text;
	return { kind, layout, region: box.name, wrapper: undefined, pieces };
}

function makeBox(
	name: BoxName,
	style: Style,
	children: readonly LayoutBox[],
	leaf?: PieceSize
): LayoutBox {
	const ordered = [...children].sort((a, b) => a.style.order - b.style.order);
	return {
		name,
		style,
		children: ordered,
		leaf,
		variant: undefined,
		drawers: [],
		chosen: undefined,
		x: 0,
		y: 0,
		width: 0,
		height: 0,
		laidWidth: 0,
		laidHeight: undefined,
		laidBase: 0,
		laidKnown: true,
		laidRun: 0,
		barAcross: 0,
		barDown: 0,
		contentHeight: 0,
		measuredWidth: 0,
		measuredBase: 0,
		measuredRun: 0,
		steady:
			(leaf?.steady ?? true) && !widthsDepend(style) && ordered.every((child) => child.steady),
		minContent: 0,
		maxContent: 0,
		intrinsicRun: 0,
		intrinsicBase: undefined,
		lines: undefined
	};
}
