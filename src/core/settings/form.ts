/**
 * The form of a value in words, as messages, completion and drawings show it: words stand for
 * themselves, capitals for a kind of value, what stands in quotation marks for a text; `|` parts the
 * ways to say it, `/` the words for one place, and what stands in brackets can be left out.
 */
export type Form = readonly (readonly FormPlace[])[];

/** One place in a form. */
export interface FormPlace {
	/** What can stand there: words, or one blank. */
	readonly choices: readonly string[];
	/** It and what follows can be left out. */
	readonly optional: boolean;
}

/** What stands for a kind of value, and how it is called in a sentence. */
export const blanks = {
	WIDTH: 'a length or share, such as 240px or 40%',
	HEIGHT: 'a length, such as 4rem',
	SPACE: 'a length or share, such as 24px',
	GAP: 'a length, such as 16px',
	MEASURE: 'a length or share, such as 72rem or 90%',
	LENGTH: 'a length, such as 64px',
	SHARE: 'a number, such as 2',
	COUNT: 'a whole number above zero',
	FREE: 'a whole number',
	PLACE: 'a whole number, maybe below zero',
	RATIO: 'width / height, such as 16 / 9',
	TEXT: 'a text in quotation marks'
} as const;

export type Blank = keyof typeof blanks;

/** The kind of value that a word of a form stands for; undefined for one that stands for itself. */
export function blankOf(word: string): Blank | undefined {
	if (word.startsWith('"')) return 'TEXT';
	return Object.keys(blanks).find((name): name is Blank => name === word);
}

/** Reads a form as it is written with a setting. */
export function readForm(text: string): Form {
	return text.split(' | ').map((way) =>
		[...way.matchAll(/(\[)?("[^"]*"|[^\s[\]]+)\]*/g)].map(([, bracket, words = '']) => ({
			choices: words.startsWith('"') ? [words] : words.split('/'),
			optional: bracket !== undefined
		}))
	);
}

/** The words that can come next in a value of a form, behind those that are there already. */
export function nextWords(text: string, before: readonly string[]): string[] {
	const next = readForm(text)
		.filter((places) => before.every((word, index) => couldBe(places[index], word)))
		.flatMap((places) => places[before.length]?.choices ?? []);
	return [...new Set(next)].filter((choice) => blankOf(choice) === undefined);
}

function couldBe(place: FormPlace | undefined, word: string): boolean {
	if (!place) return false;
	return place.choices.some((choice) => choice === word || blankOf(choice) !== undefined);
}
