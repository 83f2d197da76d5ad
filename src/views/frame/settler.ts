import { idle } from '$store/ways/quiet.ts';
import { look } from '$store/ways/look.svelte.ts';
import { store } from '$store/site.svelte.ts';
import type { Seeing } from '$core/resolve/site.ts';
import type { PageRequest } from '$workers/messages.ts';
import type { ScreenKind } from '$core/laid/laid-page.ts';
import type { Settled, SettleStep } from '$workers/settling.ts';
import { classicScrollbar } from '../../browser/dom.ts';
import { isSame, type Measured, type MeasuringFrame } from './measuring-frame.ts';

/** A page that a calculation is about. */
export interface Asking {
	readonly request: PageRequest & { readonly address: string };
	readonly html: string;
	readonly scrollbars: boolean;
}

/** What a calculation has to know of the screen besides its width. */
export function screenOf(height: number, scrollbars = look.scrollbars): ScreenKind {
	return { height, scrollbar: scrollbars ? classicScrollbar : 0 };
}

/** Goes through calculations of the worker, and measures in a frame what they ask for. */
export class Settler {
	/** The page that is calculated, and how many calculations of it are going on. */
	private current: { readonly page: Measured; going: number } | undefined;
	private readonly waiting: (() => void)[] = [];

	constructor(private readonly frame: MeasuringFrame) {}

	/**
	 * What a calculation comes to; undefined where it was given up. One page is calculated at a time: the frame
	 * holds one, and two by turns would have to be brought again for each question.
	 */
	async settle(
		{ html, request: { address }, scrollbars }: Asking,
		signal: AbortSignal,
		begin: () => Promise<SettleStep | undefined>
	): Promise<Settled | undefined> {
		const page = { html, address, scrollbars };
		await this.take(page);
		try {
			return signal.aborted ? undefined : await this.goThrough(page, signal, begin);
		} finally {
			this.giveBack();
		}
	}

	private async take(page: Measured): Promise<void> {
		while (this.current && !isSame(this.current.page, page)) {
			await new Promise<void>((wake) => this.waiting.push(wake));
		}
		this.current ??= { page, going: 0 };
		this.current.going++;
	}

	private giveBack(): void {
		if (!this.current || --this.current.going > 0) return;
		this.current = undefined;
		for (const wake of this.waiting.splice(0)) wake();
	}

	private async goThrough(
		page: Measured,
		signal: AbortSignal,
		begin: () => Promise<SettleStep | undefined>
	): Promise<Settled | undefined> {
		let step = await begin();
		while (step?.kind === 'asks') {
			const { id, asked } = step;
			const answers = asked.length === 0 ? [] : await this.frame.answer(page, asked, signal);
			if (!answers || signal.aborted) return undefined;
			step = await store.core.boxes.settleOn(id, answers);
		}
		return step?.settled;
	}

	/**
	 * Measures pages on some screens, one after the other, and only while nothing else is to do. `onMeasured` is told
	 * of each; `seeing` says how they are looked at.
	 */
	async measureAll(
		pages: readonly string[],
		screens: readonly number[],
		screen: ScreenKind,
		signal: AbortSignal,
		onMeasured: (page: string) => void,
		seeing: Seeing = store.seeing
	): Promise<void> {
		let since = -Infinity;
		for (const page of pages) {
			if (performance.now() - since > betweenRests) {
				await idle();
				since = performance.now();
			}
			const request: PageRequest = { page, address: undefined, ...seeing };
			const shown = signal.aborted ? undefined : await store.core.boxes.stageOf(request);
			if (shown) {
				const { html, address } = shown;
				const asking = { request: { ...request, address }, html, scrollbars: screen.scrollbar > 0 };
				await this.settle(asking, signal, () => store.core.boxes.measure(request, screens, screen));
			}
			if (signal.aborted) return;
			onMeasured(page);
		}
	}
}

/** ms of work in small steps, after which it is asked again whether there is something else to do. */
const betweenRests = 150;
