import {
	differencesOf,
	differenceWords,
	firstCause,
	type ShownBox
} from '$core/measure/compare.ts';
import { look } from '$store/look.svelte.ts';
import { store } from '$store/site.svelte.ts';
import { classicScrollbar } from '$views/frame/dom.ts';
import type { MeasuringFrame } from '$views/frame/measuring-frame.ts';
import type { PageWish, PlaceView } from '$workers/messages.ts';
import type { ScreenKind, Settled, SettleStep } from '$workers/settling.ts';

/** A page as it rests on the stage. */
export interface Resting {
	readonly wish: PageWish & { readonly address: string };
	readonly html: string;
	/** px, of the screen. */
	readonly width: number;
	readonly height: number;
	readonly scrollbars: boolean;
	/** The boxes that are seen. */
	shown(): readonly ShownBox[];
}

/**
 * What is worked out of the page on the stage once it rests: whether its boxes are where the calculation
 * has them, and the widths at which something jumps. A frame that no one sees measures what is in them.
 */
export class SettledPage {
	/** px; undefined while they are worked out. */
	jumps = $state.raw<readonly number[] | undefined>();
	/** What is not as it was computed, as a whole sentence, and where that is written. */
	differs = $state.raw<{ sentence: string; place: PlaceView | undefined } | undefined>();
	/** How many other pages are measured. */
	ready = $state(0);
	/** The page has been compared at the width shown. */
	compared = $state(false);

	constructor(private readonly frame: MeasuringFrame) {}

	/** Compares the page at the width shown. */
	async compare(page: Resting, signal: AbortSignal): Promise<void> {
		const { wish, width } = page;
		const settled = await this.settle(page, signal, () =>
			store.core.boxesAt(wish, width, screenOf(page))
		);
		if (!settled?.boxes || signal.aborted) return;
		const differences = differencesOf(settled.boxes, page.shown());
		const cause = firstCause(differences);
		this.compared = true;
		this.differs = undefined;
		if (!cause) return;
		const because = await store.core.styleBehind(
			wish,
			differences.map(({ word }) => word)
		);
		if (signal.aborted) return;
		const why = because?.words ?? 'though no rule of a style is known to move it';
		this.differs = { sentence: `${differenceWords(cause)}, ${why}.`, place: because?.place };
	}

	/** Works out at which widths it jumps. */
	async findJumps(page: Resting, signal: AbortSignal): Promise<void> {
		const { wish } = page;
		const settled = await this.settle(page, signal, () => store.core.jumps(wish, screenOf(page)));
		if (!signal.aborted) this.jumps = settled?.jumps;
	}

	/**
	 * Measures all other pages of the site at the beginning of each band, so that they are ready when one goes
	 * there: those in sight first, and only while nothing else is to do.
	 */
	async measureOthers(
		pages: readonly string[],
		screens: readonly number[],
		height: number,
		signal: AbortSignal
	): Promise<void> {
		let since = -Infinity;
		for (const page of pages) {
			if (performance.now() - since > betweenRests) {
				await idle();
				since = performance.now();
			}
			const wish: PageWish = { page, address: undefined };
			const html = signal.aborted ? undefined : await store.core.stageOf(wish);
			if (html) {
				const resting = {
					wish: { page, address: html.address },
					html: html.html,
					height,
					scrollbars: look.scrollbars
				};
				await this.settle(resting, signal, () =>
					store.core.measure(wish, screens, screenOf(resting))
				);
			}
			if (signal.aborted) return;
			this.ready++;
		}
	}

	/** Goes through a calculation, measuring what it asks for; undefined where it was given up. */
	private async settle(
		{ html, wish: { address }, scrollbars }: Pick<Resting, 'html' | 'wish' | 'scrollbars'>,
		signal: AbortSignal,
		begin: () => Promise<SettleStep | undefined>
	): Promise<Settled | undefined> {
		let step = await begin();
		while (step?.kind === 'asks') {
			const { id, asked } = step;
			const page = { html, address, scrollbars };
			const answers = asked.length === 0 ? [] : await this.frame.answer(page, asked, signal);
			if (!answers || signal.aborted) return undefined;
			step = await store.core.settleOn(id, answers);
		}
		return step?.settled;
	}
}

/** What a calculation has to know of the screen besides its width. */
function screenOf({ height, scrollbars }: Pick<Resting, 'height' | 'scrollbars'>): ScreenKind {
	return { height, scrollbar: scrollbars ? classicScrollbar : 0 };
}

/** ms of work in small steps, after which it is asked again whether there is something else to do. */
const betweenRests = 150;

/** Waits until the browser has nothing else to do. */
function idle(): Promise<void> {
	return new Promise((done) => {
		if ('requestIdleCallback' in window) requestIdleCallback(() => done(), { timeout: 2000 });
		else setTimeout(done, 50);
	});
}
