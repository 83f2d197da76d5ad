import { error } from '../../messages/problem.ts';
import type { Placement, SettingsAt } from '../../model/setting.ts';
import { members, type Need, type SettingDefinition } from '../definition.ts';
import { takesLeft } from './margin.ts';
import { edgeOf, shrinkOf } from './stick.ts';
import type { Inside, Placed } from '../placed.ts';

/** More than any picture is wider than high, or higher than wide. */
const mostRatio = 1000;

const needs: Need = {
	said: 'its height is set, bounded or stretched, or its width comes from its content',
	isWhole: true,
	met(inside, own) {
		const stretched = own['place-self']?.align === 'stretch' && inside.kind !== 'stack';
		const sized = inside.kind === 'stack' && own.size !== undefined && own.size.kind !== 'hug';
		return hasFreeHeight(own) && !stretched && !sized && hasGivenWidth(inside, own);
	}
};

/** The height follows the width, and is at least what the content needs. */
export const aspect: SettingDefinition<'aspect'> = {
	kind: 'aspect',
	on: members,
	form: 'RATIO | auto',
	says: 'the height follows the width',
	called: 'The ratio of width to height',
	first: '16 / 9',
	needs,
	inStyles: /^aspect-ratio$/,
	read(words) {
		const rest = words.takeRest(aspect.called);
		if (!rest || rest.text === 'auto') return rest && 'auto';
		const [, width, height = '1'] = /^([\d.]+)(?:\s*\/\s*([\d.]+))?$/.exec(rest.text) ?? [];
		const ratio = { width: Number(width), height: Number(height) };
		const share = ratio.width / ratio.height;
		return share >= 1 / mostRatio && share <= mostRatio
			? ratio
			: words.refuse(error('aspect-invalid', rest.span, rest.text));
	},
	declare(placed, value) {
		const { settings, around } = placed;
		const inside: Inside = around?.inside ?? { kind: 'flow' };
		if (value === 'auto' || !needs.met(inside, settings, placed.kind)) return {};
		return { 'aspect-ratio': value, ...keptIn(placed) };
	}
};

/** Nothing sets or bounds the height. */
function hasFreeHeight(own: SettingsAt): boolean {
	const { height, min, max } = own;
	const bounded = [min?.height, max?.height].some(
		(bound) => bound !== undefined && bound !== 'auto' && bound !== 'none'
	);
	// What sticks and scrolls by itself is no taller than the screen.
	const ends = own.scroll === 'own' && edgeOf(own) !== undefined;
	return (height === undefined || height === 'auto') && !bounded && !ends && !shrinkOf(own);
}

/**
 * The width does not come from the content. Where it does, browsers take the content's height into
 * account for it (CSS Box Sizing 4, section 5.2), and the two go round in a circle.
 */
function hasGivenWidth(inside: Inside, own: SettingsAt): boolean {
	const { width = 'auto', size } = own;
	if (width !== 'auto') return !['min-content', 'max-content', 'fit-content'].includes(width);
	if (takesLeft(own)) return false;
	const { align = 'auto', justify = 'auto' } = own['place-self'] ?? {};
	switch (inside.kind) {
		case 'flow':
			return true;
		case 'strip':
			return false;
		case 'row':
			return size !== undefined && size.kind !== 'hug';
		case 'stack':
			return (align === 'auto' ? inside.align : align) === 'stretch';
		case 'areas':
			return isStretched(justify) && !sizedByContent(inside.columns?.text ?? 'auto');
		case 'columns':
			return isStretched(justify) && !sizedByContent(inside.sizes?.text ?? '');
	}
}

function isStretched(justify: Placement): boolean {
	return justify === 'auto' || justify === 'stretch';
}

/** Whether what lies in columns has a say in how wide some of them are (CSS Grid Layout 2, section 7.2). */
function sizedByContent(columns: string): boolean {
	return /\bauto\b(?!-fi)|content/.test(columns);
}

/** What keeps the arrangement around it from stretching or shrinking its height. */
function keptIn({ settings, around }: Placed): ReturnType<NonNullable<typeof aspect.declare>> {
	switch (around?.inside.kind) {
		case 'areas':
		case 'columns':
		case 'row': {
			const align = settings['place-self']?.align ?? 'auto';
			return align === 'auto' ? { 'align-self': 'start' } : {};
		}
		case 'stack':
			return { flex: 'none' };
		default:
			return {};
	}
}
