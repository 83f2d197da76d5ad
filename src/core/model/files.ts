import { decodeUtf8, encodeUtf8 } from '../lib/utf8.ts';

/** The files of a site: its text, and everything else that belongs to it. Paths are relative, with `/`. */
export interface SiteFiles {
	readonly texts: ReadonlyMap<string, string>;
	readonly assets: ReadonlyMap<string, Uint8Array>;
}

export function isEaveFile(path: string): boolean {
	return path.endsWith('.eave');
}

/** What lies in a site's folder and is none of its files: what is hidden, and installed packages. */
export function isLeftOut(path: string): boolean {
	return path.split('/').some((word) => word.startsWith('.') || word === 'node_modules');
}

/** Whether a file is a style sheet of the site's own: it is edited as text, and delivered byte for byte. */
export function isSheetFile(path: string): boolean {
	return /\.css$/i.test(path);
}

const sheetTexts = new WeakMap<Uint8Array, { readonly text: string | undefined }>();

/** The text of a sheet; undefined of one whose bytes no text would give back. */
export function sheetText(bytes: Uint8Array): string | undefined {
	let known = sheetTexts.get(bytes);
	if (!known) sheetTexts.set(bytes, (known = { text: textFrom(bytes) }));
	return known.text;
}

function textFrom(bytes: Uint8Array): string | undefined {
	try {
		const text = decodeUtf8(bytes);
		// What begins with a byte order mark would lose it.
		return encodeUtf8(text).length === bytes.length ? text : undefined;
	} catch {
		return undefined;
	}
}

/** The text of a file that can be edited as such: of the site's text, or a sheet; undefined of any other. */
export function textOf({ texts, assets }: SiteFiles, path: string): string | undefined {
	const text = texts.get(path);
	const bytes = text === undefined && isSheetFile(path) ? assets.get(path) : undefined;
	return bytes ? sheetText(bytes) : text;
}

/** Paths of all files that can be edited as text. */
export function textFiles({ texts, assets }: SiteFiles): string[] {
	const sheets = [...assets].flatMap(([path, bytes]) =>
		isSheetFile(path) && sheetText(bytes) !== undefined ? [path] : []
	);
	return [...texts.keys(), ...sheets].sort();
}

/** The texts of all those files, by their paths. */
export function readableTexts(files: SiteFiles): ReadonlyMap<string, string> {
	return new Map(textFiles(files).map((path) => [path, textOf(files, path) ?? '']));
}

/** What a file would be in the head of a page, by its name or URL; undefined of one that is neither. */
export function headKindOf(from: string): 'sheet' | 'script' | undefined {
	const [path = ''] = from.split(/[?#]/);
	if (isSheetFile(path)) return 'sheet';
	return /\.m?js$/i.test(path) ? 'script' : undefined;
}
