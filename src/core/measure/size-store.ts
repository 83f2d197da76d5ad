import { encodeUtf8 } from '../model/utf8.ts';
import { fingerprint } from '../model/fingerprint.ts';
import { ContentSize } from './content-size.ts';
import type { Dependence } from './dependence.ts';

/** Contents whose sizes are kept; those asked for longest ago go first. */
const mostKept = 20_000;

/**
 * Sizes of content that were measured, by everything that they follow from: the same text under the same
 * style is measured once, on whatever page it stands.
 */
export class SizeStore {
	private readonly sizes = new Map<string, ContentSize>();

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
