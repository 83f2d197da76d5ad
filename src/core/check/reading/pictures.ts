import { hint, warning, type Problem } from '../../messages/problem.ts';
import { picturesIn } from '../../laid/picture-sizes.ts';
import { attributeOf, type Element } from '../../author-styles/page-tree.ts';
import { reached } from '../../author-styles/reached.ts';
import type { PageCheck } from '../check.ts';
import { withMore } from '../subject/attribute-mends.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import type { WrittenPage } from '../subject/written-page.ts';
import { plainPage } from '../example.ts';

const files = { 'pod.svg': '<svg xmlns="http://www.w3.org/2000/svg" width="8" height="8"/>' };
const pageWith = (picture: string): string => plainPage(`<h1>Seed</h1> ${picture}`);

export const imageNoAlt: PageCheck = {
	of: 'page',
	codes: ['image-no-alt'],
	what: 'Each picture says what it shows, or that it shows nothing that matters.',
	why: 'Those who do not see it hear its file name in its place.',
	examples: {
		'image-no-alt': {
			wrong: pageWith('<img src="pod.svg" width="8" height="8">'),
			mended: pageWith('<img src="pod.svg" alt="An open pod" width="8" height="8">'),
			files
		}
	},
	find: (page) =>
		pictures(page, (element, file) =>
			isSpoken(element) && attributeOf(element, 'alt') === undefined && !hasName(element)
				? withMore(
						warning('image-no-alt', page.placeOf(element), file),
						page,
						element,
						{ alt: '' },
						'It shows nothing that matters'
					)
				: undefined
		)
};

export const imageNoSize: PageCheck = {
	of: 'page',
	codes: ['image-no-size'],
	what: 'Each picture says its width and height, or a style does.',
	why: 'Until it has loaded browsers leave no room for it, and then everything jumps.',
	examples: {
		'image-no-size': {
			wrong: pageWith('<img src="pod.svg" alt="An open pod">'),
			mended: pageWith('<img src="pod.svg" alt="An open pod" width="8" height="8">'),
			files
		}
	},
	find(page) {
		const sized = sizedByStyle(page);
		return pictures(page, (element, file) => {
			const both = ['width', 'height'].every((one) => attributeOf(element, one) !== undefined);
			const style = attributeOf(element, 'style') ?? '';
			if (both || sized.has(element) || /aspect-ratio|(^|[;\s])height\s*:/.test(style))
				return undefined;
			const problem = hint('image-no-size', page.placeOf(element), file);
			const size = picturesIn(page.resolved.reading.files.assets)(file);
			if (
				!size ||
				attributeOf(element, 'width') !== undefined ||
				attributeOf(element, 'height') !== undefined
			)
				return problem;
			const { width, height } = size;
			return withMore(problem, page, element, { width, height });
		});
	}
};

function pictures(
	page: WrittenPage,
	problemOf: (element: Element, file: string) => Problem | undefined
): Occurrence[] {
	return page.named('img').flatMap((element): Occurrence[] => {
		const file = attributeOf(element, 'src') ?? '';
		const problem = problemOf(element, file.startsWith('data:') ? 'of its own text' : file);
		return problem ? [{ problem, box: page.boxOf(element) }] : [];
	});
}

function isSpoken(element: Element): boolean {
	return (
		attributeOf(element, 'aria-hidden') !== 'true' &&
		attributeOf(element, 'role') !== 'presentation'
	);
}

function hasName(element: Element): boolean {
	return ['aria-label', 'aria-labelledby'].some((name) => attributeOf(element, name) !== undefined);
}

/** Elements whose height a style sets, by itself or by their width. */
function sizedByStyle(page: WrittenPage): ReadonlySet<Element> {
	const found = new Set<Element>();
	for (const rule of page.allRules) {
		const sizes = rule.declarations.some(
			({ property, value }) =>
				/^(height|block-size|aspect-ratio)$/.test(property) && value !== 'auto'
		);
		if (!sizes) continue;
		for (const { element, passing } of reached(rule, page.tree)) if (!passing) found.add(element);
	}
	return found;
}
