import { hint, type Problem } from '../../messages/problem.ts';
import { layersOf, type Fill, type Layout } from '../../model/site.ts';
import { nothing, type WholeCheck } from '../check.ts';

const guide = (target: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  region main as main { slot }
  region side as aside { label "Hours"; piece hours """<p>Two to six.</p>""" }
}
layout guide at /guides {
  region side as nav { piece contents """<p>Sowing</p>""" }
  region body as div { slot }
}
route /guides { title "Guides"; piece text """<h1>Guides</h1>"""; fill ${target} after { piece ask """<p>Ask a grower.</p>""" } }
route / { title "Home"; piece text """<h1><a href="/guides">Guides</a></h1>""" }`;

export const regionShadowed: WholeCheck = {
	of: 'whole',
	codes: ['region-shadowed'],
	what: 'Where two layouts of a chain have a region of one name, a fill says which it means.',
	why: 'By its name alone the nearest is filled, and the other one may be meant.',
	isSafe: () => true,
	examples: { 'region-shadowed': { wrong: guide('side'), mended: guide('frame.side') } },
	find: ({ site, structure }) =>
		layersOf(site).flatMap((layer) => {
			if (layer.fills.length === 0) return nothing;
			const chain = structure.chainOf(layer);
			return layer.fills.flatMap((fill) => shadowing(fill, chain));
		})
};

function shadowing({ layout, region, targetSpan }: Fill, chain: readonly Layout[]): Problem[] {
	if (layout !== undefined) return [];
	const having = chain.filter(({ regions }) => regions.some(({ name }) => name.text === region));
	const [inner, outer] = having.reverse().map(({ name }) => name.text);
	if (inner === undefined || outer === undefined) return [];
	const insert = `${inner}.${region}`;
	const problem = hint('region-shadowed', targetSpan, region, inner, outer);
	return [{ ...problem, mend: { label: `Write ${insert}`, span: targetSpan, insert } }];
}
