import { error, listWords, type Problem } from '../messages/problem.ts';
import type { Fill, Layer, Piece, Site } from '../model/site.ts';
import { layerPattern } from '../model/site.ts';
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

function textOf(value: unknown): string | undefined {
	if (typeof value === 'string') return value;
	if (typeof value === 'number' || typeof value === 'boolean') return String(value);
	return undefined;
}

/** Every template of a layer. The title comes first and alone may not name the page's title. */
function templatesOf(layer: Layer): Template[] {
	const fills: readonly Fill[] = layer.fills;
	const pieces: Piece[] = [
		...fills.flatMap((fill) => fill.pieces),
		...(layer.kind === 'layout' ? layer.regions.flatMap((region) => region.pieces) : layer.pieces)
	];
	return [
		...(layer.description ? [layer.description] : []),
		...pieces.flatMap((piece) => (piece.kind === 'markup' ? [piece.markup] : []))
	];
}

/** What was found in a layer, for as long as the site's data is the same. */
const knownProblems = new WeakMap<
	Layer,
	{ values: Site['values']; problems: readonly Problem[] }
>();

/** Reports each expression of a layer whose path leads nowhere. */
export function checkExpressions(
	layer: Layer,
	pages: readonly PageInstance[],
	site: Site
): readonly Problem[] {
	const known = knownProblems.get(layer);
	if (known?.values === site.values) return known.problems;
	const problems = findProblems(layer, pages, site);
	knownProblems.set(layer, { values: site.values, problems });
	return problems;
}

function findProblems(layer: Layer, pages: readonly PageInstance[], site: Site): Problem[] {
	const problems: Problem[] = [];
	const isPage = layer.kind !== 'layout';
	const check = (template: Template, hasTitle: boolean): void => {
		for (const part of template.parts) {
			if (typeof part === 'string') continue;
			const problem = checkExpression(part, layer, pages, site, hasTitle);
			if (problem) problems.push(problem);
		}
	};
	if (layer.title) check(layer.title, !isPage);
	for (const template of templatesOf(layer)) check(template, true);
	return problems;
}

function checkExpression(
	expression: Expression,
	layer: Layer,
	pages: readonly PageInstance[],
	site: Site,
	hasTitle: boolean
): Problem | undefined {
	const path = expression.path.join('.');
	const parameters = layerPattern(layer).segments.flatMap((segment) =>
		segment.kind === 'parameter' ? [segment.name] : segment.kind === 'rest' ? ['rest'] : []
	);
	const hasItem = layer.kind === 'route' && layer.pages.kind === 'each';
	const known = knownPaths(site, parameters, hasTitle, hasItem);
	const [root, ...rest] = expression.path;
	if (root === 'data') {
		const value = dataAt(site, rest);
		if (value === undefined || value === null) return unknown(expression, known);
		return noText(expression, value);
	}
	if (root === 'item' && hasItem) {
		for (const { item, address } of pages) {
			const value = item === undefined ? '' : valueAt(item, rest);
			if (value === undefined || value === null) {
				return error('expression-no-value', expression.span, path, address);
			}
			const problem = noText(expression, value);
			if (problem) return problem;
		}
		return undefined;
	}
	return known.includes(path) ? undefined : unknown(expression, known);
}

/** Lists and groups of values have no text of their own. */
function noText(expression: Expression, value: unknown): Problem | undefined {
	if (textOf(value) !== undefined) return undefined;
	const is = Array.isArray(value) ? 'a list' : 'a group of values';
	return error('expression-no-text', expression.span, expression.path.join('.'), is);
}

function knownPaths(
	site: Site,
	parameters: readonly string[],
	hasTitle: boolean,
	hasItem: boolean
): string[] {
	return [
		'site.name',
		'site.lang',
		...(hasTitle ? ['page.title', 'page.description'] : []),
		'page.address',
		...parameters.map((name) => `route.${name}`),
		...(hasItem ? ['item'] : []),
		...[...site.values.keys()].map((name) => `data.${name}`),
		'year'
	];
}

function unknown(expression: Expression, known: readonly string[]): Problem {
	const path = expression.path.join('.');
	return error(
		'expression-unknown',
		expression.span,
		path,
		listWords(known.map((one) => `{${one}}`))
	);
}
