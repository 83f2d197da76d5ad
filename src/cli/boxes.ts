import * as z from 'zod';
import { readFile } from 'node:fs/promises';
import { metricsSchema, sizesFrom } from '../core/geometry/pieces/metrics.ts';
import { sweepFrom, sweepTo } from '../core/geometry/widths/jumps.ts';
import { drive } from '../core/measure/drive.ts';
import { MeasuredPage } from '../core/laid/measured-page.ts';
import { SizeStore } from '../core/measure/size-store.ts';
import { writtenMetrics } from '../core/measure/written.ts';
import { hasErrors } from '../core/messages/problem.ts';
import { reasonOf } from '../core/messages/wording.ts';
import { layerName, pagesOf } from '../core/model/site.ts';
import type { PageInstance } from '../core/resolve/instance.ts';
import type { ResolvedSite } from '../core/resolve/site.ts';
import { findChromium, noChromium, openChromium } from './measure/chromium.ts';
import { Measurer } from './measure/measurer.ts';
import { listWords } from '../core/messages/wording.ts';
import { allTrialWords, trialOf } from '../core/model/trial.ts';
import { seenAs } from '../core/resolve/site.ts';
import { openSite } from './files/open-site.ts';
import {
	boxEntries,
	estimatedBoxes,
	type FoundBoxes,
	type Screens
} from '../core/laid/found-boxes.ts';
import type { Streams } from './streams.ts';
import { widestScreen } from './widest-screen.ts';
import { wrote } from './files/wrote.ts';

/** What `boxes` is asked for, as it was typed. */
export interface BoxesOptions {
	readonly route: string;
	readonly width?: string;
	readonly widths?: string;
	readonly height: string;
	readonly scrollbar: string;
	readonly metrics?: string;
	readonly measure?: true;
	readonly metricsOut?: string;
	/** Whom the page is seen by; without, all of it. */
	readonly as?: string;
	/** What it is tried with, as words with commas between. */
	readonly try?: string;
	readonly json: boolean;
}

/** Prints the boxes of a page at a width, or at every width of a range. */
export async function boxesCommand(
	path: string,
	options: BoxesOptions,
	streams: Streams
): Promise<number> {
	const screens = screensOf(options);
	if (typeof screens === 'string') return refused(screens, streams);
	const opened = await openSite(path, streams);
	if (typeof opened === 'number') return opened;
	const page = pagesOf(opened.site).find((one) => layerName(one) === options.route);
	const [instance] = page ? opened.instances(page) : [];
	if (!instance) {
		const known = opened.routes.map((one) => one.pattern.text).join(', ');
		return refused(`There is no route ${options.route}. There is ${known}.`, streams);
	}
	const words = options.try?.split(',').map((word) => word.trim()) ?? [];
	const unknown = words.find((word) => !allTrialWords.includes(word));
	if (unknown !== undefined) {
		const list = listWords(allTrialWords, 'or');
		return refused(`Pages cannot be tried with "${unknown}". It is ${list}.`, streams);
	}
	const seen = seenAs(opened, { role: options.as, trial: trialOf(words) });
	const found = options.measure
		? await measured(instance, seen, screens, options.metricsOut, streams)
		: await estimated(instance, seen, screens, options.metrics);
	if (typeof found === 'string') return refused(found, streams);
	const entries = found.map(({ width, boxes }) => ({ width, boxes: boxEntries(boxes) }));
	const answer = options.widths === undefined ? entries[0]?.boxes : entries;
	streams.out(
		(options.json ? JSON.stringify(answer, null, 1) : entries.map(tableOf).join('\n\n')) + '\n'
	);
	if (found.some(({ boxes }) => boxes.some((one) => one.estimated))) {
		streams.errors(
			'Boxes marked as estimated rest on sizes that were guessed from text; --measure measures them.\n'
		);
	}
	return hasErrors(opened.problems) ? 1 : 0;
}

function refused(sentence: string, streams: Streams): number {
	streams.errors(`${sentence}\n`);
	return 2;
}

function screensOf(options: BoxesOptions): Screens | string {
	const { width, widths, metrics, measure, metricsOut } = options;
	const height = Number(options.height);
	const scrollbar = Number(options.scrollbar);
	const [from, to = from] = widths === undefined ? [Number(width)] : widths.split('..').map(Number);
	const whole = widths === undefined || (Number.isInteger(from) && Number.isInteger(to));
	if (
		from === undefined ||
		to === undefined ||
		!(from > 0) ||
		!(to >= from) ||
		!whole ||
		!(height > 0)
	) {
		return 'Give --width 900 or --widths 280..1760, and --height in px.';
	}
	if (to > widestScreen || height > widestScreen) {
		return `Screens have ${widestScreen} px at most: give a smaller --width, --widths or --height.`;
	}
	if (!(scrollbar >= 0) || scrollbar >= from) return 'Give --scrollbar in px, such as 15.';
	if (measure && metrics !== undefined) return 'Give --measure or --metrics, not both.';
	if (metricsOut !== undefined && !measure)
		return 'Sizes are written once they are measured: add --measure.';
	return { from, to, height, scrollbar };
}

/** By sizes that a browser measures now; or a sentence that says why that cannot be. */
async function measured(
	instance: PageInstance,
	seen: ResolvedSite,
	screens: Screens,
	out: string | undefined,
	streams: Streams
): Promise<readonly FoundBoxes[] | string> {
	const path = findChromium();
	if (path === undefined) return noChromium;
	const year = new Date().getFullYear();
	const { from, to, height, scrollbar } = screens;
	const { browser, close } = await openChromium(path, scrollbar > 0);
	try {
		const measurer = await Measurer.open(browser);
		await measurer.show(instance, seen, year);
		const page = new MeasuredPage(instance, seen, year, { height, scrollbar }, new SizeStore());
		const answer = measurer.answer.bind(measurer);
		const found: FoundBoxes[] = [];
		if (from === to) {
			const boxes = (await drive(page.at(from), answer)) ?? [];
			found.push({ width: from, boxes: boxes.map((box) => ({ box, estimated: false })) });
		} else {
			const sweep = await drive(page.between(from, to), answer);
			for (const { width, boxes } of sweep ?? []) {
				found.push({ width, boxes: boxes.map((box) => ({ box, estimated: false })) });
			}
		}
		if (out !== undefined) {
			// Whoever takes them up again may ask for any screen.
			await drive(
				page.between(Math.min(Math.floor(from), sweepFrom), Math.max(Math.ceil(to), sweepTo)),
				answer
			);
			const text = JSON.stringify(writtenMetrics(page.contents.values()), null, 1) + '\n';
			if (!(await wrote(out, text, streams))) return `The sizes were measured, and not written.`;
		}
		return found;
	} finally {
		await close();
	}
}

/** By sizes that a file has, and guesses where it has none; or a sentence that says why that cannot be. */
async function estimated(
	instance: PageInstance,
	seen: ResolvedSite,
	screens: Screens,
	metrics: string | undefined
): Promise<readonly FoundBoxes[] | string> {
	const known = await readMetrics(metrics);
	if (typeof known === 'string') return known;
	const year = new Date().getFullYear();
	return estimatedBoxes(instance, seen, year, screens, known);
}

async function readMetrics(
	path: string | undefined
): Promise<ReturnType<typeof sizesFrom> | string | undefined> {
	if (path === undefined) return undefined;
	try {
		const parsed = metricsSchema.safeParse(JSON.parse(await readFile(path, 'utf8')));
		if (parsed.success) return sizesFrom(parsed.data);
		return `${path} holds no metrics: ${parsed.error.issues[0]?.message ?? 'it has another shape'}.`;
	} catch (failure) {
		return `${path} cannot be read: ${reasonOf(failure)}`;
	}
}

/** The pieces of a run in one line. */
const runSchema = z
	.array(z.object({ piece: z.string(), owner: z.string() }))
	.transform((pieces) => pieces.map(({ piece }) => piece).join(' + '));

function tableOf({ width, boxes }: { width: number; boxes: readonly object[] }): string {
	const lines = boxes.map((box) =>
		Object.entries(box)
			.map(([name, value]) => `${name} ${runSchema.safeParse(value).data ?? String(value)}`)
			.join(', ')
	);
	return [`At ${width} px:`, ...lines].join('\n');
}
