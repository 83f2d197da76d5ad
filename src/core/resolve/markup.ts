import { Memory } from '../model/memory.ts';
import { html, parseFragment, serialize, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { error, type Problem } from '../messages/problem.ts';
import { markNames } from '../model/trace.ts';
import type { Expression, Template } from '../model/template.ts';

/** Markup made ready to be written many times: literal HTML, and the places where values go. */
export interface CompiledMarkup {
	readonly parts: readonly MarkupPart[];
	/** Lines may be indented; not so where white space shows, as in `pre`. */
	readonly indentable: boolean;
	/** All that shows in it stands in blocks, so that it needs no element around it. */
	readonly inBlocks: boolean;
	/** Nothing is in it but white space and comments. */
	readonly isEmpty: boolean;
	/** What in it runs script or moves links, each once: `<script>`, `onclick`, `javascript:`, `<base>`. */
	readonly active: readonly string[];
	readonly problems: readonly Problem[];
}

export type MarkupPart =
	| string
	| { readonly kind: 'value'; readonly expression: Expression; readonly inStyle: boolean }
	/** The value of an attribute that holds a URL, which depends on where the page lies. */
	| { readonly kind: 'url'; readonly value: readonly (string | Expression)[] }
	/** The end of the attributes of an outermost element. */
	| { readonly kind: 'root' };

/** HTML standard, "Attributes" index, and SVG 2, section 16.1: attributes whose value is one URL. */
const urlAttributes = new Set(['href', 'src', 'action', 'formaction', 'poster', 'data', 'cite']);
/** HTML standard, "Attributes" index: attributes that are true where they stand. */
const namesOnly = new Set([
	'allowfullscreen', 'async', 'autofocus', 'autoplay', 'checked', 'controls', 'default', 'defer',
	'disabled', 'formnovalidate', 'hidden', 'inert', 'ismap', 'itemscope', 'loop', 'multiple', 'muted',
	'nomodule', 'novalidate', 'open', 'playsinline', 'readonly', 'required', 'reversed', 'selected'
]); // prettier-ignore
const rawElements = new Set([
	'style',
	'script',
	'xmp',
	'iframe',
	'noembed',
	'noframes',
	'noscript'
]);

/** HTML, section 15.3.3: elements that are blocks, or that show nothing. */
const blocks = new Set([
	'address', 'article', 'aside', 'base', 'blockquote', 'details', 'dialog', 'div', 'dl', 'fieldset',
	'figure', 'footer', 'form', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'header', 'hgroup', 'hr', 'link',
	'main', 'menu', 'meta', 'nav', 'ol', 'p', 'pre', 'script', 'search', 'section', 'style', 'table',
	'template', 'title', 'ul'
]); // prettier-ignore

/* Characters of Unicode's private use area mark the places of expressions while parse5 reads. */
const MARK_OPEN = '\ue000';
const MARK_CLOSE = '\ue001';
const URL_OPEN = '\ue002';
const URL_CLOSE = '\ue003';
const NO_VALUE = '\ue004';
const ROOT = '\ue005';
const mark = /\ue000(\d+)\ue001/g;
const anyMark = /\ue000(\d+)\ue001|\ue002(\d+)\ue003| \ue005=""/g;

const byTemplate = new Memory<Template, CompiledMarkup>();

/** Markup as parsed, with expressions by number: equal texts are parsed once, wherever they stand. */
interface ParsedMarkup {
	readonly text: string;
	readonly urls: readonly string[];
	readonly inStyle: ReadonlySet<number>;
	readonly indentable: boolean;
	readonly inBlocks: boolean;
	readonly isEmpty: boolean;
	/** Numbers of expressions that stand where no value can. */
	readonly refused: readonly number[];
	readonly tooDeep: boolean;
	readonly active: readonly string[];
}

/** Elements inside each other; browsers themselves stop at 512, and flatten what is deeper. */
export const deepestMarkup = 256;

const mostParsed = 20_000;
const byText = new Map<string, ParsedMarkup>();

/**
 * Reads markup with parse5, so that what is written is whole HTML whatever the author left open,
 * and values are escaped for where they stand. Expressions where no value can stand are problems.
 */
export function compileMarkup(template: Template): CompiledMarkup {
	return byTemplate.get(template, [], () => compile(template));
}

function compile(template: Template): CompiledMarkup {
	const expressions: Expression[] = [];
	const source = template.parts
		.map((part) => {
			if (typeof part === 'string') return part.replace(/[\ue000-\ue011]/g, '\ufffd');
			expressions.push(part);
			return `${MARK_OPEN}${expressions.length - 1}${MARK_CLOSE}`;
		})
		.join('');
	const parsed = parseOnce(source);
	if (parsed.tooDeep) {
		const problem = error('markup-too-deep', template.span, deepestMarkup);
		const nothing = { parts: [], active: [], indentable: true, inBlocks: true, isEmpty: true };
		return { ...nothing, problems: [problem] };
	}
	const urls = parsed.urls.map((url) => splitExpressions(url, expressions));
	const problems = parsed.refused.flatMap((index) => {
		const expression = expressions[index];
		if (!expression) return [];
		return [error('expression-place', expression.span, expression.path.join('.'))];
	});
	const parts = splitMarks(parsed.text, expressions, urls, parsed.inStyle);
	const { indentable, inBlocks, isEmpty, active } = parsed;
	return { parts, indentable, inBlocks, isEmpty, active, problems };
}

function parseOnce(source: string): ParsedMarkup {
	const known = byText.get(source);
	if (known) return known;
	const fragment = parseFragment(source);
	const walk = new Walk();
	const tooDeep = isTooDeep(fragment);
	if (!tooDeep) walk.children(fragment);
	const { urls, inStyle, indentable, refused } = walk;
	const inBlocks = fragment.childNodes.every(isInBlock);
	const isEmpty = inBlocks && !fragment.childNodes.some((node) => 'tagName' in node);
	for (const node of fragment.childNodes) {
		if ('tagName' in node) node.attrs.push({ name: ROOT, value: '' });
	}
	// HTML, section 2.4.2: an attribute without a value is written without one.
	const text = tooDeep ? '' : serialize(fragment).replaceAll(`="${NO_VALUE}"`, '');
	const active = [...walk.active];
	const parsed = { text, urls, inStyle, indentable, inBlocks, isEmpty, refused, tooDeep, active };
	// Texts come and go while someone types; what is no longer used is forgotten all at once.
	if (byText.size >= mostParsed) byText.clear();
	byText.set(source, parsed);
	return parsed;
}

/** Whether a node at the outermost level is a block, or shows nothing. */
function isInBlock(node: Tree.ChildNode): boolean {
	// What an author marks in the way of the stage's own marks cannot carry those as well.
	if ('tagName' in node) return blocks.has(node.tagName) && !node.attrs.some(isMark);
	return !('value' in node) || node.value.trim() === '';
}

const marks = new Set<string>(markNames.map((name) => `data-${name}`));

function isMark({ name }: { name: string }): boolean {
	return marks.has(name);
}

/** Goes level by level, so that no depth is too much for it. */
function isTooDeep(fragment: Tree.DocumentFragment): boolean {
	let level: Tree.ParentNode[] = [fragment];
	for (let depth = 0; level.length > 0; depth++) {
		if (depth > deepestMarkup) return true;
		level = level.flatMap((node) => {
			const content = 'tagName' in node && isTemplate(node) ? [node.content] : [];
			return [...content, ...node.childNodes.filter((child) => 'childNodes' in child)];
		});
	}
	return false;
}

class Walk {
	readonly refused: number[] = [];
	readonly urls: string[] = [];
	readonly inStyle = new Set<number>();
	readonly active = new Set<string>();
	indentable = true;

	children(parent: Tree.ParentNode): void {
		for (const node of parent.childNodes) this.node(node);
	}

	private node(node: Tree.ChildNode): void {
		if ('tagName' in node) {
			this.element(node);
		} else if (node.nodeName === '#comment' && 'data' in node) {
			this.refuse(node.data);
			node.data = node.data.replace(mark, '');
		}
	}

	private element(node: Tree.Element): void {
		this.refuse(node.tagName);
		if (['pre', 'textarea', 'script', 'style'].includes(node.tagName)) this.indentable = false;
		if (['script', 'base'].includes(node.tagName)) this.active.add(`<${node.tagName}>`);
		for (const attribute of node.attrs) this.attribute(attribute, node);
		if (rawElements.has(node.tagName)) {
			for (const child of node.childNodes) {
				if (!('value' in child)) continue;
				this.refuse(child.value);
				child.value = child.value.replace(mark, '');
			}
		} else {
			this.children(node);
			if (isTemplate(node)) this.children(node.content);
		}
	}

	private attribute(attribute: { name: string; value: string }, node: Tree.Element): void {
		this.refuse(attribute.name);
		if (/^on./.test(attribute.name)) this.active.add(attribute.name);
		// URL standard, section 4.4: blanks and control characters around and in a scheme do not count.
		if (/^javascript:/i.test(attribute.value.replace(/[\u0000-\u0020]/g, ''))) {
			this.active.add('javascript:');
		}
		if (attribute.name === 'srcdoc') this.active.add('srcdoc');
		if (attribute.name.startsWith('on') || attribute.name === 'srcdoc') {
			this.refuse(attribute.value);
			attribute.value = attribute.value.replace(mark, '');
		} else if (attribute.name === 'style') {
			for (const [, index] of attribute.value.matchAll(mark)) this.inStyle.add(Number(index));
		} else if (animatesUrl(attribute.name, node)) {
			this.refuse(attribute.value);
			attribute.value = attribute.value.replace(mark, '');
		} else if (attribute.value === '' && namesOnly.has(attribute.name)) {
			attribute.value = NO_VALUE;
		} else if (attribute.name === 'srcset' || attribute.name === 'imagesrcset') {
			attribute.value = this.sourceSet(attribute.value);
		} else if (urlAttributes.has(attribute.name)) {
			this.urls.push(attribute.value);
			attribute.value = `${URL_OPEN}${this.urls.length - 1}${URL_CLOSE}`;
		}
	}

	/** HTML, section 4.8.4.2.1: URLs with a width or density each, parted by commas. */
	private sourceSet(value: string): string {
		return value
			.split(/,\s+/)
			.map((candidate) => {
				const [url = '', ...descriptors] = candidate.trim().split(/\s+/);
				this.urls.push(url);
				return [`${URL_OPEN}${this.urls.length - 1}${URL_CLOSE}`, ...descriptors].join(' ');
			})
			.join(', ');
	}

	private refuse(text: string): void {
		for (const [, index] of text.matchAll(mark)) this.refused.push(Number(index));
	}
}

/** SVG 2, section 19.2.2: animations set attributes, links among them, to values they list. */
function animatesUrl(attribute: string, { namespaceURI, tagName }: Tree.Element): boolean {
	const animates = tagName === 'set' || tagName.startsWith('animate');
	return (
		namespaceURI === html.NS.SVG && animates && ['from', 'to', 'by', 'values'].includes(attribute)
	);
}

function splitExpressions(
	text: string,
	expressions: readonly Expression[]
): (string | Expression)[] {
	const parts: (string | Expression)[] = [];
	let last = 0;
	for (const match of text.matchAll(mark)) {
		if (match.index > last) parts.push(text.slice(last, match.index));
		const expression = expressions[Number(match[1])];
		if (expression) parts.push(expression);
		last = match.index + match[0].length;
	}
	if (last < text.length || parts.length === 0) parts.push(text.slice(last));
	return parts;
}

function splitMarks(
	text: string,
	expressions: readonly Expression[],
	urls: readonly (readonly (string | Expression)[])[],
	inStyle: ReadonlySet<number>
): MarkupPart[] {
	const parts: MarkupPart[] = [];
	let last = 0;
	for (const match of text.matchAll(anyMark)) {
		if (match.index > last) parts.push(text.slice(last, match.index));
		const expression = match[1] === undefined ? undefined : expressions[Number(match[1])];
		const url = match[2] === undefined ? undefined : urls[Number(match[2])];
		if (expression) {
			parts.push({ kind: 'value', expression, inStyle: inStyle.has(Number(match[1])) });
		} else if (url) {
			parts.push({ kind: 'url', value: url });
		} else if (match[1] === undefined && match[2] === undefined) {
			parts.push({ kind: 'root' });
		}
		last = match.index + match[0].length;
	}
	if (last < text.length) parts.push(text.slice(last));
	return parts;
}

function isTemplate(node: Tree.Element): node is Tree.Template {
	return node.tagName === 'template' && 'content' in node;
}
