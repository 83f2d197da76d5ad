import type { SyntaxNode } from '@lezer/common';
import { arrangementKinds, arrangements } from '../settings/arrangements/list.ts';
import { nextWords } from '../settings/form.ts';
import { allSettings, settings, settingsOn } from '../settings/list.ts';
import type { BoxKind } from '../settings/placed.ts';
import { parser } from './grammar/parser.ts';
import { findUnreadable, withoutDeepBrackets } from './syntax.ts';

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

const allowWord = 'ignores findings of one kind, with the reason';

/** What is said of the document around the body. */
const documentWords = {
	sheet: 'a style sheet of the site’s own, or a URL',
	script: 'a script that is delivered; it never runs here',
	head: 'markup in the head; {slot} in it is the place of what layers further in say',
	attributes: 'attributes of html or body'
};

const layerWords = {
	title: 'the page’s title, or a pattern for the titles of all pages inside',
	description: 'what search engines show',
	fill: 'puts pieces into a region of a layout further out',
	adjust: 'says something else of a region further out, for the pages inside',
	style: 'CSS that reaches only what this layer wrote',
	allow: allowWord,
	under: 'picks what this sits under',
	...documentWords
};

/** A wrapper that stands where pieces do. */
const amongPieces = 'wrapper of pieces';
const regionsHolders: ReadonlySet<string> = new Set(['layout', 'wrapper']);

const arrangeWord = 'how what it holds lies';
const groupWord = 'a box around some pieces';

const pageWords = {
	piece: 'a piece of the page’s own content',
	wrapper: groupWord,
	arrange: 'how the page’s own pieces lie',
	...layerWords
};

/** The settings of a box, with what each does and the form of its value. */
function settingWords(box: BoxKind): Record<string, string> {
	return Object.fromEntries(
		settingsOn(box).map((kind) => {
			const { says, form } = settings[kind];
			return [kind, form === '' ? says : `${says}: ${form}`];
		})
	);
}

const arrangedWords = Object.fromEntries(
	arrangementKinds.map((kind) => [
		kind,
		Object.fromEntries(
			Object.entries(arrangements[kind].inner).map(([word, { says, form }]) => [
				word,
				form === '' ? says : `${says}: ${form}`
			])
		)
	])
);

/** What each word says, for whoever looks for one. */
type Words = Readonly<Record<string, string>>;

/** The words that each kind of block knows, by the word its statement starts with. */
export const blockWords: ReadonlyMap<string, Words> = new Map(
	Object.entries<Words>({
		'': {
			site: 'the site: its name, language, bands and tokens',
			layout: 'a frame that covers a branch of routes',
			route: 'a page',
			state: 'what is shown in place of a page',
			data: 'JSON of the site, by name'
		},
		site: {
			lang: 'the language of the text',
			address: 'where the site will be, such as "https://seeds.example/lib/"',
			urls: 'folders or files: visit/index.html or visit.html',
			dir: 'which way lines run: ltr or rtl',
			bands: 'ranges of width',
			roles: 'who visitors can be',
			tokens: 'values that everything is built from',
			...documentWords,
			allow: allowWord
		},
		layout: {
			arrange: 'how the regions lie',
			measure: '"measure by space": its bands look at the room it gets',
			sheets: '"sheets paint": the site’s own sheets say how its boxes look, and do not move them',
			...settingWords('layout'),
			wrapper: 'a box around some regions',
			admit: 'lets in only visitors of these roles',
			region: 'a named part of the frame',
			frame: 'markup of its own in place of boxes, with {region name} … {end} and {slot}',
			...layerWords
		},
		region: {
			slot: 'what sits under this layout lands here',
			open: 'layers further in may fill it',
			locked: 'no layer further in may fill it',
			required: 'each page must end up with something in it',
			piece: 'what the region shows when no one fills it',
			style: 'CSS that reaches only this region',
			attributes: 'attributes of its element, such as class="top"',
			wrapper: groupWord,
			arrange: arrangeWord,
			...settingWords('region')
		},
		wrapper: {
			region: 'a named part of the frame',
			wrapper: 'a box around some regions',
			attributes: 'attributes of its element, such as class="top"',
			arrange: arrangeWord,
			...settingWords('wrapper')
		},
		[amongPieces]: {
			piece: 'a piece in the wrapper',
			wrapper: groupWord,
			arrange: arrangeWord,
			...settingWords('piece')
		},
		piece: settingWords('piece'),
		fill: {
			piece: 'a piece that lands in the region',
			wrapper: groupWord,
			arrange: 'how the pieces of the fill lie'
		},
		adjust: { arrange: arrangeWord, ...settingWords('region') },
		route: {
			...pageWords,
			admit: 'lets in only visitors of these roles',
			moved: 'old addresses, which redirect here, such as "/find-us"',
			each: 'one page for each member of a list',
			samples: 'one page for each of these values'
		},
		state: {
			piece: pageWords.piece,
			wrapper: pageWords.wrapper,
			arrange: pageWords.arrange,
			title: layerWords.title,
			description: layerWords.description,
			fill: layerWords.fill,
			adjust: layerWords.adjust,
			style: layerWords.style,
			...documentWords,
			allow: allowWord
		},
		...arrangedWords
	})
);

/** What can be written at an offset, and where the word being written starts. */
export function complete(
	text: string,
	offset: number,
	names: KnownNames
): { from: number; options: Completion[] } | undefined {
	if (findUnreadable('', text)) return undefined;
	const tree = parser.parse(withoutDeepBrackets(text));
	const node = tree.resolveInner(offset, -1);
	if (['Comment', 'Text', 'Markup', 'UnclosedMarkup'].includes(node.name)) return undefined;
	const wordStart = startOfWord(text, offset);
	const before = wordsBefore(text, wordStart);
	if (before.length > 0) return namesAfter(before, wordStart, names);
	const block = enclosingBlock(text, node, wordStart);
	const words = blockWords.get(block) ?? {};
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
	const [words, says] = wordsAfter(before, names);
	if (words.length === 0) return undefined;
	return { from, options: words.map((word) => ({ word, says, kind: 'name' })) };
}

/** What can follow some words of a statement, and what it is. */
function wordsAfter(
	before: readonly string[],
	{ layouts, regions, routes, data }: KnownNames
): readonly [words: readonly string[], says: string] {
	const [head = '', ...said] = before;
	switch (before.at(-1)) {
		case 'under':
			return [[...layouts, 'none'], 'sits under it'];
		case 'fill':
		case 'adjust':
			return [regions, 'a region further out'];
		case 'at':
		case 'from':
		case 'route':
			return [routes, 'a route of the site'];
		case 'each':
			return [data.map((name) => `data.${name}`), 'a list of the site’s data'];
		case 'arrange':
			return [arrangementKinds, 'a way to arrange'];
	}
	if (head === 'fill' && said.length === 1) {
		return [['instead', 'before', 'after', 'empty'], 'the kind of fill'];
	}
	const setting = allSettings.find(({ kind }) => kind === head);
	return setting ? [nextWords(setting.form, said), setting.says] : [[], ''];
}

/** The word that tells what kind of block encloses a place. */
function enclosingBlock(text: string, start: SyntaxNode, offset: number): string {
	for (let node: SyntaxNode | null = start; node; node = node.parent) {
		if (node.name !== 'Block' || node.from >= offset) continue;
		const words = text
			.slice(node.parent?.from ?? 0, node.from)
			.trim()
			.split(/\s+/);
		const [head = '', next = ''] = words;
		if (head === 'arrange') return next;
		if (head !== 'wrapper') return head;
		return regionsHolders.has(enclosingBlock(text, node.parent ?? node, node.from))
			? head
			: amongPieces;
	}
	return '';
}
