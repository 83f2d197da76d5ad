import type { PageChange } from '$core/across/changes/site-changes.ts';
import type { DrawingWay } from '$core/across/sheet/svg.ts';
import type { SiteFiles } from '$core/model/files.ts';
import { store } from '$store/site.svelte.ts';
import type { ChangesPart, SheetWish } from '$workers/sheets.ts';

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
	async compare(before: SiteFiles, after: SiteFiles | undefined, wish: SheetWish): Promise<void> {
		const round = ++this.round;
		this.found = [];
		this.drawn = new Map();
		this.progress = { gone: 0, total: 0, done: false };
		this.fault = (await store.core.compareStates(plain(before), after && plain(after), wish)) ?? '';
		if (this.fault !== '') return;
		for (let done = false; !done && round === this.round;) {
			const part: ChangesPart | undefined = await store.core.compareOn();
			if (!part || round !== this.round) return;
			if (part.changes.length > 0) this.found = [...this.found, ...part.changes];
			done = part.done;
			this.progress = { gone: part.gone, total: part.total, done };
		}
	}

	async draw(pages: readonly string[], wish: SheetWish, way: DrawingWay): Promise<void> {
		const round = this.round;
		for (const page of pages) {
			if (this.drawn.has(page)) continue;
			const drawings = await store.core.changeDrawings(page, wish, way);
			if (round !== this.round) return;
			this.drawn = new Map([...this.drawn, [page, drawings ?? []]]);
		}
	}
}

function plain({ texts, assets }: SiteFiles): SiteFiles {
	return { texts, assets };
}
