import { plainType, type TextType } from '../geometry/pieces/text-lines.ts';
import type { AuthorRule } from '../reach/author-rules.ts';
import { outward, type Element, type PageTree } from '../reach/page-tree.ts';
import { reached } from '../reach/reached.ts';

/** What a style says of the size of text, as far as it is plain: px, rem or a number of lines. */
interface SaidType {
	readonly size?: number;
	/** px, or as a share of the size. */
	readonly line?: { readonly px: number } | { readonly share: number };
}

/** The text that elements of a page are set in, by what styles say of them and of what is around. */
export class TypeAround {
	private readonly said = new Map<Element, SaidType>();

	/** `scale`: how many times as large as it is written all text is. */
	constructor(
		rules: readonly AuthorRule[],
		tree: PageTree,
		private readonly scale: number
	) {
		for (const rule of rules) {
			const said = saidBy(rule);
			if (said.size === undefined && !said.line) continue;
			for (const { element, passing } of reached(rule, tree)) {
				if (!passing) this.said.set(element, { ...this.said.get(element), ...said });
			}
		}
	}

	/** Of what stands in an element. */
	at(element: Element | undefined): TextType {
		let found: SaidType = {};
		for (const around of element ? outward(element) : []) {
			found = { ...this.said.get(around), ...found };
		}
		const { size = plainType.size, line } = found;
		const whole = plainType.line / plainType.size;
		const height = line && 'px' in line ? line.px : size * (line?.share ?? whole);
		return { size: size * this.scale, line: height * this.scale };
	}
}

function saidBy({ declarations }: AuthorRule): SaidType {
	let said: SaidType = {};
	for (const { property, value } of declarations) {
		if (property === 'font-size') said = { ...said, ...sizeOf(value) };
		if (property === 'line-height') said = { ...said, ...lineOf(value) };
		if (property !== 'font') continue;
		const [, size = '', line = ''] =
			/(?:^|\s)([\d.]+(?:px|rem|%))(?:\/([\d.]+(?:px|rem)?))?/.exec(value) ?? [];
		said = { ...said, ...sizeOf(size), ...lineOf(line) };
	}
	return said;
}

function sizeOf(value: string): SaidType {
	const size = pxOf(value);
	return size === undefined ? {} : { size };
}

function lineOf(value: string): SaidType {
	const px = pxOf(value);
	if (px !== undefined) return { line: { px } };
	return /^[\d.]+$/.test(value) ? { line: { share: Number(value) } } : {};
}

function pxOf(value: string): number | undefined {
	const [, number = '', unit] = /^([\d.]+)(px|rem)$/.exec(value.trim()) ?? [];
	return unit === undefined ? undefined : Number(number) * (unit === 'rem' ? 16 : 1);
}
