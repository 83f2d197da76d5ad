import { layerName } from '$core/model/site.ts';
import { type CheckedSite, isSound } from '$core/check/checked-site.ts';
import type { PageRequest } from '../messages.ts';
import type { DrawingWay } from '$core/sheet/svg.ts';
import { changedLines, type ChangedLines } from '$core/edit/changed-lines.ts';
import { stageHtml } from '$core/emit/stage.ts';
import type { Command } from '$core/model/command.ts';
import { fitScreen } from '$core/findings/fits.ts';
import { FindingsWork, type FindingsStep } from '../findings.ts';
import { MeasuringQueue, type MeasuredCount } from '../measuring-queue.ts';
import type { Settlings, SettleStep } from '../settling.ts';
import type { Sheets, SheetRequest } from '../sheets.ts';
import { settledIn, type OpenSite } from './open-site.ts';

/** What is found on the site, the measuring for it, and what a mend would do. */
export class FindingsDesk {
	/** Pages are looked over on a screen of one height, without a scrollbar that takes room. */
	private readonly finding: FindingsWork;
	private readonly queue = new MeasuringQueue();

	constructor(
		private readonly site: OpenSite,
		private readonly settlings: Settlings,
		private readonly sheets: Sheets,
		/** Looks for what is doubtful in the text, where only errors were looked for. */
		private readonly checked: () => void
	) {
		this.finding = new FindingsWork(site.year, (instance, seen) =>
			settlings.boxesKnown(instance, seen, fitScreen)
		);
	}

	/**
	 * Goes on looking over the site for a while: the pages in sight come first. While the text has errors, its
	 * last state without is looked over, and only the errors are told of the text.
	 */
	step(near: readonly string[]): FindingsStep | undefined {
		this.checked();
		const { latest, shown } = this.site;
		if (!latest) return undefined;
		const step = this.finding.step(latest, this.site.files, near);
		return { ...step, measured: shown && this.queue.count(shown) };
	}

	/** Measures a page at all widths, so that nothing that is found on it rests on guesses. */
	measure(request: PageRequest): SettleStep | undefined {
		return this.site.settled(request, (...of) => this.settlings.misfits(...of, fitScreen));
	}

	/**
	 * A page at a width as it is and as a mend would make it, with the lines that the mend changes, and whether
	 * that takes away what was found.
	 */
	lookAtMend(mend: Command, code: string, page: string, width: number, way: DrawingWay): MendLook {
		const { proposal, after } = this.site.prepareOnce(mend);
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
		const { shown } = this.site;
		const isDrawn = page !== '' && shown && after && isSound(after);
		return {
			refused: undefined,
			lines: changedLines(this.site.files, proposal.changes),
			drawings: isDrawn ? [...drawn(shown), ...drawn(after)] : [],
			left: after && page !== '' ? this.finding.countOn(after, code, page) : 0
		};
	}

	/** The next page to be measured so, those in sight first, as the stage would show it; undefined where all are. */
	nextToMeasure(
		near: readonly string[]
	): { readonly page: string; readonly html: string; readonly address: string } | undefined {
		const { shown } = this.site;
		const instance = shown && this.queue.next(shown, near);
		return (
			instance && {
				page: layerName(instance.page),
				html: stageHtml(instance, shown, this.site.assetUrls, this.site.year),
				address: instance.address
			}
		);
	}

	/** The same has been done; gives how many pages are measured now. */
	measured(page: string, address: string): MeasuredCount | undefined {
		const { shown } = this.site;
		const instance = shown && this.site.settled({ page, address }, (one) => one);
		if (!instance) return undefined;
		this.queue.done(instance, shown);
		this.finding.measuredNow(page, address);
		return this.queue.count(shown);
	}
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
