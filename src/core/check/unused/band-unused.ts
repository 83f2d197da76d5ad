import { hint } from '../../messages/problem.ts';
import { plainLayout, wholeExample } from '../example.ts';
import type { WholeCheck } from '../check.ts';
import { namesIn } from './names-in.ts';

const head = 'site "Seed library" { lang en; bands { narrow 0; medium 600; wide 1000 } }';
const aside = (more: string): string =>
	plainLayout(
		`region side as aside { pad 8px; pad 16px @wide;${more} piece hours """<p>Two to six.</p>""" }`
	);

export const bandUnused: WholeCheck = {
	of: 'whole',
	codes: ['band-unused'],
	what: 'Something is said for each band but the first, where anything is said for one.',
	why: 'A band in which nothing changes is a column more in every table, and another screen to look at.',
	examples: {
		'band-unused': {
			wrong: wholeExample(`${head}\n${aside('')}`),
			mended: wholeExample(`${head}\n${aside(' pad 12px @medium;')}`)
		}
	},
	find({ site, reading }) {
		const [, ...later] = site.settings.bands;
		const used = namesIn(reading.files, /@([\w-]+)/g);
		// A site that says nothing for any of its bands has just been begun.
		if (!later.some(({ name }) => used.has(name.text))) return [];
		return later
			.filter(({ name }) => !used.has(name.text))
			.map(({ name, from }) => hint('band-unused', name.span, name.text, from));
	},
	mend: ({ details: [band] }) => ({ kind: 'remove-band', band: String(band) })
}; // prettier-ignore
