import type { SiteFiles } from '../model/files.ts';
import { findFrames, type FoundFrame } from './finding/found-frame.ts';
import { isPage, Links } from './reading/links.ts';
import { PageReader, type BroughtPage } from './reading/read-page.ts';
import { siteName, writeSite } from './writing/write-site.ts';

/** A file that is no page although it is called one, and why. */
export interface NotTaken {
	readonly path: string;
	/** Goes on from the name of the file. */
	readonly why: string;
}

/** A site made of pages, and what was found in them. */
export interface BroughtSite {
	readonly files: SiteFiles;
	readonly pages: readonly BroughtPage[];
	readonly frames: readonly FoundFrame[];
	readonly notTaken: readonly NotTaken[];
}

/** Bytes; a page that is larger is none that anyone wrote. */
const largestPage = 16 * 1024 * 1024;

/** How far bringing in is: pages that are read, of all that there are. */
export interface BringingIn {
	readonly read: number;
	readonly of: number;
}

export type Brought = BroughtSite | { readonly notTaken: readonly NotTaken[] };

/**
 * Makes a site of the files of a folder, by their paths: pages become frames, fills and pages; all other files stay as
 * they are. Without a site where there is no page among them. Says after each page how far it is.
 */
export function* bringInEach(
	files: ReadonlyMap<string, Uint8Array>,
	folder: string
): Generator<BringingIn, Brought> {
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
	if (pages.length === 0) return { notTaken };
	const frames = findFrames(pages);
	const texts = writeSite(siteName(frames, folder), pages, frames);
	return { files: { texts, assets }, pages, frames, notTaken };
}

/** The same at once. */
export function bringIn(files: ReadonlyMap<string, Uint8Array>, folder: string): Brought {
	const steps = bringInEach(files, folder);
	for (;;) {
		const step = steps.next();
		if (step.done) return step.value;
	}
}
