/** Comments, and tags with their attributes: what stands in them is left as it is. */
const kept = /<!--[\s\S]*?(?:-->|$)|<\/?[a-zA-Z](?:"[^"]*"|'[^']*'|[^'">])*>/g;
/** An expression; a brace that is meant as one has a backslash before it. */
const expressions = /(?<!\\)\{(?:"[^"]*"|[^{}"])*\}/g;
/** What decides or repeats, and gives no text itself. */
const control = /^\{\s*(?:for|if|else|end)\b/;

/**
 * Markup with its expressions put out of the way, each offset where it was: what gives a text is some text, what
 * decides or repeats is white space.
 */
export function inspectable(markup: string): string {
	let done = 0;
	let out = '';
	for (const { index, 0: whole } of markup.matchAll(kept)) {
		out += blanked(markup.slice(done, index)) + whole;
		done = index + whole.length;
	}
	return out + blanked(markup.slice(done));
}

function blanked(text: string): string {
	return text.replace(expressions, (one) =>
		control.test(one) ? one.replaceAll(/[^\n]/g, ' ') : one.replaceAll(/[^\n]/g, 'x')
	);
}
