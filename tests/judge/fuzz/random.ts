/** Random choices that are the same for the same seed (xorshift, Marsaglia 2003). */
export class Random {
	private state: number;

	constructor(seed: number) {
		this.state = (seed * 2_654_435_761) >>> 0 || 1;
		for (let i = 0; i < 8; i++) this.next();
	}

	/** A whole number from 0 to below `most`. */
	below(most: number): number {
		return most <= 0 ? 0 : this.next() % most;
	}

	of<T>(list: readonly T[]): T {
		const found = list[this.below(list.length)];
		if (found === undefined) throw new RangeError('There is nothing to choose from.');
		return found;
	}

	/** One of a list, or nothing. */
	maybe<T>(list: readonly T[]): T | undefined {
		return this.once(list.length + 1) ? undefined : this.of(list);
	}

	/** True once in `times`. */
	once(times: number): boolean {
		return this.below(times) === 0;
	}

	private next(): number {
		let { state } = this;
		state ^= state << 13;
		state ^= state >>> 17;
		state ^= state << 5;
		this.state = state >>> 0;
		return this.state;
	}
}
