import { isLeftOut } from '$core/model/files.ts';
import { bytesOf } from './read-file.ts';

/** The files of a folder that was chosen, by their paths; undefined where one of them cannot be read, which is said. */
export async function filesOfFolder(
	chosen: readonly File[]
): Promise<ReadonlyMap<string, Uint8Array> | undefined> {
	return readAll(chosen, ({ webkitRelativePath }) => webkitRelativePath);
}

/** Files that were chosen by themselves, by their names; likewise. */
export async function filesChosen(
	chosen: readonly File[]
): Promise<ReadonlyMap<string, Uint8Array> | undefined> {
	return readAll(chosen, ({ name }) => name);
}

async function readAll(
	chosen: readonly File[],
	pathOf: (file: File) => string
): Promise<ReadonlyMap<string, Uint8Array> | undefined> {
	const files = new Map<string, Uint8Array>();
	for (const file of chosen) {
		const path = pathOf(file);
		if (isLeftOut(path)) continue;
		const bytes = await bytesOf(file);
		// A folder without one of its files would be another one.
		if (!bytes) return undefined;
		files.set(path, bytes);
	}
	return files;
}
