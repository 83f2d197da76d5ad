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
