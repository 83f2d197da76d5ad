import type { MendIdea } from '$core/sweep/mend-idea.ts';
import { isMended } from '$core/sweep/mends.ts';
import type { Misfit } from '$core/check/fit/misfits.ts';
import type { RoomLine } from '$core/sweep/room-lines.ts';
import type { SweepView } from '$core/sweep/sweep-view.ts';
import type { Seeing } from '$core/resolve/site.ts';
import { store } from '$store/site.svelte.ts';
import type { Asking, Settler } from '$views/frame/settler.ts';
import type { MendStage } from '$workers/desk/boxes.ts';
import type { PageRequest } from '$workers/messages.ts';
import type { ScreenKind } from '$core/laid/laid-page.ts';

/** A mend that was tried: it does what it is offered for. */
export interface Mend extends MendIdea {
	readonly misfit: Misfit;
	readonly lines: MendStage['lines'];
	/** What the page would do with it. */
	readonly sweep: SweepView;
}

/** Pages that are asked for at once. */
const mostGuessed = 40;

/** What the page does over all widths, what of all pages does not fit, and what would mend it. */
export class Swept {
	sweep = $state.raw<SweepView | undefined>();
	mends = $state.raw<readonly Mend[]>([]);
	/** How much of screens is left for content; undefined while it is worked out. */
	room = $state.raw<readonly RoomLine[] | undefined>();
	/** Mends are being tried. */
	trying = $state(false);
	/** What of each page does not fit, as far as they have been measured. */
	misfits = $state.raw<ReadonlyMap<string, readonly Misfit[]>>(new Map());
	/** The same by guesses, for those that are not measured yet. */
	roughly = $state.raw<ReadonlyMap<string, readonly Misfit[]>>(new Map());

	constructor(private readonly settler: Settler) {}

	/** Works out the page, then what would mend it. */
	async work(request: PageRequest, screen: ScreenKind, signal: AbortSignal): Promise<void> {
		const asking = await this.asking(request, screen);
		if (!asking || signal.aborted) return;
		const settled = await this.settler.settle(asking, signal, () =>
			store.core.boxes.sweep(request, screen)
		);
		if (signal.aborted || !settled?.sweep) return;
		this.sweep = settled.sweep;
		await this.tryMends(settled.sweep, request, screen, signal);
	}

	/** Works out how much of screens is left for the content of the page. */
	async workRoom(request: PageRequest, screen: ScreenKind, signal: AbortSignal): Promise<void> {
		const asking = await this.asking(request, screen);
		if (!asking || signal.aborted) return;
		const settled = await this.settler.settle(asking, signal, () =>
			store.core.boxes.room(request, screen)
		);
		if (!signal.aborted) this.room = settled?.room;
	}

	/** What was known of other pages is an estimate from now on: the site has changed. */
	doubtOthers(): void {
		this.roughly = new Map([...this.roughly, ...this.misfits]);
		this.misfits = new Map();
	}

	/** What of other pages does not fit: one after the other, while nothing else is to do. */
	async workOthers(
		pages: readonly string[],
		screen: ScreenKind,
		seeing: Seeing,
		signal: AbortSignal
	): Promise<void> {
		await this.guessOthers(pages, screen, seeing, signal);
		for (const page of pages) {
			await new Promise((rest) => setTimeout(rest, 20));
			const request: PageRequest = { page, address: undefined, ...seeing };
			const asking = signal.aborted ? undefined : await this.asking(request, screen);
			const settled =
				asking &&
				(await this.settler.settle(asking, signal, () =>
					store.core.boxes.misfits(request, screen)
				));
			if (signal.aborted) return;
			if (settled?.misfits) this.misfits = new Map([...this.misfits, [page, settled.misfits]]);
		}
	}

	private async guessOthers(
		pages: readonly string[],
		screen: ScreenKind,
		seeing: Seeing,
		signal: AbortSignal
	): Promise<void> {
		for (let left = pages; left.length > 0 && !signal.aborted;) {
			await new Promise((rest) => setTimeout(rest, 10));
			const found = await store.core.sheet.guessedMisfits(left.slice(0, mostGuessed), {
				screen,
				...seeing
			});
			if (signal.aborted || found.length === 0) return;
			const guessed = left.slice(0, found.length);
			const told = guessed.flatMap((page, at) => {
				const misfits = found[at];
				return misfits ? [[page, misfits] as const] : [];
			});
			this.roughly = new Map([...this.roughly, ...told]);
			left = left.slice(found.length);
		}
	}

	private async tryMends(
		before: SweepView,
		request: PageRequest,
		screen: ScreenKind,
		signal: AbortSignal
	): Promise<void> {
		this.trying = before.misfits.length > 0;
		const mends: Mend[] = [];
		for (const misfit of before.misfits) {
			const ideas = await store.core.boxes.mendIdeas(request, misfit, before.jumps);
			for (const idea of ideas) {
				const mend = signal.aborted
					? undefined
					: await this.tryOne(idea, misfit, before, request, screen, signal);
				if (signal.aborted) return;
				if (mend) mends.push(mend);
			}
		}
		this.mends = mends;
		this.trying = false;
	}

	/** A mend, if it does away with the misfit at every width and brings no other. */
	private async tryOne(
		idea: MendIdea,
		misfit: Misfit,
		before: SweepView,
		request: PageRequest,
		screen: ScreenKind,
		signal: AbortSignal
	): Promise<Mend | undefined> {
		const stage = await store.core.boxes.mendStage(idea.command, request);
		if (!stage) return undefined;
		const { html, address, lines } = stage;
		const asking = { request: { ...request, address }, html, scrollbars: screen.scrollbar > 0 };
		const settled = await this.settler.settle(asking, signal, () =>
			store.core.boxes.mendSweep(idea.command, request, screen)
		);
		const sweep = settled?.sweep;
		if (!sweep || !isMended(misfit, before.misfits, sweep.misfits)) return undefined;
		return { ...idea, misfit, lines, sweep };
	}

	private async asking(
		request: PageRequest,
		{ scrollbar }: ScreenKind
	): Promise<Asking | undefined> {
		const shown = await store.core.boxes.stageOf(request);
		if (!shown) return undefined;
		const { html, address } = shown;
		return { request: { ...request, address }, html, scrollbars: scrollbar > 0 };
	}
}
