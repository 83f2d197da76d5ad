import { PlaceFailure, type Place, type Stamp, type ThereNow } from '$core/in-step/place.ts';
import { isSameBytes } from '$core/lib/bytes.ts';
import { reasonOf } from '$core/messages/wording.ts';
import { isLeftOut } from '$core/model/files.ts';

/** ms; within that, a file can be written again without its time telling. */
const grain = 50;
const nothing = new Uint8Array();

/** A folder that the browser was given access to (WHATWG, File System). */
export class HandlePlace implements Place {
	private looks = 0;

	constructor(readonly folder: FileSystemDirectoryHandle) {}

	async list(): Promise<ReadonlyMap<string, Stamp>> {
		const found = new Map<string, Stamp>();
		await inPlace(() => this.collect(this.folder, '', found));
		return found;
	}

	async read(path: string): Promise<ThereNow | undefined> {
		return inPlace(() => there(this.readHandle(path)));
	}

	async write(
		path: string,
		bytes: Uint8Array,
		before: ThereNow | undefined
	): Promise<Stamp | undefined> {
		return inPlace(() => there(this.writeHandle(path, bytes, before)));
	}

	async remove(path: string, before: ThereNow): Promise<boolean> {
		const removed = await inPlace(() => there(this.removeEntry(path, before)));
		return removed ?? false;
	}

	private async collect(
		folder: FileSystemDirectoryHandle,
		within: string,
		found: Map<string, Stamp>
	): Promise<void> {
		for await (const [name, handle] of folder.entries()) {
			const path = within + name;
			if (isLeftOut(path)) continue;
			// What went while one looked is not there.
			if (isFolder(handle)) await there(this.collect(handle, `${path}/`, found));
			else if (isFile(handle)) {
				const file = await there(handle.getFile());
				if (file) found.set(path, this.stampOf(file));
			}
		}
	}

	/** One that was written a moment ago has another stamp at each look: it does not stand still yet. */
	private stampOf({ size, lastModified }: File): Stamp {
		const age = Date.now() - lastModified;
		const isFresh = age >= 0 && age < grain;
		return `${size}.${lastModified}${isFresh ? `.${++this.looks}` : ''}`;
	}

	private async fileHandle(path: string, create: boolean): Promise<FileSystemFileHandle> {
		const [folder, name] = await this.placeOf(path, create);
		return folder.getFileHandle(name, { create });
	}

	private async placeOf(
		path: string,
		create: boolean
	): Promise<readonly [FileSystemDirectoryHandle, string]> {
		const names = path.split('/');
		const name = names.pop() ?? '';
		let folder = this.folder;
		for (const one of names) folder = await folder.getDirectoryHandle(one, { create });
		return [folder, name];
	}

	private async readHandle(path: string): Promise<ThereNow> {
		const file = await (await this.fileHandle(path, false)).getFile();
		return { bytes: new Uint8Array(await file.arrayBuffer()), stamp: this.stampOf(file) };
	}

	private async writeHandle(
		path: string,
		bytes: Uint8Array,
		before: ThereNow | undefined
	): Promise<Stamp | undefined> {
		if (!before && (await there(this.fileHandle(path, false)))) return undefined;
		const handle = await this.fileHandle(path, !before);
		const old = before?.bytes ?? nothing;
		if (!(await has(handle, old))) return undefined;
		// The browser writes beside the file, and puts it in place whole when it is closed.
		const writing = await handle.createWritable({ keepExistingData: true });
		try {
			const { at, part } = differing(old, bytes);
			if (part.length > 0) await writing.write({ type: 'write', position: at, data: part });
			if (bytes.length < old.length) await writing.truncate(bytes.length);
			// As late as can be: nothing keeps others from writing, too.
			if (await has(handle, old)) await writing.close();
			else {
				await writing.abort();
				return undefined;
			}
		} catch (failure) {
			await writing.abort().catch(() => undefined);
			throw failure;
		}
		return this.stampOf(await handle.getFile());
	}

	private async removeEntry(path: string, before: ThereNow): Promise<boolean> {
		const [folder, name] = await this.placeOf(path, false);
		if (!(await has(await folder.getFileHandle(name), before.bytes))) return false;
		await folder.removeEntry(name);
		return true;
	}
}

/** The bytes that are to be written so that what is old becomes new, and where they begin. */
function differing(
	old: Uint8Array,
	now: Uint8Array
): { at: number; part: Uint8Array<ArrayBuffer> } {
	const most = Math.min(old.length, now.length);
	let at = 0;
	while (at < most && old[at] === now[at]) at++;
	let to = now.length;
	// Whatever is longer or shorter moves all that is behind it.
	if (old.length === now.length) while (to > at && old[to - 1] === now[to - 1]) to--;
	return { at, part: new Uint8Array(now.subarray(at, to)) };
}

async function has(handle: FileSystemFileHandle, bytes: Uint8Array): Promise<boolean> {
	const file = await handle.getFile();
	if (file.size !== bytes.length) return false;
	return isSameBytes(new Uint8Array(await file.arrayBuffer()), bytes);
}

function isFile(handle: FileSystemHandle): handle is FileSystemFileHandle {
	return handle.kind === 'file';
}

function isFolder(handle: FileSystemHandle): handle is FileSystemDirectoryHandle {
	return handle.kind === 'directory';
}

/** What is asked of a file; undefined where the file is not there. */
async function there<T>(asked: Promise<T>): Promise<T | undefined> {
	try {
		return await asked;
	} catch (failure) {
		if (failure instanceof DOMException && failure.name === 'NotFoundError') return undefined;
		throw failure;
	}
}

const sentences: ReadonlyMap<string, { why: PlaceFailure['why']; says: string }> = new Map([
	['NotAllowedError', { why: 'closed', says: 'The browser needs your permission to write there.' }],
	['NotFoundError', { why: 'gone', says: 'The folder is not there any more.' }],
	['QuotaExceededError', { why: 'refused', says: 'The disk is full.' }],
	['NoModificationAllowedError', { why: 'refused', says: 'Another program has a file of it open, which must not be changed meanwhile.' }], // prettier-ignore
	['TypeMismatchError', { why: 'refused', says: 'There is a folder where a file should be, or the other way round.' }] // prettier-ignore
]);

async function inPlace<T>(task: () => Promise<T>): Promise<T> {
	try {
		return await task();
	} catch (failure) {
		const known = failure instanceof DOMException ? sentences.get(failure.name) : undefined;
		throw new PlaceFailure(known?.why ?? 'refused', known?.says ?? `${reasonOf(failure)}.`);
	}
}
