import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Browser, Page as Tab } from 'puppeteer-core';
import { build } from 'esbuild';
import { z } from 'zod';
import { dataUrls } from '../../src/cli/measure/measurer.ts';
import { partShift, type PartShift, type ShownPart } from '../../src/core/arranging/part-shift.ts';
import {
	numberedSite,
	proposeArrangement,
	type Wish
} from '../../src/core/arranging/propose-arrangement.ts';
import { hasFrame, type FramedLayout } from '../../src/core/arranging/frame/framed-layout.ts';
import { numberMark } from '../../src/core/arranging/frame/number-mark.ts';
import {
	nothingRead,
	withMore,
	type FrameReading,
	type ReadBox
} from '../../src/core/arranging/frame/reading.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { prepare } from '../../src/core/edit/propose.ts';
import { stageHtml } from '../../src/core/emit/stage.ts';
import type { ArrangeFrameCommand } from '../../src/core/model/command.ts';
import { pageNamed } from './site.ts';

/** Frames read in a browser as the application reads them, without the application. */

const sides = z.tuple([z.number(), z.number(), z.number(), z.number()]);
const two = z.tuple([z.number(), z.number()]);
const readBox: z.ZodType<ReadBox> = z.object({
	x: z.number(), y: z.number(), width: z.number(), height: z.number(),
	margin: sides, border: sides, padding: sides, out: two, depth: two,
	isPainted: z.boolean(), isPlain: z.boolean(), isMadeBlock: z.boolean(), isRelative: z.boolean(),
	sharesRows: z.boolean(), isHug: z.boolean(), keepsContent: z.boolean(),
	flow: z.enum(['block', 'inline', 'float', 'item', 'away', 'sticky']),
	arrangesLines: z.string().optional(), saidMin: z.string().optional(), setsWords: z.string().optional(), saidHeight: z.number().optional()
}); // prettier-ignore
const frameReading: z.ZodType<FrameReading> = z.object({
	at: z.array(z.object({ width: z.number(), parts: z.record(z.string(), readBox) })),
	edges: z.array(z.number()),
	isMirrored: z.boolean()
});
const shownPart: z.ZodType<ShownPart> = z.object({
	word: z.string(), name: z.string(), isSeen: z.boolean(),
	x: z.number(), y: z.number(), width: z.number(), height: z.number()
}); // prettier-ignore

const root = fileURLToPath(new URL('../..', import.meta.url));
const host = `<!doctype html><body style="margin: 0"><iframe sandbox="allow-same-origin" srcdoc="<!doctype html><html data-stage><head></head><body></body></html>" style="border: 0; display: block; height: 800px"></iframe>`;

export interface Arranged {
	readonly command: ArrangeFrameCommand;
	readonly after: CheckedSite;
	/** Before and after, at each width that was read. */
	readonly shifts: readonly PartShift[];
}

export class FrameReader {
	private constructor(private readonly tab: Tab) {}

	static async open(browser: Browser): Promise<FrameReader> {
		const { outputFiles } = await build({
			stdin: {
				contents: ['frame-reading', 'shown-parts']
					.map((file) => `export * from './${file}.ts';`)
					.join('\n'),
				resolveDir: join(root, 'src/browser/arranging')
			},
			alias: { $core: join(root, 'src/core') },
			absWorkingDir: root,
			bundle: true,
			format: 'iife',
			globalName: 'reading',
			write: false,
			logLevel: 'silent'
		});
		const tab = await browser.newPage();
		await tab.setViewport({ width: 2000, height: 900 });
		await tab.setContent(host);
		await tab.waitForFunction(
			'document.querySelector("iframe").contentDocument?.documentElement.dataset.stage !== undefined'
		);
		await tab.evaluate(`${outputFiles[0]?.text ?? ''}; globalThis.reading = reading;`);
		return new FrameReader(tab);
	}

	/** Arranges a frame as the page at a route shows it. Throws a NotBoxes where it cannot be. */
	async arrange(
		site: CheckedSite,
		name: string,
		route: string,
		wish: Wish = { only: undefined, opened: new Set() }
	): Promise<Arranged> {
		const layout = framed(site, name);
		const numbered = numberedSite(site, layout);
		let reading = nothingRead;
		for (;;) {
			const found = proposeArrangement(layout, site, reading, wish);
			if (found.kind === 'read') {
				const more = frameReading.parse(await this.ask('readFrame', numbered, route, found.widths));
				reading = withMore(reading, more);
				continue;
			}
			const after = made(site, found.command);
			const inBoth = proposeArrangement(framed(numbered, name), numbered, reading, wish);
			if (inBoth.kind !== 'proposal') throw new Error('The numbered frame is another.');
			const marked = made(numbered, inBoth.command);
			const widths = reading.at.map(({ width }) => width);
			const [before, now] = [
				await this.ask('shownParts', numbered, route, widths),
				await this.ask('shownParts', marked, route, widths)
			].map((one) => z.array(z.array(shownPart)).parse(one));
			const shifts = widths.map((width, at) =>
				partShift(before?.[at] ?? [], now?.[at] ?? [], width)
			);
			return { command: found.command, after, shifts };
		}
	}

	private async ask(
		what: 'readFrame' | 'shownParts',
		site: CheckedSite,
		route: string,
		widths: readonly number[]
	): Promise<unknown> {
		const [instance] = site.instances(pageNamed(site, route));
		if (!instance) throw new Error(`There is no page at ${route}.`);
		const page = {
			html: stageHtml(instance, site, dataUrls(site), 2026),
			address: instance.address
		};
		return this.tab.evaluate(
			`reading.${what}(document.querySelector('iframe'), ${JSON.stringify(page)}, '${numberMark}', ${JSON.stringify(widths)}, new AbortController().signal)`
		);
	}
}

function framed({ site }: CheckedSite, name: string): FramedLayout {
	const layout = site.layouts.find((one) => one.name.text === name);
	if (!hasFrame(layout)) throw new Error(`${name} has no frame of its own markup.`);
	return layout;
}

function made(site: CheckedSite, command: ArrangeFrameCommand): CheckedSite {
	const { proposal, after } = prepare(site, command);
	if (proposal.kind === 'refused')
		throw new Error(`${proposal.sentence}\n${command.lines.join('\n')}`);
	if (!after) throw new Error('Nothing came of it.');
	return after;
}
