/** The files of a site: its text, and everything else that belongs to it. Paths are relative, with `/`. */
export interface SiteFiles {
	readonly texts: ReadonlyMap<string, string>;
	readonly assets: ReadonlyMap<string, Uint8Array>;
}

export function isEaveFile(path: string): boolean {
	return path.endsWith('.eave');
}

/** What lies in a site's folder and is none of its files: what is hidden, and installed packages. */
export function isLeftOut(path: string): boolean {
	return path.split('/').some((word) => word.startsWith('.') || word === 'node_modules');
}
