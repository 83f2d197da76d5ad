import {
	differencesOf,
	differenceWords,
	firstCause,
	type ShownBox
} from '$core/measure/compare.ts';
import { store } from '$store/site.svelte.ts';
import { screenOf, type Asking, type Settler } from '$views/frame/settler.ts';
import type { PlaceView } from '$workers/messages.ts';

/** A page as it rests on the stage. */
export interface Resting extends Asking {
	/** px, of the screen. */
	readonly width: number;
	readonly height: number;
	/** How far the page is scrolled, px. */
	scrolled(): number;
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
	/** The page has been compared at the width shown. */
	compared = $state(false);

	constructor(readonly settler: Settler) {}

	/** Compares the page at the width shown. */
	async compare(page: Resting, signal: AbortSignal): Promise<void> {
		const { request, width, height, scrollbars } = page;
		const scrolled = page.scrolled();
		const settled = await this.settler.settle(page, signal, () =>
			store.core.boxes.at(request, width, screenOf(height, scrollbars), scrolled)
		);
		// While it was worked out, someone went on scrolling.
		if (page.scrolled() !== scrolled) return;
		if (!settled?.boxes || signal.aborted) return;
		const differences = differencesOf(settled.boxes, page.shown());
		const cause = firstCause(differences);
		this.compared = true;
		this.differs = undefined;
		if (!cause) return;
		const because = await store.core.boxes.styleBehind(
			request,
			differences.map(({ word }) => word)
		);
		if (signal.aborted) return;
		const why = because?.words ?? 'though no rule of a style is known to move it';
		this.differs = { sentence: `${differenceWords(cause)}, ${why}.`, place: because?.place };
	}

	/** Works out at which widths it jumps. */
	async findJumps(page: Resting, signal: AbortSignal): Promise<void> {
		const { request, height, scrollbars } = page;
		const settled = await this.settler.settle(page, signal, () =>
			store.core.boxes.jumps(request, screenOf(height, scrollbars))
		);
		if (!signal.aborted) this.jumps = settled?.jumps;
	}
}
