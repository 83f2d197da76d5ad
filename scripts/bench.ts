// npm run bench [-- --only ROOMS]: measures the core and the application, prints tables, and writes them into docs/benchmarks.md.
import { readFile, writeFile } from 'node:fs/promises';
import { cpus, totalmem } from 'node:os';
import { Command } from 'commander';
import { benchAnswers } from './bench/answer.ts';
import { benchSheet } from './bench/sheet.ts';
import { benchBoxes } from './bench/boxes.ts';
import { benchBringingIn } from './bench/bring-in.ts';
import { benchBrowser } from './bench/browser.ts';
import { benchCore, benchDelivery, type BenchRow } from './bench/core.ts';
import { benchCommandLine } from './bench/command-line.ts';
import { benchFindings } from './bench/findings.ts';
import { benchHeavy } from './bench/heavy.ts';
import { benchMeasuring } from './bench/measuring.ts';
import { isMet } from './bench/measure.ts';
import { benchStart } from './bench/start.ts';
import { build } from './lib/setup.js';

const file = 'docs/benchmarks.md';

/** What is measured together, by the heading of its table. */
const rooms: Readonly<Record<string, () => BenchRow[] | Promise<BenchRow[]>>> = {
	'Command line': benchCommandLine,
	Start: benchStart,
	Boxes: benchBoxes,
	Measuring: benchMeasuring,
	Core: benchCore,
	Delivery: benchDelivery,
	Answers: benchAnswers,
	Sheet: benchSheet,
	Findings: benchFindings,
	'Bringing in': benchBringingIn,
	Browser: benchBrowser,
	Heavy: benchHeavy
};
const names = Object.keys(rooms);

const program = new Command('bench').option('--only <list>', `some of them: ${names.join(', ')}`);
const { only } = program.parse().opts<{ only?: string }>();
const wanted = only?.split(',').map((name) => name.trim()) ?? names;
const unknown = wanted.find((name) => !names.includes(name));
if (unknown !== undefined) program.error(`There is no room ${unknown}.`);

const [processor] = cpus();
const machine = `${cpus().length} × ${processor?.model ?? 'processor'}, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.version}`;
const lead = `# Benchmarks

Measured by \`npm run bench\`, or by \`npm run bench -- --only ROOM\` anew. The generated site has one outermost layout
and, for each branch of routes, a layout and one more inside it; its text is split as a team would split it, a file of
layouts and a file of routes for each branch. Times are by the clock; beside them stands what the processor did in the
median run, where that was measured.
`;

build();
const before = await readFile(file, 'utf8').catch(() => '');
const sections = new Map(
	before
		.split(/^## /m)
		.slice(1)
		.map((section) => [section.split('\n', 1)[0] ?? '', `## ${section.trim()}\n`])
);
for (const [name, bench] of Object.entries(rooms)) {
	if (!wanted.includes(name)) continue;
	const section = tableOf(name, await bench());
	console.log(section);
	sections.set(name, section);
	const known = names.flatMap((one) => sections.get(one) ?? []);
	await writeFile(file, [lead, ...known].join('\n'));
}

function tableOf(name: string, rows: readonly BenchRow[]): string {
	const head =
		'| what | median, ms | 95 %, ms | least to most, ms | processor, ms | runs | aim met | note |\n| --- | ---: | ---: | ---: | ---: | ---: | --- | --- |';
	const lines = rows.map(({ what, measured, note }) => {
		const { median, p95, least, most, runs, processor: busy } = measured;
		const range = `${least.toFixed(1)} to ${most.toFixed(1)}`;
		const met = isMet(measured, what, note);
		const aim = met === undefined ? '' : met ? 'yes' : '**no**';
		return `| ${what} | ${median.toFixed(1)} | ${p95.toFixed(1)} | ${range} | ${busy?.toFixed(1) ?? ''} | ${runs} | ${aim} | ${note} |`;
	});
	const day = new Date().toISOString().slice(0, 10);
	return `## ${name}\n\nOn ${day}: ${machine}.\n\n${[head, ...lines].join('\n')}\n`;
}
