import { hint } from '../../messages/problem.ts';
import { layersOf } from '../../model/site.ts';
import { hasSeenBy, rolesOf } from '../../resolve/roles.ts';
import { plainSite } from '../example.ts';
import type { WholeCheck } from '../check.ts';

const site = (admit: string): string =>
	plainSite(
		'roles { visitor; keeper }',
		`layout frame at / { description "Seed that is lent."; region main as main { slot } }\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }\nroute /desk { title "Desk"; ${admit}piece text """<h1>Desk</h1> <a href="/">Home</a>""" }`
	);

export const rolesIdle: WholeCheck = {
	of: 'whole',
	codes: ['roles-idle'],
	what: 'Where a site has roles, something is for some of them.',
	why: 'It looks as if pages were closed, and everyone may see all of them.',
	examples: { 'roles-idle': { wrong: site(''), mended: site('admit keeper; ') } },
	find({ site }) {
		const [first] = site.settings.roles;
		if (!first) return [];
		const used = layersOf(site).some((layer) => rolesOf(layer).length > 0 || hasSeenBy(layer));
		return used ? [] : [hint('roles-idle', first.span)];
	}
};
