import { error } from '../../messages/problem.ts';
import type { AreaRow, Arrangement } from '../../model/arrange.ts';
import type { Raw } from '../../model/span.ts';
import { Once, type ReadContext } from './block.ts';
import { Cursor } from './cursor.ts';

const laterKinds = ['columns', 'row'];

/** `arrange areas { … }` or `arrange stack { … }`. */
export function readArrange(cursor: Cursor, context: ReadContext): Arrangement | undefined {
	const kind = cursor.take('word');
	if (kind && laterKinds.includes(kind.text)) {
		context.problems.push(error('not-yet', kind.span, `The arrangement ${kind.text}`));
		return undefined;
	}
	if (kind?.text !== 'areas' && kind?.text !== 'stack') {
		const span = kind?.span ?? cursor.headSpan;
		const choices = 'areas, stack, columns or row';
		context.problems.push(
			error('choice-invalid', span, kind?.text ?? '', 'way to arrange', choices)
		);
		return undefined;
	}
	const band = cursor.take('band');
	if (band) {
		context.problems.push(error('not-yet', band.span, 'An arrangement for one band'));
		return undefined;
	}
	cursor.finish({ block: true });
	return kind.text === 'areas' ? readAreas(cursor, context) : readStack(cursor, context);
}

function readAreas(cursor: Cursor, context: ReadContext): Arrangement | undefined {
	const rows: AreaRow[] = [];
	const columns = new Once<Raw>('The columns');
	const gap = new Once<Raw>('The gap');
	for (const statement of cursor.needBlock('The arrangement in areas')?.statements ?? []) {
		const inner = new Cursor(statement, context.problems);
		const first = statement.atoms[0];
		if (first?.kind === 'text') {
			const size = inner.peek() ? inner.takeRest(context.text, 'The row')?.text : undefined;
			inner.finish();
			rows.push({
				cells: first.text.trim().split(/\s+/),
				areas: { text: first.text, span: first.span },
				size: size ?? 'auto',
				span: statement.span
			});
		} else if (inner.head === 'columns') {
			columns.set(inner.takeRest(context.text, 'The columns'), inner);
			inner.finish();
		} else if (inner.head === 'gap') {
			gap.set(inner.takeRest(context.text, 'The gap'), inner);
			inner.finish();
		} else {
			const known = 'rows such as "head head" auto, columns and gap';
			context.problems.push(
				error('unknown-statement', inner.headSpan, inner.head, 'an arrangement in areas', known)
			);
		}
	}
	if (!cursor.statement.block) return undefined;
	const span = cursor.statement.span;
	if (rows.length === 0) context.problems.push(error('areas-empty', span));
	checkAreas(rows, context);
	return { kind: 'areas', rows, columns: columns.value, gap: gap.value, span };
}

/** CSS Grid Layout 1, section 7.3: rows of equal length, and each area one rectangle. */
function checkAreas(rows: readonly AreaRow[], context: ReadContext): void {
	const width = rows[0]?.cells.length ?? 0;
	for (const [index, row] of rows.entries()) {
		if (row.cells.length !== width) {
			const cells = row.cells.length;
			context.problems.push(error('areas-uneven', row.areas.span, index + 1, cells, width));
			return;
		}
	}
	const names = new Set(rows.flatMap((row) => row.cells.filter((cell) => !/^\.+$/.test(cell))));
	for (const name of names) {
		const taken = rows.flatMap((row, y) =>
			row.cells.flatMap((cell, x) => (cell === name ? [{ x, y }] : []))
		);
		const xs = taken.map((cell) => cell.x);
		const ys = taken.map((cell) => cell.y);
		const area = (Math.max(...xs) - Math.min(...xs) + 1) * (Math.max(...ys) - Math.min(...ys) + 1);
		const row = rows[taken[0]?.y ?? 0];
		if (area !== taken.length && row) {
			context.problems.push(error('areas-not-rectangle', row.areas.span, name));
		}
	}
}

function readStack(cursor: Cursor, context: ReadContext): Arrangement {
	const gap = new Once<Raw>('The gap');
	for (const statement of cursor.statement.block?.statements ?? []) {
		const inner = new Cursor(statement, context.problems);
		if (inner.head === 'gap') {
			gap.set(inner.takeRest(context.text, 'The gap'), inner);
			inner.finish();
		} else if (['justify', 'align', 'wrap'].includes(inner.head)) {
			inner.notYet(`"${inner.head}" in an arrangement`);
		} else {
			context.problems.push(
				error('unknown-statement', inner.headSpan, inner.head, 'a stack', 'gap')
			);
		}
	}
	return { kind: 'stack', gap: gap.value, span: cursor.statement.span };
}
