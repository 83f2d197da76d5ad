import { encodeUtf8 } from '../lib/utf8.ts';
import { isEaveFile, textOf, type SiteFiles } from '../model/files.ts';
import type { Span } from '../model/span.ts';

/** One change of a site's files: a stretch of text replaced, a file put there, moved or taken away. */
export type Change =
	| {
			readonly kind: 'edit';
			readonly file: string;
			readonly from: number;
			/** Exclusive. */
			readonly to: number;
			readonly insert: string;
	  }
	| { readonly kind: 'add'; readonly file: string; readonly text: string }
	/** A file that is no text of the site; it takes the place of one that is there. */
	| { readonly kind: 'put'; readonly file: string; readonly bytes: Uint8Array }
	/** The same for one that is there already, under another path. */
	| { readonly kind: 'move'; readonly file: string; readonly to: string }
	| { readonly kind: 'drop'; readonly file: string };

/** Files after a change, and the changes that take it back. */
export interface Changed extends SiteFiles {
	readonly inverse: readonly Change[];
}

/**
 * Applies changes one after the other; each counts its offsets in the text that the ones before it left.
 * Throws a RangeError, and changes nothing, where a change does not fit the files.
 */
export function applyChanges(files: SiteFiles, changes: readonly Change[]): Changed {
	const texts = new Map(files.texts);
	// Other files are many, and most edits are of text: then they stay the same object.
	const touched = changes.some((change) => touchesAssets(change, files));
	const assets = new Map(touched ? files.assets : []);
	const inverse: Change[] = [];
	for (const change of changes) inverse.unshift(applyOne(texts, assets, change));
	return { texts, assets: touched ? assets : files.assets, inverse };
}

function touchesAssets({ kind, file }: Change, { assets }: SiteFiles): boolean {
	return kind === 'put' || kind === 'move' || (kind !== 'add' && assets.has(file));
}

function applyOne(
	texts: Map<string, string>,
	assets: Map<string, Uint8Array>,
	change: Change
): Change {
	const { file } = change;
	if (change.kind === 'edit') return applyEdit(texts, assets, change);
	const text = texts.get(file);
	if (
		change.kind === 'put' ||
		change.kind === 'move' ||
		(change.kind === 'drop' && text === undefined)
	) {
		return applyToAssets(assets, change);
	}
	if (change.kind === 'add') {
		if (text !== undefined) throw new RangeError(`There is a file ${file} already.`);
		if (!isEaveFile(file)) throw new RangeError(`${file} is not the name of an .eave file.`);
		texts.set(file, change.text);
		return { kind: 'drop', file };
	}
	if (text === undefined) throw new RangeError(`There is no file ${file}.`);
	texts.delete(file);
	return { kind: 'add', file, text };
}

/** An edit of the site's text, or of a style sheet of its own. */
function applyEdit(
	texts: Map<string, string>,
	assets: Map<string, Uint8Array>,
	{ file, from, to, insert }: Extract<Change, { kind: 'edit' }>
): Change {
	const text = textOf({ texts, assets }, file);
	if (text === undefined) throw new RangeError(`There is no file ${file}.`);
	if (from < 0 || to < from || to > text.length) {
		throw new RangeError(`The change from ${from} to ${to} lies outside ${file}.`);
	}
	const edited = text.slice(0, from) + insert + text.slice(to);
	if (texts.has(file)) texts.set(file, edited);
	else assets.set(file, encodeUtf8(edited));
	const removed = text.slice(from, to);
	return { kind: 'edit', file, from, to: from + insert.length, insert: removed };
}

function applyToAssets(
	assets: Map<string, Uint8Array>,
	change: Extract<Change, { kind: 'put' | 'move' | 'drop' }>
): Change {
	const { file } = change;
	const bytes = assets.get(file);
	if (change.kind === 'put') {
		if (isEaveFile(file)) throw new RangeError(`${file} would be text of the site.`);
		assets.set(file, change.bytes);
		return bytes ? { kind: 'put', file, bytes } : { kind: 'drop', file };
	}
	if (!bytes) throw new RangeError(`There is no file ${file}.`);
	if (change.kind === 'drop') {
		assets.delete(file);
		return { kind: 'put', file, bytes };
	}
	if (assets.has(change.to)) throw new RangeError(`There is a file ${change.to} already.`);
	if (isEaveFile(change.to)) throw new RangeError(`${change.to} would be text of the site.`);
	assets.delete(file);
	assets.set(change.to, bytes);
	return { kind: 'move', file: change.to, to: file };
}

/** Where a place of the text before some changes stands after them. */
export function placeAfter(file: string, offset: number, changes: readonly Change[]): number {
	return changes.reduce((at, change) => {
		if (change.kind !== 'edit' || change.file !== file) return at;
		return moved(at, change.from, change.to, change.insert.length);
	}, offset);
}

/** Where a place of the text after some changes stood before them. */
export function placeBefore(file: string, offset: number, changes: readonly Change[]): number {
	return changes.reduceRight((at, change) => {
		if (change.kind !== 'edit' || change.file !== file) return at;
		const { from, to, insert } = change;
		return moved(at, from, from + insert.length, to - from);
	}, offset);
}

/** A place when what stands from `from` to `to` becomes `length` long; inside of it, its start. */
function moved(at: number, from: number, to: number, length: number): number {
	if (at >= to) return at + length - (to - from);
	return Math.min(at, from);
}

/** The same for a stretch; undefined where its file is there only since. */
export function spanBefore({ file, from, to }: Span, changes: readonly Change[]): Span | undefined {
	if (changes.some((change) => change.kind === 'add' && change.file === file)) return undefined;
	const [begin, end] = [from, to].map((at) => placeBefore(file, at, changes));
	return { file, from: begin ?? from, to: end ?? to };
}
