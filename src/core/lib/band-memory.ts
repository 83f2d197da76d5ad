interface Known<V> {
	readonly bands: object;
	readonly at: Map<number, V>;
}

/**
 * What some list of a site comes to in each of its bands: a page is laid out at hundreds of widths, and each box asks
 * at each of them. It is worked out anew for other bands, and forgotten with its list.
 */
export class BandMemory<K extends object, V> {
	private readonly known = new WeakMap<K, Known<V>>();

	/** `band` is the place of a band among `bands`. */
	get(list: K, bands: object, band: number, make: () => V): V {
		let known = this.known.get(list);
		if (known?.bands !== bands) {
			known = { bands, at: new Map() };
			this.known.set(list, known);
		}
		let value = known.at.get(band);
		if (value === undefined) known.at.set(band, (value = make()));
		return value;
	}
}
