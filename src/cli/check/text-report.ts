import type { Report, ReportedFinding } from '../../core/findings/report.ts';
import { severities } from '../../core/messages/severity.ts';
import { counted, listWords } from '../../core/messages/wording.ts';
import { sweepFrom, sweepTo } from '../../core/geometry/widths/jumps.ts';

const mostPages = 3;
const longestLine = 160;

/** What was found, as compilers say it: place, sentence, the line, and a caret below what it is about. */
export function textReport(report: Report, texts: ReadonlyMap<string, string>): string {
	const blocks = report.findings.map((finding) => block(finding, texts));
	return [...blocks, summaryOf(report)].join('\n') + '\n';
}

function block(finding: ReportedFinding, texts: ReadonlyMap<string, string>): string {
	const { file, line, column, severity, code, sentence } = finding;
	const said = texts.get(file)?.split('\n')[line - 1] ?? '';
	const margin = String(line);
	const lead = ' '.repeat(margin.length);
	const shown = said.slice(0, longestLine).replaceAll('\t', ' ');
	const width = finding.endLine === line ? finding.endColumn - column : said.length - column + 1;
	const caret = '^' + '~'.repeat(Math.max(0, Math.min(width, shown.length - column + 1) - 1));
	const notes = [...placesOf(finding), ...(finding.mend === 'safe' ? ['--fix fixes it'] : [])];
	return [
		`${file}:${line}:${column}: ${severity}: ${code}: ${sentence}`,
		`  ${margin} | ${shown}`,
		...(column <= longestLine ? [`  ${lead} | ${' '.repeat(column - 1)}${caret}`] : []),
		...(notes.length > 0 ? [`  ${lead} = ${notes.join('; ')}`] : [])
	].join('\n');
}

function placesOf({ pages, estimated }: ReportedFinding): string[] {
	const names = pages.map(({ page }) => page);
	const [first] = pages;
	if (!first) return estimated ? ['estimated'] : [];
	const some = names.slice(0, mostPages);
	const more = names.length > mostPages ? [`${names.length - mostPages} more`] : [];
	const widths = first.widths.map(({ from, to }) =>
		from <= sweepFrom && to >= sweepTo
			? 'every width'
			: from === to
				? `${from} px`
				: `${from} to ${to} px`
	);
	return [
		`on ${listWords([...some, ...more])}`,
		...(widths.length > 0 ? [`at ${listWords(widths)}`] : []),
		...(estimated ? ['by guessed sizes: --measure measures them'] : [])
	];
}

/** How much was found. */
function summaryOf({ findings, aside, measured }: Report): string {
	const words = severities.flatMap((severity) => {
		const count = findings.filter((one) => one.severity === severity).length;
		return count > 0 ? [counted(count, severity)] : [];
	});
	const estimated = findings.filter((one) => one.estimated).length;
	const parts = [
		words.length === 0 ? 'Nothing was found' : listWords(words),
		...(estimated > 0 ? [`${estimated} of them by guessed sizes`] : []),
		...(aside.length > 0 ? [`${aside.length} ignored`] : []),
		...(measured === true ? [] : ['sizes of content are guessed: --measure measures every page'])
	];
	return `${parts.join('; ')}.`;
}
