import { encodeUtf8 } from '../lib/utf8.ts';
import { fingerprint } from '../lib/fingerprint.ts';
import { ContentSize, type KeptSize } from './content-size.ts';
import type { Dependence } from './dependence.ts';

/** Contents whose sizes are kept; those asked for longest ago go first. */
const mostKept = 20_000;

/** Sizes as plain data, by what they follow from. */
export type KeptSizes = readonly (readonly [string, KeptSize])[];

/**
 * Sizes of content that were measured, by everything that they follow from: the same text under the same
 * style is measured once, on whatever page it stands.
 */
export class SizeStore {
	private readonly sizes = new Map<string, ContentSize>();

	/** The sizes that were asked for last, to be kept; `most` of them, the latest at the end. */
	kept(most: number): KeptSizes {
		return [...this.sizes].slice(-most).map(([key, size]) => [key, size.kept()]);
	}

	/** Takes in what was kept; what has been measured since stays. */
	takeIn(kept: KeptSizes): void {
		for (const [key, size] of kept) {
			if (!this.sizes.has(key)) this.sizes.set(key, ContentSize.from(size));
		}
	}

	/** What is known of some content; `follows` is all that its size follows from. */
	get(follows: string, dependence: Dependence): ContentSize {
		const key = fingerprint(encodeUtf8(follows));
		const known = this.sizes.get(key) ?? new ContentSize(dependence);
		this.sizes.delete(key);
		this.sizes.set(key, known);
		const [oldest] = this.sizes.keys();
		if (this.sizes.size > mostKept && oldest !== undefined) this.sizes.delete(oldest);
		return known;
	}
}
