import type { FileRow } from '$core/sheet/sheet-file.ts';
import type { DrawingWay } from '$core/sheet/svg.ts';
import type { Jump } from '$core/sweep/jump-words.ts';
import type { MendIdea } from '$core/sweep/mend-idea.ts';
import { mendIdeas } from '$core/sweep/mends.ts';
import type { Misfit } from '$core/check/fit/misfits.ts';
import { checkSite, isSound, type CheckedSite } from '$core/check/site.ts';
import { keepMarks } from '$core/view-models/marks.ts';
import { changedLines, type ChangedLines } from '$core/edit/changed-lines.ts';
import type { Prepared } from '$core/edit/propose.ts';
import { stageHtml } from '$core/emit/stage.ts';
import type { Answers as Measured } from '$core/measure/asks.ts';
import { becauseOf } from '$core/measure/because.ts';
import type { ScrollerName } from '$core/geometry/page.ts';
import type { SizeStore } from '$core/measure/size-store.ts';
import { sentenceOf } from '$core/messages/problem.ts';
import { layerName, pagesOf } from '$core/model/site.ts';
import type { Command } from '$core/model/command.ts';
import { frameMoves } from '$core/author-styles/frame-moves.ts';
import type { PageInstance } from '$core/resolve/instance.ts';
import { seenAs, type ResolvedSite } from '$core/resolve/site.ts';
import { readSiteFiles } from '$core/source/read.ts';
import { Answers } from './answers.ts';
import { AssetUrls } from './asset-urls.ts';
import type { FilesMessage, PageRequest, PlaceView } from './messages.ts';
import { fitScreen } from '$core/findings/fits.ts';
import type { ScreenKind } from '$core/laid/laid-page.ts';
import { FindingsWork, type FindingsStep } from './findings.ts';
import type { PageChange } from '$core/changes/site-changes.ts';
import { MeasuringQueue, type MeasuredCount } from './measuring-queue.ts';
import { Settlings, type SettleStep } from './settling.ts';
import {
	Sheets,
	type ChangesPart,
	type ComparedState,
	type DrawnPage,
	type SheetPart,
	type SheetRequest
} from './sheets.ts';

/**
 * What is worked out of pages from their computed boxes: on the stage, on the sheet and over all widths. What has to
 * be measured for it is asked of whoever has a frame.
 */
export abstract class Looks extends Answers {
	protected readonly assetUrls = new AssetUrls();
	private readonly comparedUrls = { before: new AssetUrls(), after: new AssetUrls() };
	private readonly settlings = new Settlings(this.year, () => this.onSettled?.());
	private readonly sheets = new Sheets(this.year, (...of) => this.settlings.pageOf(...of));
	/** Pages are looked over on a screen of one height, without a scrollbar that takes room. */
	private readonly finding = new FindingsWork(this.year, (instance, seen) =>
		this.settlings.boxesKnown(instance, seen, fitScreen)
	);
	private readonly queue = new MeasuringQueue();
	/** Told whenever sizes of content may have been measured. */
	onSettled: (() => void) | undefined;

	/** A request prepared, worked out once as long as the site is the same. */
	protected abstract prepareOnce(command: Command): Prepared;

	/** The boxes of a page on a screen, scrolled by some px, as soon as what is in them has been measured; undefined where it is gone. */
	boxesAt(
		request: PageRequest,
		width: number,
		screen: ScreenKind,
		scrolled = 0
	): SettleStep | undefined {
		return this.settled(request, (...of) => this.settlings.boxesAt(...of, width, screen, scrolled));
	}

	/** Measures what a page needs on some screens, so that its boxes are known at once when they are asked for. */
	measure(
		request: PageRequest,
		widths: readonly number[],
		screen: ScreenKind
	): SettleStep | undefined {
		return this.settled(request, (...of) => this.settlings.measure(...of, widths, screen));
	}

	/** Widths at which a box of a page jumps, likewise. */
	jumps(request: PageRequest, screen: ScreenKind): SettleStep | undefined {
		return this.settled(request, (...of) => this.settlings.jumps(...of, screen));
	}

	/** Goes on with a calculation that asked for something; undefined where nothing is known of it any more. */
	settleOn(id: number, answers: Measured): SettleStep | undefined {
		return this.settlings.goOn(id, answers);
	}

	/** A page as the stage would show it, to be measured. */
	stageOf(request: PageRequest): { readonly html: string; readonly address: string } | undefined {
		return this.settled(request, (instance, seen) => ({
			html: stageHtml(instance, seen, this.assetUrls, this.year),
			address: instance.address
		}));
	}

	/** What a page does over all widths, as soon as its content is measured. */
	sweep(request: PageRequest, screen: ScreenKind): SettleStep | undefined {
		return this.settled(request, (...of) => this.settlings.sweep(...of, screen));
	}

	/** What scrolling does on a page at a width, likewise. */
	scroll(
		request: PageRequest,
		width: number,
		screen: ScreenKind,
		within: ScrollerName | undefined
	): SettleStep | undefined {
		return this.settled(request, (...of) => this.settlings.scroll(...of, width, screen, within));
	}

	/** How much of screens of several heights is left for the content of a page, likewise. */
	room(request: PageRequest, screen: ScreenKind): SettleStep | undefined {
		return this.settled(request, (...of) => this.settlings.room(...of, screen));
	}

	/** What of a page does not fit, at any width, likewise. */
	misfits(request: PageRequest, screen: ScreenKind): SettleStep | undefined {
		return this.settled(request, (...of) => this.settlings.misfits(...of, screen));
	}

	/** What of pages does not fit by guesses alone: of the first ones, as many as there is time for. */
	guessedMisfits(names: readonly string[], request: Omit<SheetRequest, 'columns'>): Misfit[][] {
		return this.shown ? this.sheets.guessedMisfitsOf(names, this.shown, request) : [];
	}

	/**
	 * Goes on looking over the site for a while: the pages in sight come first. While the text has errors, its
	 * last state without is looked over, and only the errors are told of the text.
	 */
	findings(near: readonly string[]): FindingsStep | undefined {
		const { latest, shown } = this;
		if (!latest) return undefined;
		const step = this.finding.step(latest, this.files, near);
		return { ...step, measured: shown && this.queue.count(shown) };
	}

	/** Measures a page at all widths, so that nothing that is found on it rests on guesses. */
	measureFindings(request: PageRequest): SettleStep | undefined {
		return this.settled(request, (...of) => this.settlings.misfits(...of, fitScreen));
	}

	/**
	 * A page at a width as it is and as a mend would make it, with the lines that the mend changes, and whether
	 * that takes away what was found.
	 */
	lookAtMend(mend: Command, code: string, page: string, width: number, way: DrawingWay): MendLook {
		const { proposal, after } = this.prepareOnce(mend);
		if (proposal.kind === 'refused') {
			return { refused: proposal.sentence, lines: [], drawings: [], left: 0 };
		}
		const request: SheetRequest = { columns: [{ name: '', width }], screen: fitScreen };
		const drawn = (site: CheckedSite): string[] => {
			const drawing = settledIn(site, { page, address: undefined }, (instance) =>
				this.sheets.drawn(instance, site, request, way)
			);
			return [...(drawing?.drawings ?? [])];
		};
		const { shown } = this;
		const isDrawn = page !== '' && shown && after && isSound(after);
		return {
			refused: undefined,
			lines: changedLines(this.files, proposal.changes),
			drawings: isDrawn ? [...drawn(shown), ...drawn(after)] : [],
			left: after && page !== '' ? this.finding.countOn(after, code, page) : 0
		};
	}

	/** The next page to be measured so, those in sight first, as the stage would show it; undefined where all are. */
	nextToMeasure(
		near: readonly string[]
	): { readonly page: string; readonly html: string; readonly address: string } | undefined {
		const { shown } = this;
		const instance = shown && this.queue.next(shown, near);
		return (
			instance && {
				page: layerName(instance.page),
				html: stageHtml(instance, shown, this.assetUrls, this.year),
				address: instance.address
			}
		);
	}

	/** The same has been done; gives how many pages are measured now. */
	measuredFindings(page: string, address: string): MeasuredCount | undefined {
		const { shown } = this;
		const instance = shown && this.instanceOf({ page, address });
		if (!instance) return undefined;
		this.queue.done(instance, shown);
		this.finding.measuredNow(page, address);
		return this.queue.count(shown);
	}

	private instanceOf(request: PageRequest): PageInstance | undefined {
		return this.settled(request, (instance) => instance);
	}

	/** What might make something fit; whether it does is worked out by `mendSweep`. */
	mendIdeas(request: PageRequest, misfit: Misfit, jumps: readonly Jump[]): MendIdea[] {
		const ideas = this.settled(request, (instance, seen) =>
			mendIdeas(misfit, seen.page(instance.page), seen.site, jumps)
		);
		return ideas ?? [];
	}

	/** A page as a request would make it, to be measured, and the lines that it changes; undefined where it is refused. */
	mendStage(mend: Command, request: PageRequest): MendStage | undefined {
		const { proposal, after } = this.prepareOnce(mend);
		if (proposal.kind === 'refused' || !after || !isSound(after)) return undefined;
		const stage = settledIn(after, request, (instance, seen) => ({
			html: stageHtml(instance, seen, this.assetUrls, this.year),
			address: instance.address
		}));
		return stage && { ...stage, lines: changedLines(this.files, proposal.changes) };
	}

	/** What it would do over all widths. */
	mendSweep(mend: Command, request: PageRequest, screen: ScreenKind): SettleStep | undefined {
		const { after } = this.prepareOnce(mend);
		return after && settledIn(after, request, (...of) => this.settlings.sweep(...of, screen));
	}

	/** Rows of the sheet from one page on; undefined where no site is open. */
	sheetPart(request: SheetRequest, from: number): SheetPart | undefined {
		return this.shown && this.sheets.part(this.shown, request, from);
	}

	/** Pages of the sheet with their drawings, by what is known of them; those that are gone are left out. */
	sheetDrawings(pages: readonly string[], request: SheetRequest, way: DrawingWay): DrawnPage[] {
		const { shown } = this;
		if (!shown) return [];
		return pages.flatMap((name) => {
			const page = this.find({ page: name, address: undefined }, shown);
			const [instance] = page ? shown.instances(page) : [];
			return instance ? [this.sheets.drawn(instance, shown, request, way)] : [];
		});
	}

	/** Pages as rows of the sheet's file, each with how many more draw like it. */
	sheetFileRows(
		pages: readonly { readonly page: string; readonly alike: number }[],
		request: SheetRequest,
		way: DrawingWay
	): FileRow[] {
		const { shown } = this;
		if (!shown) return [];
		return pages.flatMap(({ page: name, alike }) => {
			const page = this.find({ page: name, address: undefined }, shown);
			const [instance] = page ? shown.instances(page) : [];
			return instance ? [this.sheets.fileRow(instance, shown, request, way, alike)] : [];
		});
	}

	/**
	 * Begins to compare two states of the site; gives why that cannot be. Without `after`, with what is open.
	 */
	compareStates(
		before: FilesMessage,
		after: FilesMessage | undefined,
		request: SheetRequest
	): string | undefined {
		const old = checkSite(readSiteFiles(before, this.latest?.reading));
		const now = after ? checkSite(readSiteFiles(after, this.latest?.reading)) : this.shown;
		for (const site of [old, now]) {
			const fault = site?.problems.find(({ severity }) => severity === 'error');
			// Layouts have the hues that they have in all other drawings.
			if (site) keepMarks(this.shown?.structure, site.structure);
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
		return { html: stageHtml(instance, seen, urls, this.year), address: instance.address };
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

	/** Which rule of a style moves boxes that are not where they were computed; boxes by their words. */
	styleBehind(
		request: PageRequest,
		words: readonly string[]
	): { readonly words: string; readonly place: PlaceView | undefined } | undefined {
		const moves = this.settled(request, (instance, seen) => frameMoves(instance, seen, this.year));
		const because = moves && becauseOf(words, moves);
		return because && { words: because.words, place: this.placeView(because.span) };
	}

	private settled<T>(
		request: PageRequest,
		settle: (instance: PageInstance, seen: ResolvedSite) => T
	): T | undefined {
		return this.shown && settledIn(this.shown, request, settle);
	}

	/** Sizes of content that were measured, by whatever site. */
	get sizes(): SizeStore {
		return this.settlings.store;
	}
}

/** Does something with a page of a site, as it is seen; undefined where it is not there. */
function settledIn<T>(
	site: ResolvedSite,
	request: PageRequest,
	settle: (instance: PageInstance, seen: ResolvedSite) => T
): T | undefined {
	const page = pagesOf(site.site).find((one) => layerName(one) === request.page);
	if (!page) return undefined;
	const seen = seenAs(site, request);
	const instances = seen.instances(page);
	const instance = instances.find((one) => one.address === request.address) ?? instances[0];
	return instance && settle(instance, seen);
}

/** What a mend would do. */
export interface MendLook {
	/** Why it cannot be made. */
	readonly refused: string | undefined;
	readonly lines: readonly ChangedLines[];
	/** The page before and after, as SVG; none where it is about no page. */
	readonly drawings: readonly string[];
	/** Findings of the kind that would be left on the page. */
	readonly left: number;
}

/** A page as an edit would make it, and the lines of the text that the edit changes. */
export interface MendStage {
	readonly html: string;
	readonly address: string;
	readonly lines: readonly ChangedLines[];
}
