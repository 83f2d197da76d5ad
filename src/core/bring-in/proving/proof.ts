import { deliverEach } from '../../emit/delivery.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import type { BoxShift } from './box-shift.ts';
import { decodePage } from '../reading/decode-page.ts';
import { isPage } from '../reading/links.ts';
import { pageDifference, type Difference } from './same-page.ts';

/** What became of a page that came in, held against the page as it would be delivered. */
export type PageProof = { readonly path: string } & (
	| { readonly kind: 'same' }
	| { readonly kind: 'different'; readonly difference: Difference }
	/** It has the same elements, but a browser shows a box elsewhere, or of another size. */
	| { readonly kind: 'shifted'; readonly shift: BoxShift; readonly element: string }
	/** The site delivers no page at that path. */
	| { readonly kind: 'missing' }
	/** It is no page that could be read. */
	| { readonly kind: 'unread' }
);

/** All pages of a folder, each held against what a site delivers at its path. */
export interface Proof {
	readonly pages: readonly PageProof[];
	readonly same: number;
}

/** Holds each page of a folder against what a site delivers at its path, one after the other. */
export function* proveEach(
	files: ReadonlyMap<string, Uint8Array>,
	resolved: ResolvedSite,
	year: number
): Generator<PageProof> {
	const left = new Set([...files.keys()].filter(isPage));
	for (const { path, kind, content } of deliverEach(resolved, year)) {
		const bytes = files.get(path);
		if (kind !== 'page' || !bytes || typeof content !== 'string' || !left.delete(path)) continue;
		const before = decodePage(bytes);
		if (!before) {
			yield { path, kind: 'unread' };
			continue;
		}
		const difference = pageDifference(before.text, content, path);
		yield difference ? { path, kind: 'different', difference } : { path, kind: 'same' };
	}
	for (const path of left) {
		const bytes = files.get(path);
		yield { path, kind: bytes && decodePage(bytes) ? 'missing' : 'unread' };
	}
}

/** Pages that were held against others, and how many are the same. */
export function proofOf(pages: readonly PageProof[]): Proof {
	return { pages, same: pages.filter(({ kind }) => kind === 'same').length };
}

export function prove(
	files: ReadonlyMap<string, Uint8Array>,
	resolved: ResolvedSite,
	year: number
): Proof {
	return proofOf([...proveEach(files, resolved, year)]);
}

/** What became of a page, as a sentence that goes on from its path; empty where it is the same. */
export function proofWords(proof: PageProof): string {
	switch (proof.kind) {
		case 'same':
			return '';
		case 'shifted': {
			const { side, by, width } = proof.shift;
			const px = Math.round(Math.abs(by) * 10) / 10;
			return `has ${proof.element} ${shifts[side][by > 0 ? 0 : 1].replace('%', `${px} px`)} on a screen of ${width} px`;
		}
		case 'missing':
			return 'is not delivered at this path';
		case 'unread':
			return 'is no page that can be read';
		case 'different': {
			const { where, before, now } = proof.difference;
			return `differs in ${where || 'its beginning'}: ${short(before)} became ${short(now)}`;
		}
	}
}

const shifts: Readonly<Record<BoxShift['side'], readonly [string, string]>> = {
	x: ['% further right', '% further left'],
	y: ['% further down', '% further up'],
	width: ['% wider', '% narrower'],
	height: ['% taller', '% lower']
};

/** Letters of what differs that a sentence shows. */
const longest = 80;

function short(text: string): string {
	const line = text.replace(/\s+/g, ' ');
	return line.length > longest ? `${line.slice(0, longest)}…` : line;
}
