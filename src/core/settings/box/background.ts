import type { SettingsAt } from '../../model/setting.ts';
import type { Declarations } from '../declarations.ts';
import { everyBox, type SettingDefinition } from '../definition.ts';

export const background: SettingDefinition<'background'> = {
	kind: 'background',
	on: everyBox,
	form: 'COLOUR/none',
	says: 'what the box is painted with; a style that paints it has the last word',
	called: 'The background',
	first: 'Canvas',
	read: (words) => words.takeRest(background.called)?.text.trim(),
	colours: (value) => (value === 'none' ? [] : [value]),
	declare: ({ settings }) => declareBackground(settings)
};

export function declareBackground({ background: colour }: SettingsAt): Declarations {
	if (colour === undefined) return {};
	return { 'background-color': colour === 'none' ? 'transparent' : colour };
}
