/** The `data-` attributes by which an element leads back to the text. */
export const markNames = [
	'layout', 'framed', 'route', 'state', 'space', 'region', 'wrapper', 'group', 'whole', 'piece', 'part', 'opener', 'slot', 'among'
] as const; // prettier-ignore
export type MarkName = (typeof markNames)[number];

/** The marks of the layer that an element is of: each box of a page has one of them. */
const layerMarks = ['data-layout', 'data-route', 'data-state'] as const;

/** The elements in a page's body that carry marks, as a selector; boxes are made of them. */
export const markedElements = layerMarks.map((mark) => `body [${mark}]`).join(', ');

/** Whether an element of a body is one of these. */
export function isMarked(attribute: Attributes): boolean {
	return layerMarks.some((mark) => attribute(mark) !== undefined);
}

/** Reads an attribute of an element. */
type Attributes = (name: string) => string | undefined;

/** Whether an element goes on with the run that the element right in front of it is a part of: both are measured as one. */
export function goesOn(before: Attributes, element: Attributes): boolean {
	const isPart = (of: Attributes): boolean =>
		of('data-part') !== undefined && of('data-piece') !== undefined;
	return isPart(before) && isPart(element) && before('data-among') === element('data-among');
}

/** What a box on a page is: a layer, a region of it or a piece it brought. Leads from text to page and back. */
export interface Trace {
	readonly kind: 'layout' | 'route' | 'state';
	readonly layer: string;
	readonly region: string | undefined;
	/** A piece, or a group of pieces. */
	readonly piece: string | undefined;
}

export function sameTrace(a: Trace, b: Trace): boolean {
	return a.kind === b.kind && a.layer === b.layer && a.region === b.region && a.piece === b.piece;
}
