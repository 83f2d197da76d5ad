import { textIn } from '../../edit/layers/document.ts';
import { saidMarkup } from '../../edit/markup-statement.ts';
import { findLayer } from '../../edit/find.ts';
import { inFolder } from '../../lib/relative-url.ts';
import type { DocumentFile, DocumentPart, LayerRef } from '../../model/command.ts';
import { headKindOf } from '../../model/files.ts';
import type { ResolvedSite } from '../../resolve/site.ts';

/** What a layer, or the site, says of the document around the body, as its panel shows it. */
export interface DocumentView {
	readonly files: readonly {
		readonly file: DocumentFile;
		/** It is there: a file of the site, or one from elsewhere, which is never asked for here. */
		readonly lies: 'here' | 'elsewhere' | 'nowhere';
		/** Its path in the site; undefined of one from elsewhere. */
		readonly path: string | undefined;
	}[];
	/** What stands in the head and which attributes there are, as it is written; undefined where nothing is. */
	readonly texts: Readonly<Record<DocumentPart, string | undefined>>;
	/** Sheets and scripts of the site that it does not name yet. */
	readonly more: readonly Pick<DocumentFile, 'kind' | 'from'>[];
}

/** `ref` undefined: the site. Throws a CommandRefused where the layer is not there. */
export function documentView(resolved: ResolvedSite, ref: LayerRef | undefined): DocumentView {
	const { document } = ref ? findLayer(resolved, ref) : resolved.site.settings;
	const { assets, texts } = resolved.reading.files;
	const files = document.head.flatMap((item): DocumentFile[] => {
		if (item.kind === 'sheet')
			return [{ kind: 'sheet', from: item.from.text, media: item.media?.text }];
		if (item.kind === 'script')
			return [{ kind: 'script', from: item.from.text, words: item.words }];
		return [];
	});
	const named = new Set(files.map(({ from }) => inFolder(from, '')?.path));
	const written = (part: DocumentPart): string | undefined =>
		saidMarkup(texts, textIn(document, part)?.span);
	return {
		files: files.map((file) => {
			const path = inFolder(file.from, '')?.path;
			return { file, path, lies: liesAt(path, assets) };
		}),
		texts: { head: written('head'), html: written('html'), body: written('body') },
		more: [...assets.keys()].flatMap((path) => {
			const kind = headKindOf(path);
			return kind === undefined || named.has(path) ? [] : [{ kind, from: path }];
		})
	};
}

function liesAt(
	path: string | undefined,
	assets: ReadonlyMap<string, Uint8Array>
): DocumentView['files'][number]['lies'] {
	if (path === undefined) return 'elsewhere';
	return assets.has(path) ? 'here' : 'nowhere';
}
