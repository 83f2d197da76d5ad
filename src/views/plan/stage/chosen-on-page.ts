import { isPieceRef } from '$core/model/command.ts';
import type { BoxView } from '$core/view-models/chosen/box-view.ts';
import type { NodeView } from '$core/view-models/markup/outline-view.ts';
import { numbered, partsOf, rectOf } from '$browser/dom.ts';
import { drawerState } from '$browser/drawers.ts';
import type { Rect } from '$browser/labels.ts';

/** Where what is chosen stands on the page of the stage. */

/** What repeats in a list is outlined so many times at most. */
const mostRects = 50;

/** Where something in the markup of a piece is shown, px of the page as it is scrolled. */
export function rectsOfNode(inner: Document, view: NodeView | undefined): Rect[] {
	const body = partsOf(inner)?.body;
	return (view?.shown ?? []).slice(0, mostRects).flatMap((number) => {
		const found = body && numbered(body, number);
		return found ? [rectOf(found)] : [];
	});
}

/** A region that is a drawer at the width of the page, and how it stands. */
export interface ChosenDrawer {
	readonly layout: string;
	readonly region: string;
	readonly state: 'open' | 'shut';
}

/** The chosen region, where it is a drawer. */
export function chosenDrawer(inner: Document, view: BoxView | undefined): ChosenDrawer | undefined {
	const ref = view?.ref;
	if (!ref || isPieceRef(ref) || ref.box === undefined) return undefined;
	const { layout, box: region } = ref;
	const state = drawerState(inner, layout, region);
	return state && { layout, region, state };
}
