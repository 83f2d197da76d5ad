import { scrolls as ways, type SettingsAt } from '../../model/setting.ts';
import { holders, type SettingDefinition } from '../definition.ts';
import { edgeOf } from '../member/stick.ts';
import { hasBoundedHeight } from './height.ts';

export const scroll: SettingDefinition<'scroll'> = {
	kind: 'scroll',
	on: holders,
	form: 'page | own',
	says: '"own": it scrolls by itself',
	called: 'The way to scroll',
	first: 'own',
	inStyles: /^overflow/,
	read: (words) => words.takeChoice('way to scroll', ways),
	declare(placed, value) {
		if (value !== 'own') return {};
		const edge = edgeOf(placed.settings);
		if (!edge || hasBoundedHeight(placed.settings) || placed.kind === 'layout') {
			return { overflow: 'auto' };
		}
		// What sticks reaches from where it sticks to the other end of the screen.
		const offset = placed.stuckAt(edge);
		return {
			'max-height': offset === '0' ? '100dvh' : `calc(100dvh - ${offset})`,
			overflow: 'auto'
		};
	}
};

/** Whether what is in a box moves within it, not with the page. */
export function scrolls({ scroll: way, show }: SettingsAt): boolean {
	return way === 'own' || show?.kind === 'strip';
}
