import type { Answers, Asked } from '$core/measure/asks.ts';
import type { PlacedBox } from '$core/geometry/page-layout.ts';
import { jumpWidths, sweepFrom, sweepTo } from '$core/geometry/widths/jumps.ts';
import { MeasuredPage } from '$core/measure/measured-page.ts';
import type { Settling } from '$core/measure/settle.ts';
import { SizeStore } from '$core/measure/size-store.ts';
import type { PageInstance } from '$core/resolve/instance.ts';
import type { ResolvedSite } from '$core/resolve/site.ts';

/** What a calculation came to: the boxes on a screen, or the widths at which some of them jump. */
export interface Settled {
	readonly boxes?: readonly PlacedBox[];
	readonly jumps?: readonly number[];
}

/** The same, or what it has to know first. */
export type SettleStep =
	| { readonly kind: 'asks'; readonly id: number; readonly asked: readonly Asked[] }
	| { readonly kind: 'done'; readonly settled: Settled };

/** A screen but for its width: its height, and what a classic scrollbar takes, px. */
export interface ScreenKind {
	readonly height: number;
	readonly scrollbar: number;
}

/** Calculations that nobody went on with are forgotten. */
const mostOpen = 8;
const mostPages = 16;

/** Works out boxes with what a browser measures meanwhile: step by step, as questions go out and answers come in. */
export class Settlings {
	readonly store = new SizeStore();
	private readonly pages = new Map<string, { seen: ResolvedSite; measured: MeasuredPage }>();
	private readonly open = new Map<number, Settling<Settled>>();
	private count = 0;

	constructor(
		private readonly year: number,
		/** Told whenever a calculation has come to its end, so that more may be known than before. */
		private readonly onSettled: () => void
	) {}

	boxesAt(
		instance: PageInstance,
		seen: ResolvedSite,
		width: number,
		screen: ScreenKind
	): SettleStep {
		return this.begin(laying(this.pageOf(instance, seen, screen), width));
	}

	/** Measures what a page needs on some screens, and gives nothing. */
	measure(
		instance: PageInstance,
		seen: ResolvedSite,
		widths: readonly number[],
		screen: ScreenKind
	): SettleStep {
		return this.begin(measuring(this.pageOf(instance, seen, screen), widths));
	}

	jumps(instance: PageInstance, seen: ResolvedSite, screen: ScreenKind): SettleStep {
		return this.begin(jumping(this.pageOf(instance, seen, screen)));
	}

	/** Goes on with a calculation; undefined where it was forgotten. */
	goOn(id: number, answers: Answers): SettleStep | undefined {
		const settling = this.open.get(id);
		return settling && this.step(id, settling, answers);
	}

	private begin(settling: Settling<Settled>): SettleStep {
		const id = ++this.count;
		this.open.set(id, settling);
		const [oldest] = this.open.keys();
		if (this.open.size > mostOpen && oldest !== undefined) this.open.delete(oldest);
		return this.step(id, settling, []);
	}

	private step(id: number, settling: Settling<Settled>, answers: Answers): SettleStep {
		const step = settling.next(answers);
		if (!step.done) return { kind: 'asks', id, asked: step.value };
		this.open.delete(id);
		this.onSettled();
		return { kind: 'done', settled: step.value };
	}

	private pageOf(instance: PageInstance, seen: ResolvedSite, screen: ScreenKind): MeasuredPage {
		const key = `${instance.address} ${seen.role ?? ''} ${screen.height} ${screen.scrollbar}`;
		const known = this.pages.get(key);
		if (known && known.seen.site === seen.site) return known.measured;
		const measured = new MeasuredPage(instance, seen, this.year, screen, this.store);
		this.pages.delete(key);
		this.pages.set(key, { seen, measured });
		const [oldest] = this.pages.keys();
		if (this.pages.size > mostPages && oldest !== undefined) this.pages.delete(oldest);
		return measured;
	}
}

function* laying(page: MeasuredPage, width: number): Settling<Settled> {
	return { boxes: yield* page.at(width) };
}

function* measuring(page: MeasuredPage, widths: readonly number[]): Settling<Settled> {
	yield* page.atAll(widths);
	return {};
}

function* jumping(page: MeasuredPage): Settling<Settled> {
	return { jumps: jumpWidths(yield* page.between(sweepFrom, sweepTo)) };
}
