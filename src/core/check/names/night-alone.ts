import { plainPage, plainSite } from '../example.ts';
import { warning } from '../../messages/problem.ts';
import type { SiteCheck } from '../check.ts';

export const nightAlone: SiteCheck = {
	of: 'site',
	codes: ['night-alone'],
	what: 'Every token with a value for the night has one for the day.',
	why: 'What refers to it would have no value by day.',
	examples: {
		'night-alone': {
			wrong: plainSite(
				'tokens { --ink @night: white }',
				plainPage('<h1>Seed</h1>', 'style """ h1 { color: var(--ink); } """')
			),
			mended: plainSite(
				'tokens { --ink: black; --ink @night: white }',
				plainPage('<h1>Seed</h1>', 'style """ h1 { color: var(--ink); } """')
			)
		}
	},
	find({ site }) {
		const { tokens, night } = site.settings;
		const known = new Set(tokens.map(({ name }) => name.text));
		return night
			.filter(({ name }) => !known.has(name.text))
			.map(({ name }) => warning('night-alone', name.span, name.text));
	}
};
