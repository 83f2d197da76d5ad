import { warning } from '../../messages/problem.ts';
import { pagesOf, type Layout } from '../../model/site.ts';
import { plainPage } from '../example.ts';
import type { WholeCheck } from '../check.ts';

export const layoutUnused: WholeCheck = {
	of: 'whole',
	codes: ['layout-unused'],
	what: 'Some page sits under each layout.',
	why: 'It looks as if a branch had a frame, and none of its pages has it.',
	examples: {
		'layout-unused': {
			wrong: `${plainPage('<h1>Seed</h1>')}\nlayout board at / on-request { region notices as div { slot } }`,
			mended: `${plainPage('<h1>Seed</h1>', 'under board')}\nlayout board at / on-request { region notices as div { slot } }`
		}
	},
	find({ site, structure }) {
		const used = new Set(pagesOf(site).flatMap((page) => structure.chainOf(page)));
		return site.layouts
			.filter((layout) => !used.has(layout))
			.map((layout) =>
				warning('layout-unused', layout.name.span, layout.name.text, whyUnused(layout))
			);
	},
	mend: ({ details: [name] }) => ({ kind: 'remove-layout', name: String(name) })
};

function whyUnused({ onRequest, at }: Layout): string {
	return onRequest
		? 'it is there on request, and none asks for it'
		: `no route at ${at.text} or below it comes under it`;
}
