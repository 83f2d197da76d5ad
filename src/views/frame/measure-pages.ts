import { found } from '$store/findings.svelte.ts';
import { store } from '$store/site.svelte.ts';
import { idle, quiet } from '$store/ways/quiet.ts';
import type { Settler } from './settler.ts';

/** ms after the first page until what was found is told, and by how much longer it takes each time. */
const toldAfter = 400;
const longer = 1.6;
/** A page that asks for more than this keeps others waiting no longer. */
const longestRest = 10_000;

/**
 * Measures all pages at all widths, one after the other, those in sight first, and only while nothing else is to do:
 * before each page it waits until nobody has done anything for `rest` ms. What is found on them is told now and then:
 * it takes a look at all pages each time.
 */
export async function measurePages(
	settler: Settler,
	rest: number,
	signal: AbortSignal
): Promise<void> {
	let [tells, since, untold] = [toldAfter, performance.now(), false];
	for (;;) {
		await quiet.rested(rest, signal);
		await idle();
		const near = store.page ? [store.page.page] : [];
		const next = signal.aborted ? undefined : await store.core.findings.nextToMeasure(near);
		if (signal.aborted) return;
		if (!next) break;
		const request = { page: next.page, address: next.address };
		const asking = { request, html: next.html, scrollbars: false };
		await settler.settle(asking, signal, () => store.core.findings.measure(request));
		if (signal.aborted) return;
		await found.measured(next.page, next.address);
		untold = true;
		if (performance.now() - since < tells) continue;
		void found.follow(store.page?.page, false);
		[tells, since, untold] = [Math.min(tells * longer, longestRest), performance.now(), false];
	}
	if (untold) void found.follow(store.page?.page, false);
}
