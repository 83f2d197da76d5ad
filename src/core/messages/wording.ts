/** So many of something: "1 file", "2 files". */
export function counted(count: number, word: string): string {
	return `${count} ${count === 1 ? word : `${word}s`}`;
}

/** Names as they stand in a sentence: "a, b and c", or "none". */
export function listWords(words: readonly string[], last = 'and'): string {
	if (words.length === 0) return 'none';
	if (words.length === 1) return words[0] ?? '';
	return `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}`;
}

/** The first line of what was thrown, for the end of a sentence. */
export function reasonOf(failure: unknown): string {
	const message = failure instanceof Error ? failure.message : String(failure);
	const [line = ''] = message.split('\n');
	return line.slice(0, 120);
}
