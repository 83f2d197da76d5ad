import { standsAlone, type PointedAt } from '$core/pictures/picture-place.ts';
import { isElement, numberIn, parent, rectOf } from './dom.ts';

/** Where something would be put that is let go on a page now. */
export interface Pointed extends PointedAt {
	/** The edge at which it would come to stand, px of the page as it is scrolled now. */
	readonly edge: { readonly x: number; readonly y: number; readonly width: number };
}

/** The element before or behind which something would stand, by the half of it that one points at. */
export function pointedAt(inner: Document, event: MouseEvent): Pointed | undefined {
	const { target, clientY } = event;
	if (!isElement(target)) return undefined;
	let block: Element = target;
	for (let one: Element | null = target; one && one !== inner.body; one = parent(one)) {
		if (standsAlone(one.localName)) {
			block = one;
			break;
		}
	}
	const { left, top, bottom, width } = rectOf(block);
	const after = clientY > (top + bottom) / 2;
	const element = numberIn(inner.body, block);
	return { element, after, edge: { x: left, y: after ? bottom : top, width } };
}
