import { html, parseFragment, serialize, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import type { StandIn } from '../../model/trial.ts';
import { blockElements } from '../../resolve/markup/parse.ts';

/*
 * Content that is longer or shorter than what is written, made from what is written: as a translation makes words
 * longer, as lists grow, and as a page that nobody has written much for yet.
 */

const known = new Map<string, string>();
const mostKnown = 5000;

/** Some HTML of a piece, made shorter or longer. The same text comes out the same. */
export function stretched(markup: string, to: StandIn): string {
	const key = `${to} ${markup}`;
	let made = known.get(key);
	if (made === undefined) {
		const fragment = parseFragment(markup);
		if (to === 'short') shorten(fragment);
		else lengthen(fragment);
		if (known.size >= mostKnown) known.clear();
		known.set(key, (made = serialize(fragment)));
	}
	return made;
}

/** By how much a translation makes words longer. */
const longerBy = 0.4;
/** A word of so many letters and more may stand without a break. */
const longWord = 8;
const words = /\p{L}[\p{L}\p{M}]*/gu;

/** A text with each word longer by 40 % of its letters. */
export function longerText(text: string): string {
	return text.replace(words, longerWord);
}

function longerWord(word: string): string {
	const letters = [...word];
	const more = letters.slice(0, Math.round(letters.length * longerBy));
	return word + more.join('').toLowerCase();
}

/** Elements whose text is no words of the page, or is not translated. */
const asTheyAre = new Set(['script', 'style', 'template', 'svg', 'math', 'code', 'pre', 'kbd', 'samp', 'textarea']); // prettier-ignore

function lengthen(fragment: Tree.DocumentFragment): void {
	const texts = textsIn(fragment);
	const longest = longestWord(texts);
	let isUnbroken = false;
	for (const text of texts) {
		text.value = text.value.replace(words, (word) => {
			const longer = longerWord(word);
			if (isUnbroken || word !== longest) return longer;
			isUnbroken = true;
			return longer + longer.toLowerCase();
		});
	}
	repeatIn(fragment);
}

function textsIn(parent: Tree.ParentNode): Tree.TextNode[] {
	return parent.childNodes.flatMap((node): Tree.TextNode[] => {
		if (node.nodeName === '#text' && 'value' in node) return [node];
		return 'tagName' in node && !asTheyAre.has(node.tagName) ? textsIn(node) : [];
	});
}

/** The first of the longest words, where it is long enough to be trouble. */
function longestWord(texts: readonly Tree.TextNode[]): string | undefined {
	const all = texts.flatMap(({ value }) => value.match(words) ?? []);
	const longest = Math.max(longWord, ...all.map((word) => word.length));
	return all.find((word) => word.length === longest);
}

/** What there may be more of, even where there is one. */
const growing = new Set(['p', 'li', 'tr', 'dt', 'dd']);
/** What there is more of where there are several beside each other already. */
const growingTogether = new Set(['a', 'article', 'section', 'div', 'figure', 'blockquote', 'details', 'ul', 'ol', 'dl', 'table']); // prettier-ignore

/** Puts what stands in a row once more behind itself; what is in it is not repeated again. */
function repeatIn(parent: Tree.ParentNode): void {
	const made: Tree.ChildNode[] = [];
	for (const row of rowsOf(parent)) {
		made.push(...row.nodes);
		if (row.grows) made.push(...row.nodes.map((node) => copied(node, parent)));
		else row.nodes.forEach((node) => isElement(node) && !asTheyAre.has(node.tagName) && repeatIn(node)); // prettier-ignore
	}
	parent.childNodes = made;
}

/** Elements of one kind that stand beside each other with nothing in between. */
interface Row {
	readonly nodes: Tree.ChildNode[];
	readonly grows: boolean;
}

function rowsOf({ childNodes }: Tree.ParentNode): Row[] {
	const rows: { nodes: Tree.ChildNode[]; kind: string | undefined; count: number }[] = [];
	for (const node of childNodes) {
		const last = rows.at(-1);
		const isBlank = 'value' in node && node.value.trim() === '';
		const kind = isElement(node) ? kindOf(node) : undefined;
		if (last?.kind !== undefined && (isBlank || kind === last.kind)) {
			last.nodes.push(node);
			if (!isBlank) last.count++;
		} else {
			rows.push({ nodes: [node], kind, count: 1 });
		}
	}
	return rows.map(({ nodes, kind = '', count }) => {
		const [name = ''] = kind.split(' ');
		return { nodes, grows: growing.has(name) || (count > 1 && growingTogether.has(name)) };
	});
}

/** Terms and what is said of them are one kind. */
function kindOf({ tagName, attrs }: Tree.Element): string {
	if (tagName === 'dt' || tagName === 'dd') return 'dt';
	return `${tagName} ${attrs.find(({ name }) => name === 'class')?.value ?? ''}`;
}

/** A node once more; no two elements of a page have one `id`. */
function copied(node: Tree.ChildNode, parent: Tree.ParentNode): Tree.ChildNode {
	if (!isElement(node)) return { ...node };
	const attrs = node.attrs.filter(({ name }) => name !== 'id');
	const copy: Tree.Element = { ...node, attrs, parentNode: parent, childNodes: [] };
	copy.childNodes = node.childNodes.map((child) => copied(child, copy));
	return copy;
}

/** What is left whole: less of it would be another thing, not less content. */
const whole = new Set(['form', 'fieldset', 'figure', 'details', 'dialog', 'pre', 'hr']);
const silent = new Set(['script', 'style', 'template', 'link', 'meta', 'base', 'title']);
const listed = new Set(['li', 'dt']);

/** Takes away all that stands behind the first block, and likewise in it. */
function shorten(parent: Tree.ParentNode): void {
	const { childNodes } = parent;
	const at = childNodes.findIndex((node) => isElement(node) && isBlock(node));
	const first = childNodes[at];
	if (!first || !isElement(first)) return;
	const rest = childNodes.slice(at + 1);
	// A term alone says nothing.
	const told = first.tagName === 'dt' ? rest.find((node) => node.nodeName === 'dd') : undefined;
	const kept = rest.filter((node) => node === told || silent.has(node.nodeName));
	parent.childNodes = [...childNodes.slice(0, at + 1), ...kept];
	if (first.tagName === 'table') shortenTable(first);
	else if (!whole.has(first.tagName)) shorten(first);
}

function isBlock({ tagName }: Tree.Element): boolean {
	return (blockElements.has(tagName) && !silent.has(tagName)) || listed.has(tagName);
}

/** A table keeps its heads, and one row of each part. */
function shortenTable({ childNodes }: Tree.Element): void {
	for (const part of childNodes) {
		if (!isElement(part) || !['tbody', 'tfoot'].includes(part.tagName)) continue;
		const [row] = part.childNodes.filter(isElement);
		part.childNodes = row ? [row] : [];
	}
}

function isElement(node: Tree.ChildNode): node is Tree.Element {
	return 'tagName' in node && node.namespaceURI === html.NS.HTML;
}
