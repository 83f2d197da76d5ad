import { isEaveFile } from '../model/files.ts';

/** One change of a site's text: a stretch replaced, a file added or a file taken away. */
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
	| { readonly kind: 'drop'; readonly file: string };

/** Texts after a change, and the changes that take it back. */
export interface Changed {
	readonly texts: ReadonlyMap<string, string>;
	readonly inverse: readonly Change[];
}

/**
 * Applies changes one after the other; each counts its offsets in the text that the ones before it left.
 * Throws a RangeError, and changes nothing, where a change does not fit the text.
 */
export function applyChanges(
	texts: ReadonlyMap<string, string>,
	changes: readonly Change[]
): Changed {
	const next = new Map(texts);
	const inverse: Change[] = [];
	for (const change of changes) inverse.unshift(applyOne(next, change));
	return { texts: next, inverse };
}

function applyOne(texts: Map<string, string>, change: Change): Change {
	const { file } = change;
	const text = texts.get(file);
	if (change.kind === 'add') {
		if (text !== undefined) throw new RangeError(`There is a file ${file} already.`);
		if (!isEaveFile(file)) throw new RangeError(`${file} is not the name of an .eave file.`);
		texts.set(file, change.text);
		return { kind: 'drop', file };
	}
	if (text === undefined) throw new RangeError(`There is no file ${file}.`);
	if (change.kind === 'drop') {
		texts.delete(file);
		return { kind: 'add', file, text };
	}
	const { from, to, insert } = change;
	if (from < 0 || to < from || to > text.length) {
		throw new RangeError(`The change from ${from} to ${to} lies outside ${file}.`);
	}
	texts.set(file, text.slice(0, from) + insert + text.slice(to));
	const removed = text.slice(from, to);
	return { kind: 'edit', file, from, to: from + insert.length, insert: removed };
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
