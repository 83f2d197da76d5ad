import { plainPage } from '../example.ts';
import { error, type Problem } from '../../messages/problem.ts';
import { Memory } from '../../lib/memory.ts';
import type { Part, Site } from '../../model/site.ts';
import { compileMarkup } from '../../resolve/markup/compile.ts';
import { partBook, usesIn } from '../../resolve/content/parts.ts';
import type { SiteCheck } from '../check.ts';
import { knownInPart } from './known.ts';
import { TextWalk } from './walk.ts';

const known = new Memory<Part, readonly Problem[]>();

export const parts: SiteCheck = {
	of: 'site',
	codes: ['part-cycle', 'content-twice'],
	what: 'Every part can be written: it does not use itself, and what stands in it is there.',
	why: 'A part is on many pages, and so is what is wrong with it.',
	examples: {
		'part-cycle': {
			wrong: `part one """<p>{use one}</p>"""\n${plainPage('<h1>Seed</h1>{use one}')}`,
			mended: `part one """<p>One</p>"""\n${plainPage('<h1>Seed</h1>{use one}')}`
		},
		'content-twice': {
			wrong: `part box """<div>{content}{content}</div>"""\n${plainPage('<h1>Seed</h1>{use box}x{end}')}`,
			mended: `part box """<div>{content}</div>"""\n${plainPage('<h1>Seed</h1>{use box}x{end}')}`
		}
	},
	find({ site }) {
		return site.parts.flatMap((part) =>
			known.get(part, [site.parts, site.values, site.data.length], () => problemsIn(part, site))
		);
	}
};

function problemsIn(part: Part, site: Site): readonly Problem[] {
	const walk = new TextWalk(site);
	const parameters = part.parameters.map(({ name }) => name.text);
	walk.template(part.markup, knownInPart(parameters, site));
	const [, second] = part.markup.parts.filter(
		(one) => typeof one !== 'string' && one.kind === 'content'
	);
	const twice =
		second !== undefined && typeof second !== 'string'
			? [error('content-twice', second.span, part.name.text)]
			: [];
	return [
		...compileMarkup(part.markup, site.parts).problems,
		...walk.problems,
		...twice,
		...cycleIn(part, site)
	];
}

function cycleIn(part: Part, site: Site): Problem[] {
	const cycle = partBook(site.parts).cycleOf(part.name.text);
	if (!cycle) return [];
	const use = usesIn(part.markup).find((one) => one.part.text === cycle[1]);
	return [error('part-cycle', use?.part.span ?? part.name.span, cycle.join(' uses '))];
}
