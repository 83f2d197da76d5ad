import { isSameBytes } from '../lib/bytes.ts';
import { madeFrom, madeFromShared } from '../edit/touches.ts';
import type { DeliveredFile } from '../emit/delivery.ts';
import { handOverOthers, type HandOver } from '../emit/hand-over.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { Page } from '../model/site.ts';

/** What a new state of a site changes in what was handed over before. */
export interface Renewed {
	/** Files that are new or another. */
	readonly files: readonly DeliveredFile[];
	/** Paths of files that are no more. */
	readonly gone: readonly string[];
}

/** A file that was handed over. */
interface Known {
	/** The page that it is, as it was read then; undefined where it is none. */
	readonly page: Page | undefined;
	readonly content: string | Uint8Array;
	/** Files of the site that it links to. */
	readonly links: readonly string[];
}

/**
 * What is handed over, kept up with a site that is edited: pages whose chain, own text and shared values are as they were
 * are not written again, so an edit of one page costs one page.
 */
export class Renewal {
	private known = new Map<string, Known>();
	private before: ResolvedSite | undefined;

	constructor(
		private readonly year: number,
		private readonly what: HandOver
	) {}

	/** Whether a file of a path is handed over as the site is now. */
	has(path: string): boolean {
		return this.known.has(path);
	}

	/** The first time all of it; `written` is told of each page that is worked out. */
	next(site: ResolvedSite, written: (page: Page) => void = () => undefined): Renewed {
		const { known: before, before: last } = this;
		const sameShared = last !== undefined && madeFromShared(last) === madeFromShared(site);
		const now = new Map<string, Known>();
		const pages = new Map<string, Page>();
		const files: DeliveredFile[] = [];
		const linksOf = (path: string, page: Page): readonly string[] | undefined => {
			pages.set(path, page);
			const old = before.get(path);
			if (last && old?.page && sameShared && isMadeFromSame(old.page, last, page, site)) {
				now.set(path, { ...old, page });
				return old.links;
			}
			written(page);
			return undefined;
		};
		for (const file of handOverOthers(site, this.year, this.what, linksOf)) {
			const { path, content, links = [] } = file;
			now.set(path, { page: pages.get(path), content, links });
			if (!isSame(before.get(path)?.content, content)) files.push(file);
		}
		this.known = now;
		this.before = site;
		return { files, gone: [...before.keys()].filter((path) => !now.has(path)) };
	}
}

/** Whether two states of a page have the same layers; where what they share is the same, they come out the same. */
function isMadeFromSame(old: Page, last: ResolvedSite, page: Page, site: ResolvedSite): boolean {
	const [before, now] = [last.structure.chainOf(old), site.structure.chainOf(page)];
	// Declarations of files that did not change are the same objects.
	const isRead =
		old === page && before.length === now.length && before.every((one, at) => one === now[at]);
	return isRead || madeFrom(old, last) === madeFrom(page, site);
}

function isSame(one: string | Uint8Array | undefined, other: string | Uint8Array): boolean {
	if (typeof one === 'string' || typeof other === 'string' || one === undefined)
		return one === other;
	return isSameBytes(one, other);
}
