import { isTag, isText, type ChildNode, type ParentNode } from 'domhandler';
import { parseFragment } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { plainFrame } from '../example.ts';
import { hint, type Problem } from '../../messages/problem.ts';
import { layerName, layersOf, type Layer, type Piece } from '../../model/site.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { Span } from '../../model/span.ts';
import { nothing, type WholeCheck } from '../check.ts';
import { languageGuess } from '../libraries.ts';

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

const words =
	'Die Saatgutbibliothek verleiht im Frühling Saatgut und bittet im Herbst um etwas davon zurück. Wer Bohnen leiht, baut sie an, behält die besten Hülsen, trocknet sie und bringt eine Handvoll zurück. Verkauft wird nichts, und niemand gibt mehr, als er kann.';
const german = (lang: string, more: string): string =>
	`site "Seed library" { lang ${lang}; bands { narrow 0; wide 1000 } }\n${plainFrame}\nroute / { title "Home"; piece text """<h1>Seed</h1><p${more}>${words}</p>""" }`;

export const langDiffers: WholeCheck = {
	of: 'whole',
	codes: ['lang-differs', 'lang-differs-here'],
	what: 'What is written is in the language that the site says, or says its own. Which it is in is guessed, where there are 200 letters or more; of a large site 200 layers spread over it are looked at.',
	why: 'Screen readers read by the rules of the language that is said, and nobody understands a word.',
	examples: {
		'lang-differs': { wrong: german('en', ''), mended: german('de', '') },
		'lang-differs-here': {
			wrong: `${german('de', '')}\nroute /rules { title "Rules"; piece text """<h1>Rules</h1><p>${inEnglish()}</p>""" }`,
			mended: `${german('de', '')}\nroute /rules { title "Rules"; piece text """<h1>Rules</h1><p lang="en">${inEnglish()}</p>""" }`
		}
	},
	find({ site }) {
		const { lang, langSpan } = site.settings;
		const guess = languageGuess();
		if (!langSpan || !guess) return nothing;
		const texts = spread(layersOf(site)).map((layer) => ({ layer, text: wordsOf(layer) }));
		const others = texts.flatMap(({ layer, text }) => {
			const is = guess(text, lang);
			return is === undefined ? [] : [{ layer, text, is }];
		});
		const [first] = others;
		// Nearly all of it in one other language: it is what the site says that is wrong.
		const isAll = first && lengthOf(others) >= nearlyAll * lengthOf(texts);
		if (isAll && others.every(({ is }) => is === first.is)) {
			return [hint('lang-differs', langSpan, nameOf(first.is), nameOf(lang), first.is)];
		}
		return others.map(({ layer, is }): Problem => {
			return hint('lang-differs-here', placeOf(layer), layerName(layer), nameOf(is), nameOf(lang), is);
		});
	},
	mend(problem) {
		if (problem.code !== 'lang-differs') return undefined;
		return { kind: 'set-site', part: 'lang', value: problem.details[2] };
	}
}; // prettier-ignore

function inEnglish(): string {
	return 'Whoever borrows beans grows them, keeps the best pods, dries them and brings a handful back. Nothing is sold here, and nobody is asked for more than they can give; what is brought back is labelled with its kind, its year and the garden in which it grew, so that others know.';
}

function lengthOf(texts: readonly { readonly text: string }[]): number {
	return texts.reduce((sum, { text }) => sum + text.length, 0);
}

/** The language in words. */
function nameOf(tag: string): string {
	try {
		return new Intl.DisplayNames('en', { type: 'language' }).of(tag) ?? tag;
	} catch {
		return tag;
	}
}

function spread(layers: readonly Layer[]): Layer[] {
	const step = Math.max(1, layers.length / mostLayers);
	return layers.filter((_, index) => Math.floor(index / step) !== Math.floor((index - 1) / step));
}

/** Where the first piece is written that has text of its own. */
function placeOf(layer: Layer): Span {
	const first = piecesIn(layer).find((piece) => textOf(piece).trim() !== '');
	return first?.name.span ?? layer.span;
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

function textOf(piece: Piece): string {
	if (piece.kind === 'nav') return '';
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
