/** A screen that pages are looked at on, beside others. */
export interface Column {
	/** The band that it lies in. */
	readonly name: string;
	/** px */
	readonly width: number;
}

/** px; the height of a screen where none is chosen. */
export const plainHeight = 800;

/** Sheets of paper by the width within the margins that browsers leave (10 mm), px. */
export const papers: readonly Column[] = [
	{ name: 'A5', width: 484 },
	{ name: 'A4', width: 718 },
	{ name: 'Letter', width: 740 }
];

/** A band by its name, and where it begins, px. */
interface BandStart {
	readonly name: string;
	readonly from: number;
}

/** px; the narrowest screen that is looked at where the narrowest band begins at nothing. */
const narrowest = 360;
/** px; what a site without bands is looked at on besides. */
const wide = 1280;

/**
 * A screen for each band: where it begins, which is where there is least room in it; and screens of further
 * widths, px, narrowest first.
 */
export function columnsOf(bands: readonly BandStart[], further: readonly number[] = []): Column[] {
	const starts =
		bands.length === 0 ? [narrowest, wide] : bands.map(({ from }) => Math.max(from, narrowest));
	const widths = [...new Set([...starts, ...further])].sort((a, b) => a - b);
	return widths.map((width) => ({
		name: bands.findLast(({ from }) => from <= width)?.name ?? '',
		width
	}));
}
