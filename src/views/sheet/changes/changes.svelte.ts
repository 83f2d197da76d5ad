import type { PageChange } from '$core/changes/site-changes.ts';
import type { DrawingWay } from '$core/sheet/svg.ts';
import type { SiteFiles } from '$core/model/files.ts';
import { store } from '$store/site.svelte.ts';
import { idle } from '$store/ways/quiet.ts';
import type { Settler } from '$views/frame/settler.ts';
import type { ChangesPart, SheetRequest } from '$workers/sheets.ts';

/** What changed between two states of the site, as it comes from the worker. */
export class Changes {
	found = $state.raw<readonly PageChange[]>([]);
	progress = $state<{ gone: number; total: number; done: boolean }>({
		gone: 0,
		total: 0,
		done: false
	});
	/** Why they cannot be compared, as a sentence. */
	fault = $state('');
	/** Drawings by page. */
	drawn = $state.raw<ReadonlyMap<string, readonly string[]>>(new Map());
	private round = 0;

	/** Compares two states; without `after`, with what is open. */
	async compare(
		before: SiteFiles,
		after: SiteFiles | undefined,
		request: SheetRequest
	): Promise<void> {
		const round = ++this.round;
		this.found = [];
		this.drawn = new Map();
		this.progress = { gone: 0, total: 0, done: false };
		this.fault = (await store.core.sheet.compare(before, after, request)) ?? '';
		if (this.fault !== '') return;
		for (let done = false; !done && round === this.round;) {
			const part: ChangesPart | undefined = await store.core.sheet.compareOn();
			if (!part || round !== this.round) return;
			if (part.changes.length > 0) this.found = [...this.found, ...part.changes];
			done = part.done;
			this.progress = { gone: part.gone, total: part.total, done };
		}
	}

	/** Measures what was compared by guesses, in both states, and compares it again; while nothing else is to do. */
	async measure(settler: Settler, request: SheetRequest, signal: AbortSignal): Promise<void> {
		const widths = request.columns.map(({ width }) => width);
		for (const { page } of this.found.filter(({ estimated }) => estimated)) {
			await idle();
			for (const state of ['before', 'after'] as const) {
				const shown = signal.aborted
					? undefined
					: await store.core.sheet.comparedStage(page, state);
				if (!shown || signal.aborted) continue;
				const { html, address } = shown;
				const asking = {
					request: { page, address },
					html,
					scrollbars: request.screen.scrollbar > 0
				};
				await settler.settle(asking, signal, () =>
					store.core.sheet.measureCompared(page, state, widths, request.screen)
				);
			}
			const again = signal.aborted
				? undefined
				: await store.core.sheet.comparedAgain(page, request);
			if (!again || signal.aborted) return;
			this.found = this.found.map((one) => (one.page === page ? again : one));
			const drawn = new Map(this.drawn);
			drawn.delete(page);
			this.drawn = drawn;
		}
	}

	/** How many rest on sizes that were guessed. */
	get estimated(): number {
		return this.found.filter(({ estimated }) => estimated).length;
	}

	async draw(pages: readonly string[], request: SheetRequest, way: DrawingWay): Promise<void> {
		const round = this.round;
		for (const page of pages) {
			if (this.drawn.has(page)) continue;
			const drawings = await store.core.sheet.changeDrawings(page, request, way);
			if (round !== this.round) return;
			this.drawn = new Map([...this.drawn, [page, drawings ?? []]]);
		}
	}
}
