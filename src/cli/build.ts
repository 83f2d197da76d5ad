import { mkdir, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { deliver } from '../core/emit/delivery.ts';
import { isSound } from '../core/resolve/site.ts';
import { openSite } from './open-site.ts';

/** Writes the static site of `path` into `out`. Nothing is written where the site has errors. */
export async function buildCommand(path: string, out: string, year: number): Promise<number> {
	if (!Number.isInteger(year)) {
		process.stderr.write(`--year needs a year, such as 2026.\n`);
		return 2;
	}
	const opened = await openSite(path);
	if (typeof opened === 'number') return opened;
	if (!isSound(opened)) return 1;
	const files = deliver(opened, year);
	for (const { path: file, content } of files) {
		const target = join(out, file);
		await mkdir(dirname(target), { recursive: true });
		await writeFile(target, content);
	}
	const pages = files.filter((file) => file.kind === 'page').length;
	process.stdout.write(`Wrote ${pages} pages and ${files.length - pages} other files to ${out}\n`);
	return 0;
}
