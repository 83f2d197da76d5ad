/**
 * Remembers what was worked out from an object, for as long as the object is there and everything else
 * that it depends on is the same. Objects of the core never change, so the same one means the same.
 */
export class Memory<K extends object, V> {
	private readonly known = new WeakMap<
		K,
		{ readonly depends: readonly unknown[]; readonly value: V }
	>();

	/** What `make` gives. It is asked again only where one of `depends` is another than the last time. */
	get(key: K, depends: readonly unknown[], make: () => V): V {
		const found = this.known.get(key);
		if (found && areSame(found.depends, depends)) return found.value;
		const value = make();
		this.put(key, depends, value);
		return value;
	}

	/** What is known; undefined where nothing is, or where one of `depends` was another. */
	peek(key: K, depends: readonly unknown[]): V | undefined {
		const found = this.known.get(key);
		return found && areSame(found.depends, depends) ? found.value : undefined;
	}

	/** For what is worked out step by step, and so cannot be made at once. */
	put(key: K, depends: readonly unknown[], value: V): void {
		this.known.set(key, { depends, value });
	}
}

function areSame(one: readonly unknown[], other: readonly unknown[]): boolean {
	return one.length === other.length && one.every((item, index) => item === other[index]);
}
