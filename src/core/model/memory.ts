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
		this.known.set(key, { depends, value });
		return value;
	}
}

function areSame(one: readonly unknown[], other: readonly unknown[]): boolean {
	return one.length === other.length && one.every((item, index) => item === other[index]);
}
