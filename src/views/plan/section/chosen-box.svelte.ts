import type { BoxView } from '$core/drawing/box-view.ts';
import type { BoxRef } from '$core/model/wish.ts';
import { look } from '$store/look.svelte.ts';
import { store } from '$store/site.svelte.ts';

/** The chosen region's sizes, and those of the box that arranges it, in the band that is shown. */
class ChosenBox {
	/** The chosen region. */
	view = $state.raw<BoxView | undefined>();
	/** What arranges it: its wrapper or its layout. */
	around = $state.raw<BoxView | undefined>();
	/** Widths that layouts get which measure their own space, px, as the stage shows them. */
	spaces = $state.raw<ReadonlyMap<string, number>>(new Map());
	private turn = 0;

	/** Asks for what there is to say about a region; the last one asked for is shown. */
	async choose(ref: BoxRef | undefined): Promise<void> {
		const turn = ++this.turn;
		const width = ref ? (this.spaces.get(ref.layout) ?? look.width) : look.width;
		const view = ref && (await store.core.boxView(ref, width));
		const around = view?.parent && (await store.core.boxView(view.parent.ref, width));
		if (turn !== this.turn) return;
		this.view = view;
		this.around = around;
	}

	/** Notes the spaces that were measured; the same ones again change nothing. */
	noteSpaces(spaces: ReadonlyMap<string, number>): void {
		const same =
			spaces.size === this.spaces.size &&
			[...spaces].every(([layout, width]) => this.spaces.get(layout) === width);
		if (!same) this.spaces = spaces;
	}
}

export const chosenBox = new ChosenBox();
