import { warning } from '../../messages/problem.ts';
import { skipClass } from '../../emit/names.ts';
import { attributeOf } from '../../author-styles/page-tree.ts';
import { slotOf } from '../../resolve/structure.ts';
import type { PageCheck } from '../check.ts';
import { classesOf } from '../subject/written-page.ts';

/** Links that one passes without complaint. */
const most = 5;

export const skipMissing: PageCheck = {
	of: 'page',
	codes: ['skip-missing'],
	what: 'Where many links stand in front of the content, one leads past them.',
	why: 'Whoever uses a keyboard has to go through all of them on each page.',
	// The words of the link are English: in another language someone has to write them.
	isSafe: (_, { site }) => /^en\b/i.test(site.settings.lang),
	examples: {
		'skip-missing': {
			wrong:
				'layout f at / { description "Seed that is lent."; region menu as nav { piece a """<a href="/">1</a> <a href="/">2</a> <a href="/">3</a> <a href="/">4</a> <a href="/">5</a> <a href="/">6</a>""" }; region main as main { slot } }\nroute / { title "Home"; piece a """<h1>Seed</h1>""" }',
			mended:
				'layout f at / { description "Seed that is lent."; skip "Skip to the content"; region menu as nav { piece a """<a href="/">1</a> <a href="/">2</a> <a href="/">3</a> <a href="/">4</a> <a href="/">5</a> <a href="/">6</a>""" }; region main as main { slot } }\nroute / { title "Home"; piece a """<h1>Seed</h1>""" }'
		}
	},
	find(page) {
		const [outermost] = page.page.chain;
		const slot = outermost && slotOf(outermost);
		if (!slot) return [];
		const content = page.elements.findIndex(
			(element) =>
				attributeOf(element, 'data-layout') === outermost.name.text &&
				attributeOf(element, 'data-region') === slot.name.text
		);
		const before = page.elements.slice(0, Math.max(0, content));
		if (before.some((element) => classesOf(element).includes(skipClass))) return [];
		const links = before.filter(
			(element) => element.name === 'a' && attributeOf(element, 'href') !== undefined
		);
		if (links.length <= most) return [];
		const { text, span } = outermost.name;
		return [
			{
				problem: warning('skip-missing', span, text, links.length),
				cause: '',
				weight: links.length
			}
		];
	},
	mend: ({ details: [layout] }, { structure }) => {
		const found = structure.layoutsByName.get(String(layout));
		return (
			found && {
				kind: 'set-setting',
				box: { layout: found.name.text, box: undefined },
				setting: 'skip',
				value: '"Skip to the content"',
				band: structure.site.settings.bands[0]?.name.text ?? 'all'
			}
		);
	}
};
