import type { ArrangementDefinition } from './definition.ts';

/** One line that scrolls sideways: what `show strip` makes of a box. */
export const strip: ArrangementDefinition<{ readonly kind: 'strip' }> = {
	declare: (_, gap) => ({ display: 'flex', overflow: 'auto hidden', ...(gap && { gap }) }),
	declareAny: () => ({ flex: 'none' }),
	declareMember: () => ({ flex: 'none' }),
	isAbove: () => false
};
