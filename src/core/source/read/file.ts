import type { Problem } from '../../messages/problem.ts';
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
	const syntax = parseSyntax(file, text, previous?.parsed);
	const context: ReadContext = { text, problems: [...syntax.problems] };
	const declarations: Declaration[] = [];
	const keep = (read: (cursor: Cursor, context: ReadContext) => Declaration | undefined) => {
		return (cursor: Cursor): void => {
			const declaration = read(cursor, context);
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
	const problems = sortProblems(context.problems);
	return { file, text, declarations, problems, parsed: syntax.parsed };
}

function sortProblems(problems: readonly Problem[]): Problem[] {
	return [...problems].sort((a, b) => a.span.from - b.span.from);
}
