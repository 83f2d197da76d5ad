import { isObject, propertyOf } from './design-token.ts';

/** Why a value cannot be said in CSS, as the end of a sentence. */
export class NoCss extends Error {
	override readonly name = 'NoCss';
}

/** A value of a type as CSS. Throws a NoCss where there is none for it. */
export function cssOf(value: unknown, type: string | undefined): string {
	if (isObject(value) && typeof value['css'] === 'string') return value['css'];
	if (typeof value === 'string') return words(value, type);
	if (typeof value === 'number') return String(value);
	if (Array.isArray(value)) return listed(value, type);
	if (isObject(value)) return composed(value, type);
	throw new NoCss('it has no value');
}

const reference = /^\{([^{}]+)\}$/;

/** The path that a value refers to; undefined where it stands for itself. */
export function referenceOf(value: unknown): string[] | undefined {
	const path = typeof value === 'string' ? reference.exec(value)?.[1] : undefined;
	return path?.split('.');
}

function words(value: string, type: string | undefined): string {
	const path = referenceOf(value);
	if (path) return `var(${propertyOf(path)})`;
	if (value.trim() === '') throw new NoCss('it is empty');
	if (/[{}<>;]/.test(value)) throw new NoCss(`"${value}" cannot stand in a value`);
	return type === 'fontFamily' ? family(value) : value.trim();
}

/** CSS Fonts 4, section 3.1: generic families are words, others that are more than one word have quotes. */
function family(name: string): string {
	return /^-?[A-Za-z_][\w-]*$/.test(name) ? name : `"${name.replaceAll('"', '')}"`;
}

function listed(value: readonly unknown[], type: string | undefined): string {
	if (value.length === 0) throw new NoCss('it is an empty list');
	if (type === 'cubicBezier') {
		const numbers = value.filter((one) => typeof one === 'number');
		if (numbers.length !== 4 || value.length !== 4) throw new NoCss('a curve has four numbers');
		return `cubic-bezier(${numbers.join(', ')})`;
	}
	return value.map((one) => cssOf(one, type)).join(', ');
}

function composed(value: Record<string, unknown>, type: string | undefined): string {
	const part = (name: string, of: string): string => {
		if (value[name] === undefined) throw new NoCss(`a ${type ?? 'value'} needs ${name}`);
		return cssOf(value[name], of);
	};
	switch (type) {
		case 'color':
			return colour(value);
		case 'dimension':
		case 'duration':
			return measure(value);
		case 'shadow': {
			const sides = ['offsetX', 'offsetY', 'blur', 'spread'].map((name) => part(name, 'dimension'));
			const inset = value['inset'] === true ? ['inset'] : [];
			return [...inset, ...sides, part('color', 'color')].join(' ');
		}
		case 'border':
			return [
				part('width', 'dimension'),
				part('style', 'strokeStyle'),
				part('color', 'color')
			].join(' ');
		case 'transition':
			return [
				part('duration', 'duration'),
				part('timingFunction', 'cubicBezier'),
				part('delay', 'duration')
			].join(' ');
		default:
			throw new NoCss(`a ${type ?? 'value without a type'} of several parts has no value in CSS`);
	}
}

function measure({ value, unit }: Record<string, unknown>): string {
	if (typeof value !== 'number' || typeof unit !== 'string' || !/^[a-z%]{1,4}$/i.test(unit))
		throw new NoCss('it needs a number and a unit');
	return `${value}${unit}`;
}

/** CSS Color 4: sRGB with six or eight digits where it has such, else by its space. */
function colour({ colorSpace, components, alpha, hex }: Record<string, unknown>): string {
	const parts = Array.isArray(components) ? components : [];
	const numbers = parts.filter((one) => typeof one === 'number' || one === 'none');
	if (typeof colorSpace !== 'string' || numbers.length !== 3 || parts.length !== 3)
		throw new NoCss('a color needs a colorSpace and three components');
	const opacity = typeof alpha === 'number' && alpha < 1 ? alpha : undefined;
	const digits = colorSpace === 'srgb' ? digitsOf(numbers) : undefined;
	if (
		typeof hex === 'string' &&
		/^#[\da-f]{6}$/i.test(hex) &&
		hex.toLowerCase() === digits &&
		opacity === undefined
	)
		return hex;
	if (digits !== undefined && opacity === undefined) return digits;
	const behind = opacity === undefined ? '' : ` / ${opacity}`;
	const all = numbers.join(' ');
	if (/^(oklch|oklab|lab|lch|hsl|hwb)$/.test(colorSpace)) {
		const isPercent = colorSpace === 'hsl' || colorSpace === 'hwb';
		const [first, ...others] = numbers;
		return isPercent
			? `${colorSpace}(${first} ${others.map((one) => (one === 'none' ? one : `${one}%`)).join(' ')}${behind})`
			: `${colorSpace}(${all}${behind})`;
	}
	return `color(${colorSpace} ${all}${behind})`;
}

/** Six digits, where the components are those of one. */
function digitsOf(components: readonly (number | string)[]): string | undefined {
	const bytes = components.map((one) => (typeof one === 'number' ? one * 255 : Number.NaN));
	const isExact = bytes.every(
		(one) => one >= 0 && one <= 255 && Math.abs(one - Math.round(one)) < 0.05
	);
	if (!isExact) return undefined;
	return `#${bytes.map((one) => Math.round(one).toString(16).padStart(2, '0')).join('')}`;
}
