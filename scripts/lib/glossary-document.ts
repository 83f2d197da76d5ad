import { glossary } from '../../src/core/view-models/words/glossary.ts';

/** The words that are ours, as the application explains them. */
export function glossaryDocument(): string {
	return [
		'# Words that are ours',
		'',
		'As the application explains them where they stand, under `?` and in _find_. Made from `src/core/view-models/words/glossary.ts` by `npm run glossary`.',
		'',
		...glossary.map(({ word, means }) => `- **${word}**: ${means}`),
		''
	].join('\n');
}
