import { isTag, isText, type ChildNode, type ParentNode } from 'domhandler';
import { parseFragment } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { layersOf, type Layer, type Piece, type Site } from '../../model/site.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { LanguageGuess } from './language-guess.ts';

/** Layers that are looked at, spread over a large site: nearly all of one are in one language. */
const mostLayers = 200;
/** Characters of a layer that are looked at. */
const mostText = 1500;
/** As a share of all that is written: short texts are in no language that could be told. */
const nearlyAll = 0.9;
/** What is not running text, or says its own language. */
const skipped = new Set([
	'script',
	'style',
	'pre',
	'code',
	'kbd',
	'samp',
	'template',
	'svg',
	'math'
]);

/** A layer whose words are in another language than the one that is said. */
interface OtherWords {
	readonly layer: Layer;
	/** The language they are in, most likely. */
	readonly is: string;
}

/** What of a site is in another language than the one that is said, as is guessed. */
export interface OtherLanguages {
	readonly layers: readonly OtherWords[];
	/** The one language that nearly all of it is in; undefined where it is in several, or in the one that is said. */
	readonly all: string | undefined;
}

/** Guesses the languages of what the layers of a site say, and compares them with the one that is said (BCP 47). */
export function otherLanguages(site: Site, said: string, guess: LanguageGuess): OtherLanguages {
	const texts = spread(layersOf(site)).map((layer) => ({ layer, text: wordsOf(layer) }));
	const layers = texts.flatMap(({ layer, text }) => {
		const is = guess(text, said);
		return is === undefined ? [] : [{ layer, text, is }];
	});
	const [first] = layers;
	const isAll = first && lengthOf(layers) >= nearlyAll * lengthOf(texts);
	const isOne = isAll && layers.every(({ is }) => is === first.is);
	return { layers, all: isOne ? first.is : undefined };
}

function lengthOf(texts: readonly { readonly text: string }[]): number {
	return texts.reduce((sum, { text }) => sum + text.length, 0);
}

function spread(layers: readonly Layer[]): Layer[] {
	const step = Math.max(1, layers.length / mostLayers);
	return layers.filter((_, index) => Math.floor(index / step) !== Math.floor((index - 1) / step));
}

/** The words that a layer says, in the language of the site. */
function wordsOf(layer: Layer): string {
	let text = '';
	for (const piece of piecesIn(layer)) {
		if (text.length > mostText) break;
		text += ` ${textOf(piece)}`;
	}
	return text.slice(0, mostText).trim();
}

/** The words of a piece that are in the language of the site. */
export function textOf(piece: Piece): string {
	if (piece.kind !== 'markup') return '';
	const markup = piece.markup.parts.filter((part) => typeof part === 'string').join(' ');
	return textIn(parseFragment(markup.slice(0, mostText * 4), { treeAdapter: adapter }));
}

function textIn({ children }: ParentNode): string {
	return children.map((node: ChildNode): string => {
		if (isText(node)) return node.data;
		if (!isTag(node) || skipped.has(node.name) || 'lang' in node.attribs) return '';
		return `${textIn(node)} `;
	}).join(''); // prettier-ignore
}
