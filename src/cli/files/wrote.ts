import { rename, rm, writeFile } from 'node:fs/promises';
import { basename, dirname, join } from 'node:path';
import { reasonOf } from '../../core/messages/wording.ts';
import type { Streams } from '../streams.ts';

/**
 * Writes a file whole or not at all: beside its place first, then moved there, so that nothing stops halfway in what
 * was there before. Throws where that cannot be.
 */
export async function writeWhole(path: string, content: string | Uint8Array): Promise<void> {
	const beside = partPath(path);
	try {
		await writeFile(beside, content);
		await rename(beside, path);
	} catch (failure) {
		await rm(beside, { force: true });
		throw failure;
	}
}

/** Where a file is written before it is put in place: hidden, so that nobody takes it for one of the site. */
export function partPath(path: string): string {
	return join(dirname(path), `.${basename(path)}.${process.pid}.part`);
}

/** The same; says why where it cannot be, and gives whether it could. */
export async function wrote(
	path: string,
	content: string | Uint8Array,
	streams: Streams
): Promise<boolean> {
	try {
		await writeWhole(path, content);
		return true;
	} catch (failure) {
		streams.errors(`${path} cannot be written: ${reasonOf(failure)}\n`);
		return false;
	}
}
