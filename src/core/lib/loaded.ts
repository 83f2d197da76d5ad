/** Something that is large and comes only when it is first asked for. */
export class Loaded<T> {
	private there: T | undefined;
	private loading: Promise<void> | undefined;

	constructor(private readonly fetch: () => Promise<T>) {}

	/** It, once it has been loaded. */
	get now(): T | undefined {
		return this.there;
	}

	/** Loads it, once; where that fails, whoever asks again tries again. */
	load(): Promise<void> {
		this.loading ??= this.fetch().then(
			(found) => void (this.there = found),
			(failure: unknown) => {
				this.loading = undefined;
				throw failure;
			}
		);
		return this.loading;
	}
}
