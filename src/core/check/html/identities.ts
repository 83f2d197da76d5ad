import { warning } from '../../messages/problem.ts';
import type { Span } from '../../model/span.ts';
import { nearest } from '../../lib/nearest.ts';
import { layerName } from '../../model/site.ts';
import { attributeOf, type Element } from '../../author-styles/page-tree.ts';
import type { PageCheck } from '../check.ts';
import { plainPage } from '../example.ts';
import { withOther } from '../subject/attribute-mends.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import type { WrittenPage } from '../subject/written-page.ts';

/** HTML, section 3.2.6, and WAI-ARIA 1.2, section 6.3: attributes that name other elements of the page by their ids. */
const naming: ReadonlySet<string> = new Set([
	'for',
	'form',
	'list',
	'headers',
	'popovertarget',
	'aria-activedescendant',
	'aria-controls',
	'aria-describedby',
	'aria-details',
	'aria-errormessage',
	'aria-flowto',
	'aria-labelledby',
	'aria-owns'
]);

export const idTwice: PageCheck = {
	of: 'page',
	codes: ['id-twice'],
	what: 'Each id stands once on a page, whichever layers bring it.',
	why: 'Links, labels and styles find the first alone, and the other is never meant.',
	examples: {
		'id-twice': {
			wrong: plainPage('<h1 id="seed">Seed</h1><p id="seed">Beans</p>'),
			mended: plainPage('<h1 id="seed">Seed</h1><p id="beans">Beans</p>')
		}
	},
	find(page) {
		const first = new Map<string, Element>();
		return page.elements.flatMap((element): Occurrence[] => {
			const id = attributeOf(element, 'id');
			if (id === undefined || id === '') return [];
			const other = first.get(id);
			if (!other) {
				first.set(id, element);
				return [];
			}
			const [layer, here] = [other, element].map((one) => page.ownerOf(one)?.layer);
			const elsewhere = layer && layer !== here ? layerName(layer) : '';
			const told = warning('id-twice', page.placeOf(element), id, elsewhere);
			// Of two that one tag writes, as in a list, none can be called otherwise there.
			const isOne = isSamePlace(page.placeOf(other), told.span);
			const own = unlike(id, idsOf(page));
			const problem = isOne ? told : withOther(told, page, element, ['id', own], `Call this one ${own}`); // prettier-ignore
			return [{ problem, box: page.boxOf(element) }];
		});
	}
};

function isSamePlace(one: Span, other: Span): boolean {
	return one.file === other.file && one.from === other.from;
}

/** An id with a number behind it that no id on the page has. */
function unlike(id: string, ids: ReadonlySet<string>): string {
	let number = 2;
	while (ids.has(`${id}-${number}`)) number++;
	return `${id}-${number}`;
}

export const referenceNowhere: PageCheck = {
	of: 'page',
	codes: ['reference-nowhere'],
	what: 'What an attribute names by its id is on the page.',
	why: 'A label for nothing labels nothing, and a name from nowhere is no name.',
	examples: {
		'reference-nowhere': {
			wrong: plainPage('<h1>Seed</h1><section aria-labelledby="bean"><h2 id="beans">Beans</h2></section>'), // prettier-ignore
			mended: plainPage('<h1>Seed</h1><section aria-labelledby="beans"><h2 id="beans">Beans</h2></section>') // prettier-ignore
		}
	},
	find(page) {
		const ids = idsOf(page);
		return page.elements.flatMap((element) =>
			Object.entries(element.attribs).flatMap(([name, value]): Occurrence[] => {
				if (!naming.has(name)) return [];
				const lost = value.split(/\s+/).find((id) => id !== '' && !ids.has(id));
				if (lost === undefined) return [];
				const told = warning('reference-nowhere', page.placeOf(element), name, lost);
				const meant = nearest(lost, [...ids]);
				const problem =
					meant === undefined
						? told
						: withOther(told, page, element, [name, value.replace(lost, () => meant)], `Name ${meant}`); // prettier-ignore
				return [{ problem, box: page.boxOf(element) }];
			})
		);
	}
};

function idsOf(page: WrittenPage): ReadonlySet<string> {
	return new Set(page.elements.flatMap((element) => attributeOf(element, 'id') ?? []));
}
