import { tokenTypes } from './css-syntax.ts';
import { stepsOf, tokensOf, type CssToken } from './css-tokens.ts';

/** A stretch of some CSS, by offsets. */
export interface CssRange {
	readonly from: number;
	readonly to: number;
}

/** A declaration, a rule or an at-rule (CSS Syntax 3, section 5.5). */
export interface CssItem extends CssRange {
	readonly kind: 'declaration' | 'rule' | 'at-rule';
	/** Where its first word begins; blanks and comments in front of it belong to it. */
	readonly start: number;
	/** The name of an at-rule, in small letters. */
	readonly name: string;
	/** Its selectors, or what stands behind the name of an at-rule, without blanks around. */
	readonly prelude: CssRange;
	/** What stands between its braces; undefined where it has none. */
	readonly inner: CssRange | undefined;
}

/** At-rules whose blocks hold rules. */
const groupNames = new Set(['media', 'supports', 'container', 'layer', 'scope', 'starting-style']);

/** Whether an item holds rules as the text around it does, under some condition. */
export function isGroup({ kind, name, inner }: CssItem): boolean {
	return kind === 'at-rule' && inner !== undefined && groupNames.has(name);
}

/** Some CSS, by what stands in it one after the other. Rules may stand in rules; nothing is refused. */
export class CssText {
	private readonly tokens: readonly CssToken[];

	constructor(readonly css: string) {
		this.tokens = tokensOf(css);
	}

	get whole(): CssRange {
		return { from: 0, to: this.css.length };
	}

	text({ from, to }: CssRange): string {
		return this.css.slice(from, to);
	}

	/** What stands in a block, or in the sheet. */
	items(range: CssRange = this.whole): CssItem[] {
		const found: CssItem[] = [];
		let [from, start, depth] = [range.from, -1, 0];
		let brace: CssToken | undefined;
		const close = (to: number, closing: CssToken | undefined): void => {
			if (start !== -1) found.push(this.item({ from, start, to }, brace, closing));
			[from, start, brace] = [to, -1, undefined];
		};
		for (const token of this.tokensIn(range)) {
			const { type } = token;
			const isBlank = type === tokenTypes.WhiteSpace || type === tokenTypes.Comment;
			if (start === -1 && !isBlank && type !== tokenTypes.Semicolon) start = token.from;
			if (depth === 0 && type === tokenTypes.LeftCurlyBracket) brace ??= token;
			depth = Math.max(0, depth + stepsOf(token));
			if (depth > 0) continue;
			const isEnd = type === tokenTypes.RightCurlyBracket && !this.isCustomProperty(start);
			if (type === tokenTypes.Semicolon || isEnd) close(token.to, isEnd ? token : undefined);
		}
		close(range.to, undefined);
		return found;
	}

	/** All at-rules, from the outside in. */
	*atRules(range: CssRange = this.whole): Generator<CssItem> {
		for (const item of this.items(range)) {
			if (item.kind === 'at-rule') yield item;
			if (item.inner) yield* this.atRules(item.inner);
		}
	}

	/** All declarations, wherever they stand, in the order of the text. */
	*declarations(range: CssRange = this.whole): Generator<CssItem> {
		for (const item of this.items(range)) {
			if (item.kind === 'declaration') yield item;
			else if (item.inner) yield* this.declarations(item.inner);
		}
	}

	/** Whether rules stand somewhere in a block. */
	hasRules(range: CssRange): boolean {
		return this.items(range).some(
			(item) => item.kind === 'rule' || (isGroup(item) && item.inner && this.hasRules(item.inner))
		);
	}

	private *tokensIn({ from, to }: CssRange): Generator<CssToken> {
		let [low, high] = [0, this.tokens.length];
		while (low < high) {
			const middle = (low + high) >> 1;
			if ((this.tokens[middle]?.from ?? 0) < from) low = middle + 1;
			else high = middle;
		}
		for (let index = low; index < this.tokens.length; index++) {
			const token = this.tokens[index];
			if (!token || token.to > to) return;
			yield token;
		}
	}

	/** A custom property may have braces in its value. */
	private isCustomProperty(start: number): boolean {
		return /^--[^\s:{};]*\s*:/.test(this.css.slice(start, start + 200));
	}

	private trimmed({ from, to }: CssRange): CssRange {
		const text = this.css.slice(from, to);
		return { from: from + text.length - text.trimStart().length, to: from + text.trimEnd().length };
	}

	private item(
		place: Pick<CssItem, 'from' | 'start' | 'to'>,
		brace: CssToken | undefined,
		closing: CssToken | undefined
	): CssItem {
		const { start, to } = place;
		const at = /^@(-?[\w-]+)/.exec(this.css.slice(start, start + 60))?.[1];
		// The end of a text closes what is open in it (CSS Syntax 3, section 5.4.8).
		const inner = brace && { from: brace.to, to: closing?.from ?? to };
		const isCustom = this.isCustomProperty(start);
		const kind = at !== undefined ? 'at-rule' : inner && !isCustom ? 'rule' : 'declaration';
		const prelude = this.trimmed({
			from: at === undefined ? start : start + at.length + 1,
			to: brace && !isCustom ? brace.from : this.css.charAt(to - 1) === ';' ? to - 1 : to
		});
		return {
			...place,
			kind,
			name: at?.toLowerCase() ?? '',
			prelude,
			inner: kind === 'declaration' ? undefined : inner
		};
	}
}
