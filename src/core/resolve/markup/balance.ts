/** What is no markup: comments, and what script and style hold. */
const unread = /<!--[\s\S]*?(?:-->|$)|<(script|style|textarea|title)\b[^>]*>[\s\S]*?<\/\1\s*>/gi;
const tags = /<(\/?)([a-zA-Z][^\s/>]*)(?:"[^"]*"|'[^']*'|[^'">])*?(\/?)>/g;

/** HTML, section 13.1.2: elements without an end tag. */
const voids = new Set([
	'area', 'base', 'br', 'col', 'embed', 'hr', 'img', 'input', 'link', 'meta', 'source', 'track', 'wbr'
]); // prettier-ignore

/** HTML, section 13.1.2.4: elements whose end tag can be left out. */
export const optionalEnds = new Set([
	'caption', 'colgroup', 'dd', 'dt', 'li', 'optgroup', 'option', 'p', 'rp', 'rt', 'tbody', 'td',
	'tfoot', 'th', 'thead', 'tr'
]); // prettier-ignore

/** A tag that has no other end in its markup. */
export interface LooseTag {
	readonly kind: 'start' | 'end';
	readonly name: string;
	/** It may need no other: `<path />` of a drawing. */
	readonly isDone: boolean;
	readonly from: number;
	readonly to: number;
}

/** End tags that end nothing, and start tags that nothing ends although something must. */
export function looseTags(markup: string): LooseTag[] {
	const read = markup.replace(unread, (gone) => ' '.repeat(gone.length));
	const open = new Map<string, LooseTag[]>();
	const loose: LooseTag[] = [];
	for (const { index, 0: tag, 1: slash, 2: written = '', 3: self } of read.matchAll(tags)) {
		const name = written.toLowerCase();
		const here = { name, from: index, to: index + tag.length };
		const standing = open.get(name) ?? [];
		open.set(name, standing);
		if (slash === '') standing.push({ kind: 'start', isDone: self !== '', ...here });
		else if (standing.pop() === undefined) loose.push({ kind: 'end', isDone: true, ...here });
	}
	for (const [name, left] of open) {
		if (!voids.has(name) && !optionalEnds.has(name))
			loose.push(...left.filter((one) => !one.isDone));
	}
	return loose;
}
