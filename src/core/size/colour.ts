import { parse, type Color } from 'culori';

const known = new Map<string, Color | undefined>();
const mostKnown = 2000;

/** A colour as CSS writes it; undefined for what is none by itself. A page has thousands of texts in a few colours. */
export function readColour(text: string): Color | undefined {
	if (!known.has(text)) {
		if (known.size >= mostKnown) known.clear();
		known.set(text, parse(text));
	}
	return known.get(text);
}

/** CSS Color 4, section 6.2 and 6.3: words that follow the system or the text. */
const words = new Set(
	'accentcolor accentcolortext activetext buttonborder buttonface buttontext canvas canvastext currentcolor field fieldtext graytext highlight highlighttext linktext mark marktext selecteditem selecteditemtext visitedtext'.split(' ') // prettier-ignore
);

/** CSS Color 5: functions that take colours; what is in them is taken as it is. */
const mixing = /^(?:color-mix|light-dark|(?:rgb|hsl|hwb|lab|lch|oklab|oklch|color)\(\s*from\b)/i;

/** Whether CSS knows a colour by these words, once tokens are put in. */
export function isColour(text: string): boolean {
	const colour = text.trim();
	if (words.has(colour.toLowerCase()) || readColour(colour) !== undefined) return true;
	return mixing.test(colour) && isClosed(colour);
}

/** Its brackets end where it does, and nowhere before. */
function isClosed(text: string): boolean {
	let open = 0;
	for (const [at, char] of [...text].entries()) {
		if (char === '(') open++;
		else if (char === ')' && --open === 0) return at === text.length - 1;
	}
	return false;
}
