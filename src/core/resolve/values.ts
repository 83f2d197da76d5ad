import type { Site } from '../model/site.ts';
import type { Expression, Template } from '../model/template.ts';
import { dataAt, valueAt, type PageInstance } from './instance.ts';

/** What expressions on one page can refer to. */
export interface Scope {
	readonly site: Site;
	readonly instance: PageInstance;
	readonly title: string;
	readonly description: string;
	/** The calendar year of the delivery; given from outside so that the core depends on no clock. */
	readonly year: number;
}

/** The text of an expression on a page; empty where it has no value. */
export function evaluate(expression: Expression, scope: Scope): string {
	return textOf(lookUp(expression.path, scope)) ?? '';
}

/** A template with its expressions replaced by their values, not escaped. */
export function evaluateText(template: Template, scope: Scope): string {
	return template.parts
		.map((part) => (typeof part === 'string' ? part : evaluate(part, scope)))
		.join('');
}

function lookUp(path: readonly string[], scope: Scope): unknown {
	const [root = '', ...rest] = path;
	const { site, instance } = scope;
	switch (root) {
		case 'site':
			return { name: site.settings.name.text, lang: site.settings.lang }[rest.join('.')];
		case 'page': {
			const { title, description } = scope;
			return { title, description, address: instance.address }[rest.join('.')];
		}
		case 'route':
			return instance.parameters[rest.join('.')];
		case 'item':
			return valueAt(instance.item, rest);
		case 'data':
			return dataAt(site, rest);
		case 'year':
			return rest.length === 0 ? scope.year : undefined;
		default:
			return undefined;
	}
}

/** A value as text; undefined for what has none. */
export function textOf(value: unknown): string | undefined {
	if (typeof value === 'string') return value;
	if (typeof value === 'number' || typeof value === 'boolean') return String(value);
	return undefined;
}
