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
export function isMarked(attribute: (name: string) => string | undefined): boolean {
	return layerMarks.some((mark) => attribute(mark) !== undefined);
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
