import { hint } from '../../messages/problem.ts';
import { plainPage } from '../example.ts';
import type { WholeCheck } from '../check.ts';
import { namesIn } from './names-in.ts';

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
		const used = namesIn(reading.files, /\bdata\.([\w-]+)/g);
		return site.data
			.filter(({ name }) => !used.has(name.text))
			.map(({ name }) => hint('data-unused', name.span, name.text));
	},
	mend: ({ details: [name] }) => ({ kind: 'remove-data', name: String(name) })
};
