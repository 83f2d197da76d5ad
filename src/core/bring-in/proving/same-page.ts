import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { inFolder } from '../../lib/relative-url.ts';

/** The first thing in which two pages differ. */
export interface Difference {
	/** The elements around it, from the outside in, as `body > div#wrap > p`. */
	readonly where: string;
	readonly before: string;
	readonly now: string;
}

/**
 * Whether two pages are the same: the same elements, attributes and text in the same order. Links are the same where they
 * lead to the same place from the path of the page; white space only where it shows; how a page says its encoding, comments
 * and the order of attributes do not count.
 */
export function pageDifference(before: string, now: string, path: string): Difference | undefined {
	const [a, b] = [before, now].map((html) => new Tokens(path).of(parse(html)));
	if (!a || !b) return undefined;
	const most = Math.max(a.length, b.length);
	for (let at = 0; at < most; at++) {
		const [one, other] = [a[at], b[at]];
		if (one?.text === other?.text) continue;
		const where = (one ?? other)?.where ?? '';
		return { where, before: one?.text ?? 'nothing', now: other?.text ?? 'nothing' };
	}
	return undefined;
}

interface Token {
	readonly text: string;
	readonly where: string;
}

/** HTML, section 13.3: text in them stands as it is, or shows its white space. */
const spaced = new Set(['pre', 'textarea', 'script', 'style', 'listing', 'xmp']);
/** HTML, section 3.2.5.2.5: elements that stand in lines of text, between which a blank shows. */
const inLines = new Set([
	'a', 'abbr', 'acronym', 'b', 'bdi', 'bdo', 'big', 'button', 'cite', 'code', 'data', 'del', 'dfn', 'em', 'font', 'i',
	'img', 'input', 'ins', 'kbd', 'label', 'mark', 'meter', 'nobr', 'object', 'output', 'progress', 'q', 's', 'samp',
	'select', 'small', 'span', 'strike', 'strong', 'sub', 'sup', 'svg', 'textarea', 'time', 'tt', 'u', 'var'
]); // prettier-ignore
const urls = new Set(['href', 'src', 'action', 'formaction', 'poster', 'data', 'cite']);

/** A page as what stands in it one after the other. */
class Tokens {
	private readonly found: Token[] = [];
	private readonly way: string[] = [];
	/** Text since the last tag, with its blanks. */
	private text = '';
	/** A block began or ended just before the text. */
	private isFresh = true;

	constructor(private readonly path: string) {}

	of(document: Tree.Document): readonly Token[] {
		this.children(document, false);
		this.flush(true);
		return this.found;
	}

	private children(parent: Tree.ParentNode, isSpaced: boolean): void {
		for (const node of parent.childNodes) {
			if ('tagName' in node) this.element(node, isSpaced);
			else if ('value' in node) {
				this.text += isSpaced ? node.value : node.value.replace(/[ \t\n\f\r]+/g, ' ');
				if (isSpaced) this.flush(false, true);
			}
		}
	}

	private element(node: Tree.Element, isSpaced: boolean): void {
		const { tagName } = node;
		if (tagName === 'meta' && isCharset(node)) return;
		const isInLine = inLines.has(tagName);
		this.flush(!isInLine);
		this.way.push(nameOf(node));
		this.push(`<${[tagName, ...this.attributesOf(node)].join(' ')}>`);
		this.isFresh = !isInLine;
		this.children(node, isSpaced || spaced.has(tagName));
		if (isTemplate(node)) this.children(node.content, false);
		this.flush(!isInLine);
		this.push(`</${tagName}>`);
		this.isFresh = !isInLine;
		this.way.pop();
	}

	/** `isEnd`: a block begins or ends behind it, where a blank shows nothing. */
	private flush(isEnd: boolean, isSpaced = false): void {
		let { text } = this;
		this.text = '';
		if (!isSpaced) {
			text = text.replace(/ +/g, ' ');
			if (this.isFresh) text = text.replace(/^ /, '');
			if (isEnd) text = text.replace(/ $/, '');
		}
		if (text === '') return;
		this.push(`"${text}"`);
		this.isFresh = false;
	}

	private push(text: string): void {
		this.found.push({ text, where: this.way.join(' > ') });
	}

	private attributesOf({ attrs }: Tree.Element): string[] {
		return attrs
			.map(({ name, value }) => `${name}="${this.valueOf(name, value)}"`)
			.sort((a, b) => (a < b ? -1 : 1));
	}

	private valueOf(name: string, value: string): string {
		if (name === 'class') return value.trim().split(/\s+/).join(' ');
		if (name === 'srcset' || name === 'imagesrcset') {
			const candidates = value.split(/,\s+/).map((one) => one.trim().split(/\s+/));
			return candidates
				.map(([url = '', ...rest]) => [this.target(url), ...rest].join(' '))
				.join(', ');
		}
		return urls.has(name) && value.trim() !== '' ? this.target(value) : value;
	}

	/** Where a link leads: a folder and its `index.html` are one. */
	private target(url: string): string {
		const target = inFolder(url, this.path);
		if (!target) return url;
		return `/${target.path.replace(/(^|\/)index\.html$/, '$1').replace(/\/$/, '')}${target.tail}`;
	}
}

function isTemplate(node: Tree.Element): node is Tree.Template {
	return 'content' in node;
}

function isCharset({ attrs }: Tree.Element): boolean {
	return attrs.some(
		({ name, value }) =>
			name === 'charset' || (name === 'http-equiv' && /^content-type$/i.test(value))
	);
}

function nameOf({ tagName, attrs }: Tree.Element): string {
	const id = attrs.find(({ name }) => name === 'id')?.value;
	return id === undefined ? tagName : `${tagName}#${id}`;
}
