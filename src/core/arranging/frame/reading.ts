/** What a browser shows of a frame: each of its parts at each width. */

/** px at the top, right, bottom and left of a box. */
export type Sides = readonly [top: number, right: number, bottom: number, left: number];

/** A part of a frame as a browser shows it; px. */
export interface ReadBox {
	/** Of its border box, from the top left of the page. */
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	readonly margin: Sides;
	readonly border: Sides;
	readonly padding: Sides;
	/** Margins of what is in it that reach out of it at its top and bottom (CSS 2.2, section 8.3.1). */
	readonly out: readonly [top: number, bottom: number];
	/** How deep in it the elements with those margins stand; 1: its own children. */
	readonly depth: readonly [top: number, bottom: number];
	/** It has a ground or lines of its own. */
	readonly isPainted: boolean;
	/** How it takes part in what stands around it. */
	readonly flow: 'block' | 'inline' | 'float' | 'item' | 'away' | 'sticky';
	/** What is in it stands in it as in any block: it arranges nothing, and nothing is placed in it. */
	readonly isPlain: boolean;
	/** It is a block only because of what is around it. */
	readonly isMadeBlock: boolean;
	/** What is placed in it is placed from its corners. */
	readonly isRelative: boolean;
	/** How it arranges words and what stands in lines, as CSS; undefined where it does not, or holds blocks. */
	readonly arrangesLines?: string | undefined;
	/** Its rows share what is left over. */
	readonly sharesRows: boolean;
	/** The least height that is said of it, as CSS; undefined where none is. */
	readonly saidMin?: string | undefined;
	/** Its width follows from what is in it. */
	readonly isHug: boolean;
	/** How its words are set by what it is and not by a sheet, as CSS; undefined where another element sets them alike. */
	readonly setsWords?: string | undefined;
	/** What arranges it never makes it narrower than what is in it. */
	readonly keepsContent: boolean;
	/** The height that is said of it, px; undefined where it follows from what is in it. */
	readonly saidHeight?: number | undefined;
}

/** What is read at one width: parts by their words; what is not shown is left out. */
export interface WidthReading {
	/** Of the screen, px. */
	readonly width: number;
	readonly parts: Readonly<Partial<Record<string, ReadBox>>>;
}

export interface FrameReading {
	/** From the narrowest to the widest. */
	readonly at: readonly WidthReading[];
	/** Widths at which a media query begins to hold, or holds no more, px. */
	readonly edges: readonly number[];
	/** Lines run from right to left. */
	readonly isMirrored: boolean;
}

/** Nothing has been read yet. */
export const nothingRead: FrameReading = { at: [], edges: [], isMirrored: false };

/** What was read so far, with what was read at further widths. */
export function withMore(reading: FrameReading, more: FrameReading): FrameReading {
	return { ...more, at: [...reading.at, ...more.at].sort((a, b) => a.width - b.width) };
}

/** The word of a part: of an element, by its number; of a place among others; of text, by what is before it in its element. */
export const partWord = {
	element: (number: number): string => `e${number}`,
	place: (region: string): string => `p:${region}`,
	text: (around: number | undefined, before: number): string => `t:${around ?? 'body'}:${before}`
};

/** The page around a frame. */
export const bodyWord = 'body';
