import { columnsOf } from '../../src/core/sheet/columns.ts';
import { groupRows } from '../../src/core/sheet/groups.ts';
import type { SheetRow } from '../../src/core/sheet/sheet-row.ts';
import { Desk } from '../../src/workers/desk/desk.ts';
import type { SheetRequest } from '../../src/workers/sheets.ts';
import type { BenchRow } from './core.ts';
import { generatedSite } from './generated-site.ts';
import { summary } from './measure.ts';

const screen = { height: 800, scrollbar: 0 };
const bands = [
	{ name: 'narrow', from: 0 },
	{ name: 'medium', from: 640 },
	{ name: 'wide', from: 1024 }
];
const request: SheetRequest = { columns: columnsOf(bands, [1440]), screen, role: undefined };
const way = { scale: 0.16, depth: 1000, fold: 800 };
/** Rows that are seen at once, and some beside them. */
const inSight = 8;

/** The sheet of a site of 2,000 routes on four screens, as the worker works it out. */
export function benchSheet(): BenchRow[] {
	const texts = generatedSite(2000, 40);
	const first: number[] = [];
	const whole: number[] = [];
	const edited: number[] = [];
	let [stacks, memory] = [0, 0];
	for (let run = -1; run < 5; run++) {
		const desk = new Desk(2026);
		desk.open({ texts, assets: new Map() }, undefined, 0);
		const heap = process.memoryUsage().heapUsed;
		const start = performance.now();
		const part = desk.sheet.part(request, 0);
		const pages = part?.rows.slice(0, inSight).map(({ page }) => page) ?? [];
		desk.sheet.drawings(pages, request, way);
		if (run >= 0) first.push(performance.now() - start);
		const rows: SheetRow[] = [...(part?.rows ?? [])];
		for (let next = part?.next; next !== undefined;) {
			const more = desk.sheet.part(request, next);
			rows.push(...(more?.rows ?? []));
			next = more?.next;
		}
		stacks = groupRows(rows, 'chain').reduce((sum, group) => sum + group.stacks.length, 0);
		if (run >= 0) whole.push(performance.now() - start);
		memory = Math.max(memory, (process.memoryUsage().heapUsed - heap) / 2 ** 20);
		const site = texts.get('site.eave') ?? '';
		const at = site.indexOf('200px');
		desk.change(
			[{ kind: 'edit', file: 'site.eave', from: at, to: at + 1, insert: '3' }],
			undefined,
			0
		);
		const since = performance.now();
		desk.sheet.drawings(pages, request, way);
		if (run >= 0) edited.push(performance.now() - since);
	}
	return [
		{
			what: '2,000 routes on four screens: the first rows of the sheet, drawn',
			measured: summary(first),
			note: `${inSight} rows; aim 300 ms`
		},
		{
			what: '… all rows of the sheet',
			measured: summary(whole),
			note: `${stacks} stacks; by guesses; aim 3,000 ms`
		},
		{
			what: '… what is in sight after an edit in the outermost layout',
			measured: summary(edited),
			note: 'drawn anew, the edit itself is in a row above; aim 100 ms'
		},
		{
			what: '… memory that the sheet takes, MB',
			measured: summary([memory]),
			note: 'heap with what is not collected yet; aim 300 MB'
		}
	];
}
