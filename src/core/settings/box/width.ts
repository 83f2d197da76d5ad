import { alongLines, everyBox, type SettingDefinition } from '../definition.ts';

export const width: SettingDefinition<'width'> = {
	kind: 'width',
	on: everyBox,
	form: 'WIDTH | auto | min-content | max-content | fit-content',
	says: 'a CSS width',
	called: 'The width',
	inStyles: /^(width|inline-size)$/,
	read: (words) => words.takeRest(width.called)?.text,
	sizes: (value) => [alongLines(value, ['auto', 'min-content', 'max-content', 'fit-content'])],
	declare: (_, value) => (value === 'auto' ? {} : { width: value })
};
