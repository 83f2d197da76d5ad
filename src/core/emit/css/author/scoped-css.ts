import { CssText, isGroup, type CssItem, type CssRange } from '../../../size/css-items.ts';
import type { StyleScope } from '../../style-scope.ts';
import { indent } from '../css-text.ts';
import { scopeSelectors, type ScopeSelectors } from './scope-selectors.ts';
import { scopedSelector, withScopeRoot } from './scoped-selector.ts';

/**
 * The CSS of an author, held to what belongs to a scope: by its selectors, since those match the outermost elements
 * too, and every browser since 2021 knows them. Nothing but selectors is changed, unless rules stand in rules.
 */
export function scopedCss(css: string, scope: StyleScope): string {
	const text = new CssText(css);
	const around = { selectors: scopeSelectors(scope), inOwnScope: false };
	return new Scoping(text).rules(text.whole, around);
}

/** Where some CSS stands. */
interface Around {
	readonly selectors: ScopeSelectors;
	/** In an `@scope` of the author: `:scope` and `&` are its root, not the layer's. */
	readonly inOwnScope: boolean;
}

/** What a rule says itself, or the rules in it, in the order of the text. */
interface Stretch {
	readonly of: 'own' | 'rules';
	readonly css: string;
}

class Scoping {
	constructor(private readonly text: CssText) {}

	/** Rules with no rule around them. */
	rules(range: CssRange, around: Around): string {
		let written = '';
		let from = range.from;
		for (const item of this.text.items(range)) {
			written += this.text.text({ from, to: item.start }) + this.outermost(item, around);
			from = item.to;
		}
		return written + this.text.text({ from, to: range.to });
	}

	private outermost(item: CssItem, around: Around): string {
		if (item.kind === 'rule') return this.rule(item, around, true);
		if (!isGroup(item) || !item.inner) return this.text.text({ from: item.start, to: item.to });
		const [head, inside] = this.group(item, item.inner, around);
		return `${head}${this.rules(item.inner, inside)}}`;
	}

	/** The beginning of a group, with its brace, and where what is in it stands. */
	private group(item: CssItem, inner: CssRange, around: Around): [string, Around] {
		const head = this.text.text({ from: item.start, to: inner.from });
		if (item.name !== 'scope') return [head, around];
		const inside = { ...around, inOwnScope: true };
		if (around.inOwnScope) return [head, inside];
		// CSS Cascade 6, section 2.5.1: from where an inner scope starts is asked in the outer one.
		const end = head.search(/\)\s*to\s*\(/);
		const starts = end === -1 ? head : head.slice(0, end);
		return [withScopeRoot(starts, around.selectors, true) + head.slice(starts.length), inside];
	}

	private rule(item: CssItem, around: Around, isOutermost: boolean): string {
		const { inner } = item;
		if (!inner) return this.text.text({ from: item.start, to: item.to });
		const { selectors, inOwnScope } = around;
		const written = this.text.text(item.prelude);
		const rooted = (css: string): string =>
			inOwnScope ? css : withScopeRoot(css, selectors, isOutermost);
		const plain = rooted(written);
		const scoped = rooted(scopedSelector(written, selectors, inOwnScope));
		if (!this.text.hasRules(inner)) {
			return scoped + this.text.text({ from: item.prelude.to, to: item.to });
		}
		// `&` means what the author named around, whoever wrote that; so only what is said there is held to the scope.
		return this.stretches(inner, around)
			.map(({ of, css }) => `${of === 'own' ? scoped : plain} {\n${indent(css)}\n}`)
			.join('\n');
	}

	private stretches(range: CssRange, around: Around): Stretch[] {
		const found: Stretch[] = [];
		const add = ({ of, css }: Stretch): void => {
			const last = found.at(-1);
			if (last?.of === of) found[found.length - 1] = { of, css: `${last.css}\n${css}` };
			else found.push({ of, css });
		};
		for (const item of this.text.items(range)) {
			if (item.kind === 'rule') {
				add({ of: 'rules', css: dedented(this.rule(item, around, false)) });
			} else if (isGroup(item) && item.inner && this.text.hasRules(item.inner)) {
				const [head, inside] = this.group(item, item.inner, around);
				for (const { of, css } of this.stretches(item.inner, inside)) {
					add({ of, css: `${head}\n${indent(css)}\n}` });
				}
			} else {
				const text = dedented(this.text.text(item));
				add({ of: 'own', css: /[;}]$/.test(text) ? text : `${text};` });
			}
		}
		return found;
	}
}

/** Lines without the indentation that all but the first have in common. */
function dedented(text: string): string {
	const [first = '', ...lines] = text.trim().split('\n');
	const depths = lines
		.filter((line) => line.trim() !== '')
		.map((line) => /^\s*/.exec(line)?.[0].length ?? 0);
	const common = depths.length === 0 ? 0 : Math.min(...depths);
	return [first, ...lines.map((line) => line.slice(common))].join('\n');
}
