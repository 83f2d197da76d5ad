import type { PlacedBox } from '../../geometry/page-layout.ts';

/** Boxes by the place of the box that they are in, each list in the order in which they are laid out; the outermost are left out. */
export function siblingsIn(boxes: readonly PlacedBox[]): Map<number, PlacedBox[]> {
	const siblings = new Map<number, PlacedBox[]>();
	for (const box of boxes) {
		if (box.inside === undefined) continue;
		const list = siblings.get(box.inside);
		if (list) list.push(box);
		else siblings.set(box.inside, [box]);
	}
	return siblings;
}
