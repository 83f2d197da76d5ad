import type { PageHtml, PageRequest, PlaceView } from '../messages.ts';
import type { Jump } from '$core/sweep/jump-words.ts';
import type { MendIdea } from '$core/sweep/mend-idea.ts';
import { mendIdeas } from '$core/sweep/mends.ts';
import type { Misfit } from '$core/check/fit/misfits.ts';
import { isSound } from '$core/check/checked-site.ts';
import { changedLines, type ChangedLines } from '$core/edit/changed-lines.ts';
import { stageHtml } from '$core/emit/stage.ts';
import type { Answers as Measured } from '$core/measure/asks.ts';
import { becauseOf } from '$core/measure/because.ts';
import type { ScrollerName } from '$core/geometry/page.ts';
import type { Command } from '$core/model/command.ts';
import { frameMoves } from '$core/author-styles/frame-moves.ts';
import type { ScreenKind } from '$core/laid/laid-page.ts';
import type { Settlings, SettleStep } from '../settling.ts';
import { settledIn, type OpenSite } from './open-site.ts';

/** What is worked out of pages from their computed boxes. What has to be measured for it is asked of whoever has a frame. */
export class Boxes {
	constructor(
		private readonly site: OpenSite,
		private readonly settlings: Settlings
	) {}

	/** The boxes of a page on a screen, scrolled by some px, as soon as what is in them has been measured; undefined where it is gone. */
	at(
		request: PageRequest,
		width: number,
		screen: ScreenKind,
		scrolled = 0
	): SettleStep | undefined {
		return this.site.settled(request, (...of) =>
			this.settlings.boxesAt(...of, width, screen, scrolled)
		);
	}

	/** Measures what a page needs on some screens, so that its boxes are known at once when they are asked for. */
	measure(
		request: PageRequest,
		widths: readonly number[],
		screen: ScreenKind
	): SettleStep | undefined {
		return this.site.settled(request, (...of) => this.settlings.measure(...of, widths, screen));
	}

	/** Widths at which a box of a page jumps, likewise. */
	jumps(request: PageRequest, screen: ScreenKind): SettleStep | undefined {
		return this.site.settled(request, (...of) => this.settlings.jumps(...of, screen));
	}

	/** Goes on with a calculation that asked for something; undefined where nothing is known of it any more. */
	settleOn(id: number, answers: Measured): SettleStep | undefined {
		return this.settlings.goOn(id, answers);
	}

	/** A page as the stage would show it, to be measured. */
	stageOf(request: PageRequest): PageHtml | undefined {
		return this.site.settled(request, (instance, seen) => ({
			html: stageHtml(instance, seen, this.site.assetUrls, this.site.year),
			address: instance.address
		}));
	}

	/** What a page does over all widths, as soon as its content is measured. */
	sweep(request: PageRequest, screen: ScreenKind): SettleStep | undefined {
		return this.site.settled(request, (...of) => this.settlings.sweep(...of, screen));
	}

	/** What scrolling does on a page at a width, likewise. */
	scroll(
		request: PageRequest,
		width: number,
		screen: ScreenKind,
		within: ScrollerName | undefined
	): SettleStep | undefined {
		return this.site.settled(request, (...of) =>
			this.settlings.scroll(...of, width, screen, within)
		);
	}

	/** How much of screens of several heights is left for the content of a page, likewise. */
	room(request: PageRequest, screen: ScreenKind): SettleStep | undefined {
		return this.site.settled(request, (...of) => this.settlings.room(...of, screen));
	}

	/** What of a page does not fit, at any width, likewise. */
	misfits(request: PageRequest, screen: ScreenKind): SettleStep | undefined {
		return this.site.settled(request, (...of) => this.settlings.misfits(...of, screen));
	}

	/** What might make something fit; whether it does is worked out by `mendSweep`. */
	mendIdeas(request: PageRequest, misfit: Misfit, jumps: readonly Jump[]): MendIdea[] {
		const ideas = this.site.settled(request, (instance, seen) =>
			mendIdeas(misfit, seen.page(instance.page), seen.site, jumps)
		);
		return ideas ?? [];
	}

	/** A page as a request would make it, to be measured, and the lines that it changes; undefined where it is refused. */
	mendStage(mend: Command, request: PageRequest): MendStage | undefined {
		const { proposal, after } = this.site.prepareOnce(mend);
		if (proposal.kind === 'refused' || !after || !isSound(after)) return undefined;
		const stage = settledIn(after, request, (instance, seen) => ({
			html: stageHtml(instance, seen, this.site.assetUrls, this.site.year),
			address: instance.address
		}));
		return stage && { ...stage, lines: changedLines(this.site.files, proposal.changes) };
	}

	/** What it would do over all widths. */
	mendSweep(mend: Command, request: PageRequest, screen: ScreenKind): SettleStep | undefined {
		const { after } = this.site.prepareOnce(mend);
		return after && settledIn(after, request, (...of) => this.settlings.sweep(...of, screen));
	}

	/** Which rule of a style moves boxes that are not where they were computed; boxes by their words. */
	styleBehind(
		request: PageRequest,
		words: readonly string[]
	): { readonly words: string; readonly place: PlaceView | undefined } | undefined {
		const moves = this.site.settled(request, (instance, seen) =>
			frameMoves(instance, seen, this.site.year)
		);
		const because = moves && becauseOf(words, moves);
		return because && { words: because.words, place: this.site.placeView(because.span) };
	}
}

/** A page as an edit would make it, and the lines of the text that the edit changes. */
export interface MendStage {
	readonly html: string;
	readonly address: string;
	readonly lines: readonly ChangedLines[];
}
