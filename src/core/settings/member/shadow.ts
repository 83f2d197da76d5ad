import { shadows } from '../../model/setting.ts';
import { members, type SettingDefinition } from '../definition.ts';

/** How far one scrolls until a shadow that comes with scrolling is there, px. */
export const shadowRange = 24;

export const shadow: SettingDefinition<'shadow'> = {
	kind: 'shadow',
	on: members,
	form: 'none | always | scrolled',
	says: 'a shadow on what follows, or only once one has scrolled',
	called: 'The kind of shadow',
	first: 'scrolled',
	read: (words) => words.takeChoice('kind of shadow', shadows),
	// One that comes with scrolling is an animation, and written where those are.
	declare: (_, value) => (value === 'always' ? { 'box-shadow': 'var(--shadow)' } : {})
};
