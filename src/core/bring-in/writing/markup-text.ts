import type { BroughtElement, BroughtNode } from '../reading/brought-node.ts';
import { keepsSpace } from '../reading/read-page.ts';

/** HTML, section 13.1.2: elements that have no end tag. */
const empty = new Set(['area', 'base', 'br', 'col', 'embed', 'hr', 'img', 'input', 'link', 'meta', 'source', 'track', 'wbr', 'basefont', 'bgsound', 'frame', 'keygen', 'param']); // prettier-ignore
/** HTML, section 13.3: elements whose text is written as it is. */
const raw = new Set([
	'style',
	'script',
	'xmp',
	'iframe',
	'noembed',
	'noframes',
	'plaintext',
	'noscript'
]);

/** Whether a place can stand in an element: some have no content, and that of others is text as it is written. */
export function canHoldPlace(tag: string): boolean {
	return !empty.has(tag) && !raw.has(tag) && !['textarea', 'title', 'select'].includes(tag);
}

/** Characters of a line after which a break is put where it shows nothing: texts of a site have lines of bounded length. */
const longLine = 4000;

/** Where some markup stands: the element around it, and whether white space shows there. */
export interface Within {
	readonly tag: string;
	readonly isSpaced: boolean;
}

const outermost: Within = { tag: '', isSpaced: false };

/** Blocks that are written as parts, by their words: the names of those. */
export type PartNames = ReadonlyMap<number, string>;

/** Nodes as markup of a site: HTML (section 13.3) in which braces stand behind a backslash. */
export function markupText(
	nodes: readonly BroughtNode[],
	within = outermost,
	parts: PartNames = new Map()
): string {
	const writer = new MarkupWriter(parts);
	writer.nodes(nodes, within);
	return writer.written;
}

/** What stands in an element that stands in something. */
export function inside(tag: string, within = outermost): Within {
	return { tag, isSpaced: within.isSpaced || keepsSpace.has(tag) };
}

class MarkupWriter {
	written = '';
	/** Where the last line begins. */
	private line = 0;

	constructor(private readonly parts: PartNames) {}

	nodes(nodes: readonly BroughtNode[], within: Within): void {
		for (const node of nodes) this.node(node, within);
	}

	private node(node: BroughtNode, within: Within): void {
		if (node.kind === 'comment') this.write(`<!--${braced(node.text)}-->`);
		else if (node.kind === 'element') this.element(node, within);
		else if (raw.has(within.tag)) this.write(braced(node.text));
		else this.write(textOf(node.text, within));
	}

	private element(element: BroughtElement, within: Within): void {
		const { tag, children } = element;
		const part = within.isSpaced ? undefined : this.parts.get(element.word);
		if (part !== undefined) {
			this.write(`{use ${part}}`);
			return;
		}
		this.write(openTag(element));
		if (empty.has(tag)) return;
		const [first] = children;
		// HTML, section 13.1.2.5: a first line break in these is not there.
		const isCut = ['pre', 'textarea', 'listing'].includes(tag);
		if (isCut && first?.kind === 'text' && first.text.startsWith('\n')) this.write('\n');
		this.nodes(children, inside(tag, within));
		// In a tag white space shows nothing (HTML, section 13.1.2.2).
		const isLong = this.written.length - this.line > longLine;
		this.write(`</${tag}${isLong ? '\n' : ''}>`);
	}

	private write(text: string): void {
		const last = text.lastIndexOf('\n');
		if (last !== -1) this.line = this.written.length + last + 1;
		this.written += text;
	}
}

function textOf(written: string, within: Within): string {
	const text = written
		.replaceAll('&', '&amp;')
		.replaceAll('\u00a0', '&nbsp;')
		.replaceAll('<', '&lt;')
		.replaceAll('>', '&gt;')
		// What ends a block of markup in the text of a site.
		.replace(/^([ \t]*)"""/gm, '$1&quot;""');
	return braced(within.isSpaced ? blanksKept(text) : inLines(text));
}

/** Text in which any white space is one blank, with a break in what is very long. */
function inLines(text: string): string {
	if (text.length <= longLine) return text;
	return text
		.split('\n')
		.map((line) => line.replace(/(.{1000,}?) /g, '$1\n'))
		.join('\n');
}

/** The tag with which an element begins. */
export function openTag({ tag, attributes }: Pick<BroughtElement, 'tag' | 'attributes'>): string {
	return `<${tag}${attributesText(attributes)}>`;
}

export function closeTag(tag: string): string {
	return empty.has(tag) ? '' : `</${tag}>`;
}

/** Attributes as they stand in a tag, each behind a blank. */
export function attributesText(attributes: BroughtElement['attributes']): string {
	return attributes
		.map(({ name, value }) => {
			if (value === '') return ` ${name}`;
			const escaped = value
				.replaceAll('&', '&amp;')
				.replaceAll('\u00a0', '&nbsp;')
				.replaceAll('"', '&quot;');
			return ` ${name}="${braced(escaped)}"`;
		})
		.join('');
}

function braced(text: string): string {
	return text.replaceAll('{', '\\{');
}

/** A line of blanks would stand empty in a block of markup. */
function blanksKept(text: string): string {
	return text.replace(/^([ \t])([ \t]*)$/gm, (_, first: string, rest: string) => {
		return `&#${first.charCodeAt(0)};${rest}`;
	});
}

/** Text in quotes, as a site has it. */
export function quoted(text: string): string {
	return `"${text.replace(/["\\{]/g, '\\$&')}"`;
}

/** A block of markup behind some words, its lines indented. */
export function block(before: string, markup: string, indent: string): string {
	const text = markup.replace(/^\s*\n/, '').trimEnd();
	const lines = text.trimStart().split('\n');
	const inner = `${indent}  `;
	const shown = lines.map((line) => (line === '' ? '' : inner + line)).join('\n');
	return `${indent}${before} """\n${shown}\n${indent}"""`;
}
