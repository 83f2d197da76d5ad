import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';

/** A stretch of some markup, by offsets. */
export interface Stretch {
	readonly from: number;
	readonly to: number;
}

/** An element as it is written in markup. */
export interface WrittenElement {
	readonly name: string;
	/** `<` and its name. */
	readonly tag: Stretch;
	/** Where what is in it begins: the end of its start tag. */
	readonly inside: number;
	/** Where it ends, with its end tag where it has one. */
	readonly end: number;
	/** Its attributes as they are written, by name, each with its value and place. */
	readonly attributes: ReadonlyMap<string, Stretch & { readonly value: string }>;
}

const known = new Map<string, readonly WrittenElement[]>();
const mostKnown = 500;

/**
 * The elements of some markup in the order in which they are written. What stands in comments, and in the text of
 * styles, is none. Expressions are text here, in words and in attributes.
 */
export function writtenElements(markup: string): readonly WrittenElement[] {
	let found = known.get(markup);
	if (!found) {
		if (known.size >= mostKnown) known.clear();
		known.set(markup, (found = parse(markup)));
	}
	return found;
}

/** A text in markup, as it is written, with its place. */
export interface WrittenText extends Stretch {
	readonly text: string;
}

/**
 * The texts that stand directly in the element whose tag begins at an offset, or outermost where none is said; those that
 * are blank are left out. Expressions are text here.
 */
export function writtenTexts(markup: string, tagAt: number | undefined): readonly WrittenText[] {
	const find = (nodes: readonly Tree.ChildNode[]): readonly Tree.ChildNode[] | undefined => {
		for (const node of nodes) {
			if (!('tagName' in node)) continue;
			const inner = 'content' in node ? node.content.childNodes : node.childNodes;
			if (node.sourceCodeLocation?.startOffset === tagAt) return inner;
			const found = find(inner);
			if (found) return found;
		}
		return undefined;
	};
	const whole = parsed(markup);
	const within = tagAt === undefined ? whole : find(whole);
	return (within ?? []).flatMap((node) => {
		const place = node.sourceCodeLocation;
		if (!place || !('value' in node) || node.value.trim() === '') return [];
		const [from, to] = [place.startOffset, place.endOffset];
		return [{ text: node.value, from, to }];
	});
}

function parse(markup: string): WrittenElement[] {
	const found: WrittenElement[] = [];
	const visit = (node: Tree.ChildNode): void => {
		if (!('tagName' in node)) return;
		const place = node.sourceCodeLocation;
		if (place) {
			const from = place.startOffset;
			const attributes = node.attrs.flatMap(({ name, value }) => {
				const at = place.attrs?.[name];
				return at ? [[name, { value, from: at.startOffset, to: at.endOffset }] as const] : [];
			});
			const tag = { from, to: from + 1 + node.tagName.length };
			const end = place.endOffset;
			const inside = place.startTag?.endOffset ?? end;
			found.push({ name: node.tagName, tag, inside, end, attributes: new Map(attributes) });
		}
		const inner = 'content' in node ? node.content.childNodes : node.childNodes;
		inner.forEach(visit);
	};
	parsed(markup).forEach(visit);
	return found.sort((a, b) => a.tag.from - b.tag.from);
}

const lead = '<template>';

/** Markup as a tree, with its places. In a template rows and cells may stand without their table, as parts have them. */
function parsed(markup: string): readonly Tree.ChildNode[] {
	const { childNodes } = parseFragment(`${lead}${markup}</template>`, {
		sourceCodeLocationInfo: true
	});
	const nodes = childNodes.flatMap((node, at) =>
		at === 0 && 'content' in node ? node.content.childNodes : [node]
	);
	shift(nodes);
	return nodes;
}

/** Places count from the beginning of the markup. */
function shift(nodes: readonly Tree.ChildNode[]): void {
	for (const node of nodes) {
		const place = node.sourceCodeLocation;
		if (place) {
			place.startOffset -= lead.length;
			place.endOffset -= lead.length;
			if ('startTag' in place && place.startTag) place.startTag.endOffset -= lead.length;
			for (const one of Object.values(('attrs' in place && place.attrs) || {})) {
				one.startOffset -= lead.length;
				one.endOffset -= lead.length;
			}
		}
		if ('content' in node) shift(node.content.childNodes);
		else if ('childNodes' in node) shift(node.childNodes);
	}
}
