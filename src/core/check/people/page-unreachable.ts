import { hint } from '../../messages/problem.ts';
import { layerSpan } from '../../model/site.ts';
import { plainFrame } from '../example.ts';
import type { AcrossCheck } from '../check.ts';
import { Addresses } from '../subject/link-target.ts';
import type { Occurrence } from '../subject/occurrence.ts';

const pages = (link: string): string =>
	`${plainFrame}
route / { title "Home"; piece text """<h1>Seed</h1>${link}""" }
route /visit { title "Visit"; piece text """<h1>Visit</h1>""" }`;

export const pageUnreachable: AcrossCheck = {
	of: 'across',
	codes: ['page-unreachable'],
	what: 'Some other page links to each page.',
	why: 'Nobody comes there who does not know its address.',
	examples: {
		'page-unreachable': { wrong: pages(''), mended: pages('<a href="/visit">Visit</a>') }
	},
	find(all, resolved) {
		const addresses = Addresses.of(resolved);
		const linked = new Set<unknown>();
		const asked = new Map<string, unknown>();
		for (const { page, links } of all) {
			for (const { path } of links) {
				if (!asked.has(path)) asked.set(path, addresses.routeAt(path));
				const route = asked.get(path);
				if (route !== page) linked.add(route);
			}
		}
		const told = new Set<unknown>();
		return all.flatMap(({ page, name, address }): Occurrence[] => {
			if (page.kind === 'state' || address === '/' || linked.has(page) || told.has(page)) return [];
			told.add(page);
			return [{ problem: hint('page-unreachable', layerSpan(page), name), page: name, address }];
		});
	}
};
