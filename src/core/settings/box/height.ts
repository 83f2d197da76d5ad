import type { SettingsAt } from '../../model/setting.ts';
import { acrossLines, everyBox, type SettingDefinition } from '../definition.ts';
import { atLeast } from './min.ts';

export const height: SettingDefinition<'height'> = {
	kind: 'height',
	on: everyBox,
	form: 'HEIGHT | screen | auto',
	says: 'a CSS height, or "screen": at least as tall as the screen',
	called: 'The height',
	inStyles: /^(height|block-size)$/,
	read: (words) => words.takeRest(height.called)?.text,
	sizes: (value) => [acrossLines(value, ['auto', 'screen'])],
	declare({ settings, scrollsInside }, value) {
		if (value === 'auto') return {};
		if (value !== 'screen') return { height: value };
		// As tall as the screen, where its regions scroll by themselves; else at least as tall.
		return scrollsInside ? { height: '100dvh' } : { 'min-height': atLeast('100dvh', settings.min) };
	}
};

/** Whether something is said that keeps a box from growing with its content; `auto` and `none` are not. */
export function hasBoundedHeight({ height: own, max }: SettingsAt): boolean {
	const isSet = own !== undefined && own !== 'auto';
	return isSet || (max?.height !== undefined && max.height !== 'none');
}
