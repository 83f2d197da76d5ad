import { walk, type CssNode, type Declaration } from '../../size/css-syntax.ts';
import type { Token } from '../../model/site.ts';
import { remOf, noTrial, type Trial } from '../../model/trial.ts';
import { declarationNode } from '../../size/css-declaration.ts';
import { CssText } from '../../size/css-items.ts';
import { nestingOf } from '../../size/css-tokens.ts';
import { deepestNesting } from '../../size/css-value.ts';

/*
 * A page cannot be told to be on paper, or that its visitor has set larger text, as long as it is in a frame of the
 * application. So its style says what it would say then.
 */

/** A stretch of CSS and what stands there instead. */
interface Cut {
	readonly from: number;
	readonly to: number;
	readonly text: string;
}

/** A sheet as it would hold where a page is tried. What cannot be parsed stays as it is. */
export function triedCss(css: string, trial: Trial, tokens: readonly Token[]): string {
	const { printed, lessMotion, largeText } = trial;
	if ((!printed && !lessMotion && !largeText) || nestingOf(css) > deepestNesting) return css;
	const cuts: Cut[] = [];
	const text = new CssText(css);
	for (const { name, prelude } of text.atRules()) {
		if (name !== 'media') continue;
		const query = text.text(prelude);
		const tried = queryWhere(query, trial);
		if (tried !== query) cuts.push({ ...prelude, text: tried });
	}
	for (const { start, to } of largeText ? text.declarations() : []) {
		const node = declarationNode(css.slice(start, to), start);
		if (node) cuts.push(...largerIn(node, css, tokens));
	}
	return cuts
		.sort((a, b) => a.from - b.from)
		.reduceRight((text, cut) => text.slice(0, cut.from) + cut.text + text.slice(cut.to), css);
}

/** What is in front of all sheets of a page that is tried; empty where nothing is needed. */
export function triedRoot({ largeText }: Trial): string {
	return largeText ? `:root { font-size: ${(remOf({ ...noTrial, largeText }) * 100) / 16}%; }` : '';
}

/** Media Queries 5: a query with what is known of the visitor put in; `all` holds, `not all` does not. */
function queryWhere(query: string, { printed, lessMotion }: Trial): string {
	return query
		.split(',')
		.map((one) => {
			const typed = printed
				? one
						.replace(/(^|\s)(?:only\s+)?print\b/, '$1all')
						.replace(/(^|\s)(not\s+|only\s+)?screen\b.*/, (_, lead: string, word: string = '') =>
							word.startsWith('not') ? `${lead}all` : `${lead}not all`
						)
				: one;
			if (!lessMotion) return typed;
			return typed
				.replace(/\(\s*prefers-reduced-motion\s*:\s*no-preference\s*\)/, '(width < 0)')
				.replace(/\(\s*prefers-reduced-motion(\s*:\s*reduce)?\s*\)/, '(width >= 0)');
		})
		.join(',');
}

const absolute = new Set(['px', 'pt', 'pc', 'in', 'cm', 'mm', 'q']);
const ofText = new Set(['font-size', 'line-height', 'font']);

/** Sizes of text that do not follow the visitor's own setting: those of a fixed length. */
function largerIn({ property, value }: Declaration, css: string, tokens: readonly Token[]): Cut[] {
	if (!ofText.has(property) || value.type === 'Raw') return [];
	const cuts: Cut[] = [];
	const enter = (node: CssNode): void => {
		if (!node.loc) return;
		const [from, to] = [node.loc.start.offset, node.loc.end.offset];
		if (node.type === 'Dimension' && absolute.has(node.unit.toLowerCase())) {
			cuts.push({ from, to, text: `${Number(node.value) * 2}${node.unit}` });
		}
		if (node.type !== 'Function' || node.name !== 'var') return;
		const [first] = node.children.toArray();
		const name = first?.type === 'Identifier' ? first.name : '';
		const isFixed = tokens.some((one) => one.name.text === name && isFixedLength(one.value.text));
		if (isFixed) cuts.push({ from, to, text: `calc(2 * ${css.slice(from, to)})` });
	};
	walk(value, enter);
	return cuts;
}

function isFixedLength(text: string): boolean {
	const unit = /^\s*[\d.]+([a-z]+)\s*$/i.exec(text)?.[1];
	return unit !== undefined && absolute.has(unit.toLowerCase());
}
