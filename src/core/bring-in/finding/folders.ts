import type { BroughtPage } from '../reading/read-page.ts';

/** Whether all pages of a folder are in a group. */
export function isAloneIn(
	folder: string,
	group: readonly BroughtPage[],
	pages: readonly BroughtPage[]
): boolean {
	return pages.every((page) => !isIn(page, folder) || group.includes(page));
}

export function isIn({ path }: BroughtPage, folder: string): boolean {
	return folder === '' || path.startsWith(`${folder}/`);
}

/** Folders in a folder that have some of the pages. */
export function foldersIn(pages: readonly BroughtPage[], folder: string): string[] {
	const start = folder === '' ? 0 : folder.length + 1;
	const found = pages.flatMap(({ path }) => {
		const [first, ...rest] = path.slice(start).split('/');
		return first === undefined || rest.length === 0 ? [] : [path.slice(0, start) + first];
	});
	return [...new Set(found)];
}

/** The innermost folder that has all of some pages; empty for the outermost. */
export function commonFolder(pages: readonly BroughtPage[]): string {
	const folders = pages.map(({ path }) => path.split('/').slice(0, -1));
	const [first = []] = folders;
	const length = first.findIndex((name, at) => folders.some((one) => one[at] !== name));
	return (length === -1 ? first : first.slice(0, length)).join('/');
}
