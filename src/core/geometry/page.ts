import { settingsAt, type Bands } from '../resolve/bands.ts';
import { declare, declareInSlot } from '../declare/declare.ts';
import { type Surroundings } from '../declare/surroundings.ts';
import { surroundingsOf } from '../declare/outside.ts';
import { bareBox, frameOf, openerBox, pieceBox, type Box, type Frame } from '../declare/frame.ts';
import { type Layout, type Site } from '../model/site.ts';
import type { PieceName } from '../model/piece-key.ts';
import type { ResolvedPage, ResolvedRegion } from '../resolve/page.ts';
import { namesIn, standingIn, type Standing } from '../resolve/runs.ts';
import { handedOn, type Declarations } from '../settings/declarations.ts';
import { substitute, tokensAt, type Lookup } from '../size/tokens.ts';
import type { BoxName, LayoutBox } from './layout-box.ts';
import type { PieceSize, PieceSizes, SpaceBand } from './pieces/piece-size.ts';
import { notedBand } from './widths/noted-band.ts';
import { readStyle, widthsDepend, type Style } from './style.ts';

/** Which drawers are open, by layout and region. */
export type OpenDrawers = ReadonlySet<string>;

/** How a drawer is named among the open ones. */
export function drawerName(layout: string, region: string): string {
	return `${layout}.${region}`;
}

/** What a page's boxes are made from. */
export interface PageContent {
	readonly page: ResolvedPage;
	readonly site: Site;
	readonly sizes: PieceSizes;
	readonly open: OpenDrawers;
	/** What a classic scrollbar at the side takes of the screen, px; bands look at all of the screen. */
	readonly scrollbar?: number;
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
}

class BoxMaker {
	private readonly bands: Bands;
	private readonly tokens: ReadonlyMap<string, string>;

	constructor(
		private readonly given: PageContent,
		private readonly screenBand: number
	) {
		const { bands, tokens } = given.site.settings;
		this.bands = bands;
		this.tokens = tokensAt(tokens, bands, screenBand);
	}

	make(): LayoutBox {
		const { page } = this.given;
		const lookup: Lookup = (name) => this.tokens.get(name);
		const [outermost] = page.chain;
		return outermost ? this.layoutOrSpace(outermost, undefined, lookup) : this.bare(lookup);
	}

	private bare(lookup: Lookup): LayoutBox {
		const surroundings = surroundingsOf([], this.bands);
		const standing = standingIn({ region: undefined, landed: this.given.page.bare });
		const children = standing.flatMap((one) => {
			if (one.kind === 'layout') return [];
			const name = { ...noName, kind: one.kind, pieces: namesIn(one) };
			const declared =
				one.kind === 'run'
					? {}
					: declare(pieceBox(one.piece, bareBox), this.screenBand, surroundings);
			return this.leaf(name, declared, lookup, []);
		});
		return makeBox({ ...noName, kind: 'bare' }, readStyle({}, lookup), children);
	}

	/** A layout's root; in a box of its own where its bands look at that box's width. */
	private layoutOrSpace(layout: Layout, host: InRegion | undefined, lookup: Lookup): LayoutBox {
		const name: BoxName = { ...noName, kind: 'layout', layout: layout.name.text };
		const outer = host?.at.spaces ?? [];
		const inSlot = host ? declareInSlot(host.box, host.at.band, this.bands) : {};
		if (layout.measure === 'screen') {
			return this.layout(layout, this.screenBand, name, inSlot, lookup, outer);
		}
		const variants = new Map<number, LayoutBox>();
		const space = makeBox({ ...name, kind: 'space' }, readStyle(inSlot, lookup), []);
		const variant = (width: number): LayoutBox => {
			// A sum of parts may come out a hair below the whole.
			const band = notedBand(this.bands, width + 0.008);
			this.given.onSpace?.(layout.name.text, width);
			let made = variants.get(band);
			if (!made) {
				const spaces = [...outer, { layout: layout.name.text, band }];
				variants.set(band, (made = this.layout(layout, band, name, {}, lookup, spaces)));
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
		spaces: readonly SpaceBand[]
	): LayoutBox {
		const { chain } = this.given.page;
		const frame = frameOf(layout, this.bands);
		const surroundings = surroundingsOf(chain.slice(0, chain.indexOf(layout)), this.bands);
		const declared = { ...inSlot, ...declare(frame.root, band, surroundings) };
		const inner = extended(lookup, declared);
		const drawers: LayoutBox[] = [];
		const at: InBand = { frame, band, surroundings, lookup: inner, spaces, drawers };
		const made = makeBox(name, readStyle(declared, lookup), this.members(frame.root, at));
		return { ...made, drawers };
	}

	private members(parent: Box, at: InBand): LayoutBox[] {
		return parent.members.flatMap((box) => this.member(box, at));
	}

	private member(box: Box, at: InBand): LayoutBox[] {
		const { frame, band, surroundings, lookup } = at;
		const declared = declare(box, band, surroundings);
		if (declared.display === 'none') return [];
		const layout = frame.layout.name.text;
		const style = readStyle(declared, lookup);
		if (box.kind === 'wrapper') {
			const name: BoxName = { ...noName, kind: 'wrapper', layout, wrapper: box.name };
			return [makeBox(name, style, this.members(box, at))];
		}
		const isOpen = this.given.open.has(drawerName(layout, box.name));
		if (style.position === 'fixed' && !isOpen) return [];
		const resolved = this.given.page.regions.find(
			(one) => one.layout === frame.layout && one.region.name.text === box.name
		);
		const name: BoxName = { ...noName, kind: 'region', layout, region: box.name };
		const inner = { ...at, lookup: extended(lookup, declared) };
		const made = makeBox(name, style, resolved ? this.landed(resolved, { box, at: inner }) : []);
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
					const box = openerBox(opener, host.box);
					const declared = declare(box, host.at.band, host.at.surroundings);
					const pieces = [{ piece: box.name, owner: host.at.frame.layout.name.text }];
					return this.leaf(
						nameIn(host, 'opener', pieces),
						declared,
						host.at.lookup,
						host.at.spaces
					);
				});
		const content = standingIn(resolved).flatMap((one) => this.standing(one, host));
		return [...openers('first'), ...content, ...openers('last')];
	}

	private standing(one: Standing, host: InRegion): LayoutBox[] {
		const { at } = host;
		if (one.kind === 'layout') return [this.layoutOrSpace(one.layout, host, at.lookup)];
		const declared =
			one.kind === 'run' ? {} : declare(pieceBox(one.piece, host.box), at.band, at.surroundings);
		return this.leaf(nameIn(host, one.kind, namesIn(one)), declared, at.lookup, at.spaces);
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
		return [makeBox(name, readStyle(declared, lookup), [], size)];
	}
}

/** A region whose content is being made. */
interface InRegion {
	readonly box: Box;
	readonly at: InBand;
}

const noName = {
	layout: undefined,
	region: undefined,
	wrapper: undefined,
	pieces: []
};

function nameIn(
	{ box, at }: InRegion,
	kind: 'piece' | 'run' | 'opener',
	pieces: readonly PieceName[]
): BoxName {
	const layout = at.frame.layout.name.text;
	return { kind, layout, region: box.name, wrapper: undefined, pieces };
}

/** Custom properties that a box declares hold for everything in it. */
function extended(lookup: Lookup, declared: Declarations): Lookup {
	const own = handedOn(declared);
	if (own.length === 0) return lookup;
	// Worked out with what holds outside: a property may refer to itself further out.
	const values = new Map(own.map(([name, value]) => [name, substitute(value, lookup)]));
	return (name) => values.get(name) ?? lookup(name);
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
