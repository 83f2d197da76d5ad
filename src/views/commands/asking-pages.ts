import { forEach, type Command, type LayerRef } from '$core/model/command.ts';
import { movedBelow } from '$core/view-models/chosen/many-layers.ts';
import { ask } from '$store/ways/ask.svelte.ts';
import { commands } from '$store/commands.svelte.ts';
import { choice } from '../plan/choice.svelte.ts';
import { leftBehind, redirect } from './asking.ts';

/** What is done with several pages at once. */

export function removePages(pages: readonly LayerRef[]): Command {
	return forEach(pages, 'remove', ({ kind, name }): Command =>
		kind === 'state' ? { kind: 'remove-state', name } : { kind: 'remove-route', pattern: name }
	);
}

export function askMovePages(pages: readonly LayerRef[]): void {
	ask.question = {
		title: `Move ${pages.length} pages`,
		says: 'What lies below them moves along, and links to them are changed.',
		fields: [{ label: 'Below', value: '/', mono: true }, leftBehind],
		act: 'Move them',
		async answer([parent = '/', left = '']) {
			const leaveBehind = left === redirect;
			const moves = movedBelow(pages, parent);
			if (moves.length === 0) return 'States stand where they are: only routes can be moved.';
			const sentence = await commands.attempt(
				forEach(moves, `below ${parent}`, (move): Command => ({
					kind: 'move-route',
					...move,
					leaveBehind
				}))
			);
			if (sentence === undefined) {
				choice.pickPages(moves.map(({ to }) => ({ kind: 'route', name: to })));
			}
			return sentence;
		}
	};
}
