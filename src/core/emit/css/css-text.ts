/** How style sheets are written out. */

/** A rule; nothing where it would be empty. */
export function rule(selector: string, lines: readonly string[]): string {
	if (lines.length === 0) return '';
	return `${selector} {\n${indent(lines.join('\n'))}\n}`;
}

/** Rules inside an at-rule; nothing where there are none. */
export function group(head: string, rules: readonly string[]): string {
	const written = rules.filter((one) => one !== '');
	if (written.length === 0) return '';
	return `${head} {\n${indent(written.join('\n\n'))}\n}`;
}

export function indent(text: string): string {
	return text.replace(/^(?=.)/gm, '  ');
}
