import { hasPagesAlone } from '$core/bring-in/reading/take-pages.ts';
import type { SiteFiles } from '$core/model/files.ts';
import { fetchSite } from './keep/listing.ts';
import { bytesOf } from './files/read-file.ts';
import { store } from './site.svelte.ts';
import { bringing } from './ways/bringing.svelte.ts';

/** The ways in which a site comes to be open. Whatever cannot be opened, a notice says why, and the open site stays. */

export async function openDemo(): Promise<void> {
	await openPacked('/demo.zip', 'The demo site');
}

/** Opens an example by its name; gives whether it could. */
export function openExample(name: string): Promise<boolean> {
	return openPacked(`/examples/${name}.zip`, 'The example');
}

async function openPacked(path: string, what: string): Promise<boolean> {
	const response = await fetch(path).catch(() => undefined);
	if (!response?.ok) {
		store.say(`${what} could not be loaded: the server does not answer.`);
		return false;
	}
	const name = path.split('/').at(-1) ?? '';
	return openBytes(name, new Uint8Array(await response.arrayBuffer()));
}

export async function openFile(file: File): Promise<boolean> {
	const bytes = await bytesOf(file);
	return bytes !== undefined && openBytes(file.name, bytes);
}

/** Opens the files of a folder, by their paths from it; where there are pages and no site among them, they are brought in. */
export async function openFolder(files: ReadonlyMap<string, Uint8Array>): Promise<boolean> {
	if (hasPagesAlone([...files.keys()])) {
		const [first = ''] = files.keys();
		await bringing.begin(first.split('/')[0] ?? '', files);
		return true;
	}
	return openTaken(await store.core.takeInFolder(files));
}

export async function openText(text: string): Promise<void> {
	await store.adopt({ texts: new Map([['site.eave', text]]), assets: new Map() });
}

/** Opens another site that this browser has kept. */
export async function switchTo(id: string): Promise<void> {
	await store.leave(async () => {
		store.forgetPlace();
		const shown = await showKept(id).catch(() => false);
		if (!shown) store.say('That site cannot be read in this browser any more.');
	});
}

/** Shows a kept site; gives whether it could be read. */
export async function showKept(id: string): Promise<boolean> {
	const kept = await fetchSite(id);
	await store.listAgain();
	if (kept) await store.showKept(kept);
	return kept !== undefined;
}

async function openBytes(name: string, bytes: Uint8Array): Promise<boolean> {
	return openTaken(await store.core.takeIn(name, bytes));
}

/** Opens what was taken in as a site of its own; gives whether it could. */
export async function openTaken(taken: SiteFiles | { readonly refused: string }): Promise<boolean> {
	if ('refused' in taken) {
		store.say(`${taken.refused} The open site is as it was.`);
		return false;
	}
	await store.adopt(taken);
	return true;
}
