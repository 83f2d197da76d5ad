import type { SyntaxNode } from '@lezer/common';
import { parser } from './grammar/parser.ts';

/** What can be written at a place: the words, and what they are for. */
export interface Completion {
	readonly word: string;
	readonly says: string;
	readonly kind: 'keyword' | 'name';
}

/** Names of the site that a statement can refer to. */
export interface KnownNames {
	readonly layouts: readonly string[];
	readonly regions: readonly string[];
	readonly routes: readonly string[];
	readonly data: readonly string[];
}

const layerWords = {
	title: 'the page’s title, or a pattern for the titles of all pages inside',
	description: 'what search engines show',
	fill: 'puts pieces into a region of a layout further out',
	style: 'CSS that reaches only what this layer wrote',
	under: 'picks what this sits under'
};

const pageWords = { piece: 'a piece of the page’s own content', ...layerWords };

/** Settings that every box has, and those of a box among others. */
const boxWords = {
	width: 'a CSS width',
	height: 'a CSS height, or "screen": at least as tall as the screen',
	min: 'the least width, and maybe height',
	max: 'the greatest width, and maybe height',
	pad: 'space inside the edges, as in CSS padding'
};
const aroundWords = {
	gap: 'space between what it arranges',
	contain: 'content is centred and no wider than this',
	scroll: '"own": it scrolls by itself'
};
const memberWords = {
	show: 'in-place, hidden, strip, or drawer SIDE SIZE "label"',
	stick: 'keeps to the top or bottom as one scrolls',
	shadow: 'none, always, or scrolled',
	overlap: 'how far what follows rides up over it',
	size: 'in a row or stack: fill, fill 2, hug, or a length',
	span: 'in columns: how many, maybe "by" rows',
	offset: 'in columns: how many stay free before it',
	'new-row': 'in columns: starts a new row',
	'place-self': 'where it lies in its place, as in CSS',
	order: 'drawn earlier or later than it is read'
};
const regionSettings = {
	...boxWords,
	...aroundWords,
	...memberWords,
	shrink: 'FROM to TO: a tall head gets small as one scrolls',
	arrange: 'how what it holds lies'
};

/** The words that each kind of block knows, by the word its statement starts with. */
export const blockWords: Readonly<Record<string, Readonly<Record<string, string>>>> = {
	'': {
		site: 'the site: its name, language, bands and tokens',
		layout: 'a frame that covers a branch of routes',
		route: 'a page',
		state: 'what is shown in place of a page',
		data: 'JSON of the site, by name'
	},
	site: {
		lang: 'the language of the text',
		dir: 'which way lines run: ltr or rtl',
		bands: 'ranges of width',
		roles: 'who visitors can be',
		tokens: 'values that everything is built from'
	},
	layout: {
		arrange: 'how the regions lie',
		measure: '"measure by space": its bands look at the room it gets',
		...boxWords,
		...aroundWords,
		wrapper: 'a box around some regions',
		admit: 'lets in only visitors of these roles',
		region: 'a named part of the frame',
		...layerWords
	},
	region: {
		slot: 'what sits under this layout lands here',
		open: 'layers further in may fill it',
		locked: 'no layer further in may fill it',
		required: 'each page must end up with something in it',
		piece: 'what the region shows when no one fills it',
		style: 'CSS that reaches only this region',
		...regionSettings
	},
	wrapper: {
		region: 'a named part of the frame',
		wrapper: 'a box around some regions',
		...regionSettings
	},
	piece: { ...boxWords, ...memberWords },
	fill: { piece: 'a piece that lands in the region' },
	route: {
		...pageWords,
		admit: 'lets in only visitors of these roles',
		each: 'one page for each member of a list',
		samples: 'one page for each of these values'
	},
	state: {
		piece: pageWords.piece,
		title: layerWords.title,
		description: layerWords.description,
		fill: layerWords.fill,
		style: layerWords.style
	},
	areas: { columns: 'widths of the columns', gap: 'space between rows and columns' },
	columns: { gap: 'space between rows and columns' },
	row: {
		gap: 'space between',
		justify: 'start, center, end, between, around or evenly',
		align: 'start, center, end or stretch',
		wrap: 'goes on in a further line'
	},
	stack: {
		gap: 'space between',
		justify: 'start, center, end, between, around or evenly',
		align: 'start, center, end or stretch'
	}
};

/** What can be written at an offset, and where the word being written starts. */
export function complete(
	text: string,
	offset: number,
	names: KnownNames
): { from: number; options: Completion[] } | undefined {
	const tree = parser.parse(text);
	const node = tree.resolveInner(offset, -1);
	if (['Comment', 'Text', 'Markup', 'UnclosedMarkup'].includes(node.name)) return undefined;
	const wordStart = startOfWord(text, offset);
	const before = wordsBefore(text, wordStart);
	if (before.length > 0) return namesAfter(before, wordStart, names);
	const words = blockWords[enclosingBlock(text, node, wordStart)] ?? {};
	const options = Object.entries(words).map(([word, says]): Completion => {
		return { word, says, kind: 'keyword' };
	});
	return options.length > 0 ? { from: wordStart, options } : undefined;
}

function startOfWord(text: string, offset: number): number {
	let start = offset;
	while (start > 0 && /[\w./:*-]/.test(text[start - 1] ?? '')) start--;
	return start;
}

/** The words of the statement before the one being written. */
function wordsBefore(text: string, wordStart: number): string[] {
	const statementStart =
		Math.max(...['\n', ';', '{', '}'].map((mark) => text.lastIndexOf(mark, wordStart - 1))) + 1;
	return text.slice(statementStart, wordStart).split(/\s+/).filter(Boolean);
}

function namesAfter(
	before: readonly string[],
	from: number,
	names: KnownNames
): { from: number; options: Completion[] } | undefined {
	const last = before.at(-1) ?? '';
	const list: [readonly string[], string] | undefined =
		last === 'under'
			? [[...names.layouts, 'none'], 'sits under it']
			: last === 'fill'
				? [names.regions, 'a region further out']
				: ['at', 'from', 'route'].includes(last)
					? [names.routes, 'a route of the site']
					: last === 'each'
						? [names.data.map((name) => `data.${name}`), 'a list of the site’s data']
						: before[0] === 'fill' && before.length === 2
							? [['instead', 'before', 'after', 'empty'], 'the kind of fill']
							: last === 'arrange'
								? [['areas', 'columns', 'row', 'stack'], 'a way to arrange']
								: undefined;
	if (!list) return undefined;
	const [words, says] = list;
	return { from, options: words.map((word) => ({ word, says, kind: 'name' })) };
}

/** The word that tells what kind of block encloses a place. */
function enclosingBlock(text: string, start: SyntaxNode, offset: number): string {
	for (let node: SyntaxNode | null = start; node; node = node.parent) {
		if (node.name !== 'Block' || node.from >= offset) continue;
		const words = text
			.slice(node.parent?.from ?? 0, node.from)
			.trim()
			.split(/\s+/);
		return words[0] === 'arrange' ? (words[1] ?? '') : (words[0] ?? '');
	}
	return '';
}
