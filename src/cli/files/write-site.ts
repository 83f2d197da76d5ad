import { realpath, stat } from 'node:fs/promises';
import { basename, dirname, join, relative, resolve, sep } from 'node:path';
import { deliveryProblems } from '../../core/check/delivery.ts';
import type { CheckedSite } from '../../core/check/checked-site.ts';
import { hasErrors } from '../../core/messages/problem.ts';
import { Interrupted, Interruption } from '../interruption.ts';
import { openSite, printProblems, systemSentence } from './open-site.ts';
import type { Streams } from '../streams.ts';
import { writeDelivery, WriteRefused, type Written } from './write-delivery.ts';

/** Where something that is made of a site is written. */
export interface WriteWhere {
	readonly out: string;
	readonly year: number;
}

/**
 * Writes what `make` makes of the site of `path` into a folder, and says what `say` says of it. Nothing is written where
 * the site has errors (1), and where the folder cannot be written to it is left as it was (2).
 */
export async function writeSite<F extends Written>(
	path: string,
	{ out, year }: WriteWhere,
	make: (site: CheckedSite) => F,
	say: (files: F, removed: number, site: CheckedSite) => string,
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
	const files = make(opened);
	const interruption = new Interruption();
	try {
		const { removed } = await writeDelivery(files, out, undefined, interruption.signal);
		streams.out(say(files, removed, opened));
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

/** What went with files that are no longer made, as the end of a sentence. */
export function goneWords(removed: number): string {
	return removed > 0 ? `, and took away ${removed} that the site no longer has` : '';
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
