import { arrangingOfView, type BoxView } from '$core/view-models/chosen/box-view.ts';
import type { ManyView } from '$core/view-models/chosen/many-view.ts';
import { isPieceRef, type SizedRef, type WholeRef } from '$core/model/command.ts';
import { look } from '$store/ways/look.svelte.ts';
import { store } from '$store/site.svelte.ts';

/** The sizes of what is chosen, and those of the box that arranges it, in the band that is shown. */
class ChosenBox {
	/** The chosen region, wrapper, layout or piece. */
	view = $state.raw<BoxView | undefined>();
	/** What arranges it: its wrapper, its layout, or the region of a piece. */
	around = $state.raw<BoxView | undefined>();
	/** Widths that layouts get which measure their own space, px, as the stage shows them. */
	spaces = $state.raw<ReadonlyMap<string, number>>(new Map());
	/** All that the chosen page or fill brings, as one box that may arrange it; undefined where something else is chosen. */
	whole = $state.raw<BoxView | undefined>();
	/** What is chosen and all that is chosen beside it; undefined where that is nothing. */
	many = $state.raw<ManyView | undefined>();
	private turn = 0;

	/** What arranges that box, where the box arranges nothing itself. */
	private outer = $state.raw<BoxView | undefined>();

	/** Tracks of what is around are wanted, where what is chosen has some of its own. */
	wantsAround = $state(false);

	/** What arranges the chosen one, or the chosen layout itself. */
	private get arranging(): BoxView | undefined {
		const own = arrangingOfView(this.view) ? this.view : undefined;
		return this.around?.arrangement ? this.around : (this.outer ?? this.around ?? own);
	}

	/** The chosen box, where it has columns or areas of its own; of a page or fill, all that it brings. */
	private get inside(): BoxView | undefined {
		if (this.whole?.arrangement) return this.whole;
		const kind = arrangingOfView(this.view) && this.view?.arrangement?.kind;
		return kind === 'columns' || kind === 'areas' ? this.view : undefined;
	}

	/** The box whose tracks are drawn. */
	get tracked(): BoxView | undefined {
		const { inside } = this;
		return inside && !this.wantsAround ? inside : this.arranging;
	}

	/** The other box whose tracks could be drawn; undefined where there is only one. */
	get trackedElse(): BoxView | undefined {
		const { inside, arranging } = this;
		if (!inside || !arranging?.arrangement || inside === arranging) return undefined;
		return this.wantsAround ? inside : arranging;
	}

	/** Asks for what there is to say; the last one asked for is shown. */
	async choose(
		ref: SizedRef | undefined,
		all: WholeRef | undefined,
		also: readonly SizedRef[]
	): Promise<void> {
		const turn = ++this.turn;
		// The content of a page lies in the slot of what it sits under.
		const innermost = store.page?.chain.at(-1);
		const layout = ref && (isPieceRef(ref) ? (ref.holder.region?.layout ?? innermost) : ref.layout);
		const width = (layout === undefined ? undefined : this.spaces.get(layout)) ?? look.width;
		const view = ref && (await store.core.answers.boxView(ref, width));
		const many =
			ref && also.length > 0 ? await store.core.answers.manyView([ref, ...also], width) : undefined;
		const whole = all && (await store.core.answers.boxView(all, width));
		const around = view?.parent && (await store.core.answers.boxView(view.parent.ref, width));
		const parent = around?.arrangement ? undefined : around?.parent;
		const outer = parent && (await store.core.answers.boxView(parent.ref, width));
		if (turn !== this.turn) return;
		const key = (one: BoxView | undefined): string => JSON.stringify(one?.ref);
		if (key(view) !== key(this.view) || key(whole) !== key(this.whole)) this.wantsAround = false;
		this.outer = outer;
		this.view = view;
		this.whole = whole;
		this.many = many;
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
