import type { CheckedSite } from '../../core/check/site.ts';
import type { Findings } from '../../core/findings/look-over.ts';
import { LookingOver } from '../../core/findings/look-over.ts';
import { fitHeight, laidBoxes, type LaidBoxes } from '../../core/findings/rough-fit.ts';
import { sweepFrom, sweepTo } from '../../core/geometry/widths/jumps.ts';
import { drive } from '../../core/measure/drive.ts';
import { MeasuredPage } from '../../core/measure/measured-page.ts';
import { SizeStore } from '../../core/measure/size-store.ts';
import { layerName, pagesOf } from '../../core/model/site.ts';
import { openChromium } from '../measure/chromium.ts';
import { Measurer } from '../measure/measurer.ts';

/** Everything that is found in a site, with all pages measured on which something rests on guesses; `chromium` is the path of a browser. */
export async function lookOverMeasured(
	site: CheckedSite,
	year: number,
	chromium: string
): Promise<Findings> {
	const known = new Map<string, LaidBoxes>();
	const over = new LookingOver(year, ({ page, address }) =>
		known.get(`${layerName(page)} ${address}`)
	);
	let found = over.whole(site);
	const { browser, close } = await openChromium(chromium, false);
	try {
		const measurer = await Measurer.open(browser);
		const store = new SizeStore();
		// What was measured on one page of a route says nothing of the others: each that rests on guesses has its turn.
		for (
			let rest = guessedIn(found);
			rest.length > 0;
			rest = guessedIn(found).filter((one) => !known.has(one))
		) {
			for (const key of rest) {
				const instance = pagesOf(site.site)
					.flatMap((page) => site.instances(page))
					.find(({ page, address }) => `${layerName(page)} ${address}` === key);
				if (!instance) return found;
				await measurer.show(instance, site, year);
				const page = new MeasuredPage(instance, site, year, { height: fitHeight }, store);
				const sweep = await drive(page.between(sweepFrom, sweepTo), measurer.answer.bind(measurer));
				if (!sweep) return found;
				known.set(key, laidBoxes(page, sweep.stretches));
				over.measuredNow(layerName(instance.page), instance.address);
			}
			found = over.whole(site);
		}
		return found;
	} finally {
		await close();
	}
}

function guessedIn({ findings, aside }: Findings): string[] {
	const all = [...findings, ...aside.map(({ finding }) => finding)];
	const guessed = all.filter(({ estimated }) => estimated);
	return [
		...new Set(guessed.flatMap(({ on }) => on.map(({ page, address }) => `${page} ${address}`)))
	];
}
