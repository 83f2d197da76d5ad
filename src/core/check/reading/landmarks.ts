import { warning } from '../../messages/problem.ts';
import { layerSpan } from '../../model/site.ts';
import { attributeOf, outward, type Element } from '../../author-styles/page-tree.ts';
import type { PageCheck } from '../check.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import type { WrittenPage } from '../subject/written-page.ts';
import { plainPage } from '../example.ts';

/** HTML Accessibility API Mappings 1.0: elements that are landmarks wherever they stand. */
const landmarks = ['nav', 'aside'] as const;

function nameOf(element: Element): string {
	return (
		attributeOf(element, 'aria-label') ??
		attributeOf(element, 'aria-labelledby') ??
		''
	).trim();
}

export const landmarkUnnamed: PageCheck = {
	of: 'page',
	codes: ['landmark-unnamed'],
	what: 'Where a page has several landmarks of a kind, each has a name.',
	why: 'Those who listen get a list of landmarks, and cannot tell two of one kind apart.',
	examples: {
		'landmark-unnamed': {
			wrong:
				'layout f at / { description "Seed that is lent."; region main as main { slot }; region news as aside { label "News"; piece a """<p>New</p>""" }; region side as aside { piece b """<p>Open</p>""" } }\nroute / { title "Home"; piece a """<h1>Seed</h1>""" }',
			mended:
				'layout f at / { description "Seed that is lent."; region main as main { slot }; region news as aside { label "News"; piece a """<p>New</p>""" }; region side as aside { label "Hours"; piece b """<p>Open</p>""" } }\nroute / { title "Home"; piece a """<h1>Seed</h1>""" }'
		}
	},
	find: (page) =>
		landmarks.flatMap((name) => {
			const all = page.named(name).filter(({ children }) => children.length > 0);
			if (all.length < 2) return [];
			return all
				.filter((element) => nameOf(element) === '')
				.map((element): Occurrence => {
					const problem = warning('landmark-unnamed', page.placeOf(element), name, all.length);
					return { problem, box: page.boxOf(element), cause: name, weight: all.length };
				});
		})
};

export const mainPart: PageCheck = {
	of: 'page',
	codes: ['main-missing', 'main-twice'],
	what: 'A page has one main part.',
	why: 'Those who listen, and links that lead past the menu, go to it.',
	examples: {
		'main-missing': {
			wrong:
				'layout f at / { description "Seed that is lent."; region main as div { slot } }\nroute / { title "Home"; piece a """<h1>Seed</h1>""" }',
			mended: plainPage('<h1>Seed</h1>')
		},
		'main-twice': {
			wrong: plainPage('<main><h1>Seed</h1></main>'),
			mended: plainPage('<h1>Seed</h1>')
		}
	},
	find(page) {
		const [first, ...others] = page.elements.filter(isMain);
		if (!first) return [missing(page)];
		return others.map((element): Occurrence => ({
			problem: warning('main-twice', page.placeOf(element)),
			box: page.boxOf(element)
		}));
	}
};

function isMain(element: Element): boolean {
	if (element.name !== 'main' && attributeOf(element, 'role') !== 'main') return false;
	return ![...outward(element)].some((one) => attributeOf(one, 'hidden') !== undefined);
}

/** Of pages that sit under a layout it is the frame that lacks it, so it is said once. */
function missing(page: WrittenPage): Occurrence {
	const outermost = page.page.chain[0];
	return { problem: warning('main-missing', layerSpan(outermost ?? page.declared)) };
}
