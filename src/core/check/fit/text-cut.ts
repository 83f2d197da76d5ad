import { warning } from '../../messages/problem.ts';
import { plainPage } from '../example.ts';
import type { FitCheck } from '../check.ts';
import { seenWhere, type Fit } from '../subject/fitted-page.ts';
import { boxWords } from './box-words.ts';

/** px; browsers round to less. */
const tolerance = 1;

const line = (more: string): string =>
	plainPage(
		`<h1>Seed</h1><p style="white-space: nowrap; overflow: hidden${more}">${'Seed that is lent comes back in autumn. '.repeat(5)}</p>`
	);

export const textCut: FitCheck = {
	of: 'boxes',
	codes: ['text-cut'],
	what: 'No text is cut off by what it stands in, unless three dots say so.',
	why: 'What is cut off cannot be read, and nothing tells that there is more.',
	examples: { 'text-cut': { wrong: line(''), mended: line('; text-overflow: ellipsis') } },
	find: ({ stretches }) =>
		seenWhere(stretches, (boxes) => boxes.map((box) => ({ box, over: [box.cut - tolerance] }))).map(
			({ box, widths, worst }): Fit => {
				const by = Math.round(worst + tolerance);
				const words = boxWords(box);
				return { box, widths, weight: by, problem: (at) => warning('text-cut', at, words, by) };
			}
		)
};
