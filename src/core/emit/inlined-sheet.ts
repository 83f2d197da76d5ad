import { decodeUtf8 } from '../lib/utf8.ts';
import { inFolder } from '../lib/relative-url.ts';
import { CssText, type CssItem } from '../size/css-items.ts';
import { urlsIn, withUrls } from './css/author/style-urls.ts';

/** The files of a site that sheets are read from. */
export interface SheetFiles {
	bytes(path: string): Uint8Array | undefined;
	/** The URL under which the application has a file; undefined where there is none. */
	url(path: string): string | undefined;
}

/** Sheets that import each other in a circle end somewhere. */
const mostImported = 8;

/**
 * A sheet of the site's own as it can stand in a page: what it imports stands in it, and what it names is under the URLs of
 * the application. Undefined where it is no file of the site.
 */
export function inlinedSheet(
	href: string,
	files: SheetFiles,
	from = '',
	depth = 0
): string | undefined {
	const path = inFolder(href, from)?.path;
	const bytes = path === undefined ? undefined : files.bytes(path);
	if (path === undefined || !bytes || depth > mostImported) return undefined;
	const css = decodeUtf8(bytes).replace(/^\ufeff/, '');
	const text = new CssText(css);
	const imports = /@import/i.test(css) ? text.items().filter(isImport) : [];
	let written = '';
	let at = 0;
	const rest = (to: number): string =>
		withUrls(css.slice(at, to), (url) => files.url(inFolder(url, path)?.path ?? '') ?? url);
	for (const item of imports) {
		written += rest(item.start) + imported(text.text(item.prelude), files, path, depth);
		at = item.to;
	}
	return written + rest(css.length);
}

function isImport({ kind, name }: CssItem): boolean {
	return kind === 'at-rule' && name === 'import';
}

/** What a sheet imports (CSS Cascade 5, section 2). */
interface Import {
	readonly url: string;
	/** The layer that it goes into, which may have no name; undefined where it is in none. */
	readonly layer: string | undefined;
	readonly supports: string | undefined;
	/** Queries of the screen under which it holds; empty where it always does. */
	readonly media: string;
}

/** All that a sheet imports, in its order. */
export function importsIn(css: string): Import[] {
	if (!/@import/i.test(css)) return [];
	const text = new CssText(css);
	return text
		.items()
		.filter(isImport)
		.flatMap((item) => importOf(text.text(item.prelude)) ?? []);
}

function importOf(prelude: string): Import | undefined {
	const quoted = /^(["'])(.*?)\1/.exec(prelude);
	const [named] = quoted ? [] : urlsIn(prelude);
	const url = quoted?.[2] ?? named?.url;
	if (url === undefined) return undefined;
	const said = prelude.slice(quoted ? quoted[0].length : (named?.to ?? 0)).trim();
	const [whole, layer] = /^layer(?:\(([^)]*)\))?/i.exec(said) ?? [];
	const conditions = whole === undefined ? said : said.slice(whole.length).trim();
	const [supports] = /^supports\((?:[^()]|\([^()]*\))*\)/i.exec(conditions) ?? [];
	return {
		url,
		layer: whole === undefined ? undefined : (layer ?? ''),
		supports: supports?.slice('supports('.length, -1),
		media: conditions.slice(supports?.length ?? 0).trim()
	};
}

/** What is imported, in the layer and under the conditions that are said. */
function imported(prelude: string, files: SheetFiles, from: string, depth: number): string {
	const found = importOf(prelude);
	const css = found && inlinedSheet(found.url, files, from, depth + 1);
	if (!found || css === undefined) return '';
	const { layer, supports, media } = found;
	const around = [
		...(media === '' ? [] : [`@media ${media}`]),
		...(supports === undefined ? [] : [`@supports (${supports})`]),
		...(layer === undefined ? [] : [`@layer ${layer}`])
	];
	return around.reduce((inner, rule) => `${rule} {\n${inner}\n}`, css);
}
