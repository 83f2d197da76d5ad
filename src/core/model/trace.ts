/** What a box on a page is: a layer, a region of it or a piece it brought. Leads from text to page and back. */
export interface Trace {
	readonly kind: 'layout' | 'route' | 'state';
	readonly layer: string;
	readonly region: string | undefined;
	readonly piece: string | undefined;
}

export function sameTrace(a: Trace, b: Trace): boolean {
	return a.kind === b.kind && a.layer === b.layer && a.region === b.region && a.piece === b.piece;
}
