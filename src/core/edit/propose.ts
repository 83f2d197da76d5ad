import { listWords } from '../messages/wording.ts';
import { sameness, type Problem } from '../messages/problem.ts';
import { sentenceOf } from '../messages/sentence.ts';
import { layerName, layersOf, type Adjust, type Fill } from '../model/site.ts';
import type { Span } from '../model/span.ts';
import { applyChanges, spanBefore, type Change } from '../source/change.ts';
import { readSiteFiles } from '../source/read.ts';
import { checkSite } from '../check/site.ts';
import type { CheckedSite } from '../check/checked-site.ts';
import { touchedBands } from './boxes/touched-bands.ts';
import { Surgery } from './surgery.ts';
import { isAboutSizes, type Command } from '../model/command.ts';
import { CommandRefused, type Proposal } from './proposal.ts';
import { carryOut, labelOf } from './commands.ts';

/** A proposal together with the site as it would be, so that making it works nothing out again. */
export interface Prepared {
	readonly proposal: Proposal;
	readonly after: CheckedSite | undefined;
}

/**
 * Turns a command into the smallest change of the text that says it. A command that would bring an error
 * into a site is refused with that error's sentence; what else it changes is said in `consequences`.
 */
export function propose(resolved: CheckedSite, command: Command): Proposal {
	return prepare(resolved, command).proposal;
}

/** The same, with the site as it would be. */
export function prepare(resolved: CheckedSite, command: Command): Prepared {
	const surgery = new Surgery(resolved.reading);
	try {
		const consequences = carryOut(resolved, surgery, command);
		const first = resolveAfter(resolved, surgery.changes());
		const mended = command.kind === 'set-fill' ? undefined : dropLostFills(resolved, first);
		const after = mended?.after ?? first;
		const broken = newError(resolved, after);
		if (broken) return refuse(sentenceOf(broken), spanBefore(broken.span, surgery.changes()));
		const proposal: Proposal = {
			kind: 'edit',
			label: labelOf(command),
			changes: [...surgery.changes(), ...(mended?.changes ?? [])],
			consequences: [
				...consequences,
				...(mended?.consequences ?? []),
				...vanishing(resolved, after)
			],
			bands: isAboutSizes(command) ? touchedBands(resolved, after) : []
		};
		return { proposal, after };
	} catch (failure) {
		if (failure instanceof CommandRefused) return refuse(failure.message, failure.at);
		throw failure;
	}
}

function refuse(sentence: string, at?: Span): Prepared {
	return { proposal: { kind: 'refused', sentence, ...(at && { at }) }, after: undefined };
}

/** The site as some changes of its text leave it. */
export function resolveAfter(resolved: CheckedSite, changes: readonly Change[]): CheckedSite {
	const { texts, assets } = applyChanges(resolved.reading.files, changes);
	return checkSite(readSiteFiles({ texts, assets }, resolved.reading));
}

function newProblems(before: CheckedSite, after: CheckedSite): Problem[] {
	const known = new Set(before.problems.map(sameness));
	return after.problems.filter((problem) => !known.has(sameness(problem)));
}

function newErrors(before: CheckedSite, after: CheckedSite): Problem[] {
	return newProblems(before, after).filter((problem) => problem.severity === 'error');
}

const notShown: ReadonlySet<string> = new Set(['region-not-arranged', 'piece-not-arranged']);

/** What an edit would take out of sight without saying so. */
function vanishing(before: CheckedSite, after: CheckedSite): string[] {
	return newProblems(before, after)
		.filter((problem) => notShown.has(problem.code))
		.map(sentenceOf);
}

/** The first error that an edit would bring in; undefined where it brings none. */
function newError(before: CheckedSite, after: CheckedSite): Problem | undefined {
	return newErrors(before, after)[0];
}

const lostFill: ReadonlySet<string> = new Set([
	'fill-no-region',
	'fill-no-layout',
	'fill-locked',
	'fill-slot',
	'adjust-no-box',
	'adjust-no-layout',
	'adjust-locked'
]);

/**
 * Takes along the fills that an edit leaves without a region to land in: a page that is made bare
 * cannot put anything at the side any more.
 */
function dropLostFills(
	before: CheckedSite,
	after: CheckedSite
): { after: CheckedSite; changes: Change[]; consequences: string[] } | undefined {
	const lost = newErrors(before, after).filter((problem) => lostFill.has(problem.code));
	if (lost.length === 0) return undefined;
	const surgery = new Surgery(after.reading);
	const consequences: string[] = [];
	for (const layer of layersOf(after.site)) {
		const isLost = ({ targetSpan }: Fill | Adjust): boolean =>
			lost.some(({ span }) => span.file === targetSpan.file && span.from === targetSpan.from);
		const [fills, adjusts] = [layer.fills.filter(isLost), layer.adjusts.filter(isLost)];
		for (const { span } of [...fills, ...adjusts]) surgery.remove(span);
		const say = (what: string, names: readonly string[]): void => {
			if (names.length === 0) return;
			const all = listWords([...new Set(names)]);
			consequences.push(`This also removes what ${layerName(layer)} ${what} ${all}.`);
		};
		say(
			'puts into',
			fills.map(({ region }) => region)
		);
		say(
			'says of',
			adjusts.map(({ box }) => box)
		);
	}
	const changes = surgery.changes();
	return { after: resolveAfter(after, changes), changes, consequences };
}
