import { warning } from '../../messages/problem.ts';
import type { Layout } from '../../model/site.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import { slotOf } from '../../resolve/structure.ts';
import type { FitCheck } from '../check.ts';
import { seenWhere } from '../subject/fitted-page.ts';

const foot = (height: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  ${height}
  arrange areas { "main" 1fr; "foot" auto }
  region main as main { slot }
  region foot as footer { piece small """<p>Seed library</p>""" }
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`;

export const footFloats: FitCheck = {
	of: 'boxes',
	codes: ['foot-floats'],
	what: 'The foot of a short page is at the lower edge of the screen.',
	why: 'In mid-page it looks as if the page had not been loaded to its end.',
	examples: { 'foot-floats': { wrong: foot(''), mended: foot('height screen') } },
	find({ stretches, height, page }) {
		const [outermost] = page.chain;
		const last = outermost && footOf(outermost);
		if (!outermost || last === undefined) return [];
		const isFoot = (layout: string | undefined, region: string | undefined): boolean =>
			layout === outermost.name.text && region === last;
		return seenWhere(stretches, (boxes) =>
			boxes
				.filter(({ name }) => name.kind === 'region' && isFoot(name.layout, name.region))
				.map((box) => ({ box, over: [height - 1 - box.y - box.height] }))
		).map(({ box, widths, worst }) => {
			const by = Math.round(worst + 1);
			return { box, widths, weight: by, problem: (at) => warning('foot-floats', at, last, by) };
		});
	},
	mend(problem, { structure, site }) {
		const [region] = problem.details;
		const { file, from } = problem.span;
		const layout = structure.site.layouts.find(
			({ span, regions }) =>
				span.file === file &&
				span.from <= from &&
				from < span.to &&
				regions.some(({ name }) => name.text === region)
		);
		const slot = layout && slotOf(layout);
		if (!layout || !slot) return undefined;
		const band = site.settings.bands[0]?.name.text ?? 'all';
		const isTall = layout.settings.some(
			({ kind, value }) => kind === 'height' && value === 'screen'
		);
		const box = { layout: layout.name.text, box: isTall ? slot.name.text : undefined };
		const [setting, value] = isTall ? (['size', 'fill'] as const) : (['height', 'screen'] as const);
		return { kind: 'set-setting', box, setting, value, band };
	}
};

/** The foot of a page: the last region of its frame, where that is one. */
function footOf({ members }: Layout): string | undefined {
	const last = membersIn(members).findLast(({ kind }) => kind === 'region');
	return last?.element.text === 'footer' ? last.name.text : undefined;
}
