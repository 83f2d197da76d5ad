import * as z from 'zod/mini';
import { tour as steps, type TourStep } from '$core/view-models/words/tour.ts';

const key = 'long-eave tour';
const kept = z.object({ at: z.int().check(z.minimum(0), z.maximum(steps.length - 1)) });

/** How far the tour has got. It can be left and taken up at will, also another day. */
class Tour {
	/** Its strip is shown. */
	shown = $state(false);
	/** The place of the step that one is at, from 0. */
	at = $state(0);

	get step(): TourStep | undefined {
		return steps[this.at];
	}

	get isLast(): boolean {
		return this.at === steps.length - 1;
	}

	/** Begins it, or goes on where it was left. */
	take(): void {
		this.at = readAt();
		this.shown = true;
	}

	goTo(at: number): void {
		this.at = Math.max(0, Math.min(steps.length - 1, at));
		this.keep(this.at);
	}

	leave(): void {
		this.shown = false;
	}

	/** Gone through: the next time it begins anew. */
	end(): void {
		this.shown = false;
		this.keep(0);
	}

	private keep(at: number): void {
		try {
			localStorage.setItem(key, JSON.stringify({ at }));
		} catch {
			// A browser that keeps nothing begins the tour anew.
		}
	}
}

function readAt(): number {
	try {
		return kept.safeParse(JSON.parse(localStorage.getItem(key) ?? '{}')).data?.at ?? 0;
	} catch {
		return 0;
	}
}

export const tour = new Tour();
