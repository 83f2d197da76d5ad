import { isPage } from '$core/bring-in/reading/links.ts';
import { reasonOf } from '$core/messages/wording.ts';
import { isLeftOut } from '$core/model/files.ts';
import { mostBytes } from '$core/source/limits.ts';
import { bringing } from '../ways/bringing.svelte.ts';
import { filesChosen } from './chosen-files.ts';
import { addFiles } from './files.ts';
import { openFile, openFolder } from '../opening.ts';
import { store } from '../site.svelte.ts';

/** Whether something that is dragged brings files, and not a piece of text. */
export function bringsFiles(event: DragEvent): boolean {
	return event.dataTransfer?.types.includes('Files') ?? false;
}

/**
 * Takes what was dropped anywhere in the window: a zip, an `.eave` file or a folder is opened as a site; pages are brought in;
 * anything else becomes a file of the open one. It never becomes text of the open site.
 */
export async function takeDrop(event: DragEvent): Promise<void> {
	if (!bringsFiles(event)) {
		event.preventDefault();
		return;
	}
	event.preventDefault();
	event.stopPropagation();
	// Entries are there only while the event is.
	const items = [...(event.dataTransfer?.items ?? [])];
	const files = [...(event.dataTransfer?.files ?? [])];
	const entries = items.flatMap((item) => item.webkitGetAsEntry() ?? []);
	try {
		// What comes from another page is a file without a place in a folder.
		if (entries.length === 0 && files.some(isHtml) && !files.some(isSite)) await bringInAll(files);
		else if (entries.length === 0 && files[0]) await openOne(files[0]);
		else await openEntries(entries);
	} catch (failure) {
		const why = reasonOf(failure);
		store.say(`What was dropped cannot be opened: ${why}`);
	}
}

async function openEntries(entries: readonly FileSystemEntry[]): Promise<void> {
	const [first] = entries;
	if (!first) {
		store.say('Nothing of what was dropped is a file.');
		return;
	}
	if (entries.length === 1 && isFile(first)) return openOne(await fileOf(first));
	if (entries.every(isFile)) {
		const files = await Promise.all(entries.filter(isFile).map(fileOf));
		if (files.some(isHtml) && !files.some(isSite)) return bringInAll(files);
		if (!files.some(isSite)) return addFiles(files);
	}
	const files = new Map<string, Uint8Array>();
	const left = { bytes: mostBytes };
	for (const entry of entries)
		await collect(entry, entries.length === 1 ? '' : entry.name, files, left);
	await openFolder(files);
}

async function openOne(file: File): Promise<void> {
	if (isHtml(file)) await bringInAll([file]);
	else if (isSite(file)) await openFile(file);
	else await addFiles([file]);
}

/** Pages of HTML, with the files beside them, are looked through before anything is taken. */
async function bringInAll(files: readonly File[]): Promise<void> {
	const read = await filesChosen(files);
	const [first] = read?.keys() ?? [];
	if (read && first !== undefined) await bringing.begin(first, read);
}

function isHtml({ name }: File): boolean {
	return isPage(name);
}

/** Whether a file is a site of its own, by its name; any other becomes a file of the open one. */
function isSite({ name }: File): boolean {
	return /\.(eave|zip)$/i.test(name);
}

async function collect(
	entry: FileSystemEntry,
	path: string,
	files: Map<string, Uint8Array>,
	left: { bytes: number }
): Promise<void> {
	if (isLeftOut(path)) return;
	if (isFolder(entry)) {
		for (const inner of await entriesOf(entry)) {
			await collect(inner, path === '' ? inner.name : `${path}/${inner.name}`, files, left);
		}
	} else if (isFile(entry)) {
		const file = await fileOf(entry);
		left.bytes -= file.size;
		if (left.bytes < 0) throw new Error(`it is larger than ${mostBytes / 1024 / 1024} MB.`);
		files.set(path, new Uint8Array(await file.arrayBuffer()));
	}
}

function isFile(entry: FileSystemEntry): entry is FileSystemFileEntry {
	return entry.isFile;
}

function isFolder(entry: FileSystemEntry): entry is FileSystemDirectoryEntry {
	return entry.isDirectory;
}

function fileOf(entry: FileSystemFileEntry): Promise<File> {
	return new Promise((resolve, reject) => entry.file(resolve, reject));
}

/** All entries of a folder; a reader gives some at a time, and none at the end. */
async function entriesOf(folder: FileSystemDirectoryEntry): Promise<FileSystemEntry[]> {
	const reader = folder.createReader();
	const found: FileSystemEntry[] = [];
	for (;;) {
		const some = await new Promise<FileSystemEntry[]>((resolve, reject) =>
			reader.readEntries(resolve, reject)
		);
		if (some.length === 0) return found;
		found.push(...some);
	}
}

/** Pictures and other files that were pasted, other than into text, are files of the open site. */
export async function takePaste(event: ClipboardEvent): Promise<void> {
	const { clipboardData } = event;
	const files = [...(clipboardData?.files ?? [])];
	// Words that bring a picture of themselves are words.
	if (files.length === 0 || clipboardData?.types.includes('text/plain')) return;
	event.preventDefault();
	event.stopPropagation();
	await addFiles(files);
}
