import type { Extent } from '../../model/setting.ts';
import { withUnit } from '../../size/sums.ts';
import { acrossLines, alongLines, everyBox, type SettingDefinition } from '../definition.ts';
import { takeSizes } from '../words.ts';

export const min: SettingDefinition<'min'> = {
	kind: 'min',
	on: everyBox,
	form: 'WIDTH/auto [HEIGHT/auto]',
	says: 'the least width, and maybe height',
	called: 'The least size',
	inStyles: /^min-/,
	read(words) {
		const [width, height] = takeSizes(words, min.called, 2) ?? [];
		return width === undefined ? undefined : { width, height };
	},
	sizes: ({ width, height }) => [
		alongLines(width, ['auto']),
		...(height === undefined ? [] : [acrossLines(height, ['auto'])])
	],
	declare({ settings, scrollsInside }, { width, height }) {
		// Where the height is the screen's, it says the least of both.
		const byHeight = settings.height === 'screen' && !scrollsInside;
		const isSaid = height !== undefined && height !== 'auto' && !byHeight;
		return {
			...(width !== 'auto' && { 'min-width': width }),
			...(isSaid && { 'min-height': height })
		};
	}
};

/** The greater of a height and the least one that is set. */
export function atLeast(height: string, least: Extent | undefined): string {
	return least?.height === undefined || least.height === 'auto'
		? height
		: `max(${height}, ${withUnit(least.height)})`;
}
