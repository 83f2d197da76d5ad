import { hint } from '../../messages/problem.ts';
import { plainPage } from '../example.ts';
import type { WholeCheck } from '../check.ts';
import { namesIn } from './names-in.ts';

const head =
	'site "Seed library" { lang en; bands { narrow 0; wide 1000 }; tokens { --leaf: #2f6b3a } }';

export const tokenUnused: WholeCheck = {
	of: 'whole',
	codes: ['token-unused'],
	what: 'Something uses each token.',
	why: 'Whoever changes it wonders why nothing happens.',
	examples: {
		'token-unused': {
			wrong: `${head}\n${plainPage('<h1>Seed</h1>')}`,
			mended: `${head}\n${plainPage('<h1>Seed</h1>', 'style """ h1 { color: var(--leaf); } """')}`
		}
	},
	find({ site, reading }) {
		const { tokens, night } = site.settings;
		const first = new Map(
			[...tokens, ...night].reverse().map(({ name }) => [name.text, name.span])
		);
		if (first.size === 0) return [];
		const used = namesIn(reading.files, /var\(\s*(--[\w-]+)/g);
		return [...first]
			.filter(([name]) => !used.has(name))
			.map(([name, span]) => hint('token-unused', span, name));
	},
	mend: ({ details: [name] }) => ({ kind: 'remove-token', name: String(name) })
};
