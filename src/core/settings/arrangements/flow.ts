import type { ArrangementDefinition } from './definition.ts';

/** Nothing is arranged: one below the other. */
export const flow: ArrangementDefinition<{ readonly kind: 'flow' }> = {
	declare: () => ({}),
	declareAny: () => ({}),
	declareMember: () => ({}),
	isAbove: (_, one, other) => one.index < other.index
};
