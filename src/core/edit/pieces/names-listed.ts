/** The names in a list of them, with commas or lines between. */
export function namesListed(text: string): string[] {
	return text
		.split(/[,\n]/)
		.map((name) => name.trim())
		.filter((name) => name !== '');
}
