import { aria, roles, type ARIAPropertyDefinition } from 'aria-query';
import type { WrittenElement } from '../../author-styles/written-elements.ts';
import { nearest } from '../../lib/nearest.ts';
import type { MarkupFault } from './markup-judge.ts';

/** WAI-ARIA 1.2: roles, states and properties that there are, and the values they can have. */

/** What elements say of roles, states and properties that nothing knows. What comes from an expression may be anything. */
export function ariaFaults(elements: readonly WrittenElement[]): MarkupFault[] {
	return elements.flatMap((element) =>
		[...element.attributes].flatMap(([name, { value, from, to }]): MarkupFault[] => {
			if (value.includes('{')) return [];
			const rule = faultIn(name, value.trim().toLowerCase());
			if (rule === undefined) return [];
			const message = meant(rule, name, value);
			const words = { element: element.name, attribute: name, other: value, message };
			return [{ rule, from, to, ...words }];
		})
	);
}

function faultIn(name: string, value: string): string | undefined {
	if (name === 'role') {
		const words = value.split(/\s+/).filter((word) => word !== '');
		return words.length > 0 && words.every((word) => !usable.has(word))
			? 'role-unknown'
			: undefined;
	}
	if (name === 'tabindex') return Number(value) > 0 ? 'tabindex-above-zero' : undefined;
	if (!name.startsWith('aria-')) return undefined;
	const known = properties.get(name);
	if (!known) return 'aria-unknown';
	return canBe(known, value) ? undefined : 'aria-value';
}

/** The word that was meant most likely; nothing where that is not clear. */
function meant(rule: string, name: string, value: string): string {
	if (rule === 'aria-unknown') return nearest(name, [...properties.keys()]) ?? '';
	return rule === 'role-unknown' ? (nearest(value, [...usable]) ?? '') : '';
}

const properties: ReadonlyMap<string, ARIAPropertyDefinition> = new Map(aria.entries());

/** Roles that elements can have; the others only say what these have in common. */
const usable: ReadonlySet<string> = new Set(
	roles.entries().flatMap(([name, { abstract }]) => (abstract ? [] : [name]))
);

function canBe(
	{ type, values = [], allowundefined }: ARIAPropertyDefinition,
	value: string
): boolean {
	const words = values.map((one) => String(one));
	if (allowundefined && value === 'undefined') return true;
	switch (type) {
		case 'boolean':
			return value === 'true' || value === 'false';
		case 'tristate':
			return value === 'true' || value === 'false' || value === 'mixed';
		case 'integer':
			return /^-?\d+$/.test(value);
		case 'number':
			return value !== '' && Number.isFinite(Number(value));
		case 'token':
			return words.includes(value);
		case 'tokenlist':
			return value.split(/\s+/).every((word) => words.includes(word));
		default:
			return true;
	}
}
