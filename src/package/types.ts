/** Where something is written: a file of the site, and where in it. Lines and columns count from 1. */
export interface Place {
	readonly file: string;
	readonly line: number;
	readonly column: number;
}

/** Something that is wrong or doubtful in a site. `error`: while it stands, nothing is built. */
export interface Finding extends Place {
	/** What kind it is, such as `link-nowhere`; docs/findings.md has them all. */
	readonly code: string;
	readonly severity: 'error' | 'warning' | 'hint';
	readonly sentence: string;
	/** The pages on which it shows; none where it is about the text alone. */
	readonly pages: readonly { readonly page: string; readonly address: string }[];
	/** It rests on sizes that were guessed from text. */
	readonly estimated: boolean;
}

/** A site that was read. What it is stays inside: give it to the other functions. */
export interface Site {
	readonly name: string;
	/** Its routes as they are written, in the order of the route tree. */
	readonly routes: readonly string[];
	/** Its layouts by their names. */
	readonly layouts: readonly string[];
	/** Who visitors can be; the first is whoever has not signed in. */
	readonly roles: readonly string[];
	/** What keeps it from being built. `check` finds the rest. */
	readonly errors: readonly Finding[];
}

/** The files of a site that lies nowhere, by their paths: texts as strings, others as bytes. */
export type SiteFilesByPath = ReadonlyMap<string, string | Uint8Array>;

/** A piece of markup that lands in a region, and the layer that brought it. */
export interface LandedPiece {
	readonly piece: string;
	readonly owner: string;
}

/** What became of a region on a page. */
export interface ResolvedRegion {
	readonly layout: string;
	readonly region: string;
	/** The HTML element that it is. */
	readonly element: string;
	/** What stands under its layout lands here. */
	readonly slot: boolean;
	readonly locked: boolean;
	readonly required: boolean;
	/** What each layer did to it, from its own layout inward. */
	readonly steps: readonly {
		readonly layer: string;
		readonly action: 'gave' | 'passed' | 'before' | 'after' | 'instead' | 'emptied' | 'content';
		readonly pieces: readonly string[];
	}[];
	/** What the page shows in it, in order; the inner layout is a name alone. */
	readonly lands: readonly (LandedPiece | { readonly layout: string })[];
}

/** Where everything on a page comes from. */
export interface ResolvedPage {
	/** The route as it is written, or a state: `denied at /desk`. */
	readonly page: string;
	/** The addresses at which it is. */
	readonly addresses: readonly string[];
	/** What it sits under, the outermost layout first. */
	readonly chain: readonly string[];
	readonly regions: readonly ResolvedRegion[];
	/** The pieces of a page that sits under nothing. */
	readonly bare: readonly string[];
}

/** A box of a page on one screen, px from the upper left of the page. */
export interface Box {
	readonly layout: string | undefined;
	readonly region?: string;
	readonly wrapper?: string;
	/** The region that a button opens. */
	readonly opener?: string;
	readonly piece?: string;
	/** The layer that brought the piece. */
	readonly owner?: string;
	/** Pieces that lie in one run of lines. */
	readonly run?: readonly LandedPiece[];
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	/** By how much its content is wider and taller than itself. */
	readonly overflowX: number;
	readonly overflowY: number;
	/** It rests on sizes that were guessed from text. */
	readonly estimated?: true;
}

/** A file that is made. */
export interface MadeFile {
	/** With `/`, from the folder that all of it goes into. */
	readonly path: string;
	/** `page`, `style` and `asset`; `moved`: it only leads on; `shell`: others put pages into it. */
	readonly kind: 'page' | 'style' | 'asset' | 'moved' | 'shell';
	readonly content: string | Uint8Array;
}

/** What a build is to have. */
export interface BuildOptions {
	/** What `{year}` stands for; this year where it is not said. */
	readonly year?: number;
	/** Each element says what made it. */
	readonly marks?: boolean;
	/** Pages that not everyone may open, too. */
	readonly closed?: boolean;
	/** A configuration for nginx, which keeps closed pages closed. */
	readonly nginx?: boolean;
}

/** What was made of pages of HTML. */
export interface BroughtIn {
	/** The files of the site: read them with `readSite`, or write them to a folder. */
	readonly files: SiteFilesByPath;
	/** Files that stay as they are, since no page could be made of them, and why. */
	readonly notTaken: readonly { readonly path: string; readonly why: string }[];
}
