import { checkAmount } from '$core/in-step/amount.ts';
import { agreedFrom } from '$core/in-step/in-step.ts';
import { PlaceFailure, type Place } from '$core/in-step/place.ts';
import { counted, reasonOf } from '$core/messages/wording.ts';
import { isEaveFile } from '$core/model/files.ts';
import { commonFolder } from '$core/source/common-folder.ts';
import { openTaken, switchTo } from '../opening.ts';
import { store } from '../site.svelte.ts';
import { ask } from '../ways/ask.svelte.ts';
import { canWorkOnFolder, chosenFolder } from './file-system-access.ts';
import { folder } from './folder.svelte.ts';
import { HandlePlace } from './handle-place.ts';
import { ServedPlace } from './served-place.ts';
import { allTies, keepAgreed, keepTie, type Tie } from './ties.ts';

/** The ways in which a site comes to be kept in step with a folder. */

/** Lets the user choose a folder, and goes on with the site that is in it. */
export async function workOnFolder(): Promise<void> {
	if (!canWorkOnFolder()) {
		store.say(
			'This browser lets no page write to a folder. Open a folder takes its files in, Deliver gives them back as a zip; or start the application on the folder with “long-eave open FOLDER”.'
		);
		return;
	}
	try {
		const chosen = await chosenFolder();
		if (chosen) await workOn(chosen);
	} catch (failure) {
		sayFailure(failure);
	}
}

async function workOn(chosen: FileSystemDirectoryHandle): Promise<void> {
	for (const tie of await allTies()) {
		if (tie.at.kind !== 'handle' || !(await tie.at.handle.isSameEntry(chosen))) continue;
		const fresh = { ...tie, at: { kind: 'handle', handle: chosen } } as const;
		if (await goOn(fresh)) return;
	}
	const files = await filesIn(new HandlePlace(chosen));
	const within = commonFolder([...files.keys()]);
	// A folder that has nothing but the folder of the site.
	if (within !== '') return workOn(await chosen.getDirectoryHandle(within.slice(0, -1)));
	const at = { kind: 'handle', handle: chosen } as const;
	if (hasSite(files)) await openFiles(files, chosen.name, at);
	else askToWrite(files, chosen.name, at);
}

/** What became of the folder that the command line has opened. */
export interface ServedFolder {
	/** Its site is open. */
	readonly opened: boolean;
	/** There is no site in it: asks whether the one that is open then is to be written there. */
	readonly asks?: () => Promise<void>;
}

/**
 * Gets at the folder that the command line has opened, with the token that it gave; `open`: its site is opened, whatever
 * was open last.
 */
export async function openServed(token: string, open: boolean): Promise<ServedFolder> {
	const place = new ServedPlace(location.origin, token);
	folder.serve(place);
	if (!open) return { opened: false };
	try {
		const { name, id } = await place.about();
		await store.listAgain();
		const known = (await allTies()).find(({ at }) => at.kind === 'served' && at.folder === id);
		if (known && (await goOn(known))) return { opened: true };
		const files = await filesIn(place);
		const at = { kind: 'served', folder: id } as const;
		if (hasSite(files)) return { opened: await openFiles(files, name, at) };
		return { opened: false, asks: async () => askToWrite(files, name, at) };
	} catch (failure) {
		const says = sentenceOf(failure);
		return { opened: false, asks: async () => store.say(says) };
	}
}

/** Goes on with a site that was in step with its folder before; gives whether it is still kept. */
async function goOn(tie: Tie): Promise<boolean> {
	if (!store.sites.some(({ id, forgotten }) => id === tie.id && !forgotten)) return false;
	if (store.id !== tie.id) await switchTo(tie.id);
	if (store.id !== tie.id) return false;
	await keepTie(tie);
	await folder.begin(tie, true);
	return true;
}

function hasSite(files: ReadonlyMap<string, Uint8Array>): boolean {
	return [...files.keys()].some(isEaveFile);
}

/** Opens the site of a folder; gives whether it could be. */
async function openFiles(
	files: ReadonlyMap<string, Uint8Array>,
	name: string,
	at: Tie['at']
): Promise<boolean> {
	const before = store.id;
	const opened = await openTaken(await store.core.takeInFolder(files));
	if (!opened || store.id === before) return false;
	await tieTo({ id: store.id, name, at }, files);
	return true;
}

function askToWrite(files: ReadonlyMap<string, Uint8Array>, name: string, at: Tie['at']): void {
	const own = counted(store.texts.size + store.assets.size, 'file');
	const others =
		files.size === 0
			? ''
			: ` The ${counted(files.size, 'file')} that it has become files of the site.`;
	ask.question = {
		title: `Write ${store.site?.name || 'the open site'} into ${name}?`,
		says: `There is no .eave file in ${name}. The open site has ${own}; from then on both are kept in step.${others}`,
		fields: [],
		act: 'Write it there',
		answer: async () => {
			await tieTo({ id: store.id, name, at }, new Map());
			return undefined;
		}
	};
}

async function tieTo(tie: Tie, agreed: ReadonlyMap<string, Uint8Array>): Promise<void> {
	await store.keepNow();
	await keepTie(tie);
	await keepAgreed(tie.id, agreedFrom(agreed));
	await folder.begin(tie, true);
}

/** All files of a folder. */
async function filesIn(place: Place): Promise<Map<string, Uint8Array>> {
	const listed = await place.list();
	checkAmount(listed.size, 0);
	const files = new Map<string, Uint8Array>();
	let total = 0;
	for (const path of listed.keys()) {
		const bytes = (await place.read(path))?.bytes;
		if (!bytes) continue;
		total += bytes.length;
		checkAmount(listed.size, total);
		files.set(path, bytes);
	}
	return files;
}

function sayFailure(failure: unknown): void {
	store.say(sentenceOf(failure));
}

function sentenceOf(failure: unknown): string {
	const isKnown = failure instanceof PlaceFailure;
	if (!isKnown) console.error('The folder could not be opened', failure);
	const why = isKnown ? failure.message : `${reasonOf(failure)}.`;
	return `The folder cannot be worked on: ${why} The open site is as it was.`;
}
