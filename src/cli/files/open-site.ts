import type { Problem } from '../../core/messages/problem.ts';
import { sentenceOf } from '../../core/messages/sentence.ts';
import { soundSite } from '../../core/check/sound.ts';
import type { CheckedSite } from '../../core/check/checked-site.ts';
import { IntakeError } from '../../core/source/limits.ts';
import { placeWords } from '../../core/model/span.ts';
import { readSiteFiles, type SiteReading } from '../../core/source/read.ts';
import { readSitePath } from './site-path.ts';
import type { Streams } from '../streams.ts';

/**
 * Reads and resolves the site at a path, and prints what keeps it from being drawn among the errors.
 * Gives an exit code instead where there is no site to read.
 */
export async function openSite(path: string, streams: Streams): Promise<CheckedSite | number> {
	const opened = await loadSite(path, streams, soundSite);
	if (typeof opened !== 'number') {
		printProblems(opened.problems, opened.reading.files.texts, streams);
	}
	return opened;
}

/** The same, with what is found by whoever asks, and without saying it. */
export async function loadSite(
	path: string,
	streams: Streams,
	check: (reading: SiteReading) => CheckedSite
): Promise<CheckedSite | number> {
	try {
		const files = await readSitePath(path, (file) => {
			streams.errors(`${file} is a symbolic link and is left out.\n`);
		});
		return check(readSiteFiles(files));
	} catch (failure) {
		if (failure instanceof IntakeError) {
			streams.errors(`${path}:1:1: intake: ${failure.message}\n`);
			return 1;
		}
		const sentence = systemSentence(failure);
		if (sentence === undefined) throw failure;
		streams.errors(`${path} cannot be read: ${sentence}\n`);
		return 2;
	}
}

/** Prints problems among the errors, each with its place. */
export function printProblems(
	problems: readonly Problem[],
	texts: ReadonlyMap<string, string>,
	streams: Streams
): void {
	for (const problem of problems) streams.errors(problemLine(problem, texts) + '\n');
}

const known: Readonly<Record<string, string>> = {
	ENOSPC: 'the disk is full',
	EDQUOT: 'the disk is full',
	EACCES: 'it may not be read or written',
	EPERM: 'it may not be read or written',
	EROFS: 'the disk can only be read',
	ENOENT: 'it is not there',
	EEXIST: 'a part of the path is a file, not a folder',
	ENOTDIR: 'a part of the path is a file, not a folder',
	ENAMETOOLONG: 'a name or the whole path is too long for this file system',
	EADDRINUSE: 'something else listens there already',
	ELOOP: 'its symbolic links go in a circle'
};

/** What the system refused, as a sentence; undefined for what is no error of the system. */
export function systemSentence(failure: unknown): string | undefined {
	if (!isSystemError(failure)) return undefined;
	const why = known[failure.code] ?? failure.message;
	return failure.path === undefined ? `${why}.` : `${why} (${failure.path}).`;
}

function problemLine(problem: Problem, texts: ReadonlyMap<string, string>): string {
	const kind = problem.severity === 'error' ? '' : `${problem.severity}: `;
	return `${placeWords(problem.span, texts)}: ${problem.code}: ${kind}${sentenceOf(problem)}`;
}

function isSystemError(
	failure: unknown
): failure is Error & { readonly code: string; readonly path?: string } {
	return failure instanceof Error && 'code' in failure && typeof failure.code === 'string';
}
