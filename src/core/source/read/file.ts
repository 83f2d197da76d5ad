import { atEdge, type Problem } from '../../messages/problem.ts';
import type { Declaration } from '../../model/site.ts';
import { parseSyntax, type SyntaxTree } from '../syntax.ts';
import { readBlock, type ReadContext } from './block.ts';
import type { Cursor } from './cursor.ts';
import { readData } from './data.ts';
import { readLayout } from './layout.ts';
import { readRoute, readState } from './page.ts';
import { readSite } from './site.ts';

/** One file of a site, as read: what it declares, and what is wrong with it by itself. */
export interface FileReading {
	readonly file: string;
	readonly text: string;
	readonly declarations: readonly Declaration[];
	readonly problems: readonly Problem[];
	readonly parsed: SyntaxTree['parsed'];
}

/**
 * Reads one `.eave` file. It never throws: each mistake is a problem at its place, and the
 * declarations around it are read all the same.
 */
export function readFile(file: string, text: string, previous?: FileReading): FileReading {
	const problems: Problem[] = [];
	const whole = { what: `The file ${file}`, span: { file, from: 0, to: Math.min(1, text.length) } };
	const nothing: SyntaxTree = { statements: [], problems: [], parsed: undefined };
	const syntax = atEdge(whole, problems, () => parseSyntax(file, text, previous?.parsed), nothing);
	for (const problem of syntax.problems) problems.push(problem);
	const context: ReadContext = { text, problems };
	const declarations: Declaration[] = [];
	const keep = (read: (cursor: Cursor, context: ReadContext) => Declaration | undefined) => {
		return (cursor: Cursor): void => {
			const { atoms, span } = cursor.statement;
			const what = `The declaration ${atoms
				.slice(0, 2)
				.map((atom) => atom.text)
				.join(' ')}`;
			const about = { what, span: atoms[0]?.span ?? span };
			const declaration = atEdge(about, problems, () => read(cursor, context), undefined);
			if (declaration) declarations.push(declaration);
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
				data: keep(readData)
			},
			later: { part: 'A part' }
		},
		context
	);
	problems.sort((a, b) => a.span.from - b.span.from);
	return { file, text, declarations, problems, parsed: syntax.parsed };
}
