import { proofOf, prove, type PageProof, type Proof } from '../../core/bring-in/proving/proof.ts';
import { deliver } from '../../core/emit/delivery.ts';
import type { ResolvedSite } from '../../core/resolve/site.ts';
import { findChromium, noChromium, openChromium } from '../measure/chromium.ts';
import { PageBoxes } from '../measure/page-boxes.ts';
import type { Streams } from '../streams.ts';

/** Pages after which it is said how far measuring is. */
const saidEach = 100;

/** The path of a browser to measure with; undefined where none was asked for, `false` where there is none, which is said. */
export function browserFor(measure: boolean, { errors }: Streams): string | undefined | false {
	const chromium = measure ? findChromium() : undefined;
	if (!measure || chromium !== undefined) return chromium;
	errors(`${noChromium}\n`);
	return false;
}

/**
 * Holds each page of a folder against what a site delivers at its path: elements, attributes and text, and with a browser
 * the box of every element, too.
 */
export async function provePages(
	files: ReadonlyMap<string, Uint8Array>,
	resolved: ResolvedSite,
	chromium: string | undefined,
	streams: Streams
): Promise<Proof> {
	const year = new Date().getFullYear();
	const proof = prove(files, resolved, year);
	if (chromium === undefined) return proof;
	const delivered = new Map(deliver(resolved, year).map(({ path, content }) => [path, content]));
	const { browser, close } = await openChromium(chromium, true);
	try {
		const boxes = await PageBoxes.open(browser, files, delivered);
		const pages: PageProof[] = [];
		for (const one of proof.pages) {
			// Of pages with other elements it is known already.
			pages.push(one.kind === 'same' ? await boxes.prove(one.path) : one);
			if (pages.length % saidEach === 0) {
				streams.errors(`measured ${pages.length} of ${proof.pages.length} pages\n`);
			}
		}
		return proofOf(pages);
	} finally {
		await close();
	}
}
