import { Memory } from '../../model/memory.ts';
import { error, listWords, type Problem } from '../../messages/problem.ts';
import { layerPattern, type Fill, type Layer, type Piece, type Site } from '../../model/site.ts';
import type { Expression, Template } from '../../model/template.ts';
import { dataAt, valueAt, type PageInstance } from '../../resolve/instance.ts';
import { textOf } from '../../resolve/values.ts';
import type { LayerCheck } from '../check.ts';

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
const knownProblems = new Memory<Layer, readonly Problem[]>();

export const expressions: LayerCheck = {
	of: 'layer',
	codes: ['expression-unknown', 'expression-no-value', 'expression-no-text'],
	what: 'Every expression in a text leads to a value that has a text.',
	why: 'A page would have a hole where the value should be.',
	find(layer, { site, instances }) {
		return knownProblems.get(layer, [site.values], () =>
			findProblems(layer, layer.kind === 'layout' ? [] : instances(layer), site)
		);
	}
};

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
