import { commonEnds } from '../lib/common-ends.ts';
import { TreeFragment, type SyntaxNode, type Tree } from '@lezer/common';
import { error, type Problem } from '../messages/problem.ts';
import type { Span } from '../model/span.ts';
import { parser } from './grammar/parser.ts';
import { statementWords } from './statement-words.ts';
import { dedent, type MarkupBlock } from './markup-block.ts';

/** Lines longer than this are refused: no one can read them, and an editor cannot show them. */
const longestLine = 20_000;

/** Blocks inside each other; the language itself needs four, and wrappers one each. */
const deepestBlock = 40;

export type AtomKind =
	'word' | 'path' | 'band' | 'property' | 'number' | 'color' | 'text' | 'symbol' | 'parens';

/** The smallest thing of a statement. `text` is as written, for `text` atoms without the quotes. */
export interface Atom {
	readonly kind: AtomKind;
	readonly text: string;
	readonly span: Span;
	/** A text that nothing ends. */
	readonly isOpen?: boolean;
}

/** A further block of markup, behind a word that says what it is. */
export interface NamedMarkup {
	readonly word: Atom;
	readonly markup: MarkupBlock;
}

/** A line of Eave: atoms, then maybe a block of statements, then maybe blocks of markup. */
export interface Statement {
	readonly atoms: readonly Atom[];
	readonly block: Block | undefined;
	readonly markup: MarkupBlock | undefined;
	readonly more: readonly NamedMarkup[];
	readonly span: Span;
}

export interface Block {
	readonly statements: readonly Statement[];
	/** With its braces. */
	readonly span: Span;
}

export interface SyntaxTree {
	readonly statements: readonly Statement[];
	readonly problems: readonly Problem[];
	/** For reading the next text of the same file, which shares most of it. */
	readonly parsed: { readonly text: string; readonly tree: Tree } | undefined;
}

/**
 * Reads the shape of a file: statements, blocks and atoms. Never throws; what cannot be read is a
 * problem at its place, and what stands around it is read all the same.
 */
export function parseSyntax(
	file: string,
	text: string,
	previous?: SyntaxTree['parsed']
): SyntaxTree {
	const unreadable = findUnreadable(file, text);
	if (unreadable) return { statements: [], problems: [unreadable], parsed: undefined };
	const shallow = withoutDeepBrackets(text);
	const builder = new SyntaxBuilder(file, text);
	const tree = previous ? parseAgain(shallow, previous) : parser.parse(shallow);
	const statements = builder.statements(tree.topNode);
	return { statements, problems: builder.problems, parsed: { text: shallow, tree } };
}

/** Parses only what is around the stretch in which two texts differ. */
function parseAgain(text: string, previous: NonNullable<SyntaxTree['parsed']>): Tree {
	const before = previous.text;
	const { start: from, end } = commonEnds(text, before);
	const change = { fromA: from, toA: before.length - end, fromB: from, toB: text.length - end };
	const fragments = TreeFragment.applyChanges(TreeFragment.addTree(previous.tree), [change]);
	return parser.parse(text, fragments);
}

/** The place at which a text is too much for the parser; undefined where it can be parsed. */
export function findUnreadable(file: string, text: string): Problem | undefined {
	return findLongLine(file, text) ?? findDeepPlace(file, text);
}

function findLongLine(file: string, text: string): Problem | undefined {
	let from = 0;
	while (from < text.length) {
		let to = text.indexOf('\n', from);
		if (to === -1) to = text.length;
		if (to - from > longestLine) {
			return error('line-too-long', { file, from, to }, to - from, longestLine);
		}
		from = to + 1;
	}
	return undefined;
}

/** Blocks left open inside each other, with which a parser that mends as it goes would never be done. */
const deepestOpen = 300;

/** What brackets and blocks are, and what hides them: text, markup and comments. */
const nesting =
	/"""|"(?:[^"\\\n]|\\.)*"|\/\/[^\n]*|[{}()]|\n(?:(?:site|layout|route|state|data|part)[ \t])?/g;

/** Each bracket, brace and end of a line with its place, as far as they are no text. */
function* marksIn(text: string): Generator<{ mark: string; at: number }> {
	const marks = new RegExp(nesting);
	for (let found = marks.exec(text); found; found = marks.exec(text)) {
		const [mark] = found;
		if (mark === '"""') {
			const end = text.indexOf('"""', marks.lastIndex);
			if (end === -1) return;
			marks.lastIndex = end + 3;
		} else if (!mark.startsWith('"') && !mark.startsWith('//')) {
			yield { mark, at: found.index };
		}
	}
}

/** The place where more blocks are open than can be read; what stands in text and markup is none. */
function findDeepPlace(file: string, text: string): Problem | undefined {
	let depth = 0;
	for (const { mark, at } of marksIn(text)) {
		// A declaration that starts in the first column ends whatever is open above it.
		if (mark.startsWith('\n') && mark.length > 1) depth = 0;
		else if (mark === '}') depth = Math.max(0, depth - 1);
		else if (mark === '{' && ++depth > deepestOpen) {
			return error('nested-too-deep', { file, from: at, to: at + 1 }, deepestOpen);
		}
	}
	return undefined;
}

/** Brackets inside each other for which the stack of a browser's worker is deep enough, many times over. */
const deepestBrackets = 200;

/**
 * The text with blanks for brackets that are too deep for the parser. What stands in so many can be no
 * size, and that is said where it is read.
 */
export function withoutDeepBrackets(text: string): string {
	// Most texts have none in each other at all.
	if (!/\([^)\n]*\(/.test(text)) return text;
	const deep: number[] = [];
	let depth = 0;
	for (const { mark, at } of marksIn(text)) {
		if (mark.startsWith('\n')) depth = 0;
		else if (mark === '(' && ++depth > deepestBrackets) deep.push(at);
		else if (mark === ')' && depth > 0 && depth-- > deepestBrackets) deep.push(at);
	}
	let [shallow, last] = ['', 0];
	for (const at of deep) {
		shallow += text.slice(last, at) + ' ';
		last = at + 1;
	}
	return shallow + text.slice(last);
}

const atomKinds: ReadonlyMap<string, AtomKind> = new Map(
	Object.entries<AtomKind>({
		Keyword: 'word',
		Word: 'word',
		Path: 'path',
		Band: 'band',
		Property: 'property',
		Number: 'number',
		Color: 'color',
		Text: 'text',
		UnclosedText: 'text',
		Symbol: 'symbol',
		Parens: 'parens'
	})
);

class SyntaxBuilder {
	readonly problems: Problem[] = [];
	private readonly openTexts: number[] = [];
	private depth = 0;

	constructor(
		private readonly file: string,
		private readonly text: string
	) {}

	statements(parent: SyntaxNode): Statement[] {
		const found: Statement[] = [];
		for (let node = parent.firstChild; node; node = node.nextSibling) {
			if (node.name === 'Statement') found.push(...this.statement(node));
			else if (node.type.isError) this.reportError(node);
		}
		return found;
	}

	/** One statement, or two where a declaration follows a block that was never closed. */
	private statement(node: SyntaxNode): Statement[] {
		const found: Statement[] = [];
		let atoms: Atom[] = [];
		let block: Block | undefined;
		let markup: MarkupBlock | undefined;
		let more: NamedMarkup[] = [];
		let word: Atom | undefined;
		let from = node.from;
		let to = node.from;
		const finish = () => {
			if (atoms.length > 0 || block || markup) {
				found.push({ atoms, block, markup, more, span: this.span(from, to) });
			}
			if (word) this.problems.push(error('unexpected-text', word.span, word.text));
			[atoms, more] = [[], []];
			block = markup = word = undefined;
		};
		for (let child = node.firstChild; child; child = child.nextSibling) {
			if (block && endsWithoutBrace(child.prevSibling)) {
				finish();
				from = child.from;
			}
			const kind = atomKinds.get(child.name);
			if (kind === 'word' && !word && this.beginsAnother(child)) {
				this.reportSemicolon(child);
				finish();
				from = child.from;
			}
			if (child.type.isError) {
				this.reportError(child);
			} else if (child.name === 'Block' && !block && !markup) {
				block = this.block(child, atoms);
			} else if ((child.name === 'Markup' || child.name === 'UnclosedMarkup') && !markup) {
				markup = this.markup(child);
			} else if ((child.name === 'Markup' || child.name === 'UnclosedMarkup') && word) {
				more.push({ word, markup: this.markup(child) });
				word = undefined;
			} else if (kind === 'word' && markup && !word) {
				word = this.atom(child, kind);
			} else if (kind && !block && !markup) {
				atoms.push(this.atom(child, kind));
			} else {
				this.problems.push(error('unexpected-text', this.nodeSpan(child), this.quote(child)));
			}
			to = child.to;
		}
		finish();
		return found;
	}

	/** Whether a word behind a block or a text begins a statement of its own, as what it says shows. */
	private beginsAnother(node: SyntaxNode): boolean {
		const before = node.prevSibling?.name ?? '';
		if (!['Block', 'Markup', 'Text'].includes(before)) return false;
		if (endsWithoutBrace(node.prevSibling)) return false;
		// `min(…)` is a size.
		if (node.nextSibling?.name === 'Parens') return false;
		return statementWords.has(this.text.slice(node.from, node.to));
	}

	private reportSemicolon(node: SyntaxNode): void {
		const word = this.text.slice(node.from, node.to);
		const end = node.prevSibling?.to ?? node.from;
		const mend = { label: `Put a ; before ${word}`, span: this.span(end, end), insert: ';' };
		this.problems.push({ ...error('semicolon-missing', this.nodeSpan(node), word), mend });
	}

	private block(node: SyntaxNode, atoms: readonly Atom[]): Block {
		const span = this.nodeSpan(node);
		if (this.depth === deepestBlock) {
			this.problems.push(error('nested-too-deep', { ...span, to: span.from + 1 }, deepestBlock));
			return { statements: [], span };
		}
		this.depth++;
		const statements = this.statements(node);
		this.depth--;
		// A text that is left open has swallowed it.
		if (endsWithoutBrace(node) && !this.hasOpenText(node)) {
			const first = atoms[0]?.span ?? this.nodeSpan(node);
			const what = atoms.length > 0 ? atoms.slice(0, 2).map(atomSource).join(' ') : 'This block';
			this.problems.push(error('missing-brace', { ...first, to: node.from + 1 }, what));
		}
		return { statements, span };
	}

	private hasOpenText({ from, to }: SyntaxNode): boolean {
		return this.openTexts.some((at) => from <= at && at < to);
	}

	private markup(node: SyntaxNode): MarkupBlock {
		const closed = node.name === 'Markup';
		if (!closed) {
			this.problems.push(error('unclosed-block', this.span(node.from, node.from + 3)));
		}
		return dedent(this.text, this.nodeSpan(node), closed);
	}

	private atom(node: SyntaxNode, kind: AtomKind): Atom {
		const written = this.text.slice(node.from, node.to);
		const isOpen = node.name === 'UnclosedText';
		if (isOpen) {
			this.openTexts.push(node.from);
			this.problems.push(error('unclosed-text', this.nodeSpan(node)));
		}
		if (kind === 'parens') this.reportErrorsIn(node);
		if (kind !== 'text') return { kind, text: written, span: this.nodeSpan(node) };
		const inner = node.name === 'Text' ? written.slice(1, -1) : written.slice(1);
		return { kind, text: inner, span: this.nodeSpan(node), ...(isOpen && { isOpen }) };
	}

	private reportErrorsIn(node: SyntaxNode): void {
		let level = [node];
		while (level.length > 0) {
			if (level.some((one) => one.type.isError)) {
				const opening = this.span(node.from, node.from + 1);
				this.problems.push(error('unclosed-parenthesis', opening));
				return;
			}
			level = level.flatMap(childrenOf);
		}
	}

	private reportError(node: SyntaxNode): void {
		const written = this.text.slice(node.from, node.to).trim();
		if (node.from === node.to) return;
		this.problems.push(
			written === '}'
				? error('stray-brace', this.nodeSpan(node))
				: error('unexpected-text', this.nodeSpan(node), this.quote(node))
		);
	}

	private quote(node: SyntaxNode): string {
		const written = this.text.slice(node.from, node.to).split('\n')[0] ?? '';
		return written.length > 30 ? `${written.slice(0, 30)}…` : written;
	}

	private nodeSpan(node: SyntaxNode): Span {
		return this.span(node.from, node.to);
	}

	private span(from: number, to: number): Span {
		return { file: this.file, from, to };
	}
}

function childrenOf(node: SyntaxNode): SyntaxNode[] {
	const children: SyntaxNode[] = [];
	for (let child = node.firstChild; child; child = child.nextSibling) children.push(child);
	return children;
}

function endsWithoutBrace(node: SyntaxNode | null): boolean {
	return node?.name === 'Block' && node.lastChild?.name !== '}';
}

function atomSource(atom: Atom): string {
	return atom.kind === 'text' ? `"${atom.text}"` : atom.text;
}
