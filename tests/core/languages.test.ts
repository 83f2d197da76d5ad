import assert from 'node:assert/strict';
import { test } from 'node:test';
import { guessLanguage } from '../../src/core/check/reading/guess-language.ts';
import { mendOf } from '../../src/core/check/mend.ts';
import { lookOver } from '../lib/findings.ts';
import { resolve } from '../lib/site.ts';

/** Languages of what is written: told where they are clearly others than the one that is said, and only guessed. */
const texts: Readonly<Record<string, string>> = {
	en: 'The seed library lends seed in spring and asks for some of it back in autumn. Whoever borrows beans grows them, keeps the best pods, dries them and brings a handful back. Nothing is sold here, and nobody is asked for more than they can give to the others.',
	de: 'Die Saatgutbibliothek verleiht im Frühling Saatgut und bittet im Herbst um etwas davon zurück. Wer Bohnen leiht, baut sie an, behält die besten Hülsen, trocknet sie und bringt eine Handvoll zurück. Verkauft wird nichts, und niemand gibt mehr, als er kann.',
	fr: 'La bibliothèque de semences prête des graines au printemps et en demande une partie à l’automne. Celui qui emprunte des haricots les cultive, garde les meilleures gousses, les sèche et en rapporte une poignée. Rien ne se vend ici, et personne ne donne plus qu’il ne peut.',
	es: 'La biblioteca de semillas presta semillas en primavera y pide una parte de vuelta en otoño. Quien toma judías las cultiva, guarda las mejores vainas, las seca y devuelve un puñado. Aquí no se vende nada, y a nadie se le pide más de lo que puede dar a los demás.',
	ar: 'تعير مكتبة البذور البذور في الربيع وتطلب بعضها في الخريف. من يستعير الفاصوليا يزرعها ويحتفظ بأفضل القرون ويجففها ويعيد حفنة منها. لا يباع شيء هنا، ولا يطلب من أحد أكثر مما يستطيع أن يعطي. يكتب على كل ما يعاد نوعه وسنته والحديقة التي نما فيها، حتى يعرف الآخرون من أين جاء وكيف يزرع من جديد في السنة القادمة.'
};

for (const [is, text] of Object.entries(texts)) {
	test(`what is written in ${is} is told where another language is said, and only there`, () => {
		for (const said of Object.keys(texts)) {
			assert.equal(guessLanguage(text, said), said === is ? undefined : is, said);
		}
		assert.equal(guessLanguage(text, `${is}-${is.toUpperCase()}`), undefined, 'with its region');
	});
}

test('short texts, names and languages that nobody can tell apart are left alone', () => {
	assert.equal(guessLanguage('Die Bohnen sind da.', 'en'), undefined);
	const names = 'Bean Pea Kale Lettuce Tomato Beetroot Chard Leek Carrot Parsnip Radish Turnip Squash Marrow Melon Pepper Aubergine Cucumber Spinach Celery Onion Garlic Dill Basil Thyme Sage Mint Rocket Cress Sorrel'; // prettier-ignore
	assert.equal(guessLanguage(names.repeat(2), 'en'), undefined);
	// Of a language that is written with the same letters and that the guess does not know, nothing is said.
	assert.equal(guessLanguage(texts['en'] ?? '', 'is'), undefined);
	assert.equal(guessLanguage(texts['en'] ?? '', 'no such tag!'), undefined);
});

function told(lang: string, ...pages: string[]): string[] {
	const routes = pages.map((markup, at) => `route /${at || ''} { title "Page ${at}"; piece text """${markup}""" }`); // prettier-ignore
	const site = `site "Seed library" { lang ${lang}; bands { narrow 0 } }\nlayout frame at / { description "Seed."; region main as main { slot } }\n${routes.join('\n')}`;
	return lookOver(site).findings.flatMap(({ problem }) =>
		problem.code.startsWith('lang-') ? [`${problem.code} ${problem.details.join(' ')}`] : []
	);
}

test('a whole site in another language is one finding, a page in one is its own, and what says its language is none', () => {
	const [en, de] = [`<p>${texts['en']}</p>`, `<p>${texts['de']}</p>`];
	assert.deepEqual(told('en', de, de, de), ['lang-differs German English de']);
	assert.deepEqual(told('en', en, de), ['lang-differs-here /1 German English de']);
	// What is too short to be told counts as what it says it is.
	const short = '<p>Whoever borrows beans grows them, and brings a handful back.</p>';
	assert.deepEqual(told('en', short, de), ['lang-differs-here /1 German English de']);
	assert.deepEqual(told('en', en, de.replace('<p', '<p lang="de"')), []);
	assert.deepEqual(told('en', `<pre>${texts['de']}</pre>`, en), []);
});

test('where no language is said, the mend says the one that is written, as far as that can be told', () => {
	const said = (words: string): unknown => {
		const text = `site "Seed library" { bands { narrow 0 } }\nlayout frame at / { region main as main { slot } }\nroute / { title "Home"; piece text """<p>${words}</p>""" }`; // prettier-ignore
		const found = lookOver(text).findings.find(({ problem }) => problem.code === 'lang-missing');
		assert.ok(found);
		return mendOf(found.problem, resolve(text));
	};
	const lang = (value: string): object => ({ kind: 'set-site', part: 'lang', value });
	assert.deepEqual(said(texts['fr'] ?? ''), lang('fr'));
	assert.deepEqual(said(texts['en'] ?? ''), lang('en'));
	assert.deepEqual(said('Die Bohnen sind da.'), lang('en'));
});
