import { finished } from '../lib/finished.ts';
import type { SiteFiles } from '../model/files.ts';
import type { Choice } from './choosing/choice.ts';
import { findFrames, type FoundFrame } from './finding/found-frame.ts';
import { repeatedBlocks, type RepeatedBlock } from './finding/repeated-blocks.ts';
import { isPage, Links } from './reading/links.ts';
import { PageReader, type BroughtPage } from './reading/read-page.ts';
import { siteName, writeGuests, writeSite } from './writing/write-site.ts';

/** A file that is no page although it is called one, and why. */
export interface NotTaken {
	readonly path: string;
	/** Goes on from the name of the file. */
	readonly why: string;
}

/** The pages among some files as they were read, and all else. */
export interface ReadPages {
	readonly pages: readonly BroughtPage[];
	readonly assets: ReadonlyMap<string, Uint8Array>;
	readonly notTaken: readonly NotTaken[];
	/** What the folder is called that they came in. */
	readonly folder: string;
}

/** A site made of pages, and what was found in them. */
export interface BroughtSite {
	readonly files: SiteFiles;
	readonly pages: readonly BroughtPage[];
	readonly frames: readonly FoundFrame[];
	/** Blocks that several pages repeat; parts where that was chosen. */
	readonly blocks: readonly RepeatedBlock[];
	readonly notTaken: readonly NotTaken[];
	/** Choices that the pages do not allow, and why, as sentences. */
	readonly unfit: ReadonlyMap<Choice, string>;
}

/** Bytes; a page that is larger is none that anyone wrote. */
const largestPage = 16 * 1024 * 1024;

/** How far bringing in is: pages that are read, of all that there are. */
export interface BringingIn {
	readonly read: number;
	readonly of: number;
}

export type Brought = BroughtSite | { readonly notTaken: readonly NotTaken[] };

/** Reads the pages among the files of a folder, by their paths; says after each how far it is. */
export function* readEach(
	files: ReadonlyMap<string, Uint8Array>,
	folder: string
): Generator<BringingIn, ReadPages> {
	const reader = new PageReader(new Links(new Set(files.keys())));
	const pages: BroughtPage[] = [];
	const notTaken: NotTaken[] = [];
	const assets = new Map<string, Uint8Array>();
	const of = [...files.keys()].filter(isPage).length;
	for (const [path, bytes] of [...files].sort(([a], [b]) => (a < b ? -1 : 1))) {
		if (!isPage(path)) {
			assets.set(path, bytes);
			continue;
		}
		const read = bytes.length > largestPage ? 'is too large' : reader.read(path, bytes);
		if (typeof read === 'string') {
			notTaken.push({ path, why: read });
			assets.set(path, bytes);
		} else {
			pages.push(read);
		}
		yield { read: pages.length + notTaken.length, of };
	}
	return { pages, assets, notTaken, folder };
}

/**
 * Makes a site of pages: what they share becomes frames, as it is found and as it was chosen; all other files stay as they
 * are.
 */
export function siteOf(
	{ pages, assets, notTaken, folder }: ReadPages,
	choices: readonly Choice[] = []
): BroughtSite {
	const { frames, unfit } = findFrames(pages, choices);
	const blocks = repeatedBlocks(pages, frames);
	const asParts = choices.some(({ kind }) => kind === 'blocks') ? blocks : [];
	const texts = writeSite(siteName(frames, folder), pages, frames, asParts);
	return { files: { texts, assets }, pages, frames, blocks, notTaken, unfit };
}

/** What pages bring into a site that is there. */
export interface BroughtGuests {
	/** Texts of layouts and pages, by the paths that they would like to have. */
	readonly texts: SiteFiles['texts'];
	readonly assets: ReadonlyMap<string, Uint8Array>;
}

/** Makes layouts and pages for a site that is there; `lang`: its language, `taken`: the names of its layouts. */
export function guestsOf(
	{ pages, assets }: ReadPages,
	choices: readonly Choice[],
	lang: string,
	taken: ReadonlySet<string>
): BroughtGuests {
	const { frames } = findFrames(pages, choices, taken);
	return { texts: writeGuests(pages, frames, lang, taken), assets };
}

/** Makes a site of the files of a folder at once; without a site where there is no page among them. */
export function bringIn(files: ReadonlyMap<string, Uint8Array>, folder: string): Brought {
	const read = finished(readEach(files, folder));
	const { pages, notTaken } = read;
	return pages.length === 0 ? { notTaken } : siteOf(read);
}
