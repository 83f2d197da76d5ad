import { readableTexts } from '../../core/model/files.ts';
import { readFile } from 'node:fs/promises';
import { loadLibraries } from '../../core/check/libraries.ts';
import { LookingOver, type Findings } from '../../core/findings/look-over.ts';
import { reportOf, reportSchema, type Report } from '../../core/findings/report.ts';
import { checkSite } from '../../core/check/site.ts';
import type { CheckedSite } from '../../core/check/checked-site.ts';
import { severities, type Severity } from '../../core/messages/severity.ts';
import { counted, listWords, reasonOf } from '../../core/messages/wording.ts';
import { findChromium, noChromium } from '../measure/chromium.ts';
import type { Change } from '../../core/source/change.ts';
import { loadSite, systemSentence } from '../files/open-site.ts';
import type { Streams } from '../streams.ts';
import { lookOverMeasured } from './measure-site.ts';
import { mendSafely, WrittenTexts } from './mend-files.ts';
import { sarifOf } from './sarif.ts';
import { formats } from './formats.ts';
import { textReport } from './text-report.ts';

/** What `check` is asked for, as it was typed. */
export interface CheckOptions {
	readonly format: string;
	readonly failOn: string;
	readonly fix?: true;
	readonly measure?: true;
	readonly baseline?: string;
	readonly year: string;
}

/** Mends may make room for others; more rounds than this would be a circle. */
const mostRounds = 8;

/**
 * Prints what is found in a site. 0: nothing at or above the level, 1: something, 2: wrong usage. What rests on
 * guessed sizes is printed, and counts only once it is measured.
 */
export async function checkCommand(
	path: string,
	options: CheckOptions,
	streams: Streams
): Promise<number> {
	const failOn = severities.find((one) => one === options.failOn);
	const format = formats.find((one) => one === options.format);
	const year = Number(options.year);
	const refuse = (sentence: string): number => {
		streams.errors(`${sentence}\n`);
		return 2;
	};
	if (!failOn) return refuse(`--fail-on is ${listWords(severities, 'or')}.`);
	if (!format) return refuse(`--format is ${listWords(formats, 'or')}.`);
	if (!Number.isInteger(year)) return refuse('--year is a whole number, such as 2031.');
	const known =
		options.baseline === undefined ? new Set<string>() : await readBaseline(options.baseline);
	if (typeof known === 'string') return refuse(known);
	const chromium = options.measure ? findChromium() : undefined;
	if (options.measure && chromium === undefined) return refuse(noChromium);
	await loadLibraries();
	let site = await loadSite(path, streams, checkSite);
	if (typeof site === 'number') return site === 1 ? 1 : 2;
	if (options.fix) {
		const after = await fixed(path, site, year, streams);
		if (typeof after === 'string') return refuse(after);
		site = after;
	}
	const found =
		chromium === undefined
			? new LookingOver(year).whole(site)
			: await lookOverMeasured(site, year, chromium);
	const report = reportOf(found, site);
	streams.out(written(report, site, format));
	return isWorse(report, failOn, known) ? 1 : 0;
}

function written(report: Report, site: CheckedSite, format: (typeof formats)[number]): string {
	switch (format) {
		case 'text':
			return textReport(report, readableTexts(site.reading.files));
		case 'json':
			return JSON.stringify(report, null, 1) + '\n';
		case 'sarif':
			return JSON.stringify(sarifOf(report), null, 1) + '\n';
	}
}

/** Whether something is found that is as serious as a level, known before or not. */
function isWorse({ findings }: Report, level: Severity, known: ReadonlySet<string>): boolean {
	const most = severities.indexOf(level);
	return findings.some(
		({ severity, fingerprint, estimated }) =>
			severities.indexOf(severity) <= most && !estimated && !known.has(fingerprint)
	);
}

async function fixed(
	path: string,
	site: CheckedSite,
	year: number,
	streams: Streams
): Promise<CheckedSite | string> {
	const texts = await WrittenTexts.read(path, 'Fixes');
	if (typeof texts === 'string') return texts;
	let [now, total] = [site, 0];
	const all: Change[] = [];
	for (let round = 0; round < mostRounds; round++) {
		const found: Findings = new LookingOver(year).whole(now);
		const { site: next, count, changes } = mendSafely(now, found.findings, texts);
		if (count === 0) break;
		all.push(...changes);
		now = next;
		total += count;
	}
	try {
		const files = await texts.write(all);
		if (total > 0)
			streams.errors(`${counted(total, 'change')} written into ${listWords(files)}.\n`);
		else streams.errors('There was nothing that could be fixed without a look at it.\n');
		return now;
	} catch (failure) {
		return `The fixes could not be written: ${systemSentence(failure) ?? reasonOf(failure)}`;
	}
}

/** Fingerprints of a report that was written before; a sentence where the file is none. */
async function readBaseline(file: string): Promise<ReadonlySet<string> | string> {
	try {
		const read = reportSchema.safeParse(JSON.parse(await readFile(file, 'utf8')));
		if (!read.success) return `${file} is no report of this program: write one with --format json.`;
		return new Set(read.data.findings.map(({ fingerprint }) => fingerprint));
	} catch (failure) {
		return `${file} cannot be read: ${reasonOf(failure)}`;
	}
}
