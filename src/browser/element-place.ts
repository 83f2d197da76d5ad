import { elementsIn, parent, partsOf } from './dom.ts';

/** The place of an element of a page: that among the elements of each element around it, from the body inward. */
export function placeIn(document: Document, element: Element): readonly number[] {
	const body = partsOf(document)?.body;
	const at: number[] = [];
	for (let one: Element | null = element; one && one !== body; one = parent(one)) {
		const around = parent(one);
		if (!around) return [];
		at.unshift(elementsIn(around).indexOf(one));
	}
	return at;
}

/** The element at such a place; undefined where there is none. */
export function elementAtPlace(document: Document, at: readonly number[]): Element | undefined {
	let element: Element | undefined = partsOf(document)?.body;
	for (const place of at) element = element && elementsIn(element)[place];
	return element;
}
