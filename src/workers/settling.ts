import type { Answers, Asked } from '$core/measure/asks.ts';
import type { PlacedBox } from '$core/geometry/page-layout.ts';
import { settleBoxes, type LaidBoxes } from '$core/laid/laid-boxes.ts';
import type { ScreenKind } from '$core/laid/laid-page.ts';
import { jumpWidths, sweepFrom, sweepTo } from '$core/geometry/widths/jumps.ts';
import { MeasuredPage } from '$core/laid/measured-page.ts';
import type { Settling } from '$core/measure/settle.ts';
import { misfitsIn, type Misfit } from '$core/check/fit/misfits.ts';
import { roomLines, type RoomLine } from '$core/sweep/room-lines.ts';
import { sweepView, type SweepView } from '$core/sweep/sweep-view.ts';
import { layoutMarks } from '$core/view-models/marks.ts';
import { scrollView, type ScrollView } from '$core/scroll/scroll-view.ts';
import type { ScrollerName } from '$core/geometry/page.ts';
import { layerName } from '$core/model/site.ts';
import { SizeStore } from '$core/measure/size-store.ts';
import type { PageInstance } from '$core/resolve/instance.ts';
import { seeingWord, type ResolvedSite } from '$core/resolve/site.ts';

/** What a calculation came to: whichever of these it was about. */
export interface Settled {
	readonly boxes?: readonly PlacedBox[];
	readonly jumps?: readonly number[];
	readonly sweep?: SweepView;
	readonly misfits?: readonly Misfit[];
	readonly scroll?: ScrollView;
	readonly room?: readonly RoomLine[];
}

/** The same, or what it has to know first. */
export type SettleStep =
	| { readonly kind: 'asks'; readonly id: number; readonly asked: readonly Asked[] }
	| { readonly kind: 'done'; readonly settled: Settled };

/** ms of work before others get their turn. */
const mostAtOnce = 20;

/** Calculations that nobody went on with are forgotten. */
const mostOpen = 8;
const mostPages = 96;
const mostLately = 64;

/** Works out boxes with what a browser measures meanwhile: step by step, as questions go out and answers come in. */
export class Settlings {
	readonly store = new SizeStore();
	private readonly pages = new Map<string, { seen: ResolvedSite; measured: MeasuredPage }>();
	private readonly open = new Map<number, Settling<Settled>>();
	/** Boxes of pages that were measured at all widths last: what is found in them is looked for right after. */
	private readonly lately = new Map<
		string,
		{ readonly of: MeasuredPage; readonly boxes: LaidBoxes }
	>();
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
		screen: ScreenKind,
		scrolled: number
	): SettleStep {
		return this.begin(laying(this.pageOf(instance, seen, screen), width, scrolled));
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

	/** What a page does over all widths. */
	sweep(instance: PageInstance, seen: ResolvedSite, screen: ScreenKind): SettleStep {
		return this.begin(sweeping(this.pageOf(instance, seen, screen), instance, seen));
	}

	/** What does not fit on it, at any width. */
	misfits(instance: PageInstance, seen: ResolvedSite, screen: ScreenKind): SettleStep {
		const page = this.pageOf(instance, seen, screen);
		const key = this.keyOf(instance, seen, screen);
		return this.begin(
			fitting(page, seen, (boxes) => {
				this.lately.delete(key);
				this.lately.set(key, { of: page, boxes });
				const [oldest] = this.lately.keys();
				if (this.lately.size > mostLately && oldest !== undefined) this.lately.delete(oldest);
			})
		);
	}

	/** What scrolling does on it at a width; `within`: in what, undefined for the page. */
	scroll(
		instance: PageInstance,
		seen: ResolvedSite,
		width: number,
		screen: ScreenKind,
		within: ScrollerName | undefined
	): SettleStep {
		const page = this.pageOf(instance, seen, screen);
		return this.begin(scrolling(page, instance, seen, { width, height: screen.height }, within));
	}

	/** How much of screens of several heights is left for its content. */
	room(instance: PageInstance, seen: ResolvedSite, screen: ScreenKind): SettleStep {
		return this.begin(rooming(this.pageOf(instance, seen, screen), instance, seen));
	}

	/** The boxes of a page over all widths, where all that they follow from has been measured; undefined where something has not. */
	boxesKnown(
		instance: PageInstance,
		seen: ResolvedSite,
		screen: ScreenKind
	): LaidBoxes | undefined {
		const page = this.pageOf(instance, seen, screen);
		const known = this.lately.get(this.keyOf(instance, seen, screen));
		if (known?.of === page) return known.boxes;
		const going = settleBoxes(page);
		for (let step = going.next([]); ; step = going.next([])) {
			if (step.done) return step.value;
			if (step.value.length > 0) return undefined;
		}
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

	private keyOf(instance: PageInstance, { role, site }: ResolvedSite, screen: ScreenKind): string {
		const seeing = seeingWord({ role, trial: site.settings.trial });
		// A state stands at an address that a route may have, too.
		const name = layerName(instance.page);
		return `${name} ${instance.address} ${seeing} ${screen.height} ${screen.scrollbar}`;
	}

	/** A page with what has been measured of it. */
	pageOf(instance: PageInstance, seen: ResolvedSite, screen: ScreenKind): MeasuredPage {
		const { site } = seen;
		const key = this.keyOf(instance, seen, screen);
		const known = this.pages.get(key);
		if (known && known.seen.site === site) return known.measured;
		const measured = new MeasuredPage(instance, seen, this.year, screen, this.store);
		this.pages.delete(key);
		this.pages.set(key, { seen, measured });
		const [oldest] = this.pages.keys();
		if (this.pages.size > mostPages && oldest !== undefined) this.pages.delete(oldest);
		return measured;
	}
}

function* laying(page: MeasuredPage, width: number, scrolled: number): Settling<Settled> {
	const boxes = yield* page.at(width);
	return { boxes: scrolled > 0 ? page.scrolledAt(width, { px: scrolled, in: undefined }) : boxes };
}

function* measuring(page: MeasuredPage, widths: readonly number[]): Settling<Settled> {
	yield* page.atAll(widths);
	return {};
}

function* sweeping(
	page: MeasuredPage,
	instance: PageInstance,
	seen: ResolvedSite
): Settling<Settled> {
	const sweep = yield* page.between(sweepFrom, sweepTo);
	const { settings } = seen.site;
	const marks = layoutMarks(seen.structure);
	const resolved = seen.page(instance.page);
	return {
		sweep: sweepView(sweep, resolved, settings, marks, (width) => page.leastWidthsAt(width))
	};
}

function* fitting(
	page: MeasuredPage,
	{ site }: ResolvedSite,
	onLaid: (boxes: LaidBoxes) => void
): Settling<Settled> {
	const boxes = yield* settleBoxes(page);
	onLaid(boxes);
	return { misfits: misfitsIn(boxes, site.settings.dir === 'rtl') };
}

function* scrolling(
	page: MeasuredPage,
	instance: PageInstance,
	seen: ResolvedSite,
	screen: { readonly width: number; readonly height: number },
	within: ScrollerName | undefined
): Settling<Settled> {
	yield* page.at(screen.width);
	const { bands, trial } = seen.site.settings;
	const marks = layoutMarks(seen.structure);
	const at = (px: number): readonly PlacedBox[] =>
		page.scrolledAt(screen.width, { px, in: within });
	const viewing = scrollView(seen.page(instance.page), bands, marks, screen, within, trial, at);
	return { scroll: yield* inTurns(viewing) };
}

function* rooming(
	page: MeasuredPage,
	instance: PageInstance,
	seen: ResolvedSite
): Settling<Settled> {
	yield* page.between(sweepFrom, sweepTo);
	const { bands } = seen.site.settings;
	const lines = roomLines(seen.page(instance.page), bands, (width, height, px) =>
		page.scrolledAt(width, { px, in: undefined }, height)
	);
	return { room: yield* inTurns(lines) };
}

/** Work in steps, with an empty question between two: it gives others their turn. */
function* inTurns<T>(work: Generator<undefined, T>): Settling<T> {
	let step = work.next();
	let since = performance.now();
	while (!step.done) {
		if (performance.now() - since > mostAtOnce) {
			yield [];
			since = performance.now();
		}
		step = work.next();
	}
	return step.value;
}

function* jumping(page: MeasuredPage): Settling<Settled> {
	return { jumps: jumpWidths(yield* page.between(sweepFrom, sweepTo)) };
}
