// What is where in this project, and how new it is. No packages: they may not be installed yet.
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('../..', import.meta.url));

/** When anything in a folder was changed last, ms since 1970; what is made from the grammar does not count. */
export function newestIn(path) {
	const info = statSync(path);
	if (!info.isDirectory()) return info.mtimeMs;
	const inner = readdirSync(path).filter((name) => !name.startsWith('parser.'));
	return Math.max(0, ...inner.map((name) => newestIn(join(path, name))));
}
