import { Memory } from '../../model/memory.ts';
import type { Problem } from '../../messages/problem.ts';
import type { Layer, Site } from '../../model/site.ts';
import type { PageInstance } from '../../resolve/instance.ts';
import { piecesIn } from '../../resolve/pieces.ts';
import type { LayerCheck } from '../check.ts';
import { knownIn } from './known.ts';
import { TextWalk } from './walk.ts';

/** What was found in a layer, for as long as the site's data and parts are the same. */
const knownProblems = new Memory<Layer, readonly Problem[]>();

export const expressions: LayerCheck = {
	of: 'layer',
	codes: [
		'expression-unknown',
		'expression-no-value',
		'expression-no-text',
		'format-value',
		'loop-not-list',
		'condition-never',
		'value-not-given',
		'text-too-long',
		'part-unknown',
		'parameter-unknown',
		'parameter-missing',
		'parameter-value'
	],
	what: 'Every value in a text is there and has a text, and every part is given what it needs.',
	why: 'A page would have a hole where the value should be.',
	find(layer, { site, instances }) {
		return knownProblems.get(layer, [site.values, site.data.length, site.parts], () =>
			findProblems(layer, layer.kind === 'layout' ? [] : instances(layer), site)
		);
	}
};

/** The title of a page alone may not name the page's title. */
function findProblems(layer: Layer, pages: readonly PageInstance[], site: Site): Problem[] {
	const walk = new TextWalk(site);
	const known = knownIn(layer, pages, site, true);
	if (layer.title) {
		const isPage = layer.kind !== 'layout';
		walk.template(layer.title, isPage ? knownIn(layer, pages, site, false) : known);
	}
	if (layer.description) walk.template(layer.description, known);
	for (const piece of piecesIn(layer)) {
		if (piece.kind === 'markup') walk.template(piece.markup, known);
	}
	return walk.problems;
}
