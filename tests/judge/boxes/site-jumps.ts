import type { Browser } from 'puppeteer-core';
import { Measurer } from '../../../src/cli/measure/measurer.ts';
import { readSitePath } from '../../../src/cli/files/site-path.ts';
import { checkSite } from '../../../src/core/check/site.ts';
import { SizeStore } from '../../../src/core/measure/size-store.ts';
import { layerName, pagesOf } from '../../../src/core/model/site.ts';
import { readSiteFiles } from '../../../src/core/source/read.ts';
import { openJudge } from './judge.ts';
import { judgeJumps } from './jumps.ts';

/** The jumps of every page of a site at each width; a sentence for each page, and whether they are the same. */
export async function* siteJumps(
	browser: Browser,
	path: string
): AsyncGenerator<{ says: string; same: boolean }> {
	const resolved = checkSite(readSiteFiles(await readSitePath(path)));
	const measurer = await Measurer.open(browser);
	const page = await openJudge(browser);
	const store = new SizeStore();
	for (const one of pagesOf(resolved.site)) {
		const [instance] = resolved.instances(one);
		if (!instance) continue;
		const jumps = await judgeJumps({ measurer, page, resolved, instance, store });
		const same = jumps.computed.join() === jumps.browser.join();
		const says = same
			? `jumps at ${jumps.browser.join(', ') || 'no width'}`
			: `computed ${jumps.computed.join(', ')}; in Chromium ${jumps.browser.join(', ')}`;
		yield { says: `${layerName(one)}: ${says}`, same };
	}
	await measurer.close();
	await page.close();
}
