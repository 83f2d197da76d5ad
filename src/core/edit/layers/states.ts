import { layerName, type StateKind } from '../../model/site.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findLayer } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { checkPattern } from './layouts.ts';

/** What a visitor reads there until someone writes it better. */
const words: Readonly<Record<StateKind, { readonly title: string; readonly says: string }>> = {
	'not-found': {
		title: 'Not found',
		says: 'There is no page at this address. <a href="/">Go to the beginning</a>.'
	},
	denied: {
		title: 'Not for you',
		says: 'This page is not open to you. <a href="/">Go to the beginning</a>.'
	},
	failed: {
		title: 'Something failed',
		says: 'This page could not be made. <a href="/">Go to the beginning</a>, or try again later.'
	},
	loading: { title: 'Loading', says: 'This page is on its way.' }
};

/** Writes a state for a route and all below it, with a title and a first piece, behind the other states. */
export function addState(
	resolved: ResolvedSite,
	surgery: Surgery,
	state: StateKind,
	text: string
): void {
	const at = checkPattern(text);
	const { states, routes } = resolved.site;
	const other = states.find((one) => one.state.text === state && one.at.key === at.key);
	if (other) throw new CommandRefused(`There is ${layerName(other)} already.`, other.span);
	const behind = states.at(-1) ?? routes.at(-1);
	if (!behind) throw new CommandRefused('The site has no route that a state could stand for.');
	const { title, says } = words[state];
	surgery.insertAfter(behind.span, [
		`state ${state} at ${at.text} {`,
		`  title "${title}"`,
		'  piece body """',
		`    <h1>${title}</h1>`,
		`    <p>${says}</p>`,
		'  """',
		'}'
	]);
}

export function removeState(resolved: ResolvedSite, surgery: Surgery, name: string): void {
	surgery.remove(findLayer(resolved, { kind: 'state', name }).span);
}
