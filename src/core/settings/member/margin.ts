import type { SettingsAt } from '../../model/setting.ts';
import { splitSizes } from '../../size/css-tokens.ts';
import { isZero } from '../../size/sums.ts';
import type { Declarations } from '../declarations.ts';
import { acrossLines, members, type Need, type SettingDefinition } from '../definition.ts';
import { error } from '../../messages/problem.ts';
import type { Placed } from '../placed.ts';

/** In a region that arranges nothing, pieces stand among elements of the content, whose margins are up to them. */
const needs: Need = {
	said: 'a piece in a region that arranges nothing stands in its text, where margins are up to the text: let the region arrange',
	isWhole: true,
	met: ({ kind }, _, on) => on !== 'piece' || kind !== 'flow'
};

export const margin: SettingDefinition<'margin'> = {
	kind: 'margin',
	on: members,
	form: 'GAP [GAP/auto [GAP [GAP/auto]]]',
	says: 'space around one box, as in CSS margin; none collapses into another',
	called: 'The margin',
	needs,
	inStyles: /^margin/,
	read(words) {
		const rest = words.takeRest(margin.called);
		if (!rest) return undefined;
		const sizes = splitSizes(rest.text);
		if (sizes.length > 4) return words.refuse(error('too-many-sizes', rest.span, margin.called, 4));
		const { top, bottom } = marginSides(sizes);
		const isUpright = top === 'auto' || bottom === 'auto';
		return isUpright ? words.refuse(error('margin-auto', rest.span)) : sizes;
	},
	sizes: (value) => value.map((size) => acrossLines(size, ['auto'])),
	declare: declareMargin
};

/** The four sides of a margin, in the order of reading. */
export function marginSides(sizes: readonly string[]): {
	readonly top: string;
	readonly end: string;
	readonly bottom: string;
	readonly start: string;
} {
	const [top = '0', end = top, bottom = top, start = end] = sizes;
	return { top, end, bottom, start };
}

/** Whether a box keeps a distance above or below it, so that those beside it must not collapse into that. */
export function spacesDown({ margin: sizes }: SettingsAt): boolean {
	if (!sizes) return false;
	const { top, bottom } = marginSides(sizes);
	return !isZero(top) || !isZero(bottom);
}

/** Whether a side takes what is left, so that the box is not stretched over it. */
export function takesLeft({ margin: sizes = [] }: SettingsAt): boolean {
	const { start, end } = marginSides(sizes);
	return start === 'auto' || end === 'auto';
}

/** A side that takes what is left leaves the box as wide as it says, or as its content likes. */
function declareMargin({ kind, around, settings }: Placed, value: readonly string[]): Declarations {
	if (!around || !needs.met(around.inside, settings, kind)) return {};
	const { top, end, bottom, start } = marginSides(value);
	const { width = 'auto' } = settings;
	return {
		...(!isZero(top) && { 'margin-block-start': top }),
		...(!isZero(bottom) && { 'margin-block-end': bottom }),
		...(!isZero(start) && { 'margin-inline-start': start }),
		...(!isZero(end) && { 'margin-inline-end': end }),
		...(takesLeft(settings) &&
			around.inside.kind === 'flow' &&
			width === 'auto' && { width: 'fit-content' })
	};
}
