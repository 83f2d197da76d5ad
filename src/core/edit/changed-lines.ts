import { applyChanges, type Change } from '../source/change.ts';
import type { SiteFiles } from '../model/files.ts';

/** Lines of a file that an edit changes, as they are and as they would be. */
export interface ChangedLines {
	readonly file: string;
	/** Of the first of them, counted from 1. */
	readonly line: number;
	readonly before: readonly string[];
	readonly after: readonly string[];
}

/** What changes of the text come to, file by file; files that are no text are left out. */
export function changedLines(files: SiteFiles, changes: readonly Change[]): ChangedLines[] {
	const { texts } = applyChanges(files, changes);
	return [...texts].flatMap(([file, text]) => {
		const old = files.texts.get(file) ?? '';
		if (old === text) return [];
		const [before, after] = [old.split('\n'), text.split('\n')];
		let start = 0;
		while (start < before.length && before[start] === after[start]) start++;
		let end = 0;
		const most = Math.min(before.length, after.length) - start;
		while (end < most && before.at(-1 - end) === after.at(-1 - end)) end++;
		return [
			{
				file,
				line: start + 1,
				before: before.slice(start, before.length - end),
				after: after.slice(start, after.length - end)
			}
		];
	});
}
