import { hint } from '../../messages/problem.ts';
import { plainPage } from '../example.ts';
import type { WholeCheck } from '../check.ts';

const two = `${plainPage('<h1>Seed</h1><p><a href="/visit">Visit</a></p>')}
route /visit { title "Visit"; piece text """<h1>Visit</h1><p><a href="/">Home</a></p>""" }`;

export const notFoundMissing: WholeCheck = {
	of: 'whole',
	codes: ['not-found-missing'],
	what: 'A site of several pages has one for addresses at which there is none.',
	why: 'Whoever follows an old link sees a bare page of the server, without a way back into the site.',
	examples: {
		'not-found-missing': {
			wrong: two,
			mended: `${two}\nstate not-found at / { title "Not found"; piece text """<h1>Not found</h1><p><a href="/">Home</a></p>""" }`
		}
	},
	find({ site }) {
		const { routes, states } = site;
		if (routes.length < 2 || states.some(({ state }) => state.text === 'not-found')) return [];
		return [hint('not-found-missing', site.settings.name.span)];
	},
	mend: () => ({ kind: 'add-state', state: 'not-found', at: '/' })
};
