import { SvelteSet } from 'svelte/reactivity';
import type { SheetRow } from '$core/sheet/sheet-row.ts';
import type { DrawingWay } from '$core/sheet/svg.ts';
import { store } from '$store/site.svelte.ts';
import type { DrawnPage, SheetPart, SheetRequest } from '$workers/sheets.ts';

/** ms for which what an edit changed stays marked. */
const markedFor = 1600;
/** Pages that stay drawn though they are out of sight. */
const mostDrawn = 400;

/** The rows and drawings of the sheet, as they come from the worker. */
export class Sheet {
	rows = $state.raw<readonly SheetRow[]>([]);
	/** All pages have been gone through once, so that rows which are not there do not exist. */
	known = $state(false);
	/** How many pages of all have been gone through; undefined once that is done. */
	progress = $state<{ done: number; total: number } | undefined>();
	/** Drawings by page. */
	drawn = $state.raw<ReadonlyMap<string, DrawnPage>>(new Map());
	/** Pages that an edit changed a moment ago. */
	readonly changed = new SvelteSet<string>();
	/** How many rows the last time through had to be worked out, and how many drawings were made in all. */
	made = $state(0);
	drawings = $state(0);
	private round = 0;

	/** Goes through all pages; rows that are known stay until it is done. */
	async readAll(request: SheetRequest): Promise<void> {
		const round = ++this.round;
		const rows: SheetRow[] = [];
		let made = 0;
		for (let next: number | undefined = 0; next !== undefined;) {
			const part: SheetPart | undefined = await store.core.sheet.part(request, next);
			if (!part || round !== this.round) return;
			rows.push(...part.rows);
			made += part.made;
			this.mark(part.changed);
			next = part.next;
			if (next !== undefined) this.progress = { done: next, total: part.total };
			// The first screenful comes at once; what stands below follows.
			if (this.rows.length === 0 || next === undefined) this.rows = [...rows];
		}
		this.known = true;
		this.made = made;
		this.progress = undefined;
	}

	/** Draws pages anew; where that is another drawing than before, it is marked if `marks`. */
	async draw(
		pages: readonly string[],
		request: SheetRequest,
		way: DrawingWay,
		marks: boolean,
		signal: AbortSignal
	): Promise<void> {
		if (pages.length === 0) return;
		const found = await store.core.sheet.drawings(pages, request, way);
		if (signal.aborted) return;
		const drawn = new Map(this.drawn);
		for (const page of found) {
			const { page: name } = page.row;
			const before = drawn.get(name);
			if (before && isSame(before, page)) continue;
			drawn.delete(name);
			drawn.set(name, page);
			this.drawings++;
			if (marks && before) this.mark([name]);
		}
		for (const name of drawn.keys()) {
			if (drawn.size <= mostDrawn) break;
			drawn.delete(name);
		}
		this.drawn = drawn;
	}

	/** Drawings in another way, or on other screens, are others. */
	forgetDrawings(): void {
		this.drawn = new Map();
	}

	private mark(pages: readonly string[]): void {
		if (pages.length === 0) return;
		for (const page of pages) this.changed.add(page);
		setTimeout(() => pages.forEach((page) => this.changed.delete(page)), markedFor);
	}
}

function isSame(one: DrawnPage, other: DrawnPage): boolean {
	return (
		one.drawings.join() === other.drawings.join() &&
		one.row.words.join() === other.row.words.join() &&
		one.row.found.length === other.row.found.length
	);
}
