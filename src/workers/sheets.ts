import type { Column } from '$core/sheet/columns.ts';
import { changedLayers } from '$core/changes/changed-layers.ts';
import { misfitsIn, type Misfit } from '$core/check/fit/misfits.ts';
import { miniaturesOf } from '$core/sheet/miniatures.ts';
import { Guesses } from '$core/laid/guesses.ts';
import { boxesBy } from '$core/laid/laid-boxes.ts';
import { guessedPage, layPage, type LaidPage, type ScreenKind } from '$core/laid/laid-page.ts';
import type { Miniature } from '$core/sheet/miniature.ts';
import { problemsByLayer, sheetRow, type SheetRow } from '$core/sheet/sheet-row.ts';
import { pageChange, siteChanges, type PageChange } from '$core/changes/site-changes.ts';
import { miniatureSvg, movedSvg, type DrawingWay } from '$core/sheet/svg.ts';
import type { CheckedSite } from '$core/check/checked-site.ts';
import { paintedMiniature } from '$core/sheet/painted.ts';
import { PagePaint } from '$core/author-styles/paint.ts';
import { madeFrom } from '$core/edit/touches.ts';
import type { Problem } from '$core/messages/problem.ts';
import { layerName, pagesOf, type Layer } from '$core/model/site.ts';
import type { MeasuredPage } from '$core/laid/measured-page.ts';
import { isFramed } from '$core/resolve/page.ts';
import type { PageInstance } from '$core/resolve/instance.ts';
import { seeingWord, seenAs, type ResolvedSite, type Seeing } from '$core/resolve/site.ts';
import { fileRow, type FileRow } from '$core/sheet/sheet-file.ts';

/** What the sheet is asked for: on which screens, and how they are looked at. */
export interface SheetRequest extends Seeing {
	readonly columns: readonly Column[];
	readonly screen: ScreenKind;
}

/** Some rows of the sheet, and where to go on. */
export interface SheetPart {
	readonly rows: readonly SheetRow[];
	/** How many pages there are. */
	readonly total: number;
	/** The page to go on from; undefined at the end. */
	readonly next: number | undefined;
	/** How many of these rows had to be worked out. */
	readonly made: number;
	/** Pages of these whose row was another before. */
	readonly changed: readonly string[];
}

/** A page of the sheet with its drawings, as SVG in the order of the columns. */
export interface DrawnPage {
	readonly row: SheetRow;
	readonly drawings: readonly string[];
}

/** Pages that were found to have changed, and how far the comparing has got. */
export interface ChangesPart {
	readonly changes: readonly PageChange[];
	readonly gone: number;
	readonly total: number;
	readonly done: boolean;
}

/** One of two states of a site that are compared. */
export type ComparedState = 'before' | 'after';

/** Rows that are kept, in whatever way they were asked for. */
const mostRows = 20_000;

/** ms for which nothing else is answered. */
const mostAtOnce = 40;

/** Works out the sheet of a site: all rows by guesses, and what is in sight by what is known. */
export class Sheets {
	private readonly rows = new Map<string, { readonly of: string; readonly row: SheetRow }>();
	private comparing:
		| {
				readonly old: ResolvedSite;
				readonly now: ResolvedSite;
				readonly going: ReturnType<typeof siteChanges>;
				readonly found: Map<string, PageChange>;
				readonly total: number;
				gone: number;
		  }
		| undefined;
	private problems:
		{ readonly of: CheckedSite; readonly byLayer: Map<Layer, Problem[]> } | undefined;

	constructor(
		private readonly year: number,
		private readonly measured: (
			instance: PageInstance,
			seen: ResolvedSite,
			screen: ScreenKind
		) => MeasuredPage
	) {}

	/** Rows of the sheet from one page on, as many as there is time for. */
	part(shown: CheckedSite, request: SheetRequest, from: number): SheetPart {
		const { columns, screen } = request;
		const seen = seenAs(shown, request);
		const pages = [...shown.routes, ...shown.site.states];
		const until = performance.now() + mostAtOnce;
		const rows: SheetRow[] = [];
		const changed: string[] = [];
		let [at, made] = [from, 0];
		for (; at < pages.length && performance.now() < until; at++) {
			const page = pages[at];
			const [instance] = page ? seen.instances(page) : [];
			if (!page || !instance) continue;
			const key = `${layerName(page)} ${seeingWord(request)} ${wayWord(columns, screen)}`;
			const of = madeFrom(page, seen) + foundWord(this.problemsOf(shown).get(page));
			let known = this.rows.get(key);
			if (known?.of !== of) {
				if (known) changed.push(layerName(page));
				const laid = guessedPage(instance, seen, columns, screen, this.year);
				known = { of, row: this.row(instance, shown, seen, columns, laid) };
				if (this.rows.size >= mostRows) this.rows.clear();
				this.rows.set(key, known);
				made++;
			}
			rows.push(known.row);
		}
		const next = at < pages.length ? at : undefined;
		return { rows, total: pages.length, next, made, changed };
	}

	/**
	 * What of some pages does not fit by guesses alone, of as many of them as there is time for, in their order.
	 * Where a frame of own markup is around one nothing can be guessed.
	 */
	guessedMisfitsOf(
		names: readonly string[],
		shown: CheckedSite,
		request: Pick<SheetRequest, 'screen' | 'role' | 'trial'>
	): (Misfit[] | undefined)[] {
		const seen = seenAs(shown, request);
		const pages = new Map(pagesOf(seen.site).map((page) => [layerName(page), page]));
		const until = performance.now() + mostAtOnce;
		const found: (Misfit[] | undefined)[] = [];
		for (const name of names) {
			if (found.length > 0 && performance.now() > until) break;
			const page = pages.get(name);
			const [instance] = page ? seen.instances(page) : [];
			found.push(instance ? this.guessedMisfits(instance, seen, request.screen) : []);
		}
		return found;
	}

	private guessedMisfits(
		instance: PageInstance,
		seen: ResolvedSite,
		screen: ScreenKind
	): Misfit[] | undefined {
		if (isFramed(seen.page(instance.page))) return undefined;
		const guesses = new Guesses(instance, seen, this.year);
		const boxes = boxesBy('guessed', (key) => guesses.of(key), instance, seen, screen);
		return misfitsIn(boxes, seen.site.settings.dir === 'rtl');
	}

	/** A page by what is known of the size of its content, with its drawings. */
	drawn(
		instance: PageInstance,
		shown: CheckedSite,
		request: SheetRequest,
		way: DrawingWay
	): DrawnPage {
		const { columns, screen } = request;
		const seen = seenAs(shown, request);
		const { laid, miniatures } = this.miniatures(instance, seen, columns, screen, way);
		const row = this.row(instance, shown, seen, columns, laid);
		return {
			row,
			drawings: miniatures.map((miniature, index) =>
				miniatureSvg(miniature, way, `${row.page} at ${columns[index]?.width ?? 0} px`)
			)
		};
	}

	/** A page as a row of the sheet's file; `alike` more draw like it. */
	fileRow(
		instance: PageInstance,
		shown: CheckedSite,
		request: SheetRequest,
		way: DrawingWay,
		alike: number
	): FileRow {
		const { columns, screen } = request;
		const seen = seenAs(shown, request);
		const { laid, miniatures } = this.miniatures(instance, seen, columns, screen, way);
		const row = this.row(instance, shown, seen, columns, laid);
		const drawings = miniatures.map((miniature) => ({ miniature }));
		return fileRow({ row, alike, drawings }, columns, way);
	}

	/** Begins to compare two states of the site. */
	compare(before: CheckedSite, after: CheckedSite, request: SheetRequest): void {
		const { columns, screen } = request;
		const [old, now] = [seenAs(before, request), seenAs(after, request)];
		const lay = (instance: PageInstance, site: ResolvedSite): LaidPage =>
			layPage(this.measured(instance, site, screen), columns);
		const total = new Set([before, after].flatMap(({ site }) => pagesOf(site).map(layerName))).size;
		const found = new Map<string, PageChange>();
		const going = siteChanges(old, now, columns, lay);
		this.comparing = { old, now, going, found, total, gone: 0 };
	}

	/** Goes on comparing for a while: what was found since. */
	compareOn(): ChangesPart | undefined {
		const { comparing } = this;
		if (!comparing) return undefined;
		const until = performance.now() + mostAtOnce;
		const changes: PageChange[] = [];
		let done = false;
		while (!done && performance.now() < until) {
			const step = comparing.going.next();
			done = step.done === true;
			if (step.done) break;
			comparing.gone++;
			if (!step.value) continue;
			changes.push(step.value);
			comparing.found.set(step.value.page, step.value);
		}
		return { changes, gone: comparing.gone, total: comparing.total, done };
	}

	/** A page of either of the two states, to be measured; undefined where it is not there, or has not changed. */
	comparedPage(
		page: string,
		state: ComparedState
	): { readonly instance: PageInstance; readonly seen: ResolvedSite } | undefined {
		const { comparing } = this;
		const seen = state === 'before' ? comparing?.old : comparing?.now;
		if (!seen || !comparing?.found.has(page)) return undefined;
		const declared = pagesOf(seen.site).find((one) => layerName(one) === page);
		const [instance] = declared ? seen.instances(declared) : [];
		return instance && { instance, seen };
	}

	/** Layers through which a page that changed is another. */
	changedThrough(page: string): readonly string[] {
		const { comparing } = this;
		return comparing?.found.has(page) ? changedLayers(page, comparing.old, comparing.now) : [];
	}

	/** What became of a page, once more is measured of it than when it was compared. */
	comparedAgain(page: string, { columns, screen }: SheetRequest): PageChange | undefined {
		const { comparing } = this;
		if (!comparing?.found.has(page)) return undefined;
		const { old, now, found } = comparing;
		const lay = (instance: PageInstance, site: ResolvedSite): LaidPage =>
			layPage(this.measured(instance, site, screen), columns);
		const change = pageChange(page, old, now, columns, lay);
		found.set(page, change);
		return change;
	}

	/** A page that changed, as it is now or was last, with what moved laid over it: before and after. */
	changed(
		page: string,
		{ columns, screen }: SheetRequest,
		way: DrawingWay
	): readonly string[] | undefined {
		const { comparing } = this;
		const change = comparing?.found.get(page);
		const site = change?.kind === 'removed' ? comparing?.old : comparing?.now;
		const declared = site && pagesOf(site.site).find((one) => layerName(one) === page);
		const [instance] = declared && site ? site.instances(declared) : [];
		if (!change || !site || !instance) return undefined;
		const { miniatures } = this.miniatures(instance, site, columns, screen, way);
		return miniatures.map((miniature, index) => {
			const width = columns[index]?.width ?? 0;
			const screenChange = change.screens.find(({ column }) => column.width === width);
			const over = movedSvg(screenChange?.moved ?? [], way);
			return miniatureSvg(miniature, way, `${page} at ${width} px, before and after`, over);
		});
	}

	/** The same as drawings that are not written yet. */
	miniatures(
		instance: PageInstance,
		seen: ResolvedSite,
		columns: readonly Column[],
		screen: ScreenKind,
		{ depth, painted }: DrawingWay
	): { readonly laid: LaidPage; readonly miniatures: readonly Miniature[] } {
		const page = this.measured(instance, seen, screen);
		const laid = layPage(page, columns);
		const miniatures = miniaturesOf(laid, page, instance, seen, columns, depth);
		if (!painted) return { laid, miniatures };
		const paint = new PagePaint(instance, seen, this.year);
		const inColours = miniatures.map((one) => paintedMiniature(one, paint, painted === 'night'));
		return { laid, miniatures: inColours };
	}

	private row(
		instance: PageInstance,
		shown: CheckedSite,
		seen: ResolvedSite,
		columns: readonly Column[],
		laid: LaidPage
	): SheetRow {
		return sheetRow(instance, seen, columns, laid, this.problemsOf(shown), this.year);
	}

	private problemsOf(shown: CheckedSite): Map<Layer, Problem[]> {
		if (this.problems?.of !== shown) this.problems = { of: shown, byLayer: problemsByLayer(shown) };
		return this.problems.byLayer;
	}
}

function wayWord(columns: readonly Column[], { height, scrollbar }: ScreenKind): string {
	return [...columns.map(({ width }) => width), height, scrollbar].join();
}

function foundWord(problems: readonly Problem[] | undefined): string {
	return problems?.map(({ code, details }) => `${code} ${JSON.stringify(details)}`).join() ?? '';
}
