import { plainPage } from '../example.ts';
import { error, type Problem } from '../../messages/problem.ts';
import { layerName, type Route } from '../../model/site.ts';
import type { SiteCheck } from '../check.ts';

export const addressTwice: SiteCheck = {
	of: 'site',
	codes: ['address-twice'],
	what: 'No two pages have one address.',
	why: 'One of them would never be seen.',
	examples: {
		'address-twice': {
			wrong: `${plainPage('<h1>Seed</h1>')}\nroute /kinds/:kind { samples "kale", "all" }\nroute /kinds/all { title "All" }`,
			mended: `${plainPage('<h1>Seed</h1>')}\nroute /kinds/:kind { samples "kale" }\nroute /kinds/all { title "All" }`
		}
	},
	find({ site, instances }) {
		const problems: Problem[] = [];
		const seen = new Map<string, Route>();
		for (const route of site.routes) {
			for (const { address } of instances(route)) {
				const other = seen.get(address);
				if (!other) {
					seen.set(address, route);
					continue;
				}
				// What gives the addresses of many pages is what can be changed.
				const [at, by] = route.pages.kind === 'one' ? [other, route] : [route, other];
				const span = at.pages.kind === 'one' ? at.patternSpan : at.pages.span;
				problems.push(error('address-twice', span, address, layerName(at), layerName(by)));
			}
		}
		return problems;
	}
};
