import { readdir, readFile, stat } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { isLeftOut, type SiteFiles } from '../../core/model/files.ts';
import { commonFolder } from '../../core/source/common-folder.ts';
import { takeIn, takeInFiles } from '../../core/source/intake.ts';

/**
 * Reads a site from a folder, a single `.eave` file or a zip. Throws an IntakeError or a system error.
 * Symbolic links are not followed, since they may lead out of the folder; `leftOut` is told of each.
 */
export async function readSitePath(
	path: string,
	leftOut: (file: string) => void = () => undefined
): Promise<SiteFiles> {
	const info = await stat(path);
	if (!info.isDirectory()) return takeIn(basename(path), await readFile(path));
	return takeInFiles(await filesIn(path, leftOut));
}

/** The files of a site in a folder, by the paths that they have in the site, and the folder within that they are in. */
export async function readSiteFolder(
	path: string
): Promise<{ readonly files: ReadonlyMap<string, Uint8Array>; readonly within: string }> {
	const files = await filesIn(path, () => undefined);
	const within = commonFolder([...files.keys()]);
	const inside = [...files].map(([file, bytes]) => [file.slice(within.length), bytes] as const);
	return { files: new Map(inside), within };
}

/** All files of a folder by their paths, or the one file that is named: pages that are to be brought in, and what they show. */
export async function readPagesPath(
	path: string,
	leftOut: (file: string) => void
): Promise<ReadonlyMap<string, Uint8Array>> {
	const info = await stat(path);
	if (info.isDirectory()) return filesIn(path, leftOut);
	return new Map([[basename(path), await readFile(path)]]);
}

async function filesIn(
	path: string,
	leftOut: (file: string) => void
): Promise<Map<string, Uint8Array>> {
	const files = new Map<string, Uint8Array>();
	for (const file of await pathsIn(path, leftOut))
		files.set(file, await readFile(join(path, file)));
	return files;
}

/** The files of a site in a folder, by their paths from it; `leftOut` is told of symbolic links. Throws a system error. */
export async function pathsIn(
	path: string,
	leftOut: (file: string) => void = () => undefined,
	within = ''
): Promise<string[]> {
	const found: string[] = [];
	for (const entry of await readdir(join(path, within), { withFileTypes: true })) {
		const inside = within + entry.name;
		if (isLeftOut(entry.name)) continue;
		if (entry.isSymbolicLink()) leftOut(inside);
		else if (entry.isDirectory()) found.push(...(await pathsIn(path, leftOut, `${inside}/`)));
		else if (entry.isFile()) found.push(inside);
	}
	return found;
}
