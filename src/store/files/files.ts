import { counted } from '$core/messages/wording.ts';
import { commands } from '../commands.svelte.ts';
import { store } from '../site.svelte.ts';
import { bytesOf } from './read-file.ts';

/** Bringing files of other kinds into the open site: pictures, fonts, data. */

/** Pictures stand in a folder of their own, as most sites have it. */
function pathFor(file: File, folder: string | undefined): string {
	const name = file.name
		.replace(/[^\w.-]+/g, '-')
		.replace(/^[-.]+/, '')
		.toLowerCase();
	const place = folder ?? (file.type.startsWith('image/') ? 'images/' : '');
	return place + (name || 'file');
}

/** A path that no file of the site has. */
function freePath(path: string, others: readonly string[]): string {
	const [, stem = path, ending = ''] = /^(.*?)(\.[^./]+)?$/.exec(path) ?? [];
	for (let number = 1; ; number++) {
		const tried = number === 1 ? path : `${stem}-${number}${ending}`;
		if (!store.assets.has(tried) && !others.includes(tried)) return tried;
	}
}

/** The path that a file would get in the open site, which no other has, nor one of those that come with it. */
export function pathOfFile(file: File, others: readonly string[] = []): string {
	return freePath(pathFor(file, undefined), others);
}

/** Adds files to the open site, each under a path of its own, and says which. */
export async function addFiles(files: readonly File[]): Promise<void> {
	const added: string[] = [];
	for (const file of files) {
		const path = pathOfFile(file);
		const bytes = await bytesOf(file);
		if (bytes && (await commands.make({ kind: 'put-file', file: path, bytes }))) added.push(path);
	}
	if (added.length === 0) return;
	const sentence =
		added.length === 1
			? `${added[0]} is a file of the site now. It stands in Material.`
			: `${counted(added.length, 'file')} were added to the site: ${added.join(', ')}.`;
	store.notice = { kind: 'fine', sentence };
}

/** Puts another file in the place of one, which every page that shows it then shows. */
export async function replaceFile(path: string, file: File): Promise<void> {
	const bytes = await bytesOf(file);
	if (bytes) await commands.make({ kind: 'put-file', file: path, bytes });
}
