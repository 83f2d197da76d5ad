import type { Layout } from '../model/site.ts';
import { isDrawer } from '../resolve/boxes/drawers.ts';
import type { CssValues, Declarations } from '../settings/declarations.ts';
import type { Box } from './frame.ts';

/** What changes of a box on paper: properties that it has no more, and what it is declared as. */
export interface OnPaper {
	readonly lost: readonly (keyof CssValues)[];
	readonly said: Declarations;
}

/**
 * A layout on paper: one box below the other, the head first and then what the page is about; nothing keeps to
 * an edge, nothing is cut off or slides in, and there are no buttons for what slides in.
 */
export function onPaper(box: Box, layout: Layout): OnPaper {
	if (box.kind === 'layout') return isStacked(layout) ? stacked : unchanged;
	if (box.kind === 'opener') return { lost: [], said: { display: 'none' } };
	if (box.kind === 'piece') return unchanged;
	const isMember = box.parent?.kind === 'layout' && isStacked(layout);
	// Where it stood in its row is no place in a column.
	const lost = [...(isMember ? placed : []), ...(isStill(box) ? released : [])];
	const order = isMember ? placeOf(box, layout) : 0;
	return { lost, said: order === 0 ? {} : { order } };
}

/** What a box comes to with that. A drawer that is closed is not there, on paper or not. */
export function declaredOnPaper(own: Declarations, { lost, said }: OnPaper): Declarations {
	if (own.position === 'fixed') return own;
	const kept: Declarations = { ...own, ...said };
	return Object.assign({}, kept, Object.fromEntries(lost.map((name) => [name, undefined])));
}

/** The drawers of a layout, whose buttons are not printed. */
export function drawersOf({ regions }: Layout): string[] {
	return regions.filter(isDrawer).map(({ name }) => name.text);
}

const unchanged: OnPaper = { lost: [], said: {} };
const stacked: OnPaper = {
	lost: ['flex-wrap', 'align-items', 'justify-content', 'height', 'min-height', 'overflow'],
	said: { display: 'flex', 'flex-direction': 'column' }
};
const placed = ['align-self'] as const;
const released = ['position', 'height', 'max-height', 'overflow'] as const;

/** What arranges nothing stands one below the other anyway. */
function isStacked({ arrangements }: Layout): boolean {
	return arrangements.length > 0;
}

/** On a screen it sticks, or scrolls by itself, in some band. */
function isStill({ settings }: Box): boolean {
	return settings.some(
		({ kind }) => kind === 'stick' || kind === 'shrink' || kind === 'scroll' || kind === 'show'
	);
}

/** The head stands first, then what the page is about. */
function placeOf(box: Box, layout: Layout): number {
	const region = layout.regions.find(({ name }) => name.text === box.name);
	if (region?.element.text === 'header') return -2;
	return box.holdsSlot ? -1 : 0;
}
