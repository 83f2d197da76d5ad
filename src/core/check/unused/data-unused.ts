import { hint } from '../../messages/problem.ts';
import { plainPage } from '../example.ts';
import type { WholeCheck } from '../check.ts';

const head = 'data kinds from "data/kinds.json"';
const files = { 'data/kinds.json': '["Bean", "Pea"]' };

export const dataUnused: WholeCheck = {
	of: 'whole',
	codes: ['data-unused'],
	what: 'Something uses each source of data.',
	why: 'It is asked for and kept, and nobody sees anything of it.',
	examples: {
		'data-unused': {
			wrong: `${head}\n${plainPage('<h1>Seed</h1>')}`,
			mended: `${head}\n${plainPage('<h1>Seed</h1> <ul>{for kind in data.kinds}<li>{kind}</li>{end}</ul>')}`,
			files
		}
	},
	find({ site, reading }) {
		if (site.data.length === 0) return [];
		const used = new Set(
			[...reading.files.texts.values()].flatMap((text) =>
				[...text.matchAll(/\bdata\.([\w-]+)/g)].map(([, name]) => name)
			)
		);
		return site.data
			.filter(({ name }) => !used.has(name.text))
			.map(({ name }) => hint('data-unused', name.span, name.text));
	},
	mend: ({ details: [name] }) => ({ kind: 'remove-data', name: String(name) })
};
