import type { Problem } from '../core/messages/problem.ts';
import { resolveSite, type ResolvedSite } from '../core/resolve/site.ts';
import { IntakeError } from '../core/source/intake.ts';
import { placeOf, readSiteFiles } from '../core/source/read.ts';
import { readSitePath } from './site-path.ts';

/**
 * Reads and resolves the site at a path, and prints what is wrong with it to standard error.
 * Gives an exit code instead where there is no site to read.
 */
export async function openSite(path: string): Promise<ResolvedSite | number> {
	try {
		const files = await readSitePath(path);
		const resolved = resolveSite(readSiteFiles(files));
		for (const problem of resolved.problems) {
			process.stderr.write(problemLine(problem, files.texts) + '\n');
		}
		return resolved;
	} catch (failure) {
		if (failure instanceof IntakeError) {
			process.stderr.write(`${path}:1:1: intake: ${failure.message}\n`);
			return 1;
		}
		if (isSystemError(failure)) {
			process.stderr.write(`${path} cannot be read: ${failure.message}\n`);
			return 2;
		}
		throw failure;
	}
}

function problemLine(problem: Problem, texts: ReadonlyMap<string, string>): string {
	const kind = problem.severity === 'warning' ? 'warning: ' : '';
	return `${placeOf(problem.span, texts)}: ${problem.code}: ${kind}${problem.sentence}`;
}

function isSystemError(failure: unknown): failure is Error {
	return failure instanceof Error && 'code' in failure;
}
