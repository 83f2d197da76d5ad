import { francAll } from 'franc-min';

/** Letters; shorter texts are guessed wrongly too often. */
const leastLetters = 200;
/** A language is another than the one that is said only where that comes this far behind it, as shares of its likeness. */
const leastLead = 0.08;

/**
 * The language of a text as BCP 47 has it, by which letters follow each other, where it is clearly another than the one
 * that is said; undefined where it is not.
 */
export function guessLanguage(text: string, said: string): string | undefined {
	if ((text.match(/\p{L}/gu)?.length ?? 0) < leastLetters) return undefined;
	const all = francAll(text).map(([code, likeness]) => ({ language: plain(code), likeness }));
	const [first] = all;
	if (!first || first.language === undefined) return undefined;
	const own = plain(said);
	const likeness = all.find(({ language }) => language === own)?.likeness;
	// One that the library does not know may be it.
	if (likeness === undefined && isSameScript(text, said)) return undefined;
	return first.likeness - (likeness ?? 0) >= leastLead ? first.language : undefined;
}

/** The language alone, in its shortest form; undefined where it is none. */
function plain(tag: string): string | undefined {
	try {
		const { language } = new Intl.Locale(tag);
		return language === 'und' ? undefined : language.replace(/^(nb|nn)$/, 'no');
	} catch {
		return undefined;
	}
}

/** Whether most letters are of the script that a language is written in. */
function isSameScript(text: string, tag: string): boolean {
	const script = plain(tag) === undefined ? undefined : new Intl.Locale(tag).maximize().script;
	if (script === undefined) return true;
	try {
		const own = text.match(new RegExp(`\\p{Script=${script}}`, 'gu'))?.length ?? 0;
		return own * 2 > (text.match(/\p{L}/gu)?.length ?? 0);
	} catch {
		// Some scripts are several to Unicode, as those of Japanese.
		return true;
	}
}
