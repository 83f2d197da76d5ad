import { hint, warning } from '../../messages/problem.ts';
import { attributeOf } from '../../author-styles/page-tree.ts';
import { nearest } from '../../lib/nearest.ts';
import type { AcrossCheck, PageCheck } from '../check.ts';
import { Addresses, linkTarget } from '../subject/link-target.ts';
import { withOther } from '../subject/attribute-mends.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import { plainFrame } from '../example.ts';

export const linkNowhere: PageCheck = {
	of: 'page',
	codes: ['link-nowhere'],
	what: 'Each link to a place of the site leads to a page or a file.',
	why: 'Whoever follows it finds that there is no such page.',
	examples: {
		'link-nowhere': {
			wrong: `${plainFrame}\nroute / { title "Home"; piece a """<h1>Seed</h1> <a href="/visitt">Visit</a>""" }`,
			mended: `${plainFrame}\nroute / { title "Home"; piece a """<h1>Seed</h1> <a href="/visit">Visit</a>""" }\nroute /visit { title "Visit"; piece a """<h1>Visit</h1>""" }`
		}
	},
	find(page) {
		const addresses = Addresses.of(page.resolved);
		return page.named('a', 'area').flatMap((element): Occurrence[] => {
			const href = attributeOf(element, 'href');
			const target = linkTarget(href, page.instance.address);
			// An id alone stays on the page, also where that stands for another one.
			if (!target || href === undefined || href.startsWith('#') || href === '') return [];
			if (addresses.routeAt(target.path) || addresses.hasFile(target.path)) return [];
			if (addresses.movedTo(target.path) !== undefined) return [];
			const told = warning('link-nowhere', page.placeOf(element), href);
			const meant = nearest(target.path, addresses.all);
			const behind = /[?#].*$/s.exec(href)?.[0] ?? '';
			const problem =
				meant === undefined
					? told
					: withOther(told, page, element, ['href', meant + behind], `Lead to ${meant}`);
			return [{ problem, box: page.boxOf(element) }];
		});
	}
};

export const linkMoved: PageCheck = {
	of: 'page',
	codes: ['link-moved'],
	what: 'Each link is written to lead to where its page is now.',
	why: 'An old address is read by whoever edits the text, and is gone once nobody says any more that it moved.',
	examples: {
		'link-moved': {
			wrong: `${plainFrame}\nroute / { title "Home"; piece a """<h1>Seed</h1> <a href="/find-us">Visit</a>""" }\nroute /visit { moved "/find-us"; title "Visit"; piece a """<h1>Visit</h1>""" }`,
			mended: `${plainFrame}\nroute / { title "Home"; piece a """<h1>Seed</h1> <a href="/visit">Visit</a>""" }\nroute /visit { moved "/find-us"; title "Visit"; piece a """<h1>Visit</h1>""" }`
		}
	},
	find(page) {
		const addresses = Addresses.of(page.resolved);
		return page.named('a', 'area').flatMap((element): Occurrence[] => {
			const href = attributeOf(element, 'href');
			const target = linkTarget(href, page.instance.address);
			if (!target || href === undefined || addresses.routeAt(target.path)) return [];
			const now = addresses.hasFile(target.path) ? undefined : addresses.movedTo(target.path);
			if (now === undefined) return [];
			const behind = /[?#].*$/s.exec(href)?.[0] ?? '';
			const told = hint('link-moved', page.placeOf(element), href, now);
			const problem = withOther(told, page, element, ['href', now + behind], `Lead to ${now}`);
			return [{ problem, box: page.boxOf(element) }];
		});
	},
	// Delivered, the link is the same.
	isSafe: () => true
};

export const anchorNowhere: AcrossCheck = {
	of: 'across',
	codes: ['anchor-nowhere'],
	what: 'Where a link leads to a place on a page, something there has that id.',
	why: 'Whoever follows it lands at the top and looks for what was promised.',
	examples: {
		'anchor-nowhere': {
			wrong: `${plainFrame}\nroute / { title "Home"; piece a """<h1>Seed</h1> <a href="#hours">Hours</a> <h2 id="opening">Hours</h2>""" }`,
			mended: `${plainFrame}\nroute / { title "Home"; piece a """<h1>Seed</h1> <a href="#hours">Hours</a> <h2 id="hours">Hours</h2>""" }`
		}
	},
	find(pages) {
		const byAddress = new Map(
			pages.flatMap((one) => (one.page.kind === 'route' ? [[one.address, one] as const] : []))
		);
		return pages.flatMap((page) =>
			page.links.flatMap(({ path, id, span }): Occurrence[] => {
				if (id === undefined || id === 'top') return [];
				const target = path === page.address ? page : byAddress.get(path);
				if (!target || target.ids.has(id)) return [];
				return [
					{
						problem: warning('anchor-nowhere', span, id, target.name),
						page: page.name,
						address: page.address
					}
				];
			})
		);
	}
};
