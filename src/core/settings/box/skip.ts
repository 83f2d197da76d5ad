import type { SettingDefinition } from '../definition.ts';

/** The text of a link to the slot, for those who go through a page by keyboard. It is there at every width. */
export const skip: SettingDefinition<'skip'> = {
	kind: 'skip',
	on: ['layout'],
	form: '"Skip to the content"',
	says: 'a link to its slot, for those who use a keyboard',
	called: 'The skip link',
	first: '"Skip to the content"',
	everywhere: true,
	read: (words) => words.takeText(skip.called)
};
