import { atEdge, type Problem } from '../../messages/problem.ts';
import type { Declaration } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import { parseSyntax, type SyntaxTree } from '../syntax.ts';
import { readBlock, type ReadContext } from './block.ts';
import type { Cursor } from './cursor.ts';
import { readData } from './data.ts';
import { readLayout } from './layers/layout.ts';
import { readRoute, readState } from './layers/page.ts';
import { readPart } from './part.ts';
import { readSite } from './site.ts';

/** One file of a site, as read: what it declares, and what is wrong with it by itself. */
export interface FileReading {
	readonly file: string;
	readonly text: string;
	readonly declarations: readonly Declaration[];
	readonly problems: readonly Problem[];
	readonly parsed: SyntaxTree['parsed'];
	/** What was read of each declaration, by where it begins. */
	readonly units: ReadonlyMap<number, Unit>;
}

/** One declaration as read, with what is wrong with it. */
interface Unit {
	/** Exclusive. */
	readonly to: number;
	readonly declaration: Declaration | undefined;
	readonly problems: readonly Problem[];
}

/**
 * Reads one `.eave` file. It never throws: each mistake is a problem at its place, and the
 * declarations around it are read all the same. Those in front of an edit stay as they were read.
 */
export function readFile(file: string, text: string, previous?: FileReading): FileReading {
	const problems: Problem[] = [];
	const whole = { what: `The file ${file}`, span: { file, from: 0, to: Math.min(1, text.length) } };
	const nothing: SyntaxTree = { statements: [], problems: [], parsed: undefined };
	const syntax = atEdge(whole, problems, () => parseSyntax(file, text, previous?.parsed), nothing);
	for (const problem of syntax.problems) problems.push(problem);
	const context: ReadContext = { text, problems };
	const declarations: Declaration[] = [];
	const units = new Map<number, Unit>();
	/** What was read before, where the declaration stands as it did: it stays the same object. */
	const known = ({ from, to }: Span): Unit | undefined => {
		const unit = previous?.units.get(from);
		if (!previous || unit?.to !== to) return undefined;
		return previous.text.slice(from, to) === text.slice(from, to) ? unit : undefined;
	};
	const keep = (read: (cursor: Cursor, context: ReadContext) => Declaration | undefined) => {
		return (cursor: Cursor): void => {
			const { atoms, span } = cursor.statement;
			const what = `The declaration ${atoms
				.slice(0, 2)
				.map((atom) => atom.text)
				.join(' ')}`;
			const about = { what, span: atoms[0]?.span ?? span };
			const there = known(span);
			if (there) problems.push(...there.problems);
			const before = problems.length;
			const declaration = there
				? there.declaration
				: atEdge(about, problems, () => read(cursor, context), undefined);
			if (declaration) declarations.push(declaration);
			const own = there?.problems ?? problems.slice(before);
			units.set(span.from, { to: span.to, declaration, problems: own });
		};
	};
	readBlock(
		{ statements: syntax.statements, span: { file, from: 0, to: text.length } },
		{
			name: 'a site file',
			statements: {
				site: keep(readSite),
				layout: keep(readLayout),
				route: keep(readRoute),
				state: keep(readState),
				data: keep(readData),
				part: keep(readPart)
			}
		},
		context
	);
	problems.sort((a, b) => a.span.from - b.span.from);
	return { file, text, declarations, problems, parsed: syntax.parsed, units };
}
