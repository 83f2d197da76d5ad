/** Text as a page shows its white space (CSS Text 3, section 4.1.1): one blank between words, and none around. */
export function seenBlanks(text: string): string {
	return text.replace(/\s+/g, ' ').trim();
}
