import type { SettingsAt } from '../../model/setting.ts';
import { isZero } from '../../size/sums.ts';
import type { Declarations } from '../declarations.ts';
import { acrossLines, everyBox, type SettingDefinition } from '../definition.ts';
import { takeSizes } from '../words.ts';

export const border: SettingDefinition<'border'> = {
	kind: 'border',
	on: everyBox,
	form: 'LENGTH [LENGTH [LENGTH [LENGTH]]]',
	says: 'lines at the edges, as wide as in CSS border-width; their colour is up to the style',
	called: 'The border',
	first: '1px',
	inStyles: /^border(-(block|inline|top|right|bottom|left)(-(start|end))?)?(-width|-style)?$/,
	read: (words) => takeSizes(words, border.called, 4),
	sizes: (value) => value.map((size) => acrossLines(size)),
	declare: ({ settings }) => declareBorder(settings)
};

/** A solid line at each edge that has a width; colour is what a style says, else that of the text. */
export function declareBorder({ border: sizes = [] }: SettingsAt): Declarations {
	const [top = '0', end = top, bottom = top, start = end] = sizes;
	if ([top, end, bottom, start].every(isZero)) return {};
	return {
		'border-style': 'solid',
		'border-block-width': { start: top, end: bottom },
		'border-inline-width': { start, end }
	};
}
