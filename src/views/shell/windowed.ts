/** Which rows of a long list are there to be seen, and how much room the others take. */
export interface Windowed {
	readonly from: number;
	/** Exclusive. */
	readonly to: number;
	/** px */
	readonly before: number;
	/** px */
	readonly after: number;
}

/** Rows beyond what is seen that are drawn too. */
const spare = 20;

export function windowed(
	count: number,
	rowHeight: number,
	scrolled: number,
	height: number
): Windowed {
	// A list that has become shorter may be scrolled further than it goes, until the browser scrolls it back.
	const from = Math.min(count, Math.max(0, Math.floor(scrolled / rowHeight) - spare));
	const to = Math.min(count, Math.ceil((scrolled + height) / rowHeight) + spare);
	return { from, to, before: from * rowHeight, after: (count - to) * rowHeight };
}
