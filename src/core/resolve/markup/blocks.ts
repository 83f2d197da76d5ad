import { error, type Problem } from '../../messages/problem.ts';
import type { Span } from '../../model/span.ts';
import type {
	Expression,
	ForTag,
	IfTag,
	ContentTag,
	PlaceTag,
	Tag,
	Template,
	UseTag,
	WrittenRow
} from '../../model/template.ts';
import type { PartBook } from '../content/parts.ts';

/** What stands in a template, with what is inside of what. */
export type Node =
	| Literal
	| Expression
	| { readonly kind: 'for'; readonly tag: ForTag; readonly each: Body; readonly otherwise: Body }
	| { readonly kind: 'if'; readonly tag: IfTag; readonly then: Body; readonly otherwise: Body }
	| { readonly kind: 'use'; readonly tag: UseTag; readonly content: Body | undefined }
	| { readonly kind: 'content'; readonly tag: ContentTag }
	| { readonly kind: 'place'; readonly tag: PlaceTag };

/** A stretch of text without tags. */
export interface Literal {
	readonly kind: 'literal';
	readonly text: string;
	/** Where it is written, and how much is left out before it; undefined where references in it were decoded. */
	readonly written?: { readonly rows: readonly WrittenRow[]; readonly skip: number };
}

/** What stands between the tags of a block. */
export type Body = readonly Node[];

export type BlockNode = Exclude<Node, Literal | Expression>;

export interface Nested {
	readonly nodes: Body;
	readonly problems: readonly Problem[];
}

/** Blocks inside each other. */
const deepestBlocks = 16;

/** A block that is still open, and what stands in it so far. */
interface Open {
	readonly tag: ForTag | IfTag | UseTag;
	readonly first: Node[];
	otherwise: Node[] | undefined;
}

/**
 * Puts the tags of a template into each other. What is not closed, or closes nothing, is a problem at
 * its place; what stands around it is there all the same.
 */
export function nestBlocks(template: Template, parts: PartBook): Nested {
	const builder = new Nesting(parts);
	for (const part of withoutTagLines(template)) builder.take(part);
	return builder.finish();
}

/** A line with nothing but one tag of a block on it leaves no line behind. */
function withoutTagLines({ parts, places }: Template): (Literal | Tag)[] {
	const shown = [...parts];
	/** How much is taken off the beginning of each. */
	const skipped = new Map<number, number>();
	for (const [index, tag] of parts.entries()) {
		if (typeof tag === 'string' || !['for', 'if', 'else', 'end'].includes(tag.kind)) continue;
		const [before, behind] = [shown[index - 1] ?? '', shown[index + 1] ?? ''];
		if (typeof before !== 'string' || typeof behind !== 'string') continue;
		const isFirst = index === 0 || (index === 1 && before.trim() === '');
		if (!isFirst && !/\n[ \t]*$/.test(before)) continue;
		if (!/^[ \t]*\n/.test(behind)) continue;
		if (index > 0) shown[index - 1] = before.replace(/[ \t]*$/, '');
		const rest = behind.replace(/^[ \t]*\n/, '');
		if (index + 1 < parts.length) shown[index + 1] = rest;
		skipped.set(index + 1, behind.length - rest.length);
	}
	return shown.map((part, index) => {
		if (typeof part !== 'string') return part;
		const [skip, rows] = [skipped.get(index) ?? 0, places[index] ?? []];
		return { kind: 'literal', text: part, written: { rows, skip } };
	});
}

class Nesting {
	private readonly problems: Problem[] = [];
	private readonly nodes: Node[] = [];
	private readonly open: Open[] = [];

	constructor(private readonly parts: PartBook) {}

	take(part: Literal | Tag): void {
		if (part.kind === 'literal' || part.kind === 'value') this.add(part);
		else if (part.kind === 'end') this.end(part.span);
		else if (part.kind === 'else') this.otherwise(part.span);
		else if (part.kind === 'content') this.add({ kind: 'content', tag: part });
		else if (isPlace(part)) this.add({ kind: 'place', tag: part });
		else if (part.kind === 'use' && !this.parts.wraps(part.part.text)) {
			this.add({ kind: 'use', tag: part, content: undefined });
		} else if (this.open.length === deepestBlocks) {
			this.problems.push(error('nested-too-deep', part.span, deepestBlocks));
		} else {
			this.open.push({ tag: part, first: [], otherwise: undefined });
		}
	}

	finish(): Nested {
		while (this.open.length > 0) {
			const left = this.open.pop();
			if (!left) break;
			this.problems.push(error('tag-unclosed', left.tag.span, left.tag.text));
			for (const node of [...left.first, ...(left.otherwise ?? [])]) this.add(node);
		}
		return { nodes: this.nodes, problems: this.problems };
	}

	private add(node: Node): void {
		const inside = this.open.at(-1);
		(inside ? (inside.otherwise ?? inside.first) : this.nodes).push(node);
	}

	private end(span: Span): void {
		const closed = this.open.pop();
		if (!closed) this.problems.push(error('tag-stray', span, 'end'));
		else this.add(nodeOf(closed));
	}

	private otherwise(span: Span): void {
		const inside = this.open.at(-1);
		if (!inside || inside.tag.kind === 'use') this.problems.push(error('tag-stray', span, 'else'));
		else if (inside.otherwise) this.problems.push(error('said-twice', span, '{else}'));
		else inside.otherwise = [];
	}
}

function isPlace(part: Literal | Tag): part is PlaceTag {
	return part.kind === 'region' || part.kind === 'slot';
}

function nodeOf({ tag, first, otherwise = [] }: Open): Node {
	switch (tag.kind) {
		case 'for':
			return { kind: 'for', tag, each: first, otherwise };
		case 'if':
			return { kind: 'if', tag, then: first, otherwise };
		case 'use':
			return { kind: 'use', tag, content: first };
	}
}

/** The bodies inside a block. */
export function bodiesOf(node: BlockNode): readonly Body[] {
	switch (node.kind) {
		case 'for':
			return [node.each, node.otherwise];
		case 'if':
			return [node.then, node.otherwise];
		case 'use':
			return node.content ? [node.content] : [];
		case 'content':
		case 'place':
			return [];
	}
}
