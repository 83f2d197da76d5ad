import { Memory } from '../lib/memory.ts';
import type { Layer, Layout, Part, Piece, Region, Site } from '../model/site.ts';
import type { Template } from '../model/template.ts';
import { membersIn } from '../resolve/boxes/members.ts';
import { partDepth } from '../resolve/content/part-depth.ts';

/** A layout that landed in another: there a style of the layers around it ends. */
export const layerClass = 'layer';
/** A piece that another layer put into a region: there too. */
export const broughtClass = 'brought';
/** A piece that keeps its margins, since one beside it comes and goes. */
export const apartClass = 'apart';
export const skipClass = 'skip-link';
export const listClass = 'nav-list';
/** A region that slides in, in some band, and the button in it that closes it. */
export const drawerClass = 'drawer';
export const closerClass = 'drawer-closer';
/** A page that sits under nothing, and the beginning of the names of what pages bring. */
export const pageClass = 'page';
const pageBroughtClass = 'page-brought';

/**
 * The classes that pages carry and style sheets select: a layout's name, and behind a hyphen what
 * belongs to it. Two things never share one: names are given out in the order of the text, and one that
 * is taken gets a number.
 */
export class ClassNames {
	private readonly given = new Map<string, string>();
	/** All classes of parts: where a style begins and where it ends, for each depth at which the part can stand. */
	readonly parts: readonly { readonly part: Part; readonly start: string; readonly end: string }[];
	/** Classes of boxes of layouts. */
	private readonly boxes: ReadonlySet<string>;
	private readonly taken = new Set<string>([
		layerClass,
		broughtClass,
		apartClass,
		skipClass,
		listClass,
		drawerClass,
		closerClass,
		pageClass,
		pageBroughtClass
	]);

	constructor(site: Site) {
		const { layouts, parts } = site;
		for (const layout of layouts) this.layout(layout);
		for (const layout of layouts) {
			for (const { name } of membersIn(layout.members)) this.member(layout, name.text);
		}
		for (const layout of layouts) {
			this.space(layout);
			this.brought(layout);
			for (const { name } of layout.regions) this.opener(layout, name.text);
		}
		this.boxes = new Set(this.given.values());
		const uses = parts.flatMap((part) =>
			Array.from({ length: partDepth(part, site) }, (_, depth) => ({ part, depth }))
		);
		this.parts = uses
			.sort((a, b) => Math.min(a.depth, 1) - Math.min(b.depth, 1))
			.map(({ part, depth }) => {
				return { part, start: this.part(part, depth), end: this.partContent(part, depth) };
			});
	}

	/** Whether a class is that of a box of some layout. */
	isFrame(name: string): boolean {
		return this.boxes.has(name);
	}

	/** A layout's root. */
	layout(layout: Layout): string {
		return this.nameFor(layout.name.text, layout.name.text);
	}

	/** A region or wrapper of a layout. */
	member(layout: Layout, name: string): string {
		return this.nameFor(`${layout.name.text} ${name}`, `${this.layout(layout)}-${name}`);
	}

	/** The box around a layout whose bands look at the space it gets. */
	space(layout: Layout): string {
		return this.nameFor(`space ${layout.name.text}`, `${this.layout(layout)}-space`);
	}

	/** What a layer put into regions of layouts further out. */
	brought(owner: Layer): string {
		if (owner.kind !== 'layout') return pageBroughtClass;
		return this.nameFor(`brought ${owner.name.text}`, `${this.layout(owner)}-brought`);
	}

	/** The button that opens the drawer of a region. */
	opener(layout: Layout, region: string): string {
		return this.nameFor(
			`opener ${layout.name.text} ${region}`,
			`${this.member(layout, region)}-opener`
		);
	}

	/**
	 * The outermost elements of a part, where its style begins; `depth`: in how many of the same part they stand, each
	 * in what the one around it wraps.
	 */
	part(part: Part, depth = 0): string {
		return this.nameFor(`part ${part.name.text} ${depth}`, partName(part, depth));
	}

	/** What a part wraps, where its style ends. */
	partContent(part: Part, depth = 0): string {
		return this.nameFor(`content ${part.name.text} ${depth}`, `${this.part(part, depth)}-content`);
	}

	/**
	 * A piece in a region, by the layer that brought it. It is selected together with its region, so two
	 * pieces may share a name, but none has that of another kind of box.
	 */
	piece(owner: Layer, region: string | undefined, piece: string): string {
		const by = owner.kind === 'layout' ? this.layout(owner) : pageClass;
		let name = [by, region, piece].filter((word) => word !== undefined).join('-');
		while (this.taken.has(name)) name += '-piece';
		return name;
	}

	private nameFor(key: string, wanted: string): string {
		const known = this.given.get(key);
		if (known !== undefined) return known;
		let name = wanted;
		for (let count = 2; this.taken.has(name); count++) name = `${wanted}-${count}`;
		this.taken.add(name);
		this.given.set(key, name);
		return name;
	}
}

function partName({ name }: Part, depth: number): string {
	return depth === 0 ? `part-${name.text}` : `part-${name.text}-in-${depth}`;
}

/** Whether sheets have a rule for a piece: it is a group, it has settings, or an area by its name where it stands. */
export function hasPieceClass(
	{ kind, settings }: Piece,
	holder: Pick<Region, 'arrangements'> | undefined
): boolean {
	return (
		kind === 'group' ||
		settings.length > 0 ||
		(holder?.arrangements.some(({ kind }) => kind === 'areas') ?? false)
	);
}

const known = new Memory<Site, ClassNames>();

/** The classes of a site; given out once, so that pages and sheets agree. */
export function classNames(site: Site): ClassNames {
	return known.get(site, [], () => new ClassNames(site));
}

/** The id by which an opener finds its drawer, or a skip link its target. */
export function elementId(layout: Layout, region: string): string {
	const said = layout.regions.find(({ name }) => name.text === region)?.attributes;
	return (said && idIn(said.markup)) ?? `${layout.name.text}-${region}`;
}

/** The id that attributes say, where it is the same on all pages. */
function idIn({ parts }: Template): string | undefined {
	const text = parts.map((part) => (typeof part === 'string' ? part : '{}')).join('');
	const [, id] = /\sid\s*=\s*"([^"{}\s]+)"/i.exec(text) ?? [];
	return id;
}
