import { decodeUtf8, encodeUtf8 } from '../../../src/core/lib/utf8.ts';
import { HandlePlace } from '../../../src/store/folder/handle-place.ts';
import { editBoth, Mirror, type Left } from '../in-step.ts';

/** What runs in a browser: both sides of a folder in its private file system, edited at random. */
export async function editPrivateFolder(seed: number, most: number, text: string): Promise<Left> {
	const root = await navigator.storage.getDirectory();
	const folder = await root.getDirectoryHandle(`edited-${seed}`, { create: true });
	const write = async (path: string, content: string | undefined): Promise<void> => {
		if (content === undefined) return folder.removeEntry(path);
		const handle = await folder.getFileHandle(path, { create: true });
		const writing = await handle.createWritable();
		await writing.write(content);
		await writing.close();
	};
	const read = async (): Promise<Map<string, string>> => {
		const files = new Map<string, string>();
		for await (const name of folder.keys()) {
			const file = await (await folder.getFileHandle(name)).getFile();
			files.set(name, decodeUtf8(new Uint8Array(await file.arrayBuffer())));
		}
		return files;
	};
	await write('site.eave', text);
	const begun = new Map([['site.eave', encodeUtf8(text)]]);
	return editBoth(seed, most, new HandlePlace(folder), new Mirror(read, write), begun);
}
