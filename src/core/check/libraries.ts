import { Loaded } from '../lib/loaded.ts';
import type { MarkupJudge } from './html/markup-judge.ts';
import type { LanguageGuess } from './reading/language-guess.ts';

/** Libraries that know all of HTML and many languages: checks ask them, and nothing that is drawn needs them. */
interface Libraries {
	readonly judgeMarkup: MarkupJudge;
	readonly guessLanguage: LanguageGuess;
}

const libraries = new Loaded<Libraries>(async () => {
	const [{ judgeMarkup }, { guessLanguage }] = await Promise.all([
		import('./html/judge-markup.ts'),
		import('./reading/guess-language.ts')
	]);
	return { judgeMarkup, guessLanguage };
});

/** The judge of markup, once it has been loaded. */
export function markupJudge(): MarkupJudge | undefined {
	return libraries.now?.judgeMarkup;
}

/** What guesses languages, once it has been loaded. */
export function languageGuess(): LanguageGuess | undefined {
	return libraries.now?.guessLanguage;
}

/** Loads them, once; where that fails, whoever asks again tries again. */
export function loadLibraries(): Promise<void> {
	return libraries.load();
}
