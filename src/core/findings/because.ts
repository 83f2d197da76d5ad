import type { Widths } from '../check/subject/occurrence.ts';
import type { Code } from '../messages/catalogue.ts';
import type { Finding, FoundOn } from './finding.ts';

/** What a finding brings with it: mend the first, and the others are gone. */
const explains: Readonly<Partial<Record<Code, readonly Code[]>>> = {
	'fixed-too-wide': ['region-too-narrow', 'page-scrolls-sideways'],
	'gaps-too-wide': ['region-too-narrow', 'page-scrolls-sideways'],
	'region-too-narrow': ['page-scrolls-sideways'],
	'track-overrun': ['covered', 'content-cut'],
	'content-cut': ['covered']
};

/** Findings with the one that explains each, where there is one. */
export function withReasons(findings: readonly Finding[]): Finding[] {
	const explaining = new Map<Code, Finding[]>();
	for (const finding of findings) {
		for (const code of explains[finding.problem.code] ?? []) {
			const list = explaining.get(code);
			if (list) list.push(finding);
			else explaining.set(code, [finding]);
		}
	}
	if (explaining.size === 0) return [...findings];
	const pages = new Map<Finding, ReadonlyMap<string, FoundOn>>();
	const onOf = (finding: Finding): ReadonlyMap<string, FoundOn> => {
		const known = pages.get(finding) ?? new Map(finding.on.map((one) => [one.page, one]));
		pages.set(finding, known);
		return known;
	};
	return findings.map((finding) => {
		const reasons = explaining.get(finding.problem.code) ?? [];
		const because = reasons.find((one) => isReason(one, finding, onOf))?.cause;
		return because === undefined ? finding : { ...finding, because };
	});
}

function isReason(
	one: Finding,
	other: Finding,
	onOf: (finding: Finding) => ReadonlyMap<string, FoundOn>
): boolean {
	if (one.on.length === 0) {
		// What is about the text alone names its box first.
		const [box] = one.problem.details;
		return other.on.some((place) => place.box?.region === box || place.box?.layout === box);
	}
	const there = onOf(one);
	return other.on.some((place) => {
		const here = there.get(place.page);
		return here !== undefined && overlap(here.widths, place.widths);
	});
}

function overlap(some: readonly Widths[], others: readonly Widths[]): boolean {
	if (some.length === 0 || others.length === 0) return true;
	return some.some((a) => others.some((b) => a.from <= b.to && b.from <= a.to));
}
