import type { SettingsAt } from '../../model/setting.ts';
import { isZero, withUnit } from '../../size/sums.ts';
import type { Declarations } from '../declarations.ts';
import { alongLines, everyBox, type SettingDefinition } from '../definition.ts';
import { takeSizes } from '../words.ts';

export const pad: SettingDefinition<'pad'> = {
	kind: 'pad',
	on: everyBox,
	form: 'SPACE [SPACE [SPACE [SPACE]]]',
	says: 'space inside the edges, as in CSS padding',
	called: 'The padding',
	inStyles: /^padding/,
	read: (words) => takeSizes(words, pad.called, 4),
	sizes: (value) => value.map((size) => alongLines(size)),
	declare: ({ settings }) => declarePadding(settings)
};

/** Padding, with what keeps the content to its measure: both are padding in CSS. */
export function declarePadding({ pad: sizes = [], contain }: SettingsAt): Declarations {
	const [top = '0', end = top, bottom = top, start = end] = sizes;
	const [from, to] = [contained(start, contain), contained(end, contain)];
	return {
		...((!isZero(top) || !isZero(bottom)) && { 'padding-block': { start: top, end: bottom } }),
		...((!isZero(from) || !isZero(to)) && { 'padding-inline': { start: from, end: to } })
	};
}

/** Padding that leaves the content no more than its measure, and never less than the padding itself. */
function contained(padding: string, measure: string | undefined): string {
	if (measure === undefined || measure === 'none') return padding;
	return `max(${withUnit(padding)}, (100% - ${withUnit(measure)}) / 2)`;
}
