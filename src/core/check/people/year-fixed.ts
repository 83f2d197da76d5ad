import { warning, type Problem } from '../../messages/problem.ts';
import { layersOf, markupsOf } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { WholeCheck } from '../check.ts';

const foot = (year: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  region main as main { slot }
  region foot as footer { piece small """<p>&copy; ${year} Seed library</p>""" }
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`;

/** A year behind the sign, maybe as the last of several; behind the word alone only at once: there are Copyright Acts. */
const dated =
	/(?:(?:©|&copy;|\(c\))(?:[^<{}\n]{0,20}?\b(?:19|20)\d\d\s*(?:[-–]|&ndash;|to)\s*)?[^<{}\n\d]{0,20}|\bcopyright\s+(?:(?:19|20)\d\d\s*(?:[-–]|&ndash;|to)\s*)?)((?:19|20)\d\d)\b(?!\s*(?:[-–]|&ndash;|to)\s*[\d{])/gi;

export const yearFixed: WholeCheck = {
	of: 'whole',
	codes: ['year-fixed'],
	what: 'The year beside a copyright sign is {year}.',
	why: 'Written out it is wrong by January, on every page.',
	examples: { 'year-fixed': { wrong: foot('2024'), mended: foot('{year}') } },
	find({ site, reading }) {
		const markups = [
			...site.parts.map(({ markup }) => markup),
			...layersOf(site).flatMap(piecesIn).flatMap(markupsOf)
		];
		return markups.flatMap(({ span }) => yearsIn(span, reading.files.texts.get(span.file) ?? ''));
	}
};

function yearsIn({ file, from, to }: Span, text: string): Problem[] {
	return [...text.slice(from, to).matchAll(dated)].map(({ index, 0: all, 1: year = '' }) => {
		const end = from + index + all.length;
		const span = { file, from: end - year.length, to: end };
		const mend = { label: 'Write {year}', span, insert: '{year}' };
		return { ...warning('year-fixed', span, year), mend };
	});
}
