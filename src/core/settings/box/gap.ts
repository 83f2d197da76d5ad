import { acrossLines, holders, type SettingDefinition } from '../definition.ts';
import { takeSizes } from '../words.ts';

/** It is declared with the arrangement, whose own gap it wins over. */
export const gap: SettingDefinition<'gap'> = {
	kind: 'gap',
	on: holders,
	form: 'GAP [GAP]',
	says: 'space between what it arranges',
	called: 'The gap',
	inStyles: /^((row-|column-)?gap)$/,
	read: (words) => takeSizes(words, gap.called, 2),
	sizes: (value) => value.map((size) => acrossLines(size))
};
