import { pxOf, saidIn, type SaidSize, type TextType } from '../geometry/pieces/said-size.ts';
import { plainType } from '../geometry/pieces/text-lines.ts';
import type { AuthorRule } from '../author-styles/author-rules.ts';
import { outward, type Element, type PageTree } from '../author-styles/page-tree.ts';
import { reached } from '../author-styles/reached.ts';

/** The text that elements of a page are set in, by what styles say of them and of what is around. */
export class TypeAround {
	private readonly said = new Map<Element, SaidSize>();

	/** Styles that say nothing of the type leave the tree alone. */
	constructor(rules: readonly AuthorRule[], tree: () => PageTree) {
		for (const rule of rules) {
			const { size, line } = saidIn(rule.declarations);
			if (!size && !line) continue;
			for (const { element, passing, pseudo } of reached(rule, tree())) {
				if (passing || pseudo !== undefined) continue;
				const before = this.said.get(element);
				this.said.set(element, { ...before, ...(size && { size }), ...(line && { line }) });
			}
		}
	}

	/** Whether it is plain everywhere. */
	get isPlain(): boolean {
		return this.said.size === 0;
	}

	/** Of what stands in an element. */
	at(element: Element | undefined): TextType {
		let { size } = plainType;
		let line: number | { readonly share: number } = { share: plainType.line / plainType.size };
		for (const around of element ? [...outward(element)].reverse() : []) {
			const own = this.said.get(around);
			if (own?.size) size = pxOf(own.size, size);
			if (own?.line) line = 'share' in own.line ? own.line : pxOf(own.line, size);
		}
		return { size, line: typeof line === 'number' ? line : size * line.share };
	}
}
