/** What tells that someone is at work here. */
const doings = ['pointerdown', 'pointermove', 'wheel', 'keydown', 'input'] as const;

/** ms without the pointer or a key after which someone rests. */
export const restTime = 3000;

/** Whether someone is at work in this window: what nobody waits for is done once they rest. */
class Quiet {
	private last = -Infinity;

	/** Takes note of what is done from now on; gives the way to stop. */
	follow(): () => void {
		const note = (): void => this.stirred();
		note();
		for (const one of doings) addEventListener(one, note, { capture: true, passive: true });
		return () => {
			for (const one of doings) removeEventListener(one, note, { capture: true });
		};
	}

	/** Something was done, or is there to be looked at: the rest begins anew. */
	stirred(): void {
		this.last = performance.now();
	}

	/** Waits until nothing has been done for some ms; gives up with the signal. */
	async rested(ms: number, signal: AbortSignal): Promise<void> {
		for (;;) {
			const left = this.last + ms - performance.now();
			if (signal.aborted || left <= 0) return;
			await new Promise((rest) => setTimeout(rest, left));
		}
	}
}

export const quiet = new Quiet();

/** Waits until the browser has nothing else to do. */
export function idle(): Promise<void> {
	return new Promise((done) => {
		if ('requestIdleCallback' in window) requestIdleCallback(() => done(), { timeout: 2000 });
		else setTimeout(done, 50);
	});
}
