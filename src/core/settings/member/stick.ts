import { stickEdges, type SettingsAt } from '../../model/setting.ts';
import type { Declarations } from '../declarations.ts';
import { members, type SettingDefinition } from '../definition.ts';
import type { Edge, Placed } from '../placed.ts';
import { isApart } from './show.ts';

export const stick: SettingDefinition<'stick'> = {
	kind: 'stick',
	on: members,
	form: 'top/bottom [behind] | none',
	says: 'keeps to the top or bottom as one scrolls, in front of what is scrolled or behind it',
	called: 'The edge to stick to',
	first: 'top',
	inStyles: /^(position|inset|top|bottom|left|right)/,
	read(words) {
		const edge = words.takeChoice('edge to stick to', stickEdges);
		if (edge === undefined || edge === 'none') return edge;
		return words.takeWord('behind') ? `${edge} behind` : edge;
	},
	declare: declareStuck
};

/** The edge a box keeps to; what shrinks as one scrolls keeps to the top. */
export function edgeOf(settings: SettingsAt): Edge | undefined {
	if (isApart(settings)) return undefined;
	const { stick: said = 'none' } = settings;
	if (said !== 'none') return said.startsWith('top') ? 'top' : 'bottom';
	return shrinkOf(settings) ? 'top' : undefined;
}

/** Whether what is scrolled goes by over a box, not under it. */
export function isBehind(settings: SettingsAt): boolean {
	return settings.stick?.endsWith(' behind') === true && edgeOf(settings) !== undefined;
}

/** The edge at which a box covers what is scrolled. */
export function coveredEdge(settings: SettingsAt): Edge | undefined {
	return isBehind(settings) ? undefined : edgeOf(settings);
}

export function shrinkOf({ shrink }: SettingsAt): { from: string; to: string } | undefined {
	return shrink === undefined || shrink === 'none' ? undefined : shrink;
}

/** The height a box keeps while it is stuck, as a CSS length; undefined where nothing sets one. */
export function keptHeight(settings: SettingsAt): string | undefined {
	const { height } = settings;
	const shrunk = shrinkOf(settings)?.to;
	if (shrunk !== undefined) return shrunk;
	return height === undefined || height === 'auto' || height === 'screen' ? undefined : height;
}

export function declareStuck(placed: Placed): Declarations {
	const edge = edgeOf(placed.settings);
	if (!edge || !placed.around) return {};
	// A box stretched over its whole row could not move in it.
	const sideways = ['areas', 'columns', 'row'].includes(placed.around.inside.kind);
	return {
		position: 'sticky',
		[edge === 'top' ? 'inset-block-start' : 'inset-block-end']: placed.stuckAt(edge),
		'z-index': isBehind(placed.settings) ? 'var(--under)' : 'var(--stuck)',
		...(sideways && { 'align-self': edge === 'top' ? 'start' : 'end' })
	};
}
