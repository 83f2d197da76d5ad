import { hint, warning, type Mend } from '../../messages/problem.ts';
import type { Span } from '../../model/span.ts';
import { layerName } from '../../model/site.ts';
import type { Element } from '../../author-styles/page-tree.ts';
import type { PageCheck } from '../check.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import { textIn, type WrittenPage } from '../subject/written-page.ts';
import { plainPage } from '../example.ts';

/** HTML, section 4.3.11: the level of a heading. */
function levelOf({ name }: Element): number {
	return Number(name.slice(1));
}

function headingsOf(page: WrittenPage): Element[] {
	return page.named('h1', 'h2', 'h3', 'h4', 'h5', 'h6');
}

export const headingTwice: PageCheck = {
	of: 'page',
	codes: ['heading-twice'],
	what: 'A page has one heading of the first level.',
	why: 'It says what the page is about, to those who listen and to search engines; two say nothing.',
	examples: {
		'heading-twice': {
			wrong: plainPage('<h1>Seed</h1><h1>Swap day</h1>'),
			mended: plainPage('<h1>Seed</h1><h2>Swap day</h2>')
		}
	},
	find(page) {
		const all = headingsOf(page).filter((one) => levelOf(one) === 1);
		const own = all.filter((one) => page.ownerOf(one)?.layer === page.declared);
		// Where a page has one of its own, that of a frame is one too many, on every page that it covers.
		const [first, ...others] = own.length > 0 ? [...own, ...all.filter((one) => !own.includes(one))] : all; // prettier-ignore
		if (!first) return [];
		return others.map((element): Occurrence => {
			const layer = page.ownerOf(element)?.layer;
			const frame = own.length > 0 && layer !== page.declared ? layer : undefined;
			const words = textIn(frame ? element : first)
				.trim()
				.slice(0, 40);
			const place = page.placeOf(element);
			const problem = warning('heading-twice', place, words, frame ? layerName(frame) : '');
			return { problem, box: page.boxOf(element), cause: '' };
		});
	}
};

/** The heading with another level, both of its tags; `tag` is its first. */
function levelMend(page: WrittenPage, tag: Span, is: number, meant: number): Mend | undefined {
	const text = page.resolved.reading.files.texts.get(tag.file) ?? '';
	// Headings do not stand in headings, so the next end tag is its own.
	const end = text.slice(tag.from).search(new RegExp(`</h${is}\\s*>`, 'i'));
	if (end === -1) return undefined;
	const span = { file: tag.file, from: tag.from, to: tag.from + end + `</h${is}`.length };
	const inner = text.slice(tag.to, tag.from + end);
	return { label: `Make it level ${meant}`, span, insert: `<h${meant}${inner}</h${meant}` };
}

export const headingSkips: PageCheck = {
	of: 'page',
	codes: ['heading-skips'],
	what: 'Levels of headings go down one at a time, in each region.',
	why: 'Those who listen go from heading to heading, and look for one that is not there.',
	examples: {
		'heading-skips': {
			wrong: plainPage('<h1>Seed</h1><h3>Beans</h3>'),
			mended: plainPage('<h1>Seed</h1><h2>Beans</h2>')
		}
	},
	find(page) {
		// What stands beside the content begins anew: a menu may come before the first heading.
		const last = new Map<string, { readonly level: number; readonly element: Element }>();
		return headingsOf(page).flatMap((element): Occurrence[] => {
			const box = page.boxOf(element);
			const key = `${box?.layout} ${box?.region}`;
			const level = levelOf(element);
			const before = last.get(key);
			last.set(key, { level, element });
			if (before === undefined || level <= before.level + 1) return [];
			const [own, around] = [element, before.element].map((one) => page.ownerOf(one)?.layer);
			// Between two layers either may change: who reads it learns which is the other.
			const other = around && around !== own ? layerName(around) : '';
			const problem = hint('heading-skips', page.placeOf(element), level, before.level, other);
			const mend = page.tree.origins.has(element) ? levelMend(page, problem.span, level, before.level + 1) : undefined; // prettier-ignore
			return [{ problem: { ...problem, ...(mend && { mend }) }, box }];
		});
	}
};
