import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { root } from '../../scripts/lib/setup.js';

/** Folders of sites of all kinds in which nothing was made simple, from the root of the project: those of the tests, and the examples that everyone may open. */
export async function realisticSites(): Promise<string[]> {
	const folders = ['tests/realistic', 'examples'];
	const sites = await Promise.all(
		folders.map(async (folder) =>
			(await readdir(join(root, folder))).map((name) => join(folder, name))
		)
	);
	return sites.flat();
}
