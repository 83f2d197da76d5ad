import { formatHex, type Color } from 'culori';
import { readColour } from '../size/colour.ts';
import type { JsonValue } from './design-token.ts';

/** A value as the format has it, with its type. */
export interface TypedValue {
	readonly type: string | undefined;
	readonly value: JsonValue;
}

/** What a CSS value is in the format; undefined where only CSS has it. `pathOf`: where a custom property stands. */
export function valueOf(
	css: string,
	pathOf: (property: string) => readonly string[] | undefined
): TypedValue | undefined {
	const text = css.trim();
	const property = /^var\(\s*(--[\w-]+)\s*\)$/.exec(text)?.[1];
	if (property !== undefined) {
		const path = pathOf(property);
		return path && { type: undefined, value: `{${path.join('.')}}` };
	}
	return colour(text) ?? measure(text) ?? curve(text) ?? families(text);
}

function colour(text: string): TypedValue | undefined {
	const found = readColour(text);
	const space = found && spaceOf(found);
	const hex = found && formatHex(found);
	if (!found || !space || hex === undefined) return undefined;
	const { alpha } = found;
	return {
		type: 'color',
		value: { ...space, ...(alpha !== undefined && alpha < 1 && { alpha: rounded(alpha) }), hex }
	};
}

/** The space of a colour by the format's name for it, and its parts in the order there; shares of hsl and hwb in per cent. */
function spaceOf(colour: Color): { colorSpace: string; components: JsonValue[] } | undefined {
	const parts = (...all: (number | undefined)[]): JsonValue[] =>
		all.map((one) => (one === undefined ? 'none' : rounded(one)));
	const percent = (share: number | undefined): number | undefined =>
		share === undefined ? undefined : share * 100;
	switch (colour.mode) {
		case 'rgb':
			return { colorSpace: 'srgb', components: parts(colour.r, colour.g, colour.b) };
		case 'p3':
			return { colorSpace: 'display-p3', components: parts(colour.r, colour.g, colour.b) };
		case 'hsl':
			return {
				colorSpace: 'hsl',
				components: parts(colour.h, percent(colour.s), percent(colour.l))
			};
		case 'hwb':
			return {
				colorSpace: 'hwb',
				components: parts(colour.h, percent(colour.w), percent(colour.b))
			};
		case 'lab':
		case 'oklab':
			return { colorSpace: colour.mode, components: parts(colour.l, colour.a, colour.b) };
		case 'lch':
		case 'oklch':
			return { colorSpace: colour.mode, components: parts(colour.l, colour.c, colour.h) };
		default:
			return undefined;
	}
}

function rounded(part: number): number {
	return Math.round(part * 1e6) / 1e6;
}

function measure(text: string): TypedValue | undefined {
	const [, number, unit] =
		/^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(px|rem|ms|s)?$/i.exec(text) ?? [];
	if (number === undefined) return undefined;
	const value = Number(number);
	if (unit === undefined) return { type: 'number', value };
	const isLength = /^(px|rem)$/i.test(unit);
	return { type: isLength ? 'dimension' : 'duration', value: { value, unit: unit.toLowerCase() } };
}

function curve(text: string): TypedValue | undefined {
	const inside = /^cubic-bezier\(([^()]*)\)$/i.exec(text)?.[1];
	const numbers = inside?.split(',').map(Number) ?? [];
	return numbers.length === 4 && numbers.every(Number.isFinite)
		? { type: 'cubicBezier', value: numbers }
		: undefined;
}

const generic =
	/^(serif|sans-serif|monospace|cursive|fantasy|system-ui|ui-(serif|sans-serif|monospace|rounded)|math|emoji)$/i;

/** A list of families ends with a generic one, or names one in quotes (CSS Fonts 4, section 3.1). */
function families(text: string): TypedValue | undefined {
	const parts = [...text.matchAll(/\s*("[^"]*"|'[^']*'|[^,"']+?)\s*(,|$)/g)].map(
		([, one = '']) => one
	);
	const isWhole =
		parts.length > 0 && parts.join(',').length >= text.replaceAll(/\s*,\s*/g, ',').length;
	const isFamilies =
		parts.some((one) => generic.test(one)) && parts.every((one) => /^("|'|-?[a-z_])/i.test(one));
	if (!isWhole || !isFamilies || /[()]/.test(text)) return undefined;
	return { type: 'fontFamily', value: parts.map((one) => one.replaceAll(/^["']|["']$/g, '')) };
}
