import { plainPage } from '../example.ts';
import { Memory } from '../../model/memory.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import { markupsOf, type Layer } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import { looseTags } from '../../resolve/markup/balance.ts';
import { piecesIn } from '../../resolve/pieces.ts';
import type { LayerCheck } from '../check.ts';

const known = new Memory<Layer, readonly Problem[]>();

const leftOpen = new Memory<Layer, readonly Problem[]>();

export const openElements: LayerCheck = {
	of: 'layer',
	codes: ['element-open'],
	what: 'Every element of a piece is ended in it.',
	why: 'All that follows stands in it, on every page, and nothing shows that but the look of it.',
	examples: {
		'element-open': {
			wrong: plainPage('<h1>Seed</h1><div><p>Beans</p>'),
			mended: plainPage('<h1>Seed</h1><div><p>Beans</p></div>')
		}
	},
	find: (layer, { reading }) =>
		leftOpen.get(layer, [], () =>
			piecesIn(layer)
				.flatMap(markupsOf)
				.flatMap(({ span }) => {
					const text = reading.files.texts.get(span.file) ?? '';
					return looseTags(text.slice(span.from, span.to))
						.filter(({ kind, name }) => kind === 'start' && isHtml(name))
						.map((tag) => {
							const at = { ...span, from: span.from + tag.from, to: span.from + tag.to };
							const end = span.to - (text.endsWith('"""', span.to) ? 3 : 0);
							const mend = {
								label: `End it with the piece`,
								span: { ...span, from: end, to: end },
								insert: `</${tag.name}>`
							};
							return { ...warning('element-open', at, tag.name), mend };
						});
				})
		)
};

/** Of what stands in a drawing, `/>` ends an element. */
function isHtml(name: string): boolean {
	return !/^(?:path|circle|rect|line|g|use|ellipse|polygon|polyline|stop|image)$/.test(name);
}

export const strayEndTags: LayerCheck = {
	of: 'layer',
	codes: ['end-tag-stray'],
	what: 'Every end tag ends an element of its piece.',
	why: 'Browsers pass over an end tag that closes nothing, or end another element than was meant.',
	examples: {
		'end-tag-stray': {
			wrong: plainPage('<h1>Seed</h1></div>'),
			mended: plainPage('<h1>Seed</h1>')
		}
	},
	find: (layer, { reading }) =>
		known.get(layer, [], () =>
			piecesIn(layer)
				.flatMap(markupsOf)
				.flatMap(({ span }) => {
					const text = reading.files.texts.get(span.file) ?? '';
					return strayIn(text.slice(span.from, span.to), span);
				})
		)
};

function strayIn(markup: string, { file, from }: Span): Problem[] {
	return looseTags(markup)
		.filter(({ kind }) => kind === 'end')
		.map((tag) => {
			const span = { file, from: from + tag.from, to: from + tag.to };
			return warning('end-tag-stray', span, tag.name);
		});
}
