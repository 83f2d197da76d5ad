import { hint, type Problem } from '../../messages/problem.ts';
import { pagesOf, type Region } from '../../model/site.ts';
import { plainLayout } from '../example.ts';
import type { WholeCheck } from '../check.ts';

export const regionEmpty: WholeCheck = {
	of: 'whole',
	codes: ['region-empty'],
	what: 'Each region has something in it on some page, or is seen by itself.',
	why: 'It takes its place in every drawing, and nobody ever sees it.',
	examples: {
		'region-empty': {
			wrong: plainLayout('region side as aside'),
			mended: plainLayout('region side as aside { piece hours """<p>Two to six.</p>""" }')
		}
	},
	find(resolved) {
		const filled = new Set<Region>();
		const asked = new Set<Region>();
		for (const page of pagesOf(resolved.site)) {
			for (const { region, landed } of resolved.page(page).regions) {
				asked.add(region);
				if (landed.length > 0) filled.add(region);
			}
		}
		return [...asked].flatMap((region): Problem[] =>
			filled.has(region) || region.slot || isSeenByItself(region)
				? []
				: [hint('region-empty', region.name.span, region.name.text)]
		);
	}
};

/** A picture or a colour of the frame needs nothing in it. */
function isSeenByItself({ settings, styles }: Region): boolean {
	const kinds = ['height', 'min', 'aspect', 'background', 'border'];
	return styles.length > 0 || settings.some(({ kind }) => kinds.includes(kind));
}
