import { linkSync, lstatSync, readFileSync, renameSync } from 'node:fs';
import { chmod, lstat, mkdir, readFile, realpath, rm, writeFile } from 'node:fs/promises';
import { dirname, join, sep } from 'node:path';
import { fingerprint } from '../../core/lib/fingerprint.ts';
import { checkPath } from '../../core/source/limits.ts';
import { isLeftOut } from '../../core/model/files.ts';
import { pathsIn } from '../files/site-path.ts';
import { partPath } from '../files/wrote.ts';

/** ms; within that, a file can be written again without its time telling. */
const grain = 50;

/** Something was asked of a folder that it does not do; `message` is a sentence for the user. */
export class FolderRefused extends Error {
	override readonly name = 'FolderRefused';
}

/** A file as it was read. */
interface ReadFile {
	readonly bytes: Uint8Array;
	readonly stamp: string;
}

/**
 * A folder of this machine, for one who says what they expect to find there (a mark is `fingerprint` of the bytes). Each of its
 * functions throws a system error where the disk refuses, an IntakeError for a path that is none, or a FolderRefused.
 */
export class DiskFolder {
	private looks = 0;

	constructor(private readonly root: string) {}

	/** Paths and stamps of all files. */
	async list(): Promise<[string, string][]> {
		const found: [string, string][] = [];
		for (const path of await pathsIn(this.root)) {
			const stamp = await this.stampOf(join(this.root, path)).catch(() => undefined);
			if (stamp !== undefined) found.push([path, stamp]);
		}
		return found;
	}

	/** A file; undefined where it is not there. */
	async read(path: string): Promise<ReadFile | undefined> {
		const full = await this.placeOf(path);
		try {
			// First the stamp: where the file is written in between, the next look finds another one.
			const stamp = await this.stampOf(full);
			return { bytes: await readFile(full), stamp };
		} catch (failure) {
			if (isNotThere(failure)) return undefined;
			throw failure;
		}
	}

	/**
	 * Puts a file in place whole, where there is one with this mark, or none where it is undefined; gives its stamp, or
	 * undefined where it is another by now.
	 */
	async write(
		path: string,
		bytes: Uint8Array,
		mark: string | undefined
	): Promise<string | undefined> {
		const full = await this.placeOf(path);
		await mkdir(dirname(full), { recursive: true });
		const part = partPath(full);
		try {
			await writeFile(part, bytes);
			const before = await lstat(full).catch(() => undefined);
			if (before) await chmod(part, before.mode);
			// From here on without a pause, so that nothing of this process comes in between.
			if (mark === undefined) linkSync(part, full);
			else if (markNow(full) === mark) renameSync(part, full);
			else return undefined;
		} catch (failure) {
			if (mark === undefined && hasCode(failure, 'EEXIST')) return undefined;
			throw failure;
		} finally {
			await rm(part, { force: true });
		}
		return this.stampOf(full);
	}

	/** Takes a file away where it has this mark; gives whether it did. */
	async remove(path: string, mark: string): Promise<boolean> {
		const full = await this.placeOf(path);
		if (markNow(full) !== mark) return false;
		await rm(full);
		return true;
	}

	/** One that was written a moment ago has another stamp at each look: it does not stand still yet. */
	private async stampOf(full: string): Promise<string> {
		const { size, mtimeNs, ino } = await lstat(full, { bigint: true });
		const age = Date.now() - Number(mtimeNs / 1_000_000n);
		const isFresh = age >= 0 && age < grain;
		return `${size}.${mtimeNs}.${ino}${isFresh ? `.${++this.looks}` : ''}`;
	}

	/** Where a file lies: within the folder, also where a link leads out of it. */
	private async placeOf(path: string): Promise<string> {
		checkPath(path);
		if (isLeftOut(path)) throw new FolderRefused(`${path} is no file of a site.`);
		const root = await realpath(this.root);
		const full = join(root, path);
		const folder = await nearestFolder(dirname(full));
		const isWithin = folder === root || folder.startsWith(root + sep);
		const there = await lstat(full).catch(() => undefined);
		if (!isWithin || there?.isSymbolicLink()) {
			throw new FolderRefused(`${path} is or lies behind a symbolic link, which is not followed.`);
		}
		if (there?.isDirectory()) throw new FolderRefused(`${path} is a folder.`);
		return full;
	}
}

/** The real path of a folder, or of the one above that is there. */
async function nearestFolder(path: string): Promise<string> {
	try {
		return await realpath(path);
	} catch (failure) {
		if (!isNotThere(failure)) throw failure;
		return nearestFolder(dirname(path));
	}
}

/** What a file has this moment; undefined where there is none. */
function markNow(full: string): string | undefined {
	try {
		return lstatSync(full).isFile() ? fingerprint(readFileSync(full)) : undefined;
	} catch (failure) {
		if (isNotThere(failure)) return undefined;
		throw failure;
	}
}

function isNotThere(failure: unknown): boolean {
	return hasCode(failure, 'ENOENT') || hasCode(failure, 'ENOTDIR');
}

function hasCode(failure: unknown, code: string): boolean {
	return failure instanceof Error && 'code' in failure && failure.code === code;
}
