import { loadLibraries } from '../../src/core/check/libraries.ts';
import { Desk } from '../../src/workers/desk/desk.ts';
import type { BenchRow } from './core.ts';
import { generatedSite } from './generated-site.ts';
import { summary } from './measure.ts';

await loadLibraries();

/** What the application shows meanwhile. */
const near = ['/branch-3/page-7'];

/** All checks on 2,000 routes, at every width from 280 to 1760, as the worker goes over them. */
export function benchFindings(): BenchRow[] {
	const texts = generatedSite(2000, 40);
	const whole: number[] = [];
	const again: number[] = [];
	const inSight: number[] = [];
	const steps: number[] = [];
	let found = 0;
	for (let run = -1; run < 3; run++) {
		const desk = new Desk(2026);
		desk.open({ texts, assets: new Map() }, undefined, 0);
		const first = goOver(desk, run >= 0 ? steps : []);
		found = first.found;
		if (run >= 0) whole.push(first.all);
		const at = (texts.get('site.eave') ?? '').indexOf('200px');
		desk.change(
			[{ kind: 'edit', file: 'site.eave', from: at, to: at + 1, insert: '3' }],
			undefined,
			0
		);
		const next = goOver(desk, run >= 0 ? steps : []);
		if (run >= 0) again.push(next.all);
		if (run >= 0) inSight.push(next.near);
	}
	return [
		{
			what: '2,000 routes: all checks at every width from 280 to 1760',
			measured: summary(whole),
			note: `${found} findings; aim 5,000 ms`
		},
		{
			what: '… the same after an edit in the outermost layout, which touches every page',
			measured: summary(again),
			note: 'the edit itself is in a row above'
		},
		{
			what: '… until what is in sight has been looked at after that edit',
			measured: summary(inSight),
			note: 'aim 200 ms'
		},
		{
			what: '… a step of it, for which nothing else is answered',
			measured: summary(steps),
			note: 'a key waits for one at most; aim 50 ms'
		}
	];
}

/** Goes over the site as the application does, step by step; ms until what is in sight was found, and all. */
function goOver(
	desk: Desk,
	steps: number[]
): { readonly near: number; readonly all: number; readonly found: number } {
	const since = performance.now();
	let seen = Number.NaN;
	for (;;) {
		const start = performance.now();
		const step = desk.findings.step(near);
		steps.push(performance.now() - start);
		if (Number.isNaN(seen) && (step?.near ?? step?.all)) seen = performance.now() - since;
		if (!step || step.done) {
			const found = Object.values(step?.all?.counts ?? {}).reduce((sum, count) => sum + count, 0);
			return { near: seen, all: performance.now() - since, found };
		}
	}
}
