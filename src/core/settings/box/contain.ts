import { alongLines, holders, type SettingDefinition } from '../definition.ts';
import { declarePadding } from './pad.ts';

export const contain: SettingDefinition<'contain'> = {
	kind: 'contain',
	on: holders,
	form: 'MEASURE | none',
	says: 'content is centred and no wider than this',
	called: 'The measure of the content',
	read: (words) => words.takeRest(contain.called)?.text,
	sizes: (value) => [alongLines(value, ['none'])],
	declare: ({ settings }) => declarePadding(settings)
};
