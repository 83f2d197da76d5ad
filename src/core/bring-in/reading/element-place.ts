import type { BroughtElement, BroughtNode } from './brought-node.ts';

/** The element at a place: that among the elements of each element around it, from the outside in. */
export function elementAt(
	nodes: readonly BroughtNode[],
	at: readonly number[]
): BroughtElement | undefined {
	const [first, ...rest] = at;
	const element = elementsOf(nodes)[first ?? -1];
	return element && rest.length > 0 ? elementAt(element.children, rest) : element;
}

export function elementsOf(nodes: readonly BroughtNode[]): BroughtElement[] {
	return nodes.filter((node) => node.kind === 'element');
}
