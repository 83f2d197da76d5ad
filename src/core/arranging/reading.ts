import { z } from 'zod';

/** What a browser shows of a frame: each of its parts at each width. */

/** How a box takes part in what stands around it. */
const flows = ['block', 'inline', 'float', 'item', 'away', 'sticky'] as const;

const sides = z.tuple([z.number(), z.number(), z.number(), z.number()]);

/** A part of a frame as a browser shows it; px. Sides are top, right, bottom, left. */
export const readBox = z.object({
	/** Of its border box, from the top left of the page. */
	x: z.number(),
	y: z.number(),
	width: z.number(),
	height: z.number(),
	margin: sides,
	border: sides,
	padding: sides,
	/** Margins of what is in it that reach out of it at its top and bottom (CSS 2.2, section 8.3.1). */
	out: z.tuple([z.number(), z.number()]),
	/** How deep in it the elements with those margins stand; 1: its own children. */
	depth: z.tuple([z.number(), z.number()]),
	/** It has a ground or lines of its own. */
	isPainted: z.boolean(),
	flow: z.enum(flows),
	/** What is in it stands in it as in any block: it arranges nothing, and nothing is placed in it. */
	isPlain: z.boolean(),
	/** It is a block only because of what is around it. */
	isMadeBlock: z.boolean(),
	/** What is placed in it is placed from its corners. */
	isRelative: z.boolean(),
	/** How it arranges words and what stands in lines, as CSS; undefined where it does not, or holds blocks. */
	arrangesLines: z.string().optional(),
	/** Its rows share what is left over. */
	sharesRows: z.boolean(),
	/** The least height that is said of it, as CSS; undefined where none is. */
	saidMin: z.string().optional(),
	/** Its width follows from what is in it. */
	isHug: z.boolean(),
	/** The height that is said of it, px; undefined where it follows from what is in it. */
	saidHeight: z.number().optional()
});

export type ReadBox = z.infer<typeof readBox>;

/** What is read at one width: parts by their words; what is not shown is left out. */
export const widthReading = z.object({ width: z.number(), parts: z.record(z.string(), readBox) });

export type WidthReading = z.infer<typeof widthReading>;

export const frameReading = z.object({
	/** From the narrowest to the widest. */
	at: z.array(widthReading),
	/** Widths at which a media query begins to hold, or holds no more, px. */
	edges: z.array(z.number())
});

export type FrameReading = z.infer<typeof frameReading>;

/** The word of a part: of an element, by its number; of a place among others; of text, by what is before it in its element. */
export const partWord = {
	element: (number: number): string => `e${number}`,
	place: (region: string): string => `p:${region}`,
	text: (around: number | undefined, before: number): string => `t:${around ?? 'body'}:${before}`
};

/** The page around a frame. */
export const bodyWord = 'body';
