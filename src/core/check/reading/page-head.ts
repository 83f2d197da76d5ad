import { hint, warning } from '../../messages/problem.ts';
import { layerName, layerSpan, pagesOf } from '../../model/site.ts';
import { nothing, type AcrossCheck, type WholeCheck } from '../check.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import type { PageFacts } from '../subject/page-facts.ts';
import { plainFrame } from '../example.ts';
import { languageGuess } from '../libraries.ts';
import { otherLanguages } from './written-languages.ts';

export const titleMissing: WholeCheck = {
	of: 'whole',
	codes: ['title-missing'],
	what: 'Each page has a title.',
	why: 'Tabs, bookmarks, search engines and lists of links name the page by it.',
	examples: {
		'title-missing': {
			wrong: `${plainFrame}\nroute / { piece a """<h1>Seed</h1>""" }`,
			mended: `${plainFrame}\nroute / { title "Home"; piece a """<h1>Seed</h1>""" }`
		}
	},
	find: ({ site }) =>
		pagesOf(site)
			.filter(({ title }) => !title)
			.map((page) => warning('title-missing', layerSpan(page), layerName(page)))
};

export const titleTwice: AcrossCheck = {
	of: 'across',
	codes: ['title-twice'],
	what: 'No two pages have the same title.',
	why: 'In tabs, in bookmarks and among what a search finds nobody can tell them apart.',
	examples: {
		'title-twice': {
			wrong: `${plainFrame}\nroute / { title "Seed"; piece a """<h1>Home <a href="/all">All</a></h1>""" }\nroute /all { title "Seed"; piece a """<h1>All</h1>""" }`,
			mended: `${plainFrame}\nroute / { title "Seed"; piece a """<h1>Home <a href="/all">All</a></h1>""" }\nroute /all { title "All seed"; piece a """<h1>All</h1>""" }`
		}
	},
	find(pages) {
		const first = new Map<string, PageFacts>();
		const found = new Set<string>();
		return pages.flatMap((facts): Occurrence[] => {
			const { page, title, titleSpan, name, address } = facts;
			const other = first.get(title);
			if (!other) first.set(title, facts);
			// A page without a title is another matter, and a route may stand for many pages of one pattern.
			if (!other || !page.title || page.kind === 'state' || found.has(name)) return [];
			if (other.name === name && other.address === address) return [];
			found.add(name);
			const where = other.name === name ? other.address : other.name;
			return [{ problem: warning('title-twice', titleSpan, title, where), page: name, address }];
		});
	}
};

export const descriptionMissing: AcrossCheck = {
	of: 'across',
	codes: ['description-missing'],
	what: 'Each page has a description, its own or one of its layouts.',
	why: 'Search engines show it below the title; without one they take some words of the page.',
	examples: {
		'description-missing': {
			wrong: `layout frame at / { region main as main { slot } }\nroute / { title "Home"; piece a """<h1>Seed</h1>""" }`,
			mended: `layout frame at / { region main as main { slot } }\nroute / { title "Home"; description "Seed that is lent."; piece a """<h1>Seed</h1>""" }`
		}
	},
	find(pages) {
		const routes = pages.filter(({ page }) => page.kind === 'route');
		const without = routes.filter(({ description }) => description === '');
		const under = countBy(routes, ({ frame }) => frame);
		const lacking = countBy(without, ({ frame }) => frame);
		return without.map(({ page, frame, name, address }): Occurrence => {
			// Where none of those under a frame has one, the frame could say one for all: it is one finding.
			const count = under.get(frame) ?? 0;
			const isOfFrame = count > 1 && lacking.get(frame) === count;
			const whole = isOfFrame ? frame : undefined;
			const span = layerSpan(whole ?? page);
			const what = whole ? `What sits under ${whole.name.text}` : name;
			return { problem: hint('description-missing', span, what), page: name, address };
		});
	}
};

export const langMissing: WholeCheck = {
	of: 'whole',
	codes: ['lang-missing'],
	what: 'The site says the language of its text.',
	why: 'Pages are read aloud, hyphenated and translated by it; without it the text is taken for English.',
	examples: {
		'lang-missing': {
			wrong: `site "Seed" { bands { narrow 0; wide 1000 } }\n${plainFrame}\nroute / { title "Home"; description "Seed"; piece a """<h1>Seed</h1>""" }`,
			mended: `site "Seed" { lang en; bands { narrow 0; wide 1000 } }\n${plainFrame}\nroute / { title "Home"; description "Seed"; piece a """<h1>Seed</h1>""" }`
		}
	},
	find: ({ site: { settings } }) =>
		settings.langSpan ? nothing : [warning('lang-missing', settings.name.span)],
	// What is written is most likely in that language; the edit shows which before it is made.
	mend(_problem, { site }) {
		const guess = languageGuess();
		const value = (guess && otherLanguages(site, 'en', guess).all) ?? 'en';
		return { kind: 'set-site', part: 'lang', value };
	}
};

function countBy<T, K>(all: readonly T[], keyOf: (one: T) => K): Map<K, number> {
	const counts = new Map<K, number>();
	for (const one of all) counts.set(keyOf(one), (counts.get(keyOf(one)) ?? 0) + 1);
	return counts;
}
