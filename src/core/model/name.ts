const shape = /^[a-z][a-z0-9-]*$/;

/** Whether a word can be a name: small letters, digits and hyphens, starting with a letter. */
export function isName(word: string): boolean {
	return shape.test(word);
}

/** Words as a name, as far as they can be one: "Sown in" is `sown-in`; empty where nothing of them can. */
export function nameFrom(words: string): string {
	return words
		.trim()
		.toLowerCase()
		.replace(/[^a-z0-9]+/g, '-')
		.replace(/^[^a-z]+|-+$/g, '');
}

/** A name that none of `taken` has: the name itself, or with the first number that is free. */
export function freeName(base: string, taken: { has(name: string): boolean }): string {
	for (let number = 1; ; number++) {
		const name = number === 1 ? base : `${base}-${number}`;
		if (!taken.has(name)) return name;
	}
}
