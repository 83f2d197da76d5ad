const shape = /^[a-z][a-z0-9-]*$/;

/** Whether a word can be a name: small letters, digits and hyphens, starting with a letter. */
export function isName(word: string): boolean {
	return shape.test(word);
}
