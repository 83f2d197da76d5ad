import { plainFrame } from '../example.ts';
import { hint, type Problem } from '../../messages/problem.ts';
import { layerName, type Layer } from '../../model/site.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { Span } from '../../model/span.ts';
import { nothing, type WholeCheck } from '../check.ts';
import { languageGuess } from '../libraries.ts';
import { otherLanguages, textOf } from './written-languages.ts';

const words =
	'Die Saatgutbibliothek verleiht im Frühling Saatgut und bittet im Herbst um etwas davon zurück. Wer Bohnen leiht, baut sie an, behält die besten Hülsen, trocknet sie und bringt eine Handvoll zurück. Verkauft wird nichts, und niemand gibt mehr, als er kann.';
const german = (lang: string, more: string): string =>
	`site "Seed library" { lang ${lang}; bands { narrow 0; wide 1000 } }\n${plainFrame}\nroute / { title "Home"; piece text """<h1>Seed</h1><p${more}>${words}</p>""" }`;

export const langDiffers: WholeCheck = {
	of: 'whole',
	codes: ['lang-differs', 'lang-differs-here'],
	what: 'What is written is in the language that the site says, or says its own. Which it is in is guessed, where there are 200 letters or more; of a large site 200 layers spread over it are looked at.',
	why: 'Screen readers read by the rules of the language that is said, and nobody understands a word.',
	examples: {
		'lang-differs': { wrong: german('en', ''), mended: german('de', '') },
		'lang-differs-here': {
			wrong: `${german('de', '')}\nroute /rules { title "Rules"; piece text """<h1>Rules</h1><p>${inEnglish()}</p>""" }`,
			mended: `${german('de', '')}\nroute /rules { title "Rules"; piece text """<h1>Rules</h1><p lang="en">${inEnglish()}</p>""" }`
		}
	},
	find({ site }) {
		const { lang, langSpan } = site.settings;
		const guess = languageGuess();
		if (!langSpan || !guess) return nothing;
		const { layers, all } = otherLanguages(site, lang, guess);
		// Nearly all of it in one other language: it is what the site says that is wrong.
		if (all !== undefined) {
			return [hint('lang-differs', langSpan, nameOf(all), nameOf(lang), all)];
		}
		return layers.map(({ layer, is }): Problem => {
			return hint(
				'lang-differs-here',
				placeOf(layer),
				layerName(layer),
				nameOf(is),
				nameOf(lang),
				is
			);
		});
	},
	mend(problem) {
		if (problem.code !== 'lang-differs') return undefined;
		return { kind: 'set-site', part: 'lang', value: problem.details[2] };
	}
};

function inEnglish(): string {
	return 'Whoever borrows beans grows them, keeps the best pods, dries them and brings a handful back. Nothing is sold here, and nobody is asked for more than they can give; what is brought back is labelled with its kind, its year and the garden in which it grew, so that others know.';
}

/** The language in words. */
function nameOf(tag: string): string {
	try {
		return new Intl.DisplayNames('en', { type: 'language' }).of(tag) ?? tag;
	} catch {
		return tag;
	}
}

/** Where the first piece is written that has text of its own. */
function placeOf(layer: Layer): Span {
	const first = piecesIn(layer).find((piece) => textOf(piece).trim() !== '');
	return first?.name.span ?? layer.span;
}
