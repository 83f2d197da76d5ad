import { textOf } from '../model/files.ts';
import type { Problem } from '../messages/problem.ts';
import type { Command } from '../model/command.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { foundElsewhere } from './elsewhere.ts';
import { checks } from './list.ts';

/** By code; two checks may find problems of one kind, of which one knows what to do about it. */
const mending = new Map(
	[...checks, ...foundElsewhere]
		.filter((check) => check.mend)
		.flatMap((check) => check.codes.map((code) => [code, check] as const))
);

/** Those whose problems say themselves what to write. */
const inText = new Map(
	[...checks, ...foundElsewhere]
		.filter((check) => !check.mend && check.isSafe)
		.flatMap((check) => check.codes.map((code) => [code, check] as const))
);

/** The command that would take a problem away: by the check that found it, or in its own words; undefined where none is known. */
export function mendOf(problem: Problem, resolved: ResolvedSite): Command | undefined {
	return mending.get(problem.code)?.mend?.(problem, resolved) ?? mendInText(problem, resolved);
}

function mendInText({ mend }: Problem, { reading }: ResolvedSite): Command | undefined {
	if (!mend) return undefined;
	const { label, span, insert } = mend;
	const was = (textOf(reading.files, span.file) ?? '').slice(span.from, span.to);
	return { kind: 'mend-text', label, span, was, insert };
}

/** Whether the mend of a problem changes nothing on any page, as it is drawn and read, but what was wrong. */
export function isSafe(problem: Problem, resolved: ResolvedSite): boolean {
	const check = mending.get(problem.code) ?? inText.get(problem.code);
	return check?.isSafe?.(problem, resolved) ?? false;
}
