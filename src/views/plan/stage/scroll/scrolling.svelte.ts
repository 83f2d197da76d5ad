import type { Scroller, ScrollView } from '$core/scroll/scroll-view.ts';
import { store } from '$store/site.svelte.ts';
import { screenOf, type Settler } from '$views/frame/settler.ts';
import type { Resting } from '../settled.svelte.ts';

/** How far the stage is scrolled, and what that does on the page. */
export class Scrolling {
	/** What is scrolled; undefined: the page. */
	within = $state.raw<Scroller['name'] | undefined>();
	/** px */
	px = $state(0);
	/** Where the second stage is scrolled to, px; undefined while there is one stage. */
	second = $state<number | undefined>();
	/** What scrolling does; undefined while it is worked out. */
	view = $state.raw<ScrollView | undefined>();

	/** Works out what scrolling does on a page as it rests. */
	async work(page: Resting, settler: Settler, signal: AbortSignal): Promise<void> {
		const { request, width, height, scrollbars } = page;
		const screen = screenOf(height, scrollbars);
		const { within } = this;
		const settled = await settler.settle(page, signal, () =>
			store.core.boxes.scroll(request, width, screen, within)
		);
		if (signal.aborted || !settled?.scroll) return;
		this.view = settled.scroll;
		// Where the page itself does not scroll, what it is about is in a box that does.
		const [only] = settled.scroll.scrollers;
		if (within === undefined && settled.scroll.reach === 0 && only) this.choose(only.name);
	}

	/** Another thing is scrolled. */
	choose(within: Scroller['name'] | undefined): void {
		this.within = within;
		this.px = 0;
		if (this.second !== undefined) this.second = 0;
	}

	/** Puts the one or the other stage at a place, px. */
	goTo(px: number, second = false): void {
		const reach = this.view?.reach ?? 0;
		const to = Math.round(Math.min(reach, Math.max(0, px)));
		if (second) this.second = to;
		else this.px = to;
	}
}
