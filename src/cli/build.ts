import { realpath, stat } from 'node:fs/promises';
import { basename, dirname, join, relative, resolve, sep } from 'node:path';
import { deliveryProblems } from '../core/check/delivery.ts';
import type { CheckedSite } from '../core/check/site.ts';
import { accessPath, closedPages } from '../core/emit/access-file.ts';
import { handOver, type HandOver } from '../core/emit/hand-over.ts';
import { counted, hasErrors } from '../core/messages/problem.ts';
import { Interrupted, Interruption } from './interruption.ts';
import { openSite, printProblems, systemSentence } from './open-site.ts';
import type { Streams } from './streams.ts';
import { writeDelivery, WriteRefused } from './write-delivery.ts';

/** What `build` is asked for. */
export interface BuildOptions extends HandOver {
	readonly out: string;
	readonly year: number;
}

/**
 * Writes the static site of `path` into `out`. Nothing is written where the site has errors (1), and
 * where the folder cannot be written to it is left as it was (2).
 */
export async function buildCommand(
	path: string,
	{ out, year, ...what }: BuildOptions,
	streams: Streams
): Promise<number> {
	if (!Number.isInteger(year)) {
		streams.errors(`--year needs a year, such as 2026.\n`);
		return 2;
	}
	const wrong = await whyNotInto(out, path);
	if (wrong !== undefined) {
		streams.errors(`${wrong}\n`);
		return 2;
	}
	const opened = await openSite(path, streams);
	if (typeof opened === 'number') return opened;
	const problems = deliveryProblems(opened, year);
	if (hasErrors(problems)) {
		printProblems(
			problems.filter((problem) => !opened.problems.includes(problem)),
			opened.reading.files.texts,
			streams
		);
		return 1;
	}
	const files = [...handOver(opened, year, what)];
	const interruption = new Interruption();
	try {
		const { removed } = await writeDelivery(files, out, undefined, interruption.signal);
		const pages = files.filter((file) => file.kind === 'page').length;
		const gone = removed > 0 ? `, and took away ${removed} that the site no longer has` : '';
		streams.out(
			`Wrote ${counted(pages, 'page')} and ${counted(files.length - pages, 'other file')} to ${out}${gone}\n`
		);
		streams.out(closedSentence(opened, what.closed || what.nginx));
		return 0;
	} catch (failure) {
		if (failure instanceof Interrupted) {
			streams.errors(`Nothing was written: ${failure.message}\n`);
			return failure.exitCode;
		}
		const sentence = failure instanceof WriteRefused ? failure.message : systemSentence(failure);
		if (sentence === undefined) throw failure;
		streams.errors(`Nothing was written: ${sentence}\n`);
		return 2;
	} finally {
		interruption.end();
	}
}

/** What became of pages that are not for everyone: a static site keeps no one out. */
function closedSentence(site: CheckedSite, written: boolean): string {
	const count = closedPages(site).length;
	if (count === 0) return '';
	const pages = counted(count, 'page');
	return written
		? `${pages} not everyone may open are there for whoever knows their address, unless the server keeps to ${accessPath}.\n`
		: `Left out: ${pages} that not everyone may open (--closed writes them too). ${accessPath} says who may.\n`;
}

/** Why a folder cannot be the one to write into, as a sentence; undefined where it can. */
async function whyNotInto(out: string, site: string): Promise<string | undefined> {
	if (out.trim() === '') return '--out needs the name of a folder.';
	const info = await stat(site).catch(() => undefined);
	if (!info?.isDirectory()) return undefined;
	const inside = relative(await realpath(site), await realOf(resolve(out)));
	const isInside = inside === '' || !(inside === '..' || inside.startsWith(`..${sep}`));
	return isInside
		? `${out} lies in the site itself, so what is written would belong to the site the next time. Choose a folder beside it.`
		: undefined;
}

/** The real path of something that need not be there yet. */
async function realOf(path: string): Promise<string> {
	const real = await realpath(path).catch(() => undefined);
	if (real !== undefined || dirname(path) === path) return real ?? path;
	return join(await realOf(dirname(path)), basename(path));
}
