import type { Widths } from '$core/check/subject/occurrence.ts';
import { sweepFrom, sweepTo } from '$core/geometry/widths/jumps.ts';
import { counted } from '$core/messages/wording.ts';
import type { MeasuredCount } from '$workers/measuring-queue.ts';
import type { FindingView } from '$workers/findings.ts';

/** Widths in words, px of the screen. */
export function widthWords(widths: readonly Widths[]): string {
	if (widths.length === 0) return 'at every width';
	const [only] = widths;
	if (widths.length === 1 && only && only.from <= sweepFrom && only.to >= sweepTo)
		return 'at every width';
	return widths
		.map(({ from, to }) => {
			if (from === to) return `at ${from} px`;
			if (to >= sweepTo) return `from ${from} px on`;
			if (from <= sweepFrom) return `up to ${to} px`;
			return `from ${from} to ${to} px`;
		})
		.join(', ');
}

/** On which pages a finding is, in a few words; empty where it is about the text alone. */
export function pageWords({ on, pages }: FindingView): string {
	const [first] = on;
	if (!first) return '';
	return pages === 1 ? `on ${first.page}` : `on ${counted(pages, 'page')}`;
}

/** How many pages were measured, so that what is told of them is what a browser shows. */
export function measuredWords({ gone, total }: MeasuredCount): string {
	if (total === 1 && gone === 1) return 'the page is measured';
	return gone === total
		? `all ${counted(total, 'page')} measured`
		: `${gone} of ${counted(total, 'page')} measured`;
}

/** The width at which a finding is shown best, px: in the middle of where it is; undefined where it is everywhere. */
export function widthOf({ on }: FindingView): number | undefined {
	const [first] = on;
	const [range] = first?.widths ?? [];
	return range && Math.round((range.from + range.to) / 2);
}

/** A finding in an address: its code and place. */
export function findingWord({
	code,
	file,
	line
}: Pick<FindingView, 'code' | 'file' | 'line'>): string {
	return `${code}@${file}:${line}`;
}
