import type { OverlayBox } from '$core/view-models/overlay.ts';
import { elementAt, elementsNamed, isInside, partsOf, rectOf, rectsOfWords } from './dom.ts';
import { elementOfTrace } from './frame.ts';

/** Where the name of a box stands, px of the page, and whether its size has room beside it. */
export interface LabelPlace {
	readonly x: number;
	readonly y: number;
	readonly roomy: boolean;
}

/** px of the screen, for the face that names are set in. */
const letter = 5.5;
const lineHeight = 11;
/** Texts of a box that are looked at; a box with more has its first words at the top all the same. */
const mostTexts = 60;
const mostWords = 400;

/**
 * Finds for each box a corner in which its name covers no words or pictures, and where nothing else of
 * the page lies over it, such as an open drawer; undefined where there is none.
 */
export function placeLabels(
	inner: Document,
	boxes: readonly OverlayBox[],
	scale: number
): (LabelPlace | undefined)[] {
	const placed: Rect[] = [];
	return boxes.map((box) => {
		const found = placeLabel(inner, box, scale, placed);
		if (found) placed.push(found.rect);
		return found?.place;
	});
}

/** Words and pictures of a page that nothing should be written over; of a long page, those at its top. */
export function wordsOfPage(inner: Document): Rect[] {
	const body = partsOf(inner)?.body;
	if (!body) return [];
	const { rects } = rectsOfWords(body, mostWords);
	return [...rects, ...elementsNamed(body, pictures).map(rectOf)];
}

/** The first of some places that covers none of the words; the first of all where each does. */
export function freeSpot<T extends Rect>(
	places: readonly T[],
	words: readonly Rect[],
	controls: readonly Rect[] = []
): T | undefined {
	const isFree = (place: Rect, of: readonly Rect[]): boolean =>
		!of.some((one) => meets(one, place));
	const clear = places.filter((place) => isFree(place, controls));
	return clear.find((place) => isFree(place, words)) ?? clear[0] ?? places[0];
}

export interface Rect {
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
}

/** `placed` are names that stand already. */
function placeLabel(
	inner: Document,
	box: OverlayBox,
	scale: number,
	placed: readonly Rect[]
): { readonly place: LabelPlace; readonly rect: Rect } | undefined {
	const height = lineHeight / scale;
	const short = ((box.name.length + 1) * letter) / scale;
	const long = ((box.name.length + box.size.length + 2) * letter) / scale;
	const element = elementOfTrace(inner, box.trace);
	if (!element || box.width < short || box.height < height) return undefined;
	const { rects: words, whole } = rectsOfWords(element, mostTexts);
	const taken: Rect[] = [...placed, ...words, ...elementsNamed(element, pictures).map(rectOf)];
	for (const [width, roomy] of [
		[long, true],
		[short, false]
	] as const) {
		if (width > box.width) continue;
		const right = box.x + box.width - width;
		const bottom = box.y + box.height - height;
		const corners = [[box.x, box.y], [right, box.y], ...(whole ? [[right, bottom], [box.x, bottom]] : [])]; // prettier-ignore
		for (const [x = 0, y = 0] of corners) {
			const rect = { x, y, width, height };
			if (taken.some((one) => meets(one, rect))) continue;
			const top = elementAt(inner, x + width / 2, y + height / 2);
			// What cannot be seen now, being scrolled away, is not covered.
			if (top && !isInside(top, element) && !isInside(element, top)) continue;
			return { place: { x, y, roomy }, rect };
		}
	}
	return undefined;
}

const pictures = 'img, svg, video, canvas, iframe, input, button, select, textarea, hr';

/** Whether two rectangles overlap by more than the air between lines. */
function meets(one: Rect, other: Rect): boolean {
	const air = 2;
	return (
		one.x + one.width > other.x + air &&
		other.x + other.width > one.x + air &&
		one.y + one.height > other.y + air &&
		other.y + other.height > one.y + air
	);
}
