import { accessPath } from '../emit/access-file.ts';
import { deliverShared } from '../emit/delivery.ts';
import { searchFiles } from '../emit/search-files.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { shellFiles } from './shells.ts';

/** A file that is handed over with shells. */
export interface HandedFile {
	readonly path: string;
	readonly kind: 'shell' | 'style' | 'asset';
	readonly content: string | Uint8Array;
}

/** Shells, what is said of them, and the sheets and other files of the site as they are delivered; no page. */
export function handOverShells(resolved: ResolvedSite, base: string, year: number): HandedFile[] {
	const ofPages = new Set([accessPath, ...searchFiles(resolved).map(({ path }) => path)]);
	const files = [...deliverShared(resolved, year)].flatMap(
		({ path, kind, content }): HandedFile[] => {
			if (kind === 'page' || kind === 'moved' || ofPages.has(path)) return [];
			return [{ path, kind, content }];
		}
	);
	const shells = shellFiles(resolved, base, year).map(({ path, content }): HandedFile => ({
		path,
		kind: path.endsWith('.html') ? 'shell' : 'asset',
		content
	}));
	return [...shells, ...files];
}
