import { error } from '../../messages/problem.ts';
import type { DataSource } from '../../model/site.ts';
import { plainText } from '../expression.ts';
import { readBlock, type ReadContext } from './block.ts';
import type { Cursor } from './cursor.ts';

/** `data NAME from "FILE"`. */
export function readData(cursor: Cursor, context: ReadContext): DataSource | undefined {
	const name = cursor.takeName('A data source');
	if (!name || !cursor.needWord('from', `The data source ${name.text}`)) return undefined;
	const from = cursor.takeText(`The data source ${name.text}`);
	if (!from) return undefined;
	cursor.finish({ block: true });
	readBlock(
		cursor.statement.block,
		{ name: 'a data source', statements: {}, later: { fresh: 'How fresh data must be' } },
		context
	);
	const path = plainText(from);
	if (/^[a-z]+:\/\//i.test(path)) {
		context.problems.push(error('not-yet', from.span, 'Data from another server'));
		return undefined;
	}
	return {
		kind: 'data',
		name,
		from: { text: path, span: from.span },
		span: cursor.statement.span
	};
}
