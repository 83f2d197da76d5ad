import { readableTexts, textOf } from '../model/files.ts';
import * as z from 'zod';
import { allowWords } from '../check/allowances.ts';
import { isSafe, mendOf } from '../check/mend.ts';
import type { CheckedSite } from '../check/checked-site.ts';
import { severities } from '../messages/severity.ts';
import { sentenceOf } from '../messages/sentence.ts';
import { fingerprint } from '../lib/fingerprint.ts';
import { positionAt, positionOf, type Span } from '../model/span.ts';
import { encodeUtf8 } from '../lib/utf8.ts';
import { aboutOf } from './about.ts';
import type { Finding } from './finding.ts';
import type { Findings } from './look-over.ts';

/** What was found, for other programs. Lines and columns count from 1, columns in UTF-16 units. */
export const reportSchema = z.object({
	version: z.literal(1),
	site: z.string(),
	/** Every page was measured at all widths; reports of before it was said leave it out. */
	measured: z.boolean().optional(),
	findings: z.array(
		z.object({
			code: z.string(),
			severity: z.enum(severities),
			sentence: z.string(),
			/** What should be so, and why it matters; empty for what is found as text is read. */
			what: z.string(),
			why: z.string(),
			file: z.string(),
			line: z.int(),
			column: z.int(),
			endLine: z.int(),
			endColumn: z.int(),
			/** Where it shows; none where it is about the text alone. */
			pages: z.array(
				z.object({
					page: z.string(),
					address: z.string(),
					layout: z.string().nullable(),
					region: z.string().nullable(),
					/** px of the screen, both inclusive; none where it is so at every width. */
					widths: z.array(z.object({ from: z.int(), to: z.int() }))
				})
			),
			/** It rests on sizes that were guessed. */
			estimated: z.boolean(),
			/** The fingerprint of the finding that explains it. */
			because: z.string().nullable(),
			/** Whether there is a mend, and whether one may take it unseen. */
			mend: z.enum(['none', 'look', 'safe']),
			/** The same as long as the code, the file and the line's own text are. */
			fingerprint: z.string()
		})
	),
	/** What the text sets aside. */
	aside: z.array(
		z.object({
			code: z.string(),
			reason: z.string(),
			where: z.string(),
			sentence: z.string(),
			file: z.string(),
			line: z.int()
		})
	)
});

export type Report = z.infer<typeof reportSchema>;
export type ReportedFinding = Report['findings'][number];

/** All that was found in a site, as a report. */
export function reportOf({ findings, aside, measured }: Findings, site: CheckedSite): Report {
	const texts = readableTexts(site.reading.files);
	const prints = fingerprintsOf(findings, texts);
	const byCause = new Map(findings.map(({ cause }, index) => [cause, prints[index]]));
	return {
		version: 1,
		site: site.site.settings.name.text,
		measured,
		findings: findings.map((finding, index) => ({
			...reported(finding, site),
			because: (finding.because !== undefined && byCause.get(finding.because)) || null,
			fingerprint: prints[index] ?? ''
		})),
		aside: aside.map(({ allowance, in: where, finding }) => ({
			code: allowance.code.text,
			reason: allowance.reason.text,
			where: allowWords(where),
			sentence: sentenceOf(finding.problem),
			...lineOf(finding.problem.span, texts)
		}))
	};
}

function lineOf(span: Span, texts: ReadonlyMap<string, string>): { file: string; line: number } {
	return { file: span.file, line: positionOf(span, texts).line };
}

function reported(
	{ problem, on, estimated }: Finding,
	site: CheckedSite
): Omit<ReportedFinding, 'because' | 'fingerprint'> {
	const { code, severity, span } = problem;
	const text = textOf(site.reading.files, span.file) ?? '';
	const [start, end] = [
		positionAt(text, span.from),
		positionAt(text, Math.max(span.to, span.from))
	];
	const { what = '', why = '' } = aboutOf(code) ?? {};
	const hasMend = mendOf(problem, site) !== undefined;
	return {
		code,
		severity,
		sentence: sentenceOf(problem),
		what,
		why,
		file: span.file,
		...start,
		endLine: end.line,
		endColumn: end.column,
		pages: on.map(({ page, address, box, widths }) => ({
			page,
			address,
			layout: box?.layout ?? null,
			region: box?.region ?? null,
			widths: widths.map(({ from, to }) => ({ from: Math.round(from), to: Math.round(to) }))
		})),
		estimated,
		mend: !hasMend ? 'none' : isSafe(problem, site) ? 'safe' : 'look'
	};
}

/** Lines above may come and go: a finding is known by its line's own text, and by its place among equal ones. */
function fingerprintsOf(
	findings: readonly Finding[],
	texts: ReadonlyMap<string, string>
): string[] {
	const counts = new Map<string, number>();
	return findings.map(({ problem: { code, span } }) => {
		const text = texts.get(span.file) ?? '';
		const start = text.lastIndexOf('\n', span.from - 1) + 1;
		const end = text.indexOf('\n', span.from);
		const line = text.slice(start, end === -1 ? undefined : end).trim();
		const said = text.slice(span.from, Math.min(span.to, span.from + 200));
		const key = [code, span.file, line, said].join('\n');
		const count = (counts.get(key) ?? 0) + 1;
		counts.set(key, count);
		return fingerprint(encodeUtf8(`${key}\n${count}`));
	});
}
