import type { SettingDefinition } from '../definition.ts';

/** The accessible name of a region. It is an attribute, so it holds at every width. */
export const label: SettingDefinition<'label'> = {
	kind: 'label',
	on: ['region'],
	form: '"Main menu"',
	says: 'how the region is called by assistive technology',
	called: 'The label',
	everywhere: true,
	read: (words) => words.takeText(label.called)
};
