import { plainPage } from '../example.ts';
import { Memory } from '../../lib/memory.ts';
import { warning } from '../../messages/problem.ts';
import { markupsOf, type Layer } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import { looseTags, type LooseTag } from '../../resolve/markup/balance.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { LayerCheck } from '../check.ts';

/** Tags of some markup that have no other end, each with its place, and the place where the markup ends. */
interface Loose {
	readonly tag: LooseTag;
	readonly at: Span;
	readonly end: Span;
	/** Its end tag would end it there. */
	readonly endsThere: boolean;
}

/** Tags of some markup for which it is tried whether an end tag would help: with more nobody knows what was meant. */
const mostTried = 8;

const known = new Memory<Layer, readonly Loose[]>();

function looseIn(layer: Layer, texts: ReadonlyMap<string, string>): readonly Loose[] {
	return known.get(layer, [], () =>
		piecesIn(layer)
			.flatMap(markupsOf)
			.flatMap(({ span }) => {
				const { file, from, to } = span;
				const text = texts.get(file) ?? '';
				const last = text.endsWith('"""', to) ? to - 3 : to;
				const tags = looseTags(text.slice(from, to));
				const isEnded = ({ name, from: at }: LooseTag): boolean =>
					!looseTags(`${text.slice(from, last)}</${name}>`).some((one) => one.from === at);
				return tags.map((tag) => ({
					tag,
					endsThere: tags.length <= mostTried && isEnded(tag),
					at: { file, from: from + tag.from, to: from + tag.to },
					end: { file, from: last, to: last }
				}));
			})
	);
}

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
		looseIn(layer, reading.files.texts)
			.filter(({ tag: { kind, name } }) => kind === 'start' && isHtml(name))
			.map(({ tag, at, end, endsThere }) => {
				const mend = { label: 'End it with the piece', span: end, insert: `</${tag.name}>` };
				return { ...warning('element-open', at, tag.name), ...(endsThere && { mend }) };
			})
};

/** Not of a drawing, whose elements end by themselves. */
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
		looseIn(layer, reading.files.texts)
			.filter(({ tag: { kind } }) => kind === 'end')
			.map(({ tag, at }) => warning('end-tag-stray', at, tag.name))
};
