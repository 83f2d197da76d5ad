import { sentenceOf } from '$core/messages/sentence.ts';
import type { FileRow } from '$core/sheet/sheet-file.ts';
import type { DrawingWay } from '$core/sheet/svg.ts';
import type { Misfit } from '$core/check/fit/misfits.ts';
import { checkSite } from '$core/check/site.ts';
import { keepMarks } from '$core/view-models/marks.ts';
import { stageHtml } from '$core/emit/stage.ts';
import { readSiteFiles } from '$core/source/read.ts';
import { AssetUrls } from '../asset-urls.ts';
import type { FilesMessage } from '../messages.ts';
import type { ScreenKind } from '$core/laid/laid-page.ts';
import type { PageChange } from '$core/changes/site-changes.ts';
import type { Settlings, SettleStep } from '../settling.ts';
import type {
	Sheets,
	ChangesPart,
	ComparedState,
	DrawnPage,
	SheetPart,
	SheetRequest
} from '../sheets.ts';
import type { OpenSite } from './open-site.ts';

/** All pages in miniature, and two states of the site held against each other. */
export class PageSheet {
	private readonly comparedUrls = { before: new AssetUrls(), after: new AssetUrls() };

	constructor(
		private readonly site: OpenSite,
		private readonly settlings: Settlings,
		private readonly sheets: Sheets
	) {}

	/** What of pages does not fit by guesses alone: of the first ones, as many as there is time for. */
	guessedMisfits(
		names: readonly string[],
		request: Omit<SheetRequest, 'columns'>
	): (Misfit[] | undefined)[] {
		return this.site.shown ? this.sheets.guessedMisfitsOf(names, this.site.shown, request) : [];
	}

	/** Rows of the sheet from one page on; undefined where no site is open. */
	part(request: SheetRequest, from: number): SheetPart | undefined {
		return this.site.shown && this.sheets.part(this.site.shown, request, from);
	}

	/** Pages of the sheet with their drawings, by what is known of them; those that are gone are left out. */
	drawings(pages: readonly string[], request: SheetRequest, way: DrawingWay): DrawnPage[] {
		const { shown } = this.site;
		if (!shown) return [];
		return pages.flatMap((name) => {
			const page = this.site.find({ page: name, address: undefined }, shown);
			const [instance] = page ? shown.instances(page) : [];
			return instance ? [this.sheets.drawn(instance, shown, request, way)] : [];
		});
	}

	/** Pages as rows of the sheet's file, each with how many more draw like it. */
	fileRows(
		pages: readonly { readonly page: string; readonly alike: number }[],
		request: SheetRequest,
		way: DrawingWay
	): FileRow[] {
		const { shown } = this.site;
		if (!shown) return [];
		return pages.flatMap(({ page: name, alike }) => {
			const page = this.site.find({ page: name, address: undefined }, shown);
			const [instance] = page ? shown.instances(page) : [];
			return instance ? [this.sheets.fileRow(instance, shown, request, way, alike)] : [];
		});
	}

	/**
	 * Begins to compare two states of the site; gives why that cannot be. Without `after`, with what is open.
	 */
	compare(
		before: FilesMessage,
		after: FilesMessage | undefined,
		request: SheetRequest
	): string | undefined {
		const old = checkSite(readSiteFiles(before, this.site.latest?.reading));
		const now = after
			? checkSite(readSiteFiles(after, this.site.latest?.reading))
			: this.site.shown;
		for (const site of [old, now]) {
			const fault = site?.problems.find(({ severity }) => severity === 'error');
			// Layouts have the hues that they have in all other drawings.
			if (site) keepMarks(this.site.shown?.structure, site.structure);
			if (fault)
				return `One of the two has errors, so its pages cannot be drawn: ${sentenceOf(fault)}`;
		}
		if (now) this.sheets.compare(old, now, request);
		return undefined;
	}

	/** Goes on with that for a while. */
	compareOn(): ChangesPart | undefined {
		return this.sheets.compareOn();
	}

	/** A page that changed as it is in one of the two states, as the stage would show it, to be measured. */
	comparedStage(
		page: string,
		state: ComparedState
	): { readonly html: string; readonly address: string } | undefined {
		const found = this.sheets.comparedPage(page, state);
		if (!found) return undefined;
		const { instance, seen } = found;
		const urls = this.comparedUrls[state];
		urls.changeTo(seen.reading.files.assets);
		return { html: stageHtml(instance, seen, urls, this.site.year), address: instance.address };
	}

	/** Measures what it needs on some screens. */
	measureCompared(
		page: string,
		state: ComparedState,
		widths: readonly number[],
		screen: ScreenKind
	): SettleStep | undefined {
		const found = this.sheets.comparedPage(page, state);
		return found && this.settlings.measure(found.instance, found.seen, widths, screen);
	}

	/** Layers through which each of some pages is another. */
	changedThrough(pages: readonly string[]): readonly (readonly string[])[] {
		return pages.map((page) => this.sheets.changedThrough(page));
	}

	/** What became of it, by what is measured now. */
	comparedAgain(page: string, request: SheetRequest): PageChange | undefined {
		return this.sheets.comparedAgain(page, request);
	}

	/** A page that changed with what moved over it, as SVG in the order of the columns. */
	changeDrawings(
		page: string,
		request: SheetRequest,
		way: DrawingWay
	): readonly string[] | undefined {
		return this.sheets.changed(page, request, way);
	}
}
