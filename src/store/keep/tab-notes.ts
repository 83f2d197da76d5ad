/** What a tab notes of itself, as long as it is open: a reload comes back to it. */

/** Which site is open. */
export const tabKey = 'long-eave site';
/** The token of the folder that the command line has opened for it. */
export const folderKey = 'long-eave folder';

export function readTab(key: string): string | undefined {
	try {
		return sessionStorage.getItem(key) ?? undefined;
	} catch {
		return undefined;
	}
}

export function noteInTab(key: string, value: string): void {
	try {
		sessionStorage.setItem(key, value);
	} catch {
		// It then starts as a new tab does.
	}
}
