import { layersOf, type Layer, type Part } from '../../model/site.ts';
import { nestBlocks, bodiesOf, type Body } from '../../resolve/markup/blocks.ts';
import { partBook } from '../../resolve/content/parts.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { PageInstance } from '../../resolve/instance.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { choose, scopeOfPart, type Scope } from '../../resolve/content/values.ts';
import { pageScope } from '../../emit/html/words.ts';

/** What a part is given at the first place that uses it, on a page where it shows; undefined where none does. */
export function firstUse(part: Part, resolved: ResolvedSite, year: number): Scope | undefined {
	for (const layer of layersOf(resolved.site)) {
		for (const piece of piecesIn(layer)) {
			if (piece.kind !== 'markup') continue;
			const uses = piece.markup.parts.some((one) => typeof one !== 'string' && one.kind === 'use');
			const instance = uses ? pageOf(layer, resolved) : undefined;
			if (!instance) continue;
			const { nodes } = nestBlocks(piece.markup, partBook(resolved.site.parts));
			const found = findIn(nodes, pageScope(instance, resolved, year), part);
			if (found) return found;
		}
	}
	return undefined;
}

/** A page that shows what a layer brings. */
function pageOf(layer: Layer, resolved: ResolvedSite): PageInstance | undefined {
	if (layer.kind !== 'layout') return resolved.instances(layer)[0];
	const { site, structure } = resolved;
	const page = [...site.routes, ...site.states].find((one) =>
		structure.chainOf(one).includes(layer)
	);
	return page && resolved.instances(page)[0];
}

function findIn(body: Body, scope: Scope, part: Part): Scope | undefined {
	for (const node of body) {
		if (node.kind === 'literal' || node.kind === 'value' || node.kind === 'content') continue;
		if (node.kind === 'use') {
			if (node.tag.part.text === part.name.text) return scopeOfPart(part, node.tag, scope);
			const inside = node.content && findIn(node.content, scope, part);
			if (inside) return inside;
			continue;
		}
		for (const { index, scope: inner } of choose(node, scope)) {
			const found = findIn(bodiesOf(node)[index] ?? [], inner, part);
			if (found) return found;
		}
	}
	return undefined;
}
