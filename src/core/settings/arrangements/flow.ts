import type { Flow } from '../placed.ts';
import type { ArrangementDefinition } from './definition.ts';

/**
 * Nothing is arranged: one below the other. Where some keep a distance they are items of a column, whose margins do not
 * collapse (CSS Flexible Box Layout 1, section 3), and that are as tall as in a flow.
 */
export const flow: ArrangementDefinition<Flow> = {
	declare: ({ isSpaced }) => (isSpaced ? { display: 'flex', 'flex-direction': 'column' } : {}),
	declareAny: ({ isSpaced }) => (isSpaced ? { flex: 'none' } : {}),
	declareMember: (_, { inside: { isSpaced } }) => (isSpaced ? { flex: 'none' } : {}),
	isAbove: (_, one, other) => one.index < other.index
};
