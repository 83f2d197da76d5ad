import type { Arrangement } from './arrange.ts';
import type { Pattern } from './pattern.ts';
import type { Setting } from './setting.ts';
import type { Named, Raw, Span } from './span.ts';
import type { Template } from './template.ts';
import { standInKinds, type StandIn, type Trial } from './trial.ts';

export interface SiteSettings {
	readonly kind: 'site';
	readonly name: Named;
	readonly lang: string;
	/** Where it is said; undefined where it is not: then the text is taken for English. */
	readonly langSpan: Span | undefined;
	/** Which way lines run; a site from right to left is mirrored throughout. */
	readonly dir: 'ltr' | 'rtl';
	readonly bands: readonly Band[];
	readonly tokens: readonly Token[];
	/** What tokens are where the visitor prefers dark colours; none of them is a size, or names a band. */
	readonly night: readonly Token[];
	/** Where the site will be, such as `https://seeds.example/lib/`; undefined where it is not said. */
	readonly address: string | undefined;
	/** Whether a page lies in a folder of its own, or is a file. */
	readonly urls: 'folders' | 'files';
	/** Who visitors can be. */
	readonly roles: readonly Named[];
	readonly document: DocumentSays;
	/** What its pages are tried with; nothing, as it is read. */
	readonly trial: Trial;
	/** Findings that are set aside for all of it. */
	readonly allows: readonly Allowance[];
	readonly span: Span;
}

/** A finding of one kind that is set aside, in the layer or part it concerns. */
export interface Allowance {
	readonly code: Named;
	readonly reason: Named;
	readonly span: Span;
}

/** A range of width that starts at `from` px and reaches to the next band. */
export interface Band {
	readonly name: Named;
	readonly from: number;
	readonly span: Span;
}

/** A custom property. `band` is undefined where it holds from the narrowest band on. */
export interface Token {
	readonly name: Named;
	readonly band: Named | undefined;
	readonly value: Raw;
	readonly span: Span;
}

/** What a page or layout sits under: the nearest covering layout, a named one, or nothing. */
export type Under =
	| { readonly kind: 'nearest' }
	| { readonly kind: 'named'; readonly name: Named; readonly span: Span }
	| { readonly kind: 'none'; readonly span: Span };

export const sheetsDo = ['move', 'paint'] as const;

export interface Layout {
	readonly kind: 'layout';
	readonly name: Named;
	readonly at: Pattern;
	readonly atSpan: Span;
	/** An on-request layout covers nothing; pages ask for it by name. */
	readonly onRequest: boolean;
	readonly under: Under;
	/** Only visitors of these roles are let in, here and below; everyone where there is none. */
	readonly admit: readonly Named[];
	/** What its bands look at: the width of the screen, or the width that the layout itself gets. */
	readonly measure: 'screen' | 'space';
	/** What rules of the site's own sheets do to its boxes: with "paint" they say how those look, and not how they lie. */
	readonly sheets: (typeof sheetsDo)[number];
	readonly settings: readonly Setting[];
	readonly arrangements: readonly Arrangement[];
	/** Markup of its own that its regions stand in; undefined where it is made of boxes, which it arranges. */
	readonly frame: OwnFrame | undefined;
	/** Regions and wrappers as they are written, from the outside in. */
	readonly members: readonly Member[];
	/** All regions, those in wrappers too, in reading order. */
	readonly regions: readonly Region[];
	readonly fills: readonly Fill[];
	readonly adjusts: readonly Adjust[];
	readonly title: Template | undefined;
	readonly description: Template | undefined;
	readonly styles: readonly Style[];
	readonly document: DocumentSays;
	readonly allows: readonly Allowance[];
	readonly span: Span;
}

/**
 * The markup of a layout whose boxes lie as its sheets say. Each region is a place in it: `{region name}` or `{slot}`;
 * what was written as the default of one is a piece of that region.
 */
export interface OwnFrame {
	readonly markup: Template;
	/** As it is written, with defaults in their places. */
	readonly written: Template;
	readonly span: Span;
}

/** What a layer, or the site, says of the document around the body: its head, and attributes of `html` and `body`. */
export interface DocumentSays {
	/** In the order in which they are written. */
	readonly head: readonly HeadItem[];
	readonly attributes: readonly Attributes[];
}

export type HeadItem = Sheet | Script | HeadMarkup;

/** A style sheet of the site's own, or one from elsewhere; delivered as it is. */
export interface Sheet {
	readonly kind: 'sheet';
	/** Path from the site's folder, or a whole URL. */
	readonly from: Named;
	/** A media query list (Media Queries 4); undefined where it is for all. */
	readonly media: Named | undefined;
	readonly span: Span;
}

/** A script of the site's own, or one from elsewhere. It is delivered, and never run here. */
export interface Script {
	readonly kind: 'script';
	readonly from: Named;
	/** As in the HTML standard, section 4.12.1: what it is, and when it runs. */
	readonly words: readonly (typeof scriptWords)[number][];
	readonly span: Span;
}

export const scriptWords = ['module', 'defer', 'async'] as const;

/** Markup in the head; `{slot}` in it is the place of what layers further in say. */
export interface HeadMarkup {
	readonly kind: 'head';
	readonly markup: Template;
	readonly span: Span;
}

export const documentElements = ['html', 'body'] as const;

/** Attributes of an element that no layer writes itself. */
export interface Attributes {
	readonly element: Named<(typeof documentElements)[number]>;
	/** An element that has them, as markup. */
	readonly markup: Template;
	readonly span: Span;
}

/** Attributes of a box's own element, beside those that the tool gives it. */
export type OwnAttributes = Pick<Attributes, 'markup' | 'span'>;

/** What a layout arranges. */
export type Member = Region | Wrapper;

/** A box around some regions of a layout. It holds nothing itself, and no layer fills it. */
export interface Wrapper {
	readonly kind: 'wrapper';
	readonly name: Named;
	readonly element: Named;
	readonly settings: readonly Setting[];
	readonly arrangements: readonly Arrangement[];
	readonly attributes: OwnAttributes | undefined;
	readonly members: readonly Member[];
	readonly span: Span;
}

/** Elements of the HTML standard (sections 4.3 and 4.4) that can hold what a region holds. */
export const regionElements = [
	'header', 'nav', 'main', 'aside', 'footer', 'section', 'article', 'div', 'search', 'form'
] as const; // prettier-ignore

export function isRegionElement(name: string): boolean {
	return regionElements.some((element) => element === name);
}

export interface Region {
	readonly kind: 'region';
	readonly name: Named;
	readonly element: Named;
	readonly slot: boolean;
	readonly locked: boolean;
	readonly required: boolean;
	readonly settings: readonly Setting[];
	readonly arrangements: readonly Arrangement[];
	readonly attributes: OwnAttributes | undefined;
	readonly pieces: readonly Piece[];
	readonly styles: readonly Style[];
	/**
	 * How it stands in a frame of own markup: as an element that holds nothing else, or as some of what an element holds.
	 * Undefined in a layout of boxes.
	 */
	readonly inFrame: 'element' | 'among' | undefined;
	/** The statement whose block says who may fill it; undefined of a place in a frame of which nothing is said. */
	readonly saidIn: Span | undefined;
	readonly span: Span;
}

export const fillKinds = ['before', 'after', 'instead', 'empty'] as const;
export type FillKind = (typeof fillKinds)[number];

/** The ways in which layers further in may fill a region: what lands in a slot is never taken away. */
export function fillKindsOf({
	slot,
	locked
}: Pick<Region, 'slot' | 'locked'>): readonly FillKind[] {
	if (locked) return [];
	return slot ? fillKinds.filter((kind) => kind === 'before' || kind === 'after') : fillKinds;
}

/** What a page, a state or a fill brings, and how that lies; it lies as its region has it where nothing is said. */
export interface Brings {
	readonly pieces: readonly Piece[];
	/** With one, what it brings has a box of its own. */
	readonly arrangements: readonly Arrangement[];
	readonly span: Span;
}

export interface Fill extends Brings {
	/** The layout is named only where two layouts of a chain have a region of that name. */
	readonly layout: string | undefined;
	readonly region: string;
	readonly targetSpan: Span;
	readonly fillKind: FillKind;
	/** The roles it is for; everyone where there is none. */
	readonly seenBy: readonly Named[];
}

/** What a layer says of a box of a layout further out, for the pages inside it alone. */
export interface Adjust {
	readonly kind: 'adjust';
	/** The layout is named only where two layouts of a chain have a box of that name. */
	readonly layout: string | undefined;
	/** A region or wrapper. */
	readonly box: string;
	readonly targetSpan: Span;
	readonly settings: readonly Setting[];
	readonly arrangements: readonly Arrangement[];
	readonly span: Span;
}

export type Piece = MarkupPiece | NavPiece | PieceGroup;

export interface MarkupPiece {
	readonly kind: 'markup';
	readonly name: Named;
	/** The roles it is for; everyone where there is none. */
	readonly seenBy: readonly Named[];
	readonly settings: readonly Setting[];
	readonly markup: Template;
	/** What stands in for it where a page is tried with less or more content; it is never delivered. */
	readonly standIns: Readonly<Partial<Record<StandIn, Template>>>;
	readonly span: Span;
}

/** All markup that is written in a piece: its own, and what stands in for it. */
export function markupsOf(piece: Piece): Template[] {
	if (piece.kind !== 'markup') return [];
	const standIns = standInKinds.flatMap((kind) => piece.standIns[kind] ?? []);
	return [piece.markup, ...standIns];
}

/** A list of links made from the routes below `from`, `depth` segments down. */
export interface NavPiece {
	readonly kind: 'nav';
	readonly name: Named;
	readonly seenBy: readonly Named[];
	readonly settings: readonly Setting[];
	readonly from: Pattern;
	readonly fromSpan: Span;
	readonly depth: number;
	/** Where it says that the page at `from` is the first of the links; undefined where that is none of them. */
	readonly withStart: Span | undefined;
	readonly span: Span;
}

/** A box around some pieces, which says how they lie: a `wrapper` among pieces, or all that a page or fill brings. */
export interface PieceGroup {
	readonly kind: 'group';
	readonly name: Named;
	readonly seenBy: readonly Named[];
	readonly settings: readonly Setting[];
	readonly arrangements: readonly Arrangement[];
	readonly pieces: readonly Piece[];
	/** It stands around all that a page or fill brings, which says how that lies; none is written. */
	readonly isWhole: boolean;
	readonly element: Named;
	readonly span: Span;
}

/** Pieces with all that stand in groups among them, in the order of reading. */
export function withInner(pieces: readonly Piece[]): Piece[] {
	return pieces.flatMap((piece) =>
		piece.kind === 'group' ? [piece, ...withInner(piece.pieces)] : [piece]
	);
}

/** CSS that reaches only what its layer itself wrote, or everything where it is global. */
export interface Style {
	readonly css: string;
	/** Where each line of it starts, in the CSS and in its file. */
	readonly lines: readonly { readonly inText: number; readonly inFile: number }[];
	/** It holds from this band upward, from the narrowest where it names none. */
	readonly band: Named | undefined;
	readonly global: boolean;
	readonly span: Span;
}

/** Which pages a route with parameters says there are. */
export type PageSource =
	| { readonly kind: 'one' }
	| { readonly kind: 'each'; readonly data: Named; readonly field: Named; readonly span: Span }
	| { readonly kind: 'samples'; readonly values: readonly Named[]; readonly span: Span };

/** An address at which the pages of a route were once, and from which visitors are led on. */
export interface Moved {
	/** As it is written, with the name of its file where it had one. */
	readonly text: string;
	/** Without the name of a file, as addresses of pages are. It has the parameters that the route has. */
	readonly pattern: Pattern;
	readonly span: Span;
}

export interface Route extends Brings {
	readonly kind: 'route';
	readonly pattern: Pattern;
	readonly patternSpan: Span;
	readonly moved: readonly Moved[];
	readonly under: Under;
	/** Only visitors of these roles are let in; everyone where there is none. */
	readonly admit: readonly Named[];
	readonly pages: PageSource;
	readonly title: Template | undefined;
	readonly description: Template | undefined;
	readonly fills: readonly Fill[];
	readonly adjusts: readonly Adjust[];
	readonly styles: readonly Style[];
	readonly document: DocumentSays;
	readonly allows: readonly Allowance[];
	readonly span: Span;
}

export const stateKinds = ['not-found', 'denied', 'failed', 'loading'] as const;
export type StateKind = (typeof stateKinds)[number];

/** What is drawn in place of a page that is missing, denied, failed or still loading. */
export interface State extends Brings {
	readonly kind: 'state';
	readonly state: Named<StateKind>;
	readonly at: Pattern;
	readonly atSpan: Span;
	readonly under: Under;
	readonly title: Template | undefined;
	readonly description: Template | undefined;
	readonly fills: readonly Fill[];
	readonly adjusts: readonly Adjust[];
	readonly styles: readonly Style[];
	readonly document: DocumentSays;
	readonly allows: readonly Allowance[];
	readonly span: Span;
}

/**
 * When shared data is asked for again, said in a word: each time (`always`), once its source says that something
 * changed (`notice`), or only when the site is delivered (`build`).
 */
export const freshWords = ['always', 'notice', 'build'] as const;

/** How old a copy of shared data may be. */
export type Freshness =
	| { readonly kind: (typeof freshWords)[number] }
	/** It may be so many seconds old. */
	| { readonly kind: 'for'; readonly seconds: number };

export interface DataSource {
	readonly kind: 'data';
	readonly name: Named;
	/** Path of a JSON file from the site's folder, or a whole URL. */
	readonly from: Named;
	readonly isUrl: boolean;
	readonly fresh: Freshness;
	/** What a page shows when the source cannot be asked: the last copy, or the nearest `failed` state. */
	readonly failed: 'last' | 'shown';
	/** Path of a JSON Schema that what comes must keep to. */
	readonly shape: Named | undefined;
	readonly span: Span;
}

/** Where the copy lies that is delivered with the site, for data that comes from a URL. */
export function copyPath({ name, from, isUrl }: DataSource): string {
	return isUrl ? `copies/${name.text}.json` : from.text;
}

/** Markup that is written once and used in many places, with what differs put in. */
export interface Part {
	readonly kind: 'part';
	readonly name: Named;
	readonly parameters: readonly Parameter[];
	/** Where the list of parameters is written, with its parentheses; undefined where there is none. */
	readonly parametersSpan: Span | undefined;
	readonly styles: readonly Style[];
	readonly allows: readonly Allowance[];
	readonly markup: Template;
	readonly span: Span;
}

/**
 * What a part is given. Without values it must be given; with one, that holds where nothing is given;
 * with several it is one of them, the first where nothing is given: those are its variants.
 */
export interface Parameter {
	readonly name: Named;
	readonly values: readonly Named[];
	readonly span: Span;
}

export type Declaration = SiteSettings | Layout | Route | State | DataSource | Part;

/** Everything that can be shown as a page. */
export type Page = Route | State;

/** A layer of a page: a layout of its chain, or the page itself. */
export type Layer = Layout | Page;

/** A site as read: declarations in the order of files and places. */
export interface Site {
	readonly settings: SiteSettings;
	readonly layouts: readonly Layout[];
	readonly routes: readonly Route[];
	readonly states: readonly State[];
	readonly data: readonly DataSource[];
	/** The same list for as long as its parts are the same. */
	readonly parts: readonly Part[];
	/** Parsed JSON of the site's data sources, by the source's name. */
	readonly values: ReadonlyMap<string, unknown>;
	/** Paths of files that are no text of the site and are delivered with it. */
	readonly assets: readonly string[];
}

/** Everything that can be shown as a page, in the order of the text. */
export function pagesOf({ routes, states }: Pick<Site, 'routes' | 'states'>): Page[] {
	return [...routes, ...states];
}

/** All layouts and pages. */
export function layersOf(site: Pick<Site, 'layouts' | 'routes' | 'states'>): Layer[] {
	return [...site.layouts, ...pagesOf(site)];
}

/** The texts of a layer that are markup, beside its pieces: what it says of the document, its frame, attributes of its boxes. */
export function documentTexts(layer: Layer): Template[] {
	const { head, attributes } = layer.document;
	return [
		...head.flatMap((one) => (one.kind === 'head' ? [one.markup] : [])),
		...attributes.map(({ markup }) => markup),
		...(layer.kind === 'layout' && layer.frame ? [layer.frame.markup] : []),
		...(layer.kind === 'layout' ? attributesAmong(layer.members) : [])
	];
}

function attributesAmong(members: readonly Member[]): Template[] {
	return members.flatMap((member) => [
		...(member.attributes ? [member.attributes.markup] : []),
		...(member.kind === 'wrapper' ? attributesAmong(member.members) : [])
	]);
}

/** How a layer is called in messages and drawings. */
export function layerName(layer: Layer): string {
	switch (layer.kind) {
		case 'layout':
			return layer.name.text;
		case 'route':
			return layer.pattern.text;
		case 'state':
			return `${layer.state.text} at ${layer.at.text}`;
	}
}

/** Where a layer says its name, for problems that are about all of it. */
export function layerSpan(layer: Layer): Span {
	switch (layer.kind) {
		case 'layout':
			return layer.name.span;
		case 'route':
			return layer.patternSpan;
		case 'state':
			return layer.state.span;
	}
}

/** The place of a layer in the route tree. */
export function layerPattern(layer: Layer): Pattern {
	return layer.kind === 'route' ? layer.pattern : layer.at;
}
