import { madeFrom } from '../edit/touches.ts';
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

/** A file that was handed over: what it was made from where that is a page, and what was in it else. */
interface Known {
	readonly from: string | undefined;
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

	constructor(
		private readonly year: number,
		private readonly what: HandOver
	) {}

	/** The first time all of it; `written` is told of each page that is worked out. */
	next(site: ResolvedSite, written: (page: Page) => void = () => undefined): Renewed {
		const shared = leadsText(site);
		const made = new Map<Page, string>();
		const fromOf = (page: Page): string => {
			const known = made.get(page) ?? `${shared}\0${madeFrom(page, site)}`;
			made.set(page, known);
			return known;
		};
		const before = this.known;
		const now = new Map<string, Known>();
		const files: DeliveredFile[] = [];
		const froms = new Map<string, string>();
		const linksOf = (path: string, page: Page): readonly string[] | undefined => {
			const old = before.get(path);
			const from = fromOf(page);
			froms.set(path, from);
			if (old?.from === from) {
				now.set(path, old);
				return old.links;
			}
			written(page);
			return undefined;
		};
		for (const file of handOverOthers(site, this.year, this.what, linksOf)) {
			const { path, content, links = [] } = file;
			now.set(path, { from: froms.get(path), content, links });
			if (!isSame(before.get(path)?.content, content)) files.push(file);
		}
		this.known = now;
		return { files, gone: [...before.keys()].filter((path) => !now.has(path)) };
	}
}

/** Where links lead that are written to addresses of once. */
function leadsText({ site }: ResolvedSite): string {
	return site.routes
		.flatMap(({ pattern, moved }) => moved.map(({ text }) => `${text} ${pattern.text}`))
		.join('\n');
}

function isSame(one: string | Uint8Array | undefined, other: string | Uint8Array): boolean {
	if (typeof one === 'string' || typeof other === 'string' || one === undefined)
		return one === other;
	return (
		one === other || (one.length === other.length && one.every((byte, at) => byte === other[at]))
	);
}
