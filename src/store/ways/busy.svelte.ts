/** ms; what takes longer than this shows that it works. */
const noticeable = 500;

/** Whether the worker is at something that one waits for. */
class Busy {
	working = $state(false);
	private timer: ReturnType<typeof setTimeout> | undefined;

	/** Told how many questions wait for an answer. */
	waiting(count: number): void {
		if (count > 0) {
			this.timer ??= setTimeout(() => (this.working = true), noticeable);
			return;
		}
		clearTimeout(this.timer);
		this.timer = undefined;
		this.working = false;
	}
}

export const busy = new Busy();
