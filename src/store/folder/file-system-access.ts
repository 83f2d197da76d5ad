/**
 * What browsers that let a page work on a folder have beside the File System standard (WICG, File System Access,
 * sections 3 and 4; File System Observer). Others have none of it.
 */
type AccessMode = 'read' | 'readwrite';

interface Observer {
	observe(folder: FileSystemDirectoryHandle, options: { recursive: boolean }): Promise<void>;
	disconnect(): void;
}

declare global {
	interface Window {
		showDirectoryPicker?: (options: {
			id: string;
			mode: AccessMode;
		}) => Promise<FileSystemDirectoryHandle>;
		FileSystemObserver?: new (changed: () => void) => Observer;
	}
	interface FileSystemHandle {
		queryPermission?(of: { mode: AccessMode }): Promise<PermissionState>;
		requestPermission?(of: { mode: AccessMode }): Promise<PermissionState>;
	}
}

/** Whether this browser lets a page work on a folder of the machine. */
export function canWorkOnFolder(): boolean {
	return window.showDirectoryPicker !== undefined;
}

/** The folder that the user chooses; undefined where none was chosen. */
export async function chosenFolder(): Promise<FileSystemDirectoryHandle | undefined> {
	try {
		return await window.showDirectoryPicker?.({ id: 'site', mode: 'readwrite' });
	} catch (failure) {
		if (failure instanceof DOMException && failure.name === 'AbortError') return undefined;
		throw failure;
	}
}

/** Whether a folder may be written to; `ask`: the user is asked, which needs a click of theirs. */
export async function mayWrite(folder: FileSystemDirectoryHandle, ask: boolean): Promise<boolean> {
	const of = { mode: 'readwrite' } as const;
	const state = await (ask ? folder.requestPermission?.(of) : folder.queryPermission?.(of));
	return (state ?? 'granted') === 'granted';
}

/** Tells of changes in a folder, where the browser can; gives what ends it. */
export async function observed(
	folder: FileSystemDirectoryHandle,
	changed: () => void
): Promise<() => void> {
	try {
		const observer = window.FileSystemObserver && new window.FileSystemObserver(changed);
		await observer?.observe(folder, { recursive: true });
		return () => observer?.disconnect();
	} catch {
		// It is looked at now and then in any case.
		return () => undefined;
	}
}
