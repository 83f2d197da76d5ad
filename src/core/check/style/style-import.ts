import { importsIn } from '../../emit/inlined-sheet.ts';
import { inFolder } from '../../lib/relative-url.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import type { Command } from '../../model/command.ts';
import { layerName, layersOf } from '../../model/site.ts';
import { placeOfStyle } from '../../model/style-place.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import type { WholeCheck } from '../check.ts';
import { plainPage } from '../example.ts';
import { stylesOf, withoutComments } from '../subject/styles-of.ts';

const styled = (css: string, more = ''): string =>
	plainPage('<h1>Seed</h1>', `${more}style """${css}"""`);

/** CSS Cascade 5, section 2: an import counts at the very beginning of a sheet alone. */
const imports = /@import\b[^;{]*;?/gi;

/** The imports in a style, by their places in it. */
export function importsOf(css: string): RegExpExecArray[] {
	return [...withoutComments(css).matchAll(imports)];
}

export const styleImport: WholeCheck = {
	of: 'whole',
	codes: ['style-import'],
	what: 'Styles import nothing: a layer names the sheets that it wants.',
	why: 'Several styles become one sheet, and an import in the middle of it is passed over.',
	examples: {
		'style-import': {
			wrong: styled('@import "type.css"; h1 { color: green }'),
			mended: styled('h1 { color: green }', 'sheet "type.css"; '),
			files: { 'type.css': 'h1 { font-weight: 600 }' }
		}
	},
	find: (resolved) =>
		stylesOf(resolved.site).flatMap((style): Problem[] =>
			importsOf(style.css).map((one) =>
				warning('style-import', placeOfStyle(style, one.index, one[0].length))
			)
		),
	mend: asSheet
};

/** What a layer imports becomes a sheet that it names; a part names none. */
function asSheet({ span }: Problem, { site, reading }: ResolvedSite): Command | undefined {
	const layer = layersOf(site).find(
		(one) => one.span.file === span.file && one.span.from <= span.from && span.to <= one.span.to
	);
	const was = (reading.files.texts.get(span.file) ?? '').slice(span.from, span.to);
	const [found] = importsIn(was);
	if (!layer || !found || found.layer !== undefined || found.supports !== undefined)
		return undefined;
	const from = inFolder(found.url, '')?.path ?? found.url;
	const media = found.media === '' ? undefined : found.media;
	const ref = { kind: layer.kind, name: layerName(layer) };
	const file = { kind: 'sheet', from, media } as const;
	return {
		kind: 'several',
		label: `Name ${from} as a sheet`,
		commands: [
			{ kind: 'mend-text', label: 'Remove the import', span, was, insert: '' },
			{ kind: 'set-document-file', layer: ref, file }
		]
	};
}
