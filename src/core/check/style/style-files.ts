import { urlsIn } from '../../emit/css/author/style-urls.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import { importsIn } from '../../emit/inlined-sheet.ts';
import { inFolder } from '../../lib/relative-url.ts';
import type { Command } from '../../model/command.ts';
import { layerName, layersOf } from '../../model/site.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { placeOfStyle } from '../../model/style-place.ts';
import type { WholeCheck } from '../check.ts';
import { plainPage } from '../example.ts';
import { Addresses, linkTarget } from '../subject/link-target.ts';
import { stylesOf, withoutComments } from '../subject/styles-of.ts';

const styled = (css: string): string => plainPage('<h1>Seed</h1>', `style """${css}"""`);

/** CSS Cascade 5, section 2: an import counts at the very beginning of a sheet alone. */
const imports = /@import\b[^;{]*;?/gi;

export const styleFiles: WholeCheck = {
	of: 'whole',
	codes: ['style-file-missing', 'style-import'],
	what: 'What styles name is there: pictures, faces of type; and they import nothing.',
	why: 'Browsers show nothing in its place, or another face of type. Several styles become one sheet, and an import in the middle of it is passed over.',
	examples: {
		'style-file-missing': {
			wrong: styled('h1 { background: url("images/pod.svg") }'),
			mended: styled('h1 { background: url("pod.svg") }'),
			files: { 'pod.svg': '<svg xmlns="http://www.w3.org/2000/svg" width="8" height="8"/>' }
		},
		'style-import': {
			wrong: styled('@import "type.css"; h1 { color: green }'),
			mended: styled('h1 { color: green }')
		}
	},
	find(resolved) {
		const addresses = Addresses.of(resolved);
		return stylesOf(resolved.site).flatMap((style): Problem[] => {
			const { css } = style;
			const imported = [...withoutComments(css).matchAll(imports)];
			const lost = urlsIn(css).filter(({ url, from }) => {
				const isImport = imported.some((one) => one.index <= from && from < one.index + one[0].length); // prettier-ignore
				const target = isImport ? undefined : linkTarget(url, '/');
				return target && url !== '' && !url.startsWith('#') && !addresses.hasFile(target.path);
			});
			return [
				...imported.map((one) =>
					warning('style-import', placeOfStyle(style, one.index, one[0].length))
				),
				...lost.map(({ url, from, to }) =>
					warning('style-file-missing', placeOfStyle(style, from, to - from), url)
				)
			];
		});
	},
	mend(problem, resolved) {
		return problem.code === 'style-import' ? asSheet(problem, resolved) : undefined;
	}
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
