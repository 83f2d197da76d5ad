import { acrossLines, alongLines, everyBox, type SettingDefinition } from '../definition.ts';
import { takeSizes } from '../words.ts';

export const max: SettingDefinition<'max'> = {
	kind: 'max',
	on: everyBox,
	form: 'WIDTH/none [HEIGHT/none]',
	says: 'the greatest width, and maybe height',
	called: 'The greatest size',
	inStyles: /^max-/,
	read(words) {
		const [width, height] = takeSizes(words, max.called, 2) ?? [];
		return width === undefined ? undefined : { width, height };
	},
	sizes: ({ width, height }) => [
		alongLines(width, ['none']),
		...(height === undefined ? [] : [acrossLines(height, ['none'])])
	],
	declare(_, { width, height }) {
		return {
			...(width !== 'none' && { 'max-width': width }),
			...(height !== undefined && height !== 'none' && { 'max-height': height })
		};
	}
};
