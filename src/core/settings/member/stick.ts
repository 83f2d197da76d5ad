import { stickEdges, type SettingsAt } from '../../model/setting.ts';
import type { Declarations } from '../declarations.ts';
import { members, type SettingDefinition } from '../definition.ts';
import type { Edge, Placed } from '../placed.ts';
import { isApart } from './show.ts';

export const stick: SettingDefinition<'stick'> = {
	kind: 'stick',
	on: members,
	form: 'top | bottom | none',
	says: 'keeps to the top or bottom as one scrolls',
	called: 'The edge to stick to',
	first: 'top',
	inStyles: /^(position|inset|top|bottom|left|right)/,
	read: (words) => words.takeChoice('edge to stick to', stickEdges),
	declare: declareStuck
};

/** The edge a box keeps to; what shrinks as one scrolls keeps to the top. */
export function edgeOf(settings: SettingsAt): Edge | undefined {
	if (isApart(settings)) return undefined;
	if (settings.stick === 'top' || settings.stick === 'bottom') return settings.stick;
	return shrinkOf(settings) ? 'top' : undefined;
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
		'z-index': 'var(--stuck)',
		...(sideways && { 'align-self': edge === 'top' ? 'start' : 'end' })
	};
}
