import { hint } from '../../messages/problem.ts';
import type { Setting } from '../../model/setting.ts';
import { bandPlace } from '../../resolve/bands.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import type { FitCheck } from '../check.ts';
import type { Fit, FittedPage } from '../subject/fitted-page.ts';
import { fixedPx } from '../boxes/fixed-px.ts';

const head = (heights: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  region head as header { stick top; ${heights}; piece brand """<p style="margin: 0">Seed library</p>""" }
  region main as main { slot }
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`;

export const headJumps: FitCheck = {
	of: 'boxes',
	codes: ['head-jumps'],
	what: 'A head that keeps to the edge is as tall on every screen, unless what is in it needs more.',
	why: 'What is kept below it starts somewhere else on each screen, and nobody gains from it.',
	examples: {
		'head-jumps': {
			wrong: head('height 56px; height 64px @wide'),
			mended: head('height 56px')
		}
	},
	find: (page) =>
		page.page.chain.flatMap((layout) =>
			membersIn(layout.members).flatMap((member): Fit[] => {
				const sticks = member.settings.some(
					({ kind, value }) => kind === 'stick' && value === 'top'
				);
				const heights = member.settings.filter(({ kind }) => kind === 'height');
				if (member.kind !== 'region' || !sticks || heights.length < 2) return [];
				return jumpOf({ layout: layout.name.text, region: member.name.text }, heights, page);
			})
		)
};

function jumpOf(
	{ layout, region }: { readonly layout: string; readonly region: string },
	heights: readonly Setting[],
	{ stretches, resolved }: FittedPage
): Fit[] {
	const { bands } = resolved.site.settings;
	const sizes = heights.flatMap(({ value, band }) => {
		const px = typeof value === 'string' ? fixedPx(value, new Map()) : undefined;
		return px === undefined ? [] : [{ px, text: String(value), place: bandPlace(bands, band) }];
	});
	const sorted = sizes.sort((a, b) => a.place - b.place);
	const [first, second] = sorted;
	if (!first || !second || sizes.length < heights.length || first.px === second.px) return [];
	const least = Math.min(first.px, second.px);
	const needs = Math.max(
		...stretches.flatMap(({ first: boxes, last }) =>
			[boxes, last].map((all) => {
				const at = all.findIndex(
					({ name }) => name.kind === 'region' && name.layout === layout && name.region === region
				);
				const inside = all.filter((box) => box.inside === at && at !== -1);
				return Math.max(0, ...inside.map(({ height }) => height));
			})
		)
	);
	const name = stretches
		.flatMap(({ first: boxes }) => boxes)
		.find(
			(box) =>
				box.name.kind === 'region' && box.name.layout === layout && box.name.region === region
		)?.name;
	if (!name || needs > least) return [];
	const from = bands[second.place]?.from ?? 0;
	return [
		{
			box: name,
			widths: [{ from, to: from }],
			weight: Math.abs(second.px - first.px),
			setting: 'height',
			problem: (at) => hint('head-jumps', at, region, first.text, second.text)
		}
	];
}
