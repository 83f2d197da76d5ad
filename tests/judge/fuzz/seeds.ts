import fc from 'fast-check';
import { readSitePath } from '../../../src/cli/files/site-path.ts';
import type { SiteFiles } from '../../../src/core/model/files.ts';
import { randomLayouts, siteText } from '../boxes/random-layouts.ts';

/** Sites that are sound, to begin with: the demo, parts of it, and random ones of all settings. */
export async function seedSites(seed: number): Promise<SiteFiles[]> {
	const demo = await readSitePath('demo');
	const part = (...names: string[]): SiteFiles => ({
		texts: new Map([...demo.texts].filter(([path]) => names.some((name) => path.includes(name)))),
		assets: demo.assets
	});
	const random = fc.sample(randomLayouts, { numRuns: 12, seed }).map((site): SiteFiles => ({
		texts: new Map([['site.eave', siteText(site)]]),
		assets: new Map()
	}));
	return [
		demo,
		part('site.eave', 'commons', '1-public', '4-borrow'),
		part('site.eave', 'commons', 'catalogue'),
		part('site.eave', 'commons', 'guide', 'states'),
		...random
	];
}
