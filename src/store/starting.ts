import { reasonOf } from '$core/messages/wording.ts';
import type { PageRequest } from '$workers/messages.ts';
import type { ServedFolder } from './folder/opening-folder.ts';
import { openedLast } from './keep/listing.ts';
import { folderKey, noteInTab, readTab, tabKey } from './keep/tab-notes.ts';
import { openDemo, showKept } from './opening.ts';
import { store } from './site.svelte.ts';

/** Opens what was open before; at a first visit, the demo site. Never fails: what does is said. */
export async function start(
	request: PageRequest | undefined,
	token: string | undefined
): Promise<void> {
	store.begin(request);
	let lost: string | undefined;
	const served = await servedFolder(token);
	try {
		const id = served?.opened ? undefined : await lastOpened();
		if (id !== undefined && !(await showKept(id))) {
			lost =
				'The site that was open here cannot be read any more. What is left of it was not changed.';
		}
	} catch (failure) {
		lost = `What this browser has kept cannot be read: ${reasonOf(failure)}.`;
	}
	if (store.id === '') await openDemo();
	if (served?.asks) await served.asks();
	// Said last: opening another site takes away what was said of the one before.
	if (lost !== undefined)
		store.say(`${lost}${store.id === '' ? '' : ' The demo site is open instead.'}`);
	store.ready = true;
}

/** The folder that the command line has opened, with its token; it is known to this tab from then on. */
async function servedFolder(token: string | undefined): Promise<ServedFolder | undefined> {
	const known = token ?? readTab(folderKey);
	if (known === undefined) return undefined;
	noteInTab(folderKey, known);
	const { openServed } = await import('./folder/opening-folder.ts');
	return openServed(known, token !== undefined);
}

async function lastOpened(): Promise<string | undefined> {
	return readTab(tabKey) ?? openedLast();
}

/** Lets the user choose a folder to work on: asked for by few, so what it takes is loaded then. */
export async function workOnFolder(): Promise<void> {
	const opening = await import('./folder/opening-folder.ts');
	await opening.workOnFolder();
}
