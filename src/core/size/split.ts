/** Parts of a CSS value: blanks separate them, but not inside parentheses. */
export function splitSizes(text: string): string[] {
	const parts: string[] = [''];
	let depth = 0;
	for (const character of text.trim()) {
		if (character === '(') depth++;
		if (character === ')') depth--;
		if (depth === 0 && /\s/.test(character)) {
			if (parts.at(-1) !== '') parts.push('');
		} else {
			parts[parts.length - 1] += character;
		}
	}
	return parts;
}
