import { readdir, readFile, stat } from 'node:fs/promises';
import { basename, join, relative, sep } from 'node:path';
import { isLeftOut, type SiteFiles } from '../core/model/files.ts';
import { takeIn, takeInFiles } from '../core/source/intake.ts';

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
	const files = new Map<string, Uint8Array>();
	for (const entry of await readdir(path, { recursive: true, withFileTypes: true })) {
		const full = join(entry.parentPath, entry.name);
		const inside = relative(path, full).split(sep).join('/');
		if (isLeftOut(inside)) continue;
		if (entry.isSymbolicLink()) leftOut(inside);
		if (!entry.isFile()) continue;
		files.set(inside, await readFile(full));
	}
	return takeInFiles(files);
}
