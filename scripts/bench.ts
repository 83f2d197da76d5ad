// npm run bench: measures the core and the application, prints a table, and writes docs/benchmarks.md.
import { writeFile } from 'node:fs/promises';
import { cpus, totalmem } from 'node:os';
import { benchAnswers } from './bench/answer.ts';
import { benchSheet } from './bench/sheet.ts';
import { benchBoxes } from './bench/boxes.ts';
import { benchBrowser } from './bench/browser.ts';
import { benchCore, benchDelivery, type BenchRow } from './bench/core.ts';
import { benchCommandLine } from './bench/command-line.ts';
import { benchFindings } from './bench/findings.ts';
import { benchHeavy } from './bench/heavy.ts';
import { benchMeasuring } from './bench/measuring.ts';
import { isMet } from './bench/measure.ts';
import { benchStart } from './bench/start.ts';
import { build } from './lib/setup.js';

build();
const rows: BenchRow[] = [
	...(await benchCommandLine()),
	...(await benchStart()),
	...(await benchBoxes()),
	...(await benchMeasuring()),
	...benchCore(),
	...benchDelivery(),
	...benchAnswers(),
	...benchSheet(),
	...benchFindings(),
	...(await benchBrowser()),
	...(await benchHeavy())
];
const head =
	'| what | median, ms | 95 %, ms | least to most, ms | processor, ms | runs | aim met | note |\n| --- | ---: | ---: | ---: | ---: | ---: | --- | --- |';
const lines = rows.map(({ what, measured, note }) => {
	const { median, p95, least, most, runs, processor } = measured;
	const range = `${least.toFixed(1)} to ${most.toFixed(1)}`;
	const met = isMet(measured, what, note);
	const aim = met === undefined ? '' : met ? 'yes' : '**no**';
	return `| ${what} | ${median.toFixed(1)} | ${p95.toFixed(1)} | ${range} | ${processor?.toFixed(1) ?? ''} | ${runs} | ${aim} | ${note} |`;
});
const [processor] = cpus();
const machine = `${cpus().length} × ${processor?.model ?? 'processor'}, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.version}`;
const text = [
	'# Benchmarks',
	'',
	`Measured by \`npm run bench\` on ${new Date().toISOString().slice(0, 10)}: ${machine}.`,
	'',
	'The generated site has one outermost layout and, for each branch of routes, a layout and one more inside it; its',
	'text is split as a team would split it, a file of layouts and a file of routes for each branch. Times are by the clock;',
	'beside them stands what the processor did in the median run, where that was measured.',
	'',
	[head, ...lines].join('\n'),
	''
].join('\n');
console.log(text);
await writeFile('docs/benchmarks.md', text);
