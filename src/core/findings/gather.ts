import { causeOf, joinedWidths, type Occurrence } from '../check/subject/occurrence.ts';
import { severities } from '../messages/severity.ts';
import type { Problem } from '../messages/problem.ts';
import { withReasons } from './because.ts';
import type { Finding, FoundOn } from './finding.ts';

/** An occurrence, and the page it was on. */
export interface Seen {
	readonly occurrence: Occurrence;
	readonly page: string;
	readonly address: string;
}

interface Gathered {
	best: Occurrence;
	readonly on: Map<string, FoundOn>;
	estimated: boolean;
}

/** Occurrences of one cause as one finding, with what is about the text alone; the worst first. */
export function gather(seen: Iterable<Seen>, problems: readonly Problem[]): Finding[] {
	const byCause = new Map<string, Gathered>();
	for (const one of seen) {
		const cause = causeOf(one.occurrence);
		const known = byCause.get(cause);
		if (known) add(known, one);
		else byCause.set(cause, begin(one));
	}
	const found = [...byCause].map(([cause, { best, on, estimated }]): Finding => {
		return { cause, problem: best.problem, on: [...on.values()], estimated, because: undefined };
	});
	const alone = problems.map((problem): Finding => {
		return { cause: causeOf({ problem }), problem, on: [], estimated: false, because: undefined };
	});
	return inOrder(withReasons([...alone, ...found]));
}

function begin(one: Seen): Gathered {
	const gathered = { best: one.occurrence, on: new Map<string, FoundOn>(), estimated: false };
	add(gathered, one);
	return gathered;
}

function add(gathered: Gathered, { occurrence, page, address }: Seen): void {
	if ((occurrence.weight ?? 0) > (gathered.best.weight ?? 0)) gathered.best = occurrence;
	if (occurrence.estimated) gathered.estimated = true;
	if (page === '') return;
	const { box, widths = [] } = occurrence;
	const known = gathered.on.get(page);
	if (known) {
		const all = joinedWidths([...known.widths, ...widths]);
		// Of the pages that a route stands for, the one that is to be measured.
		const next = occurrence.estimated ? address : known.address;
		gathered.on.set(page, { ...known, address: next, widths: all });
	} else {
		gathered.on.set(page, { page, address, box, widths });
	}
}

/** Errors first, then what is on most pages; what another one explains stands behind that. */
function inOrder(findings: readonly Finding[]): Finding[] {
	const weight = ({ problem }: Finding): number => severities.indexOf(problem.severity);
	const sorted = [...findings].sort(
		(a, b) =>
			weight(a) - weight(b) ||
			(a.problem.code < b.problem.code ? -1 : Number(a.problem.code > b.problem.code)) ||
			b.on.length - a.on.length
	);
	const following = new Map<string, Finding[]>();
	for (const one of sorted) {
		if (one.because !== undefined)
			following.set(one.because, [...(following.get(one.because) ?? []), one]);
	}
	const known = new Set(sorted.map(({ cause }) => cause));
	const withNext = (one: Finding): Finding[] => [
		one,
		...(following.get(one.cause) ?? []).flatMap(withNext)
	];
	return sorted
		.filter(({ because }) => because === undefined || !known.has(because))
		.flatMap(withNext);
}
