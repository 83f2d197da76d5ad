import { stat } from 'node:fs/promises';
import { proofWords } from '../../core/bring-in/proving/proof.ts';
import { hasPagesAlone } from '../../core/bring-in/reading/take-pages.ts';
import { proofReport } from '../bring-in.ts';
import { openSite } from '../files/open-site.ts';
import { browserFor, provePages } from './prove-pages.ts';
import { readPagesPath } from '../files/site-path.ts';
import type { Streams } from '../streams.ts';

/** The files of a folder that has pages of HTML and is no site; undefined of anything else. */
export async function pagesAt(path: string): Promise<ReadonlyMap<string, Uint8Array> | undefined> {
	const info = await stat(path).catch(() => undefined);
	if (!info?.isDirectory()) return undefined;
	const files = await readPagesPath(path, () => undefined);
	return hasPagesAlone([...files.keys()]) ? files : undefined;
}

/** Holds each page of a folder against what a site delivers at its path; 0 all are the same, 1 some are not, 2 wrong usage. */
export async function comparePages(
	files: ReadonlyMap<string, Uint8Array>,
	sitePath: string,
	{ json, measure }: { readonly json: boolean; readonly measure: boolean },
	streams: Streams
): Promise<number> {
	const chromium = browserFor(measure, streams);
	if (chromium === false) return 2;
	const site = await openSite(sitePath, streams);
	if (typeof site === 'number') return 2;
	const proof = await provePages(files, site, chromium, streams);
	const pages = proof.pages.map((one) => ({
		path: one.path,
		kind: one.kind,
		words: proofWords(one)
	}));
	streams.out(json ? `${JSON.stringify(pages, null, 1)}\n` : proofReport(proof));
	return proof.same === proof.pages.length ? 0 : 1;
}
