import { cp, lstat, mkdir, readdir, readFile, rm, rmdir } from 'node:fs/promises';
import { basename, dirname, join, relative } from 'node:path';

/**
 * What a delivery leaves behind whose process was ended in the middle: a folder beside the one that it wrote into, with
 * `old`, what it had taken out, `new`, what it had not moved in yet, and the number of its process.
 */

/** How the name of that folder begins. */
export function besideStart(out: string): string {
	return `.${basename(out)}-`;
}

/** The file in it that says which process it is of. */
export const ownerName = 'process';

/** Puts back what unfinished deliveries had taken out, takes away what they had moved in, and removes what they left. */
export async function putRight(out: string): Promise<void> {
	const folder = dirname(out);
	for (const entry of await readdir(folder, { withFileTypes: true })) {
		const beside = join(folder, entry.name);
		if (!entry.isDirectory() || !isBeside(entry.name, out) || (await isGoing(beside))) continue;
		await takeBack(beside, out);
		await rm(beside, { recursive: true, force: true });
	}
}

function isBeside(name: string, out: string): boolean {
	return name.startsWith(besideStart(out)) && /^[A-Za-z0-9]{6}$/.test(name.slice(besideStart(out).length)); // prettier-ignore
}

/** Whether the process is still at it; a folder that names none is of someone else. */
async function isGoing(beside: string): Promise<boolean> {
	const text = await readFile(join(beside, ownerName), 'utf8').catch(() => undefined);
	if (text === undefined) return true;
	try {
		process.kill(Number(text), 0);
		return true;
	} catch {
		return false;
	}
}

/** Where moving had begun and not come to its end. It may be done again, should this process end in the middle of it. */
async function takeBack(beside: string, out: string): Promise<void> {
	const text = await readFile(join(beside, movingName), 'utf8').catch(() => undefined);
	if (text === undefined) return;
	const left = new Set(await filesIn(join(beside, 'new')));
	const old = await filesIn(join(beside, 'old'));
	const replaced = new Set(old);
	for (const path of text.split('\n')) {
		if (!left.has(path) && !replaced.has(path)) await rm(join(out, path), { force: true });
	}
	for (const path of old) {
		await mkdir(dirname(join(out, path)), { recursive: true });
		await dropEmptyTree(join(out, path));
		await rm(join(out, path), { force: true });
		await cp(join(beside, 'old', path), join(out, path), { verbatimSymlinks: true });
	}
}

/** The file in it that says what is being moved in; it is there only while that is done. */
export const movingName = 'moving';

export async function filesIn(folder: string): Promise<string[]> {
	const info = await lstat(folder).catch(() => undefined);
	if (!info?.isDirectory()) return [];
	const entries = await readdir(folder, { recursive: true, withFileTypes: true });
	return entries
		.filter((entry) => !entry.isDirectory())
		.map((entry) => relative(folder, join(entry.parentPath, entry.name)).split('\\').join('/'));
}

/** Takes away a folder that holds nothing but folders: a file may take its place. */
export async function dropEmptyTree(path: string): Promise<void> {
	const info = await lstat(path).catch(() => undefined);
	if (!info?.isDirectory()) return;
	for (const name of await readdir(path)) await dropEmptyTree(join(path, name));
	await rmdir(path).catch(() => undefined);
}
