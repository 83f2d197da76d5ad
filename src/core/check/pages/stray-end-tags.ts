import { Memory } from '../../model/memory.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import type { Layer } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import { piecesIn } from '../../resolve/pieces.ts';
import type { LayerCheck } from '../check.ts';

const known = new Memory<Layer, readonly Problem[]>();

export const strayEndTags: LayerCheck = {
	of: 'layer',
	codes: ['end-tag-stray'],
	what: 'Every end tag ends an element of its piece.',
	why: 'Browsers pass over an end tag that closes nothing, or end another element than was meant.',
	find: (layer, { reading }) =>
		known.get(layer, [], () =>
			piecesIn(layer).flatMap((piece) => {
				if (piece.kind !== 'markup') return [];
				const { span } = piece.markup;
				return strayIn((reading.files.texts.get(span.file) ?? '').slice(span.from, span.to), span);
			})
		)
};

/** What is no markup: comments, and what script and style hold. */
const unread = /<!--[\s\S]*?(?:-->|$)|<(script|style|textarea|title)\b[^>]*>[\s\S]*?<\/\1\s*>/gi;
const tags = /<(\/?)([a-zA-Z][^\s/>]*)(?:"[^"]*"|'[^']*'|[^'">])*?(\/?)>/g;

function strayIn(markup: string, { file, from }: Span): Problem[] {
	const read = markup.replace(unread, (gone) => ' '.repeat(gone.length));
	const open = new Map<string, number>();
	const problems: Problem[] = [];
	for (const { index, 0: tag, 1: slash, 2: written = '' } of read.matchAll(tags)) {
		const name = written.toLowerCase();
		const count = open.get(name) ?? 0;
		if (slash === '') open.set(name, count + 1);
		else if (count > 0) open.set(name, count - 1);
		else {
			const span = { file, from: from + index, to: from + index + tag.length };
			problems.push(warning('end-tag-stray', span, name));
		}
	}
	return problems;
}
