import { isEaveFile } from '../../model/files.ts';
import { looksLikeZip } from '../../source/intake.ts';
import { checkPath, mostBytes, tooLarge } from '../../source/limits.ts';
import { unpack } from '../../source/unpack.ts';
import { isPage } from './links.ts';

/** Whether some files are pages that could be brought in, and no site is among them. */
export function hasPagesAlone(paths: readonly string[]): boolean {
	return paths.some(isPage) && !paths.some(isEaveFile);
}

/**
 * The files that pages are brought in from: those that are given, or those of a zip that is all there is. `inFolder`: their
 * paths begin with the folder they were chosen by, as those of a zip often do, which is no part of where pages stand.
 * Throws an IntakeError where they are too large, or a path leads out.
 */
export function takePages(
	name: string,
	files: ReadonlyMap<string, Uint8Array>,
	inFolder: boolean
): ReadonlyMap<string, Uint8Array> {
	const [[, bytes] = []] = files;
	const isZip = files.size === 1 && bytes !== undefined && looksLikeZip(bytes);
	const inside = isZip ? unpack(name, bytes) : files;
	let total = 0;
	for (const [path, content] of inside) {
		checkPath(path);
		total += content.length;
	}
	if (total > mostBytes) throw tooLarge();
	return isZip || inFolder ? withoutFolder(inside) : inside;
}

function withoutFolder(files: ReadonlyMap<string, Uint8Array>): ReadonlyMap<string, Uint8Array> {
	const [first = ''] = [...files.keys()].filter(isPage);
	const folder = first.includes('/') ? `${first.split('/')[0]}/` : '';
	if (folder === '' || ![...files.keys()].every((path) => path.startsWith(folder))) return files;
	return new Map([...files].map(([path, bytes]) => [path.slice(folder.length), bytes]));
}
