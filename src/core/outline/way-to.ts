import type { OutlineNode } from './outline.ts';

/** The nodes that one stands in, the outermost first, and the one itself. */
export function wayTo(nodes: readonly OutlineNode[], at: number): number[] {
	const way: number[] = [];
	for (let index = at; index >= 0; index--) {
		const depth = nodes[index]?.depth;
		const below = way[0] === undefined ? Infinity : (nodes[way[0]]?.depth ?? 0);
		if (depth !== undefined && depth < below) way.unshift(index);
	}
	return way;
}
