import { partShift, type PartShift } from '$core/arranging/part-shift.ts';
import type { FrameElementView } from '$core/arranging/frame/frame-elements.ts';
import { numberMark } from '$core/arranging/frame/number-mark.ts';
import { nothingRead, withMore } from '$core/arranging/frame/reading.ts';
import type { ArrangingView } from '$workers/desk/arranging.ts';
import type { PageRequest } from '$workers/messages.ts';
import { readFrame } from '../../browser/arranging/frame-reading.ts';
import { shownParts } from '../../browser/arranging/shown-parts.ts';
import { commands } from '../commands.svelte.ts';
import { store } from '../site.svelte.ts';

type Proposal = Extract<ArrangingView, { kind: 'proposal' }>;

/** A frame of own markup is read in this browser, and boxes are proposed for it. */
class ArrangingFrame {
	/** The layout whose frame it is; undefined where nobody asks. */
	layout = $state<string | undefined>();
	/** The pages that it frames, and the one that is read. */
	pages = $state.raw<readonly PageRequest[]>([]);
	page = $state.raw<PageRequest | undefined>();
	/** Elements that can be chosen. */
	elements = $state.raw<readonly FrameElementView[]>([]);
	/** The element that is arranged alone, by its number; undefined: all of the frame. */
	only = $state<number | undefined>();
	/** Elements that are looked into, by their numbers. */
	opened = $state.raw<readonly number[]>([]);
	/** Widths that have been read. */
	read = $state(0);
	proposal = $state.raw<Proposal | undefined>();
	/** The greatest difference at each width that was read, the narrowest first. */
	shifts = $state.raw<readonly PartShift[]>([]);
	/** Why there is none, as a sentence. */
	refused = $state('');
	/** Counts up with each question, so that an answer that comes late is known to be old. */
	private turn = 0;
	/** Ends the reading that is going on. */
	private given = new AbortController();

	async ask(layout: string): Promise<void> {
		this.close();
		const about = await store.core.arranging.about(layout);
		this.layout = layout;
		this.elements = about?.elements ?? [];
		this.pages = about?.pages ?? [];
		const shown = store.page?.page;
		this.page = this.pages.find(({ page }) => page === shown) ?? this.pages[0];
		if (!this.page)
			this.refused = `No page sits under ${layout} yet, so there is nothing to read it from.`;
	}

	close(): void {
		this.stop();
		this.layout = this.page = this.only = undefined;
		this.pages = this.elements = this.opened = [];
	}

	lookInto(element: number, on: boolean): void {
		this.opened = on ? [...this.opened, element] : this.opened.filter((one) => one !== element);
	}

	/** Reads the page in a frame that no one sees, until it is known what to propose, and holds that against it. */
	async go(frame: HTMLIFrameElement): Promise<void> {
		const { layout, page, only, opened } = this;
		if (layout === undefined || !page) return;
		this.stop();
		const turn = this.turn;
		this.given = new AbortController();
		const { signal } = this.given;
		let reading = nothingRead;
		const isOld = (): boolean => turn !== this.turn;
		try {
			for (;;) {
				const known = await store.core.arranging.propose(layout, page, reading, only, opened);
				if (isOld()) return;
				if (!known) return this.refuse(`${layout} has no frame of its own markup any more.`);
				if (known.kind === 'refused') return this.refuse(known.why);
				if (known.kind === 'proposal') {
					const widths = reading.at.map(({ width }) => width);
					const shifts = await this.hold(frame, known, widths, signal);
					if (isOld()) return;
					if (!shifts) return this.refuse('The page could not be shown.');
					this.shifts = shifts;
					this.proposal = known;
					return;
				}
				const more = await readFrame(frame, known.page, numberMark, known.widths, signal);
				if (isOld()) return;
				if (!more) return this.refuse('The page could not be shown.');
				reading = withMore(reading, more);
				this.read = reading.at.length;
			}
		} catch (failure) {
			if (isOld()) return;
			this.refuse('This frame could not be read.');
			store.sayFailure('The frame could not be arranged', failure);
		}
	}

	/** Takes the boxes in place of the frame; one edit. */
	async take(): Promise<void> {
		const { proposal } = this;
		if (!proposal) return;
		const refused = await commands.attempt(proposal.command);
		if (refused === undefined) this.close();
		else this.refused = refused;
	}

	private async hold(
		frame: HTMLIFrameElement,
		{ before, after }: Proposal,
		widths: readonly number[],
		signal: AbortSignal
	): Promise<PartShift[] | undefined> {
		const old = await shownParts(frame, before, numberMark, widths, signal);
		const made = old && (await shownParts(frame, after, numberMark, widths, signal));
		return made && widths.map((width, at) => partShift(old[at] ?? [], made[at] ?? [], width));
	}

	private refuse(why: string): void {
		this.refused = why;
	}

	private stop(): void {
		this.turn++;
		this.given.abort();
		this.read = 0;
		this.proposal = undefined;
		this.shifts = [];
		this.refused = '';
	}
}

export const arrangingFrame = new ArrangingFrame();
