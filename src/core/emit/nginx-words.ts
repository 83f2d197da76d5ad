import { encodePath } from '../model/address.ts';
import type { Pattern, Segment } from '../model/pattern.ts';

/** How text stands in a configuration of nginx. Nothing in it can end its word or be taken for a directive. */

/** The variable that stands for a dollar sign, which nothing can escape. */
export const dollarVariable = 'dollar';

/** A text in quotes. */
export function quoted(text: string): string {
	const safe = text
		.replaceAll(/["\\]/g, '\\$&')
		.replaceAll('$', `\${${dollarVariable}}`)
		.replaceAll(/[\u0000-\u001f\u007f]/g, ' ');
	return `"${safe}"`;
}

/** What a table looks at to know a path: never empty, since nginx holds no expression against what is. */
export const pathKey = '$odd.$path';

/** A regular expression for the whole of a path, as it stands in such a table; a dot in it stands for any byte. */
export function wholePath(expression: string): string {
	return `"~(?s)^\\.${expression}\\z"`;
}

/** The same for a branch with all in it, also for what cannot be the address of a page. */
export function branchPath(expression: string): string {
	return `"~(?s)^-?\\.${expression}(/.*)?\\z"`;
}

/** A regular expression for all of an address as it is asked for. */
export function wholeAddress(expression: string): string {
	return `"~(?s)^${expression}\\z"`;
}

/** The same where a location is named. */
export function wholeLocation(expression: string): string {
	return `"(?s)^${expression}\\z"`;
}

/** A text as a regular expression, byte by byte. */
export function literal(text: string): string {
	return [...new TextEncoder().encode(text)]
		.map((byte) => {
			const character = String.fromCharCode(byte);
			if (/[A-Za-z0-9/_-]/.test(character)) return character;
			return `\\x${byte.toString(16).padStart(2, '0')}`;
		})
		.join('');
}

/** The addresses of a pattern, without a slash at the end; those of `/` are empty. */
export function addressesOf({ segments }: Pattern): string {
	return segments.map((segment) => `/${segmentExpression(segment)}`).join('');
}

function segmentExpression(segment: Segment): string {
	if (segment.kind === 'fixed') return literal(segment.name);
	return segment.kind === 'parameter' ? '[^/]+' : '.+';
}

/** A regular expression for an address as it was asked for, whose values are kept by their names. */
export function asAsked({ segments }: Pattern): string {
	const words = segments.map((segment) => {
		if (segment.kind === 'fixed') return literal(encodePath(segment.name));
		// The name of a folder's file is no value.
		const any = segment.kind === 'parameter' ? '[^/?]' : '[^?]';
		return `(?!index\\.html/*(?:\\?|$))(?<${variableOf(segment)}>${any}+?)`;
	});
	const path = words.map((word) => `/+${word}`).join('');
	return `"~^${path}(?:/index\\.html|\\.html)?/*(?:\\?.*)?$"`;
}

/** An address with those values put in, without quotes around it. */
export function withAsked({ segments }: Pattern): string {
	return segments
		.map((segment) =>
			segment.kind === 'fixed'
				? `/${quoted(encodePath(segment.name)).slice(1, -1)}`
				: `/\${${variableOf(segment)}}`
		)
		.join('');
}

function variableOf(segment: Exclude<Segment, { kind: 'fixed' }>): string {
	const name = segment.kind === 'parameter' ? segment.name : 'rest';
	return `asked_${name.replaceAll('-', '_dash_')}`;
}
