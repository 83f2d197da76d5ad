import type { Answers, Asked } from '$core/measure/asks.ts';
import { setScrollbars } from '../../browser/dom.ts';
import { stageOf } from '../../browser/frame.ts';
import { Measuring } from '../../browser/measuring.ts';

/** A page that is to be measured. */
export interface Measured {
	readonly html: string;
	readonly address: string;
	/** Scrollbars take room in it. */
	readonly scrollbars: boolean;
}

/**
 * The frame that measures, for all who ask: one question after the other, so that none changes the screen
 * while another looks. It keeps the page that was asked about last.
 */
export class MeasuringFrame {
	private turn: Promise<unknown> = Promise.resolve();
	private open: { readonly page: Measured; readonly measuring: Measuring } | undefined;

	constructor(private readonly frame: HTMLIFrameElement) {}

	/** Measures what is asked of a page; undefined where it was given up. */
	answer(
		page: Measured,
		asked: readonly Asked[],
		signal: AbortSignal
	): Promise<Answers | undefined> {
		const answer = this.turn.then(async () => {
			if (signal.aborted) return undefined;
			const measuring = await this.opened(page, signal);
			return measuring?.answer(asked, signal);
		});
		this.turn = answer.catch(() => undefined);
		return answer;
	}

	private async opened(page: Measured, signal: AbortSignal): Promise<Measuring | undefined> {
		const { open } = this;
		if (open && isSame(open.page, page)) return open.measuring;
		this.open = undefined;
		const inner = stageOf(this.frame);
		if (inner) setScrollbars(inner, page.scrollbars);
		const measuring = await Measuring.open(this.frame, page.html, page.address, signal);
		if (measuring) this.open = { page, measuring };
		return measuring;
	}
}

/** Whether two are the same to a frame, so that it need not be brought again. */
export function isSame(one: Measured, other: Measured): boolean {
	return (
		one.html === other.html && one.address === other.address && one.scrollbars === other.scrollbars
	);
}
