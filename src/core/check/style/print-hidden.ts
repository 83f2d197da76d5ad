import { warning } from '../../messages/problem.ts';
import { ruleSpan } from '../../author-styles/author-rules.ts';
import { reached } from '../../author-styles/reached.ts';
import type { PageCheck } from '../check.ts';
import { plainLayout } from '../example.ts';
import type { Occurrence } from '../subject/occurrence.ts';

const printed = (selector: string): string =>
	plainLayout(
		`region side as aside { piece hours """<p>Two to six.</p>""" }\n  style """ @media print { ${selector} { display: none; } } """`
	);

/** What holds the content of a page, or stands around that. */
const content = new Set(['main', 'body', 'html']);

export const printHidden: PageCheck = {
	of: 'page',
	codes: ['print-hidden'],
	what: 'What a page is for is there on paper, too.',
	why: 'Whoever prints the page gets an empty sheet.',
	examples: {
		'print-hidden': { wrong: printed(':scope'), mended: printed('aside') }
	},
	find(page) {
		return page.allRules.flatMap((rule): Occurrence[] => {
			const isPrint = rule.conditions.some((one) => one.of === 'screen' && /^\s*(only\s+)?print\b/i.test(one.query)); // prettier-ignore
			const hides = rule.declarations.some(({ property, value }) => property === 'display' && /^none\b/.test(value.trim())); // prettier-ignore
			if (!isPrint || !hides) return [];
			const lost = reached(rule, page.tree).find(
				({ element, pseudo }) => pseudo === undefined && content.has(element.name)
			);
			if (!lost) return [];
			const problem = warning('print-hidden', ruleSpan(rule), rule.selectors);
			return [{ problem, box: page.boxOf(lost.element) }];
		});
	}
};
