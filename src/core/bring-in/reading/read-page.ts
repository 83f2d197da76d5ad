import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import {
	textIn,
	Words,
	type BroughtAttribute,
	type BroughtElement,
	type BroughtNode,
	type BroughtText
} from './brought-node.ts';
import { decodePage } from './decode-page.ts';
import { addressOf, type Links } from './links.ts';

/** A page that is brought in, as a browser reads it. */
export interface BroughtPage {
	/** Path of its file. */
	readonly path: string;
	/** The address at which it stands. */
	readonly address: string;
	readonly html: readonly BroughtAttribute[];
	readonly body: readonly BroughtAttribute[];
	readonly head: readonly BroughtNode[];
	readonly content: readonly BroughtNode[];
	/** Its title; undefined where it has none. */
	readonly title: string | undefined;
	/** Bytes of its file. */
	readonly bytes: number;
	/** Browsers lay it out as old ones did, since its doctype says so or is missing (HTML, section 13.2.6.4.1). */
	readonly isInQuirks: boolean;
}

/** Elements deeper than that are flattened by browsers, and refused in a site. */
const deepest = 250;

/** Why a page is not taken: a sentence goes on from "This page". */
export type NoPage = string;

/** Reads pages of one folder: equal nodes of all of them have the same words. */
export class PageReader {
	private readonly words = new Words();

	constructor(private readonly links: Links) {}

	/** A page by its bytes, or why it is none that can be brought in. */
	read(path: string, bytes: Uint8Array): BroughtPage | NoPage {
		const decoded = decodePage(bytes);
		if (!decoded) return 'is no text';
		const document = parse(decoded.text);
		if (isTooDeep(document)) return `has elements more than ${deepest} deep inside each other`;
		const root = document.childNodes.find(isElement);
		const [head, body] = ['head', 'body'].map((name) =>
			root?.childNodes.filter(isElement).find(({ tagName }) => tagName === name)
		);
		if (!root || !head || !body) return 'has frames in the place of a body';
		const made = { head: this.nodes(head, path), content: this.nodes(body, path) };
		const title = made.head.find((one) => one.kind === 'element' && one.tag === 'title');
		return {
			path,
			address: addressOf(path),
			html: this.attributes(root, path),
			body: this.attributes(body, path),
			...made,
			title: title?.kind === 'element' ? textIn(title) : undefined,
			bytes: bytes.length,
			isInQuirks: document.mode === 'quirks'
		};
	}

	private nodes(parent: Tree.ParentNode, path: string): BroughtNode[] {
		return parent.childNodes.flatMap((node) => this.node(node, path));
	}

	private node(node: Tree.ChildNode, path: string): BroughtNode[] {
		if (isElement(node)) return [this.element(node, path)];
		if ('value' in node) return [this.text(node.value, node.parentNode)];
		if (!('data' in node)) return [];
		const { data } = node;
		return [
			{ kind: 'comment', text: data, word: this.words.of(`!${data}`), size: data.length + 7 }
		];
	}

	/** Where white space shows it counts; elsewhere any of it is one blank. */
	private text(text: string, parent: Tree.ParentNode | null): BroughtText {
		const isKept = parent !== null && 'tagName' in parent && keepsSpace.has(parent.tagName);
		const seen = isKept ? text : text.replace(/[ \t\n\f\r]+/g, ' ');
		return { kind: 'text', text, word: this.words.of(`"${seen}`), size: text.length };
	}

	private element(node: Tree.Element, path: string): BroughtElement {
		const { tagName: tag } = node;
		const attributes = this.attributes(node, path);
		const children = this.nodes(contentOf(node), path);
		const said = attributes.map(({ name, value }) => `${name}=${value}`).join('\n');
		const word = this.words.of(`<${tag}\n${said}\n>${children.map((one) => one.word).join(' ')}`);
		const inside = children.reduce((sum, one) => sum + one.size, 0);
		return {
			kind: 'element',
			tag,
			attributes,
			children,
			word,
			size: 2 * tag.length + 5 + said.length + inside
		};
	}

	private attributes(node: Tree.Element, path: string): BroughtAttribute[] {
		return node.attrs.map(({ name, value, prefix }) => {
			const whole = prefix === undefined || prefix === '' ? name : `${prefix}:${name}`;
			const linked = this.links.value(whole, value, path);
			return { name: whole, value: isCharset(node, name) ? inUtf8(linked) : linked };
		});
	}
}

/** Elements in which white space shows, or is a part of what they say. */
export const keepsSpace: ReadonlySet<string> = new Set([
	'pre',
	'textarea',
	'script',
	'style',
	'listing',
	'xmp'
]);

function contentOf(node: Tree.Element): Tree.ParentNode {
	const isTemplate = (one: Tree.Element): one is Tree.Template => 'content' in one;
	return isTemplate(node) ? node.content : node;
}

function isElement(node: Tree.ChildNode): node is Tree.Element {
	return 'tagName' in node;
}

/** What is delivered is UTF-8, whatever a page was in. */
function isCharset({ tagName, attrs }: Tree.Element, name: string): boolean {
	if (tagName !== 'meta') return false;
	const isType = attrs.some(
		(one) => one.name === 'http-equiv' && /^content-type$/i.test(one.value)
	);
	return name === 'charset' || (isType && name === 'content');
}

function inUtf8(value: string): string {
	if (/^\s*utf-?8\s*$|charset\s*=\s*utf-?8\s*$/i.test(value)) return value;
	return /charset\s*=/i.test(value)
		? value.replace(/(charset\s*=\s*)[^\s;]+/i, '$1utf-8')
		: 'utf-8';
}

function isTooDeep(document: Tree.Document): boolean {
	let level: Tree.ParentNode[] = [document];
	for (let depth = 0; level.length > 0; depth++) {
		if (depth > deepest) return true;
		level = level.flatMap(({ childNodes }) => childNodes.filter(isElement));
	}
	return false;
}
