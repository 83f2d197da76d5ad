import { isZero, negative } from '../../size/sums.ts';
import { acrossLines, members, type SettingDefinition } from '../definition.ts';
import { edgeOf } from './stick.ts';

export const overlap: SettingDefinition<'overlap'> = {
	kind: 'overlap',
	on: members,
	form: 'LENGTH',
	says: 'how far what follows rides up over it',
	called: 'The overlap',
	inStyles: /^(position|inset|top|bottom|left|right)/,
	read: (words) => words.takeRest(overlap.called)?.text,
	sizes: (value) => [acrossLines(value)],
	declare({ settings }, value) {
		if (isZero(value)) return {};
		const margin = { 'margin-block-end': negative(value) };
		// What is stuck stays over what follows, overlapped or not.
		if (edgeOf(settings)) return margin;
		return { ...margin, position: 'relative', 'z-index': 'var(--under)' };
	}
};
