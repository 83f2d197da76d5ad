import type { SettingsAt } from '../../model/setting.ts';
import { isZero, negative, sumOf } from '../../size/sums.ts';
import { acrossLines, members, type SettingDefinition } from '../definition.ts';
import { marginSides } from './margin.ts';
import { edgeOf } from './stick.ts';

/** Whether what follows rides up over a box. */
export function isOverlapped({ overlap: said }: SettingsAt): boolean {
	return said !== undefined && !isZero(said);
}

export const overlap: SettingDefinition<'overlap'> = {
	kind: 'overlap',
	on: members,
	form: 'LENGTH',
	says: 'how far what follows rides up over it, also where it sticks',
	called: 'The overlap',
	inStyles: /^(position|inset|top|bottom|left|right)/,
	read: (words) => words.takeRest(overlap.called)?.text,
	sizes: (value) => [acrossLines(value)],
	declare({ settings }, value) {
		if (isZero(value)) return {};
		// What follows is drawn over it, also where it keeps to an edge: then it is scrolled over.
		const { bottom } = marginSides(settings.margin ?? []);
		const end = isZero(bottom) ? negative(value) : sumOf([bottom, negative(value)]);
		const under = { 'margin-block-end': end, 'z-index': 'var(--under)' };
		return edgeOf(settings) ? under : { ...under, position: 'relative' };
	}
};
