import { error } from '../../../messages/problem.ts';
import {
	alignments,
	areasOf,
	justifications,
	type Alignment,
	type AreaRow,
	type Arrangement,
	type ColumnsArrangement,
	type Justification
} from '../../../model/arrange.ts';
import type { Named, Raw } from '../../../model/span.ts';
import { countTracks, mostTracks } from '../../../size/tracks.ts';
import { Once, readBlock, type ReadContext } from '../block.ts';
import { Cursor } from '../cursor.ts';

/** What a statement says of an arrangement besides its own words. */
interface Head {
	readonly cursor: Cursor;
	readonly band: Named | undefined;
	readonly context: ReadContext;
}

const kinds = ['areas', 'columns', 'row', 'stack'] as const;

/** Collects the `arrange` statements of a box, one for a band at most. */
export class ArrangementsReader {
	readonly arrangements: Arrangement[] = [];

	constructor(private readonly context: ReadContext) {}

	readonly read = (cursor: Cursor): void => {
		const arrangement = readArrange(cursor, this.context);
		if (!arrangement) return;
		const { band, span } = arrangement;
		if (this.arrangements.some((one) => one.band?.text === band?.text)) {
			const what = band ? `The arrangement for @${band.text}` : 'The arrangement';
			cursor.problems.push(error('said-twice', span, what));
		} else {
			this.arrangements.push(arrangement);
		}
	};
}

/** `arrange areas { … }`, `arrange columns … { … }`, `arrange row { … }`, `arrange stack { … }`. */
function readArrange(cursor: Cursor, context: ReadContext): Arrangement | undefined {
	const kind = cursor.takeChoice('way to arrange', kinds)?.text;
	switch (kind) {
		case undefined:
			return undefined;
		case 'areas':
			return readAreas(headOf(cursor, context));
		case 'columns':
			return readColumns(cursor, context);
		case 'row':
		case 'stack':
			return readLine(kind, headOf(cursor, context));
	}
}

function headOf(cursor: Cursor, context: ReadContext): Head {
	const band = cursor.takeBand();
	cursor.finish({ block: true });
	return { cursor, band, context };
}

/** `columns N` or `columns SIZE SIZE …`, then maybe `each K` and `rows M [equal]`. */
function readColumns(cursor: Cursor, context: ReadContext): Arrangement | undefined {
	const { columns, sizes } = readCount(cursor, context);
	const each = readEach(cursor, columns);
	const rows = cursor.takeWord('rows')
		? cursor.takeCount('The number of rows', mostTracks)
		: undefined;
	const equalRows = rows !== undefined && cursor.takeWord('equal') !== undefined;
	const head = headOf(cursor, context);
	const gap = new Once<Raw>('The gap');
	readBlock(
		cursor.statement.block,
		{ name: 'an arrangement in columns', statements: { gap: readRaw(gap, 'The gap', context) } },
		context
	);
	if (columns === undefined) return undefined;
	const { span } = cursor.statement;
	return {
		kind: 'columns',
		columns,
		sizes,
		each,
		rows,
		equalRows,
		band: head.band,
		gap: gap.value,
		span
	};
}

/** A number alone is how many there are; anything else, their sizes. */
function readCount(
	cursor: Cursor,
	context: ReadContext
): { columns: number | undefined; sizes: Raw | undefined } {
	const next = cursor.peek(1);
	const isAlone = !next || next.kind === 'band' || ['each', 'rows'].includes(next.text);
	if (isAlone && /^\d+$/.test(cursor.peek()?.text ?? '')) {
		return { columns: cursor.takeCount('The number of columns', mostTracks), sizes: undefined };
	}
	const what = 'The number of columns, or their sizes,';
	const sizes = cursor.takeUntilWord(context.text, what, ['each', 'rows']);
	return { columns: sizes && countTracks(sizes.text), sizes };
}

/** What a member takes that says nothing: some of the columns, at most all. */
function readEach(cursor: Cursor, columns: number | undefined): ColumnsArrangement['each'] {
	if (!cursor.takeWord('each')) return undefined;
	const count = cursor.takeCount('What each takes', columns ?? mostTracks);
	const span = cursor.lastTaken?.span;
	return count === undefined || !span ? undefined : { count, span };
}

function readLine(kind: 'row' | 'stack', { cursor, band, context }: Head): Arrangement {
	const gap = new Once<Raw>('The gap');
	const justify = new Once<Justification>('"justify"');
	const align = new Once<Alignment>('"align"');
	const wrap = new Once<boolean>('"wrap"');
	readBlock(
		cursor.statement.block,
		{
			name: `a ${kind}`,
			statements: {
				gap: readRaw(gap, 'The gap', context),
				justify(inner) {
					justify.set(inner.takeChoice('way to justify', justifications)?.text, inner);
					inner.finish();
				},
				align(inner) {
					align.set(inner.takeChoice('way to align', alignments)?.text, inner);
					inner.finish();
				},
				// A stack has no height of its own at which a second one would begin.
				...(kind === 'row' && {
					wrap(inner: Cursor) {
						wrap.set(true, inner);
						inner.finish();
					}
				})
			}
		},
		context
	);
	return {
		kind,
		band,
		gap: gap.value,
		justify: justify.value ?? 'start',
		align: align.value ?? 'stretch',
		wrap: wrap.value ?? false,
		span: cursor.statement.span
	};
}

function readRaw(once: Once<Raw>, what: string, context: ReadContext): (cursor: Cursor) => void {
	return (cursor) => {
		once.set(cursor.takeRest(context.text, what), cursor);
		cursor.finish();
	};
}

function readAreas({ cursor, band, context }: Head): Arrangement | undefined {
	const rows: AreaRow[] = [];
	const columns = new Once<Raw>('The columns');
	const gap = new Once<Raw>('The gap');
	const readColumnList = readRaw(columns, 'The columns', context);
	const readGap = readRaw(gap, 'The gap', context);
	for (const statement of cursor.needBlock('The arrangement in areas')?.statements ?? []) {
		const inner = new Cursor(statement, context.problems);
		if (statement.atoms[0]?.kind === 'text') {
			rows.push(readRow(inner, statement.atoms[0], context));
		} else if (inner.head === 'columns') {
			readColumnList(inner);
		} else if (inner.head === 'gap') {
			readGap(inner);
		} else {
			const known = 'rows such as "head head" auto, columns and gap';
			context.problems.push(
				error('unknown-statement', inner.headSpan, inner.head, 'an arrangement in areas', known)
			);
		}
	}
	if (!cursor.statement.block) return undefined;
	const { span } = cursor.statement;
	if (rows.length === 0) {
		context.problems.push(error('areas-empty', span));
		return undefined;
	}
	const whole = checkAreas(rows, context);
	return whole
		? { kind: 'areas', rows, columns: columns.value, gap: gap.value, band, span }
		: undefined;
}

function readRow(cursor: Cursor, areas: Named, context: ReadContext): AreaRow {
	const size = cursor.peek() ? cursor.takeRest(context.text, 'The row') : undefined;
	cursor.finish();
	return {
		cells: areas.text.trim().split(/\s+/),
		areas: { text: areas.text, span: areas.span },
		size: size?.text ?? 'auto',
		sizeSpan: size?.span,
		span: cursor.statement.span
	};
}

/** CSS Grid Layout 2, section 7.3: rows of equal length, and each area one rectangle. */
function checkAreas(rows: readonly AreaRow[], context: ReadContext): boolean {
	const width = rows[0]?.cells.length ?? 0;
	const [first] = rows;
	if (first && (width > mostTracks || rows.length > mostTracks)) {
		context.problems.push(
			error('too-many', first.areas.span, 'Rows and columns of areas', mostTracks)
		);
		return false;
	}
	for (const [index, row] of rows.entries()) {
		if (row.cells.length !== width) {
			const cells = row.cells.length;
			context.problems.push(error('areas-uneven', row.areas.span, index + 1, cells, width));
			return false;
		}
	}
	const broken = [...areasOf(rows)].filter(([, { cells, x, y }]) => {
		return cells !== (x.to - x.from) * (y.to - y.from);
	});
	for (const [name, { y }] of broken) {
		const span = rows[y.from]?.areas.span;
		if (span) context.problems.push(error('areas-not-rectangle', span, name));
	}
	return broken.length === 0;
}
