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
	/** It is left out only together with the place before it. */
	readonly follows: boolean;
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
	COLOUR: 'a colour, such as #f4f1ea or var(--paper)',
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
	return text.split(' | ').map((way) => {
		let open = 0;
		let opened = false;
		return [...way.matchAll(/("[^"]*")|\[|\]|[^\s[\]]+/g)].flatMap(
			([words, quoted]): FormPlace[] => {
				if (words === '[') {
					open++;
					opened = true;
				} else if (words === ']') open--;
				else {
					const choices = quoted === undefined ? words.split('/') : [words];
					const follows = open > 0 && !opened;
					opened = false;
					return [{ choices, optional: open > 0, follows }];
				}
				return [];
			}
		);
	});
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

/** How what stands in a place is called in a sentence, and what could stand there. */
const nouns: Readonly<Record<Blank, readonly [noun: string, example: string]>> = {
	WIDTH: ['a size', '280px'],
	HEIGHT: ['a size', '64px'],
	SPACE: ['a space', '24px'],
	GAP: ['a space', '16px'],
	MEASURE: ['a measure', '72rem'],
	LENGTH: ['a length', '64px'],
	SHARE: ['a share', '2'],
	COUNT: ['a number', '3'],
	FREE: ['a number', '1'],
	PLACE: ['a number', '2'],
	RATIO: ['a ratio', '16 / 9'],
	COLOUR: ['a colour', '#f4f1ea'],
	TEXT: ['a label', '"Menu"']
};

/**
 * What a value needs behind the words that are written already, and what would do: such as "a side, a size
 * and a label", and `left 280px "Menu"`.
 */
export function neededBy(
	text: string,
	written: readonly string[]
): { readonly needs: string; readonly example: string } {
	const ways = readForm(text);
	const fitting = ways.find((places) => written.every((word, at) => couldBe(places[at], word)));
	if ((written.length === 0 || !fitting) && ways.length > 1) {
		const firsts = ways.flatMap(([place]) => (place ? saidOf(place, true) : []));
		const words = firsts.map(([noun]) => noun);
		const last = words.pop() ?? '';
		return { needs: `${words.join(', ')} or ${last}`, example: firsts[0]?.[1] ?? '' };
	}
	const way = fitting ?? [];
	const places = way.slice(written.length).filter(({ optional }) => !optional);
	const whole = places.length > 0 ? places : way.filter(({ optional }) => !optional);
	const behind = way[0]?.choices.includes(written[0] ?? '') ? way.slice(1) : way;
	const all = behind.filter(({ optional }) => !optional);
	const said = (all.length > 0 ? all : whole).flatMap((place) => saidOf(place, false));
	const words = said.map(([noun]) => noun);
	const last = words.pop() ?? 'a value';
	const needs = words.length === 0 ? last : `${words.join(', ')} and ${last}`;
	return { needs, example: said.map(([, example]) => example).join(' ') };
}

/** How what can stand in a place is called, and what would do. */
function saidOf(
	{ choices }: FormPlace,
	each: boolean
): (readonly [noun: string, example: string])[] {
	const blank = choices.map(blankOf).find((one) => one !== undefined);
	if (blank) return [nouns[blank]];
	if (each) return choices.map((word) => [`"${word}"`, word]);
	const [first = ''] = choices;
	if (choices.length === 1) return [[`"${first}"`, first]];
	return [[choices.includes('left') ? 'a side' : `one of ${choices.join(', ')}`, first]];
}

/** A whole value of one way to say something, with what would do in each place: such as `drawer left 240px "Menu"`. */
export function startingValue(places: readonly FormPlace[]): string {
	return places
		.filter(({ optional }) => !optional)
		.flatMap((place) => saidOf(place, false))
		.map(([, example]) => example)
		.join(' ');
}

/** What would do in one place, for whoever types it. */
export function exampleOf(place: FormPlace): string {
	return saidOf(place, false)[0]?.[1] ?? '';
}

/** How a value of a form is chosen by hand. */
export type Control =
	/** One of a few words; `value` is what is written. */
	| {
			readonly kind: 'choice';
			readonly choices: readonly { readonly value: string; readonly name: string }[];
	  }
	/** A size, number or several, typed; words can stand there too. */
	| { readonly kind: 'typed'; readonly words: readonly string[]; readonly sizes: boolean }
	/** One of several ways, each with places of its own. */
	| { readonly kind: 'ways'; readonly ways: readonly (readonly FormPlace[])[] };

/** More are chosen place by place. */
const mostChoices = 6;

/** All values of a way that has only words, those without what can be left out first. */
function valuesOf(way: readonly FormPlace[]): string[] {
	return way.reduce<string[]>(
		(values, { choices, optional }) => {
			return values.flatMap((value) => {
				const longer = choices.map((word) => (value === '' ? word : `${value} ${word}`));
				return optional ? [value, ...longer] : longer;
			});
		},
		['']
	);
}

/** The control that a form asks for. */
export function controlOf(text: string): Control {
	const ways = readForm(text);
	const [first] = ways;
	if (ways.length === 1 && first?.length === 1 && first[0]?.optional) {
		const words = first[0].choices.map((word) => ({ value: word, name: word }));
		return { kind: 'choice', choices: [{ value: '', name: 'on' }, ...words] };
	}
	const places = ways.flat();
	const isWord = (word: string): boolean => blankOf(word) === undefined;
	if (places.every(({ choices }) => choices.every(isWord))) {
		const values = ways.flatMap(valuesOf);
		if (values.length <= mostChoices) {
			return { kind: 'choice', choices: values.map((value) => ({ value, name: value })) };
		}
	}
	const hasText = places.some(({ choices }) => choices.some((word) => blankOf(word) === 'TEXT'));
	const namesWay = ways.some((way) => way.length > 1 && (way[0]?.choices.every(isWord) ?? false));
	if (hasText || namesWay) return { kind: 'ways', ways };
	const words = [...new Set(ways.flatMap((way) => way[0]?.choices.filter(isWord) ?? []))];
	const counts: readonly (string | undefined)[] = ['COUNT', 'FREE', 'PLACE', 'SHARE', 'RATIO'];
	const sizes = places.some(({ choices }) =>
		choices.some((word) => !isWord(word) && !counts.includes(blankOf(word)))
	);
	return { kind: 'typed', words, sizes };
}

/** The words of a value as it is written: what stands in quotation marks or brackets is one. */
export function valueWords(text: string): string[] {
	return text.match(/"(?:[^"\\]|\\.)*"|(?:[^\s"()]|\((?:[^()]|\([^()]*\))*\))+/g) ?? [];
}

/** The way of a form that a value says; undefined where it says none of them. */
export function wayOf(ways: Form, value: string): number | undefined {
	const words = valueWords(value);
	if (words.length === 0) return undefined;
	const index = ways.findIndex((places) => {
		const needed = places.filter(({ optional }) => !optional).length;
		return (
			words.length >= needed &&
			words.length <= places.length &&
			words.every((word, at) => places[at]?.choices.includes(word) || isBlankPlace(places[at]))
		);
	});
	return index === -1 ? undefined : index;
}

function isBlankPlace(place: FormPlace | undefined): boolean {
	return place?.choices.some((choice) => blankOf(choice) !== undefined) ?? false;
}

/**
 * A typed value with the number nearest to a place of it made larger or smaller: a unit stays, and a value
 * without a number stays as it is.
 */
export function stepped(text: string, caret: number, by: number): string {
	const numbers = [...text.matchAll(/-?\d*\.?\d+/g)];
	const distance = ({ index, 0: number }: RegExpMatchArray): number => {
		const start = index ?? 0;
		return Math.max(start - caret, 0, caret - start - number.length);
	};
	const [at] = [...numbers].sort((a, b) => distance(a) - distance(b));
	if (!at) return text;
	const [number] = at;
	const decimals = number.split('.')[1]?.length ?? 0;
	const next = (Number(number) + by).toFixed(decimals);
	return text.slice(0, at.index) + next + text.slice(at.index + number.length);
}
