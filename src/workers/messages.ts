import type { PieceName } from '$core/model/piece-key.ts';
import type { CrossSection } from '$core/view-models/cross-section.ts';
import type { HandedFile } from '$core/shells/hand-over.ts';
import type { Place as FilePlace } from '$core/emit/delivery.ts';
import type { Roofline } from '$core/view-models/roofline.ts';
import type { Seeing } from '$core/resolve/site.ts';
import type { RegionFate } from '$core/resolve/between.ts';
import type { Severity } from '$core/messages/severity.ts';
import type { Mend } from '$core/messages/problem.ts';
import type { SiteFiles } from '$core/model/files.ts';
import type { Edit, Refusal } from '$core/edit/proposal.ts';
import type { Command } from '$core/model/command.ts';

/** A page as a frame can show it. */
export interface PageHtml {
	readonly html: string;
	readonly address: string;
}

/** What the worker and the application say to each other: plain data only. */

export interface BandView {
	readonly name: string;
	/** px */
	readonly from: number;
}

/** A problem with its place spelled out, so that views need no text to show it. */
export interface ProblemView {
	readonly severity: Severity;
	readonly code: string;
	readonly sentence: string;
	readonly file: string;
	readonly from: number;
	readonly to: number;
	readonly line: number;
	readonly column: number;
	/** What would take it away. */
	readonly mend?: MendView;
}

/** A change of the text, or a command as the drawings have them; with what it does, in a few words. */
export type MendView =
	| ({ readonly kind: 'text' } & Mend)
	| { readonly kind: 'command'; readonly label: string; readonly command: Command };

export interface SiteView {
	readonly name: string;
	readonly bands: readonly BandView[];
	/** Names of tokens and of shared data, to be offered where one types. */
	readonly tokens: readonly string[];
	/** Some of them have another value where visitors prefer dark colours. */
	readonly hasNight: boolean;
	readonly data: readonly string[];
	/** Who visitors can be; the first is whoever has not signed in. */
	readonly roles: readonly string[];
	/** undefined where it looks as it did before. */
	readonly roofline: Roofline | undefined;
	readonly problems: readonly ProblemView[];
	/** Whether the drawings show the text as it is now; otherwise its last state without errors. */
	readonly current: boolean;
}

export interface PageView {
	/** The page's name: a route's pattern, or a state and its place. */
	readonly page: string;
	readonly address: string;
	/** All addresses the route is delivered at. */
	readonly addresses: readonly string[];
	readonly title: string;
	readonly chain: readonly string[];
	/** A whole document, with its style inside. */
	readonly html: string;
	readonly section: CrossSection;
	readonly seen: SeenView;
	/** Pieces that come out empty here. */
	readonly empty: readonly PieceName[];
	/** Sources from elsewhere whose values it shows. */
	readonly sources: readonly string[];
	/** Why the page could not be drawn as it is now; what is shown is its last drawing. */
	readonly fault: string | undefined;
}

/** A page asked for: by name, and one of its addresses where there are several. */
export interface PageRequest extends Seeing {
	readonly page: string;
	readonly address: string | undefined;
}

/** What a visitor gets of a page. */
export interface SeenView {
	/** Undefined: all of it is shown, as no one visitor sees it. */
	readonly role: string | undefined;
	/** HTTP, RFC 9110, section 15. */
	readonly status: 200 | 403 | 503;
	/** The state that stands in place of a page that is closed, on its way or failed; undefined where the page itself is shown. */
	readonly stands: string | undefined;
	/** Who is let in; everyone where it is empty. */
	readonly admits: readonly string[];
	/** The layer that keeps the visitor out. */
	readonly closedBy: string | undefined;
}

export interface Shown {
	readonly site: SiteView;
	readonly page: PageView | undefined;
}

export interface DeliveredView {
	readonly path: string;
	readonly kind: FilePlace['kind'] | HandedFile['kind'] | 'text';
	/** bytes */
	readonly size: number;
}

/** What would be handed over, or what keeps it from that. */
export interface DeliveryView {
	readonly files: readonly DeliveredView[];
	readonly problems: readonly ProblemView[];
	/** Markup of the author's own that runs script or moves links. */
	readonly active: readonly ActiveView[];
	/** Addresses of pages that not everyone may open. */
	readonly closed: readonly string[];
	/** What links between pages lead to: files, or folders as a server has them. */
	readonly links: 'files' | 'folders';
}

export interface ActiveView {
	readonly what: string;
	readonly layer: string;
	readonly piece: string;
	readonly file: string;
	readonly from: number;
	readonly line: number;
}

/** What comes out for one page: its file and the sheets it brings in. */
export interface OutputFile {
	readonly path: string;
	readonly language: 'html' | 'css';
	readonly text: string;
}

export interface FilesMessage {
	readonly texts: ReadonlyMap<string, string>;
	readonly assets: ReadonlyMap<string, Uint8Array>;
}

/** A site taken in from a file, or the sentence that says why not. */
export type TakenIn = SiteFiles | { readonly refused: string };

/** A stretch of a text; `to` is exclusive. */
export interface Stretch {
	readonly from: number;
	readonly to: number;
}

/** What becomes of layers and regions between two pages, by name. */
export interface BetweenView {
	readonly stays: readonly string[];
	readonly goes: readonly string[];
	readonly comes: readonly string[];
	readonly regions: readonly {
		readonly layout: string;
		readonly region: string;
		readonly fate: RegionFate;
	}[];
}

/** What a command would make of a page, without making it. */
export interface Preview {
	/** The page as it would be; undefined where it would be gone, or the command is refused. */
	readonly html: string | undefined;
	/** Names of the bands in which it would change boxes. */
	readonly bands: readonly string[];
	/** Why it cannot be. */
	readonly refused: string | undefined;
	/** Whole sentences on what else would change. */
	readonly consequences: readonly string[];
}

/** What became of a command. */
export type Made =
	| Refusal
	/** The text was changed meanwhile. */
	| { readonly kind: 'overtaken' }
	/** It takes something along; it is made once the user has agreed. */
	| { readonly kind: 'asks'; readonly proposal: Edit }
	/** `shown` is undefined where the text says it already. */
	| { readonly kind: 'made'; readonly proposal: Edit; readonly shown: Shown | undefined };

/** Names of what an edit would change. */
export interface TouchedView {
	readonly pages: readonly string[];
	readonly bands: readonly string[];
}

/** A place of the text, for a link to it. */
export interface PlaceView {
	readonly file: string;
	readonly at: number;
	readonly line: number;
}
