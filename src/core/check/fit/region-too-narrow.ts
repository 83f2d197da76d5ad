import { warning } from '../../messages/problem.ts';
import { plainPage } from '../example.ts';
import type { FitCheck } from '../check.ts';
import { misfitsIn } from './misfits.ts';

export const regionTooNarrow: FitCheck = {
	of: 'boxes',
	codes: ['region-too-narrow'],
	what: 'What is in a region fits into its width, on every screen.',
	why: 'It lies over what stands beside the region, or is cut off.',
	examples: {
		'region-too-narrow': {
			wrong: plainPage('<h1>Seed</h1><img src="data:," alt="A pod" width="500" height="50">'),
			mended: plainPage('<h1>Seed</h1><img src="data:," alt="A pod" width="250" height="50">')
		}
	},
	find: ({ stretches, resolved }) =>
		misfitsIn({ stretches }, resolved.site.settings.dir === 'rtl').map(
			({ name, region, box, from, to, by, needs }) => {
				const where = region ?? box;
				const what = box === where ? where : box.replace(` in ${where}`, '');
				return {
					box: name,
					widths: [{ from, to }],
					weight: by,
					problem: (at) => warning('region-too-narrow', at, what, where, needs, by)
				};
			}
		)
};
