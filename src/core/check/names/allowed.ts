import { catalogue } from '../../messages/catalogue.ts';
import { error, type Problem } from '../../messages/problem.ts';
import { layersOf } from '../../model/site.ts';
import { canBeAllowed } from '../allowances.ts';
import { plainPage } from '../example.ts';
import type { SiteCheck } from '../check.ts';

const setAside = (code: string): string =>
	plainPage('<h1>Seed</h1><p></p>', `allow ${code} "a poem keeps its lines"`);

export const allowed: SiteCheck = {
	of: 'site',
	codes: ['allow-unknown', 'allow-error'],
	what: 'Only findings that can be ignored are ignored.',
	why: 'A slip of the pen would leave the finding where it is, and an error keeps the page from being right.',
	examples: {
		'allow-unknown': { wrong: setAside('measure-long'), mended: plainPage('<h1>Seed</h1>') },
		'allow-error': { wrong: setAside('size-invalid'), mended: plainPage('<h1>Seed</h1>') }
	},
	find: ({ site }) =>
		[...[site.settings, ...layersOf(site), ...site.parts].flatMap(({ allows }) => allows)].flatMap(
			({ code }): Problem[] => {
				if (canBeAllowed(code.text)) return [];
				return Object.hasOwn(catalogue.error, code.text)
					? [error('allow-error', code.span, code.text)]
					: [error('allow-unknown', code.span, code.text, nearest(code.text))];
			}
		)
};

/** The code that a word is most like; none where it is like no other. */
function nearest(word: string): string {
	const codes = [...Object.keys(catalogue.warning), ...Object.keys(catalogue.hint)].filter(
		canBeAllowed
	);
	const parts = new Set(word.split('-'));
	const shared = (code: string): number => code.split('-').filter((part) => parts.has(part)).length;
	const [best] = codes.sort((a, b) => shared(b) - shared(a));
	return best !== undefined && shared(best) > 0 ? best : '';
}
