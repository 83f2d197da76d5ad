import { error } from '../../messages/problem.ts';
import { splitSizes } from '../../size/css-tokens.ts';
import { acrossLines, type SettingDefinition } from '../definition.ts';
import { declareStuck } from './stick.ts';

export const shrink: SettingDefinition<'shrink'> = {
	kind: 'shrink',
	on: ['wrapper', 'region'],
	form: 'LENGTH to LENGTH | none',
	says: 'a tall head gets small as one scrolls',
	called: 'What shrinks',
	first: '128px to 64px',
	read(words) {
		const rest = words.takeRest(shrink.called);
		if (!rest || rest.text === 'none') return rest && 'none';
		const [from, word, to, ...more] = splitSizes(rest.text);
		if (from !== undefined && word === 'to' && to !== undefined && more.length === 0) {
			return { from, to };
		}
		return words.refuse(error('shrink-invalid', rest.span));
	},
	sizes: (value) => (value === 'none' ? [] : [acrossLines(value.from), acrossLines(value.to)]),
	// As one scrolls it is an animation, written where those are; at rest it is as tall as at first.
	declare: (placed, value) =>
		value === 'none' ? {} : { ...declareStuck(placed), height: value.from }
};
