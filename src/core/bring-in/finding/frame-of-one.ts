import {
	attributeOf,
	textIn,
	type BroughtElement,
	type BroughtNode
} from '../reading/brought-node.ts';
import type { FrameNode, FramePlace } from './frame-node.ts';

/** Landmarks (HTML-AAM 1.0) that are offered as regions, by their elements and roles. */
const landmarkTags = new Set(['header', 'nav', 'aside', 'footer']);
const landmarkRoles = new Set(['banner', 'navigation', 'complementary', 'contentinfo', 'search']);
/** How the main part of a page is called where it is no `main`. */
const mainNames = /^(?:main|content|page-content|main-content|maincontent)$/i;

/**
 * The frame of a page alone: its landmarks are regions, with what stands in them as their default, and its main part is the
 * slot. Undefined of a page that has no main part that could be told.
 */
export function frameOfOne(content: readonly BroughtNode[]): FrameNode[] | undefined {
	const main = mainOf(content);
	if (!main) return undefined;
	const walk = (nodes: readonly BroughtNode[]): FrameNode[] =>
		nodes.map((node): FrameNode => {
			if (node.kind !== 'element') return { kind: 'same', node, of: [node] };
			if (node === main) return within(node, placeOf(node.children, undefined));
			if (holds(node, main))
				return { kind: 'element', ...tagOf(node), of: [node], children: walk(node.children) };
			if (!isLandmark(node) || node.children.length === 0)
				return { kind: 'same', node, of: [node] };
			return within(node, placeOf(node.children, node.children));
		});
	return walk(content);
}

function mainOf(content: readonly BroughtNode[]): BroughtElement | undefined {
	const all = elementsIn(content);
	const said =
		all.find(({ tag }) => tag === 'main') ??
		all.find((element) => attributeOf(element, 'role') === 'main') ??
		all.find((element) => mainNames.test(attributeOf(element, 'id') ?? '')) ??
		all.find((element) => mainNames.test(attributeOf(element, 'class')?.split(/\s+/)[0] ?? ''));
	if (said) return said;
	// Else the innermost element with most of the text: what is around it has hardly more.
	const whole = content.reduce((sum, node) => sum + lettersIn(node), 0);
	const large = all.filter((element) => lettersIn(element) * 2 > whole && !isLandmark(element));
	return large.at(-1);
}

function lettersIn(node: BroughtNode): number {
	return node.kind === 'element'
		? textIn(node).length
		: node.kind === 'text'
			? node.text.length
			: 0;
}

function isLandmark(element: BroughtElement): boolean {
	return landmarkTags.has(element.tag) || landmarkRoles.has(attributeOf(element, 'role') ?? '');
}

function elementsIn(nodes: readonly BroughtNode[]): BroughtElement[] {
	return nodes.flatMap((node) =>
		node.kind === 'element' ? [node, ...elementsIn(node.children)] : []
	);
}

function holds(element: BroughtElement, inner: BroughtElement): boolean {
	return element.children.some(
		(child) => child === inner || (child.kind === 'element' && holds(child, inner))
	);
}

function tagOf({ tag, attributes }: BroughtElement): Pick<BroughtElement, 'tag' | 'attributes'> {
	return { tag, attributes };
}

function within(element: BroughtElement, place: FramePlace): FrameNode {
	return { kind: 'element', ...tagOf(element), of: [element], children: [place] };
}

function placeOf(
	list: readonly BroughtNode[],
	usual: readonly BroughtNode[] | undefined
): FramePlace {
	return { kind: 'place', lists: [list], usual, blankBefore: false, blankBehind: false };
}
