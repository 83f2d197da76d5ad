/** The `data-` attributes by which an element leads back to the text. */
export const markNames = [
	'layout', 'framed', 'route', 'state', 'space', 'region', 'wrapper', 'group', 'whole', 'piece', 'part', 'opener', 'slot'
] as const; // prettier-ignore
export type MarkName = (typeof markNames)[number];

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
