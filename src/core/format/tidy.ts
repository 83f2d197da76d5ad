import { parseSyntax, type Atom, type Block, type Statement } from '../source/syntax.ts';
import { bodyItems, type Body, type Comment, type Item } from './body-items.ts';
import { inOrder } from './in-order.ts';

/** Characters that a line may have at most for a block to stand on it. */
const longestLine = 120;
const step = '  ';

/**
 * A text as one would write it with care: two blanks for each block that one is in, a statement a line but for short
 * blocks that stood on one, settings and bands in their order, one empty line where there were some. What stands between
 * quotes stays as it is, and it reads the same. What is said of one thing in several bands may go on on its line.
 * `bands` are those of the site, narrowest first. Undefined where the text cannot be read.
 */
export function tidy(text: string, bands: readonly string[]): string | undefined {
	const { statements, problems } = parseSyntax('', text);
	if (problems.length > 0) return undefined;
	const tidied = new Tidying(text, bands).whole(statements);
	return wordsOf(tidied) === wordsOf(text) ? tidied : undefined;
}

class Tidying {
	constructor(
		private readonly text: string,
		private readonly bands: readonly string[]
	) {}

	whole(statements: readonly Statement[]): string {
		const body = bodyItems(this.text, 0, this.text.length, statements);
		const lines = this.lines(body, undefined, '');
		const tidied = lines.length === 0 ? '' : `${lines.join('\n')}\n`;
		return this.text.includes('\r\n') ? tidied.replace(/\r?\n/g, '\r\n') : tidied;
	}

	private lines({ items }: Body, holder: Statement | undefined, indent: string): string[] {
		const lines: string[] = [];
		let before: Item | undefined;
		for (const item of inOrder(items, holder, this.bands)) {
			if (item.isApart) lines.push('');
			const code = this.code(item, indent);
			const whole = isSameThing(before, item)
				? `${lines.pop() ?? ''}; ${code.trimStart()}`
				: code;
			lines.push(item.kind === 'comment' ? whole : withComment(whole, item.comment, indent));
			before = item;
		}
		return lines;
	}

	private code(item: Item, indent: string): string {
		return indent + (item.kind === 'comment' ? item.text : this.statement(item.statement, indent));
	}

	private statement(statement: Statement, indent: string): string {
		const { atoms, block, markup, more } = statement;
		const head = this.atoms(atoms);
		const inBlock = block ? this.block(block, statement, indent, head) : '';
		const raw = ({ from, to }: { from: number; to: number }): string => this.text.slice(from, to);
		const texts = [
			...(markup ? [raw(markup.span)] : []),
			...more.flatMap((one) => [one.word.text, raw(one.markup.span)])
		];
		return [head, inBlock, ...texts].filter((part) => part !== '').join(' ');
	}

	private atoms(atoms: readonly Atom[]): string {
		return atoms
			.map(({ span }, index) => {
				const before = atoms[index - 1]?.span.to;
				const isTogether = before === undefined || before === span.from;
				return (isTogether ? '' : ' ') + this.text.slice(span.from, span.to);
			})
			.join('');
	}

	private block({ span, statements }: Block, holder: Statement, indent: string, head: string): string {
		const [from, to] = [span.from + 1, span.to - 1];
		const body = bodyItems(this.text, from, to, statements);
		const isLow = !this.text.slice(span.from, span.to).includes('\n');
		if (isLow) {
			const inside = inOrder(body.items, holder, this.bands).map((item) => this.code(item, ''));
			const line = inside.length === 0 ? '{ }' : `{ ${inside.join('; ')} }`;
			const isShort = indent.length + head.length + 1 + line.length <= longestLine;
			if (isShort || inside.length < 2) return line;
		}
		const open = withComment(`${indent}${head} {`, body.lead, indent).slice(indent.length + head.length + 1);
		return [open, ...this.lines(body, holder, indent + step), `${indent}}`].join('\n');
	}
} // prettier-ignore

/** What is said of one thing in several bands may stand on one line. */
function isSameThing(before: Item | undefined, item: Item): boolean {
	if (item.kind === 'comment' || before?.kind !== 'statement' || before.comment) return false;
	const { block, markup, atoms } = before.statement;
	const [first] = item.statement.atoms;
	return item.isBeside && !block && !markup && atoms[0]?.text === first?.text;
}

/** Comments of lines one below the other stay in their column, as far as there is room. */
function withComment(code: string, comment: Comment | undefined, indent: string): string {
	if (!comment) return code;
	const last = code.length - (code.lastIndexOf('\n') + 1);
	const gap = Math.max(1, indent.length + comment.column - last);
	return code + ' '.repeat(gap) + comment.text;
}

/** All that is said in a text, in no order. */
function wordsOf(text: string): string {
	const bare = text.replace(
		/"""[^]*?"""|"(?:[^"\\\n]|\\.)*"|(\/\/[^\n]*)/g,
		(_, comment?: string) => comment ?? '""'
	);
	const words: string[] = [...bare.matchAll(/\/\/[^\n]*/g)].map(([comment]) => comment.trimEnd());
	const visit = ({ atoms, block, markup, more }: Statement): void => {
		words.push(atoms.map((atom) => atom.text).join(' '));
		if (markup) words.push(markup.text);
		for (const one of more) words.push(one.word.text, one.markup.text);
		block?.statements.forEach(visit);
	};
	parseSyntax('', text).statements.forEach(visit);
	return words.sort().join('\n');
}
