import type { CheckedSite } from '../../core/check/checked-site.ts';
import type { ShownFault } from '../../core/check/html/shown-faults.ts';
import { fitScreen } from '../../core/findings/fits.ts';
import type { Findings } from '../../core/findings/look-over.ts';
import { LookingOver, mostInstances } from '../../core/findings/look-over.ts';
import { settleBoxes, type LaidBoxes } from '../../core/laid/laid-boxes.ts';
import { MeasuredPage } from '../../core/laid/measured-page.ts';
import { drive } from '../../core/measure/drive.ts';
import { SizeStore } from '../../core/measure/size-store.ts';
import { layerName, pagesOf } from '../../core/model/site.ts';
import type { PageInstance } from '../../core/resolve/instance.ts';
import { openChromium } from '../measure/chromium.ts';
import { Accessibility } from '../measure/accessibility.ts';
import { Measurer } from '../measure/measurer.ts';

/**
 * Everything that is found in a site, with each page measured that is looked at; `chromium` is the path of a browser.
 * No guess decides which: what a guess does not see would never be measured.
 */
export async function lookOverMeasured(
	site: CheckedSite,
	year: number,
	chromium: string
): Promise<Findings> {
	const known = new Map<string, LaidBoxes>();
	const shown = new Map<string, readonly ShownFault[]>();
	const over = new LookingOver(
		year,
		(instance) => known.get(wordOf(instance)),
		(instance) => shown.get(wordOf(instance)) ?? []
	);
	const pages = pagesOf(site.site).flatMap((page) => site.instances(page).slice(0, mostInstances));
	const { browser, close } = await openChromium(chromium, false);
	try {
		const accessibility = await Accessibility.open(browser);
		for (const instance of pages) {
			shown.set(wordOf(instance), await accessibility.faultsOf(instance, site, year));
		}
		const measurer = await Measurer.open(browser);
		const store = new SizeStore();
		for (const instance of pages) {
			await measurer.show(instance, site, year);
			const page = new MeasuredPage(instance, site, year, fitScreen, store);
			const boxes = await drive(settleBoxes(page), measurer.answer.bind(measurer));
			if (!boxes) throw new Error(`${instance.address} could not be measured.`);
			known.set(wordOf(instance), boxes);
			over.measuredNow(layerName(instance.page), instance.address);
		}
		return over.whole(site);
	} finally {
		await close();
	}
}

function wordOf({ page, address }: PageInstance): string {
	return `${layerName(page)} ${address}`;
}
