/** What comes of some work that is done in steps, without a rest between them. */
export function finished<T>(work: Generator<unknown, T>): T {
	for (;;) {
		const step = work.next();
		if (step.done) return step.value;
	}
}
