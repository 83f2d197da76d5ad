import { lstat, mkdir, mkdtemp, readFile, rename, rm, rmdir, writeFile } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';
import * as z from 'zod';
import {
	besideStart,
	dropEmptyTree,
	filesIn,
	ownerName,
	movingName,
	putRight
} from './unfinished-delivery.ts';

/** What is to be written: content by path, with `/`, from the folder. */
export type Written = readonly { readonly path: string; readonly content: string | Uint8Array }[];

/** Why nothing was written; `message` is a sentence for the user. */
export class WriteRefused extends Error {
	override readonly name = 'WriteRefused';
}

/** The list of what was written, so that the next time stale files can go and files of others stay. */
export const listName = '.long-eave.json';

const listSchema = z.object({ files: z.array(z.string().refine(staysInside)) });

function staysInside(path: string): boolean {
	return path !== '' && path.split('/').every((word) => !['', '.', '..'].includes(word));
}

/** What of the file system is used, so that a test can let it fail. */
export interface Disk {
	writeFile(path: string, content: string | Uint8Array): Promise<void>;
	rename(from: string, to: string): Promise<void>;
}

/**
 * Writes a delivery into a folder: first beside it, then, when all of it is there, into its place.
 * Whatever fails, and when `signal` says to stop, the folder is as it was; where the process ends in the middle, the
 * next delivery puts that right first. Files of earlier deliveries that are no longer made go; files that someone else
 * put there stay. Throws a WriteRefused, the signal's reason or a system error.
 */
export async function writeDelivery(
	files: Written,
	folder: string,
	disk: Disk = { writeFile, rename },
	signal?: AbortSignal
): Promise<{ removed: number }> {
	const out = resolve(folder);
	await checkFolder(out);
	await mkdir(dirname(out), { recursive: true });
	await putRight(out);
	const before = await readList(out);
	const list = listText(files.map((file) => file.path));
	const all: Written = [...files, { path: listName, content: list }];
	for (const file of all) await checkPlace(out, file, before);
	const beside = await mkdtemp(join(dirname(out), besideStart(out)));
	try {
		await writeFile(join(beside, ownerName), String(process.pid));
		for (const { path, content } of all) {
			signal?.throwIfAborted();
			const target = join(beside, 'new', path);
			await mkdir(dirname(target), { recursive: true });
			await disk.writeFile(target, content);
		}
		const made = new Set(files.map((file) => file.path));
		const stale: string[] = [];
		for (const path of before) if (!made.has(path) && (await isOwn(out, path))) stale.push(path);
		await moveIn(
			all.map((file) => file.path),
			stale,
			{ out, beside, disk, signal }
		);
		return { removed: stale.length };
	} finally {
		await rm(beside, { recursive: true, force: true });
	}
}

export function listText(paths: readonly string[]): string {
	return JSON.stringify({ files: [...paths].sort() }, null, '\t') + '\n';
}

/** Whether a path leads to a file through folders alone: through a link it would be a file of someone else. */
export async function isOwn(out: string, path: string): Promise<boolean> {
	const words = path.split('/');
	for (let count = 1; count < words.length; count++) {
		const info = await lstat(join(out, ...words.slice(0, count))).catch(() => undefined);
		if (!info?.isDirectory()) return false;
	}
	return true;
}

interface Places {
	readonly signal: AbortSignal | undefined;
	readonly out: string;
	/** Holds `new`, what is to go in, and `old`, what it takes the place of. */
	readonly beside: string;
	readonly disk: Disk;
}

/** Moves new files in and stale ones out; where a step fails, all before it are taken back. */
async function moveIn(
	paths: readonly string[],
	stale: readonly string[],
	{ out, beside, disk, signal }: Places
): Promise<void> {
	const undo: (() => Promise<void>)[] = [];
	const move = async (from: string, to: string): Promise<void> => {
		signal?.throwIfAborted();
		await mkdir(dirname(to), { recursive: true });
		await disk.rename(from, to);
		undo.unshift(async () => {
			await mkdir(dirname(from), { recursive: true });
			await dropEmptyTree(from);
			await rename(to, from);
		});
	};
	// Should the process end from here on, this is what has to be taken back.
	await writeFile(join(beside, movingName), paths.join('\n'));
	try {
		for (const path of stale) {
			if (await isThere(join(out, path))) await move(join(out, path), join(beside, 'old', path));
		}
		// What was a folder of stale files may be a file now.
		for (const path of stale) await dropEmptyFolders(out, path);
		for (const path of paths) {
			const target = join(out, path);
			await dropEmptyTree(target);
			if (await isThere(target)) await move(target, join(beside, 'old', path));
			await move(join(beside, 'new', path), target);
		}
		// All of it is in its place: the next delivery only tidies up.
		await rm(join(beside, movingName));
	} catch (failure) {
		for (const step of undo) await step();
		throw failure;
	}
}

async function dropEmptyFolders(out: string, path: string): Promise<void> {
	for (let folder = dirname(path); folder !== '.'; folder = dirname(folder)) {
		// A folder that holds something else stays.
		await rmdir(join(out, folder)).catch(() => undefined);
	}
}

async function checkFolder(out: string): Promise<void> {
	const info = await lstat(out).catch(() => undefined);
	if (info?.isSymbolicLink()) {
		throw new WriteRefused(`${out} is a symbolic link; name the folder that it leads to.`);
	}
	if (info && !info.isDirectory()) throw new WriteRefused(`${out} is a file, not a folder.`);
}

/** What the last delivery wrote; nothing where there is no list, or none that can be believed. */
async function readList(out: string): Promise<ReadonlySet<string>> {
	try {
		const list = listSchema.parse(JSON.parse(await readFile(join(out, listName), 'utf8')));
		return new Set(list.files);
	} catch {
		return new Set();
	}
}

/** Sees that a file's place is free, or taken by what an earlier delivery wrote there. */
export async function checkPlace(
	out: string,
	{ path, content }: Written[number],
	before: ReadonlySet<string>
): Promise<void> {
	if (!staysInside(path)) throw new WriteRefused(`${path} would lead out of ${out}.`);
	const words = path.split('/');
	for (let count = 1; count < words.length; count++) {
		const part = words.slice(0, count).join('/');
		const info = await lstat(join(out, part)).catch(() => undefined);
		if (!info) return;
		if (info.isDirectory() || before.has(part)) continue;
		const is = info.isSymbolicLink() ? 'a symbolic link' : 'a file';
		throw new WriteRefused(`${part} in ${out} is ${is}, so ${path} cannot be written.`);
	}
	const info = await lstat(join(out, path)).catch(() => undefined);
	if (!info || before.has(path) || path === listName) return;
	if (info.isSymbolicLink()) throw new WriteRefused(`${path} in ${out} is a symbolic link.`);
	if (info.isDirectory()) {
		const held = await filesIn(join(out, path));
		const foreign = held.find((inside) => !before.has(`${path}/${inside}`));
		if (foreign === undefined) return;
		throw new WriteRefused(
			`${path} in ${out} is a folder with ${path}/${foreign}, which no delivery wrote, so no file can be written there.`
		);
	}
	const there = await readFile(join(out, path));
	if (there.equals(typeof content === 'string' ? Buffer.from(content) : content)) return;
	throw new WriteRefused(
		`${path} is in ${out} already, and no delivery wrote it. Move it away, or choose another folder.`
	);
}

async function isThere(path: string): Promise<boolean> {
	const info = await lstat(path).catch(() => undefined);
	return info !== undefined;
}
