import { hint } from '../../messages/problem.ts';
import { plainPage } from '../example.ts';
import type { AcrossCheck } from '../check.ts';
import type { Occurrence } from '../subject/occurrence.ts';

const styled = (selector: string): string =>
	plainPage(
		'<h1>Seed</h1><p class="lead">Lent, not sold.</p>',
		`style """ ${selector} { margin: 0; } """`
	);

export const styleUnused: AcrossCheck = {
	of: 'across',
	codes: ['style-unused'],
	what: 'Each selector names something on some page; in a style global, kinds of elements alone (h2, table) need not be there yet.',
	why: 'A rule that does nothing is a slip of the pen, or is left over, and is read and delivered all the same.',
	examples: { 'style-unused': { wrong: styled('.leed'), mended: styled('.lead') } },
	find(pages) {
		const matched = new Set<string>();
		const beyond = new Set<string>();
		for (const { selectors } of pages) {
			for (const [key, { isMatched, isBeyond }] of selectors) {
				if (isMatched) matched.add(key);
				if (isBeyond) beyond.add(key);
			}
		}
		const told = new Set<string>();
		return pages.flatMap(({ selectors }) =>
			[...selectors].flatMap(([key, { text, span, isBase }]): Occurrence[] => {
				if (isBase || matched.has(key) || told.has(key)) return [];
				told.add(key);
				return [{ problem: hint('style-unused', span, text, beyond.has(key)) }];
			})
		);
	}
};
