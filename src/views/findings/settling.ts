import { found } from '$store/findings.svelte.ts';
import { store } from '$store/site.svelte.ts';
import type { Settler } from '$views/frame/settler.ts';
import type { FindingView } from '$workers/findings.ts';
import type { PageWish } from '$workers/messages.ts';

/** Pages that were measured, each as it is in some state of the site. */
const measured = new Map<string, unknown>();

/** Measures the first page of each finding that rests on guesses, so that it stays or goes. */
export async function settleFindings(
	settler: Settler,
	first: FindingView | undefined,
	guessed: readonly FindingView[],
	signal: AbortSignal
): Promise<void> {
	const all = first?.estimated ? [first, ...guessed] : guessed;
	const pages = new Map(all.flatMap(({ on }) => on.map((one) => [one.page, one.address] as const)));
	for (const [page, at] of pages) {
		// A page that was measured and still rests on guesses would be measured for ever.
		const key = `${page} ${at}`;
		if (measured.get(key) === store.site) continue;
		const wish: PageWish = { page, address: at };
		const shown = signal.aborted ? undefined : await store.core.stageOf(wish);
		if (!shown || signal.aborted) return;
		const { html, address } = shown;
		const asking = { wish: { ...wish, address }, html, scrollbars: false };
		const settled = await settler.settle(asking, signal, () => store.core.measureFindings(wish));
		if (!settled || signal.aborted) return;
		measured.set(key, store.site);
		await found.measured(page, address);
		return;
	}
}
