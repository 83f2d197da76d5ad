import { error } from '../../messages/problem.ts';
import { freshWords, type DataSource, type Freshness } from '../../model/site.ts';
import type { Named } from '../../model/span.ts';
import { plainText } from '../text/template.ts';
import { Once, readBlock, type ReadContext } from './block.ts';
import type { Cursor } from './cursor.ts';

/** s; a year, as RFC 9111, section 1.2.2 has it for what is beyond all use. */
const longestFresh = 31_536_000;

/** `data NAME from "FILE or URL" { fresh 60s | always | notice | build; failed last | shown; shape "FILE" }`. */
export function readData(cursor: Cursor, context: ReadContext): DataSource | undefined {
	const name = cursor.takeName('A data source');
	if (!name || !cursor.needWord('from', `The data source ${name.text}`)) return undefined;
	const from = cursor.takeText(`The data source ${name.text}`);
	if (!from) return undefined;
	cursor.finish({ block: true });
	const path = plainText(from);
	const isUrl = /^[a-z][a-z0-9+.-]*:/i.test(path);
	if (isUrl && !/^https?:\/\/[^/?#\s@]+(?:[/?#]\S*)?$/i.test(path)) {
		context.problems.push(error('data-url', from.span, path));
		return undefined;
	}
	const fresh = new Once<Freshness>('How fresh it must be');
	const failed = new Once<DataSource['failed']>('What shows when it fails');
	const shape = new Once<Named>('The shape');
	readBlock(
		cursor.statement.block,
		{
			name: `the data source ${name.text}`,
			statements: {
				fresh: (inner) => fresh.set(readFresh(inner), inner),
				failed(inner) {
					failed.set(inner.takeChoice('way to fail', ['last', 'shown'])?.text, inner);
					inner.finish();
				},
				shape(inner) {
					const text = inner.takeText('The shape');
					shape.set(text && { text: plainText(text), span: text.span }, inner);
					inner.finish();
				}
			}
		},
		context
	);
	return {
		kind: 'data',
		name,
		from: { text: path, span: from.span },
		isUrl,
		fresh: fresh.value ?? { kind: 'build' },
		failed: failed.value ?? 'last',
		shape: shape.value,
		span: cursor.statement.span
	};
}

/** `fresh 60s`, `fresh always`, `fresh notice` or `fresh build`. */
function readFresh(cursor: Cursor): Freshness | undefined {
	const atom = cursor.take('number') ?? cursor.take('word');
	cursor.finish();
	const word = freshWords.find((one) => one === atom?.text);
	if (word) return { kind: word };
	const seconds = /^(\d+)s$/.exec(atom?.text ?? '')?.[1];
	if (seconds !== undefined && Number(seconds) <= longestFresh) {
		return { kind: 'for', seconds: Number(seconds) };
	}
	cursor.problems.push(error('fresh-invalid', atom?.span ?? cursor.headSpan, atom?.text ?? ''));
	return undefined;
}
