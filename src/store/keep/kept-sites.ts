import { dropTie } from '../folder/ties.ts';
import { dropSite, fetchSite, keepListed, listSites, type ListedSite } from './listing.ts';
import { dropStates } from './states.ts';
import { keepWork } from './work.ts';
import { store } from '../site.svelte.ts';

/** What can be done with the sites that this browser keeps, beside opening them. */

/** Keeps a copy of a site under another name. */
export async function duplicate(site: ListedSite): Promise<void> {
	const kept = await fetchSite(site.id);
	if (!kept) {
		store.say(`${site.name} cannot be read, so it cannot be copied.`);
		return;
	}
	const copy = { id: crypto.randomUUID(), name: `${site.name} (copy)`, changed: Date.now() };
	await keepWork(copy.id, { ...kept, number: 0 });
	await keepListed(copy);
	await store.listAgain();
}

/** Forgets a site that is not open. Until the application starts the next time, it can be had back. */
export async function forget(site: ListedSite): Promise<void> {
	if (site.id === store.id) return;
	await keepListed({ ...site, forgotten: true });
	await store.listAgain();
	store.notice = {
		kind: 'fine',
		sentence: `${site.name} is forgotten.`,
		act: { label: 'Take it back', run: () => void remember(site) }
	};
}

async function remember(site: ListedSite): Promise<void> {
	await keepListed({ ...site, forgotten: false });
	await store.listAgain();
}

/** Takes what was forgotten before away for good. */
export async function clearForgotten(): Promise<void> {
	for (const site of await listSites()) {
		if (!site.forgotten) continue;
		await dropTie(site.id);
		await dropStates(site.id);
		await dropSite(site.id);
	}
}
