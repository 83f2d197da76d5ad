import { html, parseFragment, serialize, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { markNames } from '../../model/trace.ts';

/*
 * Characters of Unicode's private use area mark the places of tags while parse5 reads, so that it says
 * where each stands, and what is written is whole HTML whatever the author left open.
 */
export const MARK_OPEN = '\ue000';
export const MARK_CLOSE = '\ue001';
const URL_OPEN = '\ue002';
const URL_CLOSE = '\ue003';
const NO_VALUE = '\ue004';
const ROOT = '\ue005';
const BLOCK = '\ue006';
const CLASS_END = '\ue007';
const ORIGIN = '\ue008';
const PLACE = '\ue009';
const HOLDER = '\ue00a';
/** All characters that mark something here or on the stage; what authors write has none of them. */
export const reserved = /[\ue000-\ue012]/g;
/** The place of a value, by its number. */
export const mark = /\ue000(\d+)\ue001/g;
/** An element that stands for a block ends at once; one that is empty by nature has no end tag. */
const blockMark =
	'<!--[\\ue006\\ue009](?<comment>\\d+)-->|<(?<name>[a-z0-9]+) \\ue006="(?<element>\\d+)"(?: \\ue005="")?>(?:<\\/\\k<name>>)?';
/** Values, URLs, classes of outermost elements, ends of their attributes, origins and blocks, as groups by their names. */
export const anyMark = new RegExp(
	`\\ue000(?<value>\\d+)\\ue001|\\ue002(?<url>\\d+)\\ue003|${blockMark}| \\ue005="(?<root>c?)"|(?<classes>\\ue007)| \\ue008="(?<origin>\\d+)"| \\ue00a="(?<holder>\\d+)"`,
	'g'
);

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
/** HTML, section 13.2.5.2: what is in them is text, without elements. */
const textElements = new Set(['textarea', 'title']);

/** HTML, section 15.3.3: elements that are blocks, or that show nothing. */
export const blockElements = new Set([
	'address', 'article', 'aside', 'base', 'blockquote', 'details', 'dialog', 'div', 'dl', 'fieldset',
	'figure', 'footer', 'form', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'header', 'hgroup', 'hr', 'link',
	'main', 'menu', 'meta', 'nav', 'ol', 'p', 'pre', 'script', 'search', 'section', 'style', 'table',
	'template', 'title', 'ul'
]); // prettier-ignore

/** Markup as parsed, with tags by number: equal texts are parsed once, wherever they stand. */
export interface ParsedMarkup {
	readonly text: string;
	readonly urls: readonly string[];
	readonly inStyle: ReadonlySet<number>;
	/** Numbers that stand in the value of an attribute, or where only text can be. */
	readonly inText: ReadonlySet<number>;
	/** Blocks that stand outermost. */
	readonly outer: ReadonlySet<number>;
	/** Blocks that stand in a drawing, with the name of the language it is in. */
	readonly foreign: ReadonlyMap<number, Foreign>;
	readonly indentable: boolean;
	/** All elements that are outermost are blocks, and there is no text outside of them. */
	readonly inBlocks: boolean;
	readonly isEmpty: boolean;
	/** Numbers of tags that stand where nothing can be put in. */
	readonly refused: readonly number[];
	readonly tooDeep: boolean;
	readonly active: readonly string[];
}

export type Foreign = 'svg' | 'math';

/** Elements inside each other; browsers themselves stop at 512, and flatten what is deeper. */
export const deepestMarkup = 256;

const mostParsed = 20_000;
const byText = new Map<string, ParsedMarkup>();

/** What stands where a region or a slot will be. */
export function placeOfRegion(index: number): string {
	return `<!--${PLACE}${index}-->`;
}

/** What stands where a block will be: an element of the kind it begins with, or a comment. */
export function blockPlace(index: number, element: string | undefined): string {
	return element === undefined
		? `<!--${BLOCK}${index}-->`
		: `<${element} ${BLOCK}="${index}"></${element}>`;
}

/**
 * Reads markup with marks in it; `within` names the foreign element that it stands in; `origins`: elements say where in
 * the source they begin.
 */
export function parseOnce(
	source: string,
	within: Foreign | undefined,
	origins: boolean
): ParsedMarkup {
	const key = `${within ?? ''}${origins ? ORIGIN : ROOT}${source}`;
	const known = byText.get(key);
	if (known) return known;
	const parsed = parse(source, within, origins);
	// Texts come and go while someone types; what is no longer used is forgotten all at once.
	if (byText.size >= mostParsed) byText.clear();
	byText.set(key, parsed);
	return parsed;
}

function parse(source: string, within: Foreign | undefined, origins: boolean): ParsedMarkup {
	const options = { sourceCodeLocationInfo: origins };
	const fragment = within ? parseWithin(source, within, options) : parseFragment(source, options);
	const walk = new Walk(fragment);
	const tooDeep = isTooDeep(fragment);
	if (!tooDeep) walk.children(fragment);
	const { urls, inStyle, inText, outer, foreign, indentable, refused } = walk;
	const inBlocks = fragment.childNodes.every(isInBlock);
	const isEmpty = inBlocks && !fragment.childNodes.some((node) => 'tagName' in node);
	for (const node of fragment.childNodes) {
		if (!('tagName' in node)) continue;
		const named = node.attrs.find(({ name }) => name === 'class');
		if (named) named.value += CLASS_END;
		node.attrs.push({ name: ROOT, value: named ? 'c' : '' });
	}
	// HTML, section 2.4.2: an attribute without a value is written without one.
	const text = tooDeep ? '' : serialize(fragment).replaceAll(`="${NO_VALUE}"`, '');
	const active = [...walk.active];
	return {
		...{ text, urls, inStyle, inText, outer, foreign, indentable, inBlocks, isEmpty, refused },
		...{ tooDeep, active }
	};
}

/** HTML, section 13.4: what stands in a drawing is read as a part of it. */
function parseWithin(
	source: string,
	within: Foreign,
	options: { readonly sourceCodeLocationInfo: boolean }
): Tree.DocumentFragment {
	const [context] = parseFragment(`<${within}></${within}>`).childNodes;
	if (!context || !('tagName' in context)) return parseFragment(source);
	return parseFragment(context, source, options);
}

/** Whether a node at the outermost level is a block, or shows nothing. */
function isInBlock(node: Tree.ChildNode): boolean {
	// What an author marks in the way of the stage's own marks cannot carry those as well.
	if ('tagName' in node) return blockElements.has(node.tagName) && !node.attrs.some(isMark);
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
	readonly inText = new Set<number>();
	readonly outer = new Set<number>();
	readonly foreign = new Map<number, Foreign>();
	readonly active = new Set<string>();
	indentable = true;

	constructor(private readonly fragment: Tree.DocumentFragment) {}

	children(parent: Tree.ParentNode): void {
		for (const node of parent.childNodes) this.node(node, parent);
	}

	private node(node: Tree.ChildNode, parent: Tree.ParentNode): void {
		if ('tagName' in node) {
			const block = node.attrs.find(({ name }) => name === BLOCK);
			if (block) this.block(Number(block.value), parent);
			else this.element(node);
		} else if (node.nodeName === '#comment' && 'data' in node) {
			if (node.data.startsWith(BLOCK)) this.block(Number(node.data.slice(1)), parent);
			if (node.data.startsWith(PLACE)) this.place(node, parent);
			this.refuse(node.data);
			node.data = node.data.replace(mark, '');
		}
	}

	private block(index: number, parent: Tree.ParentNode): void {
		if (parent === this.fragment) this.outer.add(index);
		if (!('namespaceURI' in parent)) return;
		if (parent.namespaceURI === html.NS.SVG) this.foreign.set(index, 'svg');
		if (parent.namespaceURI === html.NS.MATHML) this.foreign.set(index, 'math');
	}

	/** A place that is all of an element is that element, which says so. */
	private place(node: Tree.CommentNode, parent: Tree.ParentNode): void {
		this.block(Number(node.data.slice(1)), parent);
		const others = parent.childNodes.filter(
			(one) => one !== node && !('value' in one && one.value.trim() === '')
		);
		if (!('tagName' in parent) || others.length > 0) return;
		parent.attrs.push({ name: HOLDER, value: node.data.slice(1) });
	}

	private element(node: Tree.Element): void {
		this.refuse(node.tagName);
		if (['pre', 'textarea', 'script', 'style'].includes(node.tagName)) this.indentable = false;
		if (['script', 'base'].includes(node.tagName)) this.active.add(`<${node.tagName}>`);
		if (cutsFirstBreak.has(node.tagName)) keepFirstBreak(node);
		for (const attribute of node.attrs) this.attribute(attribute, node);
		const place = node.sourceCodeLocation;
		if (place) node.attrs.push({ name: ORIGIN, value: String(place.startOffset) });
		if (rawElements.has(node.tagName)) {
			for (const child of node.childNodes) {
				if (!('value' in child)) continue;
				this.refuse(child.value);
				child.value = child.value.replace(mark, '');
			}
			return;
		}
		if (textElements.has(node.tagName)) {
			for (const child of node.childNodes) if ('value' in child) this.asText(child.value);
		}
		this.children(node);
		if (isTemplate(node)) this.children(node.content);
	}

	private attribute(attribute: { name: string; value: string }, node: Tree.Element): void {
		this.refuse(attribute.name);
		if (/^on./.test(attribute.name)) this.active.add(attribute.name);
		// URL standard, section 4.4: blanks and control characters around and in a scheme do not count.
		if (/^javascript:/i.test(attribute.value.replace(/[\u0000-\u0020]/g, ''))) {
			this.active.add('javascript:');
		}
		if (attribute.name === 'srcdoc') this.active.add('srcdoc');
		const runs = attribute.name.startsWith('on') || attribute.name === 'srcdoc';
		if (runs || animatesUrl(attribute.name, node)) {
			this.refuse(attribute.value);
			attribute.value = attribute.value.replace(mark, '');
			return;
		}
		this.asText(attribute.value);
		if (attribute.name === 'style') {
			for (const [, index] of attribute.value.matchAll(mark)) this.inStyle.add(Number(index));
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

	private asText(text: string): void {
		for (const [, index] of text.matchAll(mark)) this.inText.add(Number(index));
	}

	private refuse(text: string): void {
		for (const [, index] of text.matchAll(mark)) this.refused.push(Number(index));
	}
}

/** HTML, section 13.1.2.5: a line break with which their text begins is not there unless there are two. */
const cutsFirstBreak = new Set(['pre', 'textarea', 'listing']);

function keepFirstBreak({ childNodes }: Tree.Element): void {
	const [first] = childNodes;
	if (first && 'value' in first && first.value.startsWith('\n')) first.value = `\n${first.value}`;
}

/** SVG 2, section 19.2.2: animations set attributes, links among them, to values they list. */
function animatesUrl(attribute: string, { namespaceURI, tagName }: Tree.Element): boolean {
	const animates = tagName === 'set' || tagName.startsWith('animate');
	return (
		namespaceURI === html.NS.SVG && animates && ['from', 'to', 'by', 'values'].includes(attribute)
	);
}

function isTemplate(node: Tree.Element): node is Tree.Template {
	return node.tagName === 'template' && 'content' in node;
}
