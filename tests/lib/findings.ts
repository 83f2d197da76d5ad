import { loadLibraries } from '../../src/core/check/libraries.ts';
import { LookingOver, type Findings } from '../../src/core/findings/look-over.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { resolve } from './site.ts';

// Nothing is left out because it has not come yet.
await loadLibraries();

/** Everything that is found in a site. */
export function findingsOf(site: CheckedSite, over = new LookingOver(2026)): Findings {
	return over.whole(site);
}

/** The same for a site of one file. */
export function lookOver(text: string, files: Readonly<Record<string, string>> = {}): Findings {
	return findingsOf(resolve(text, files));
}
