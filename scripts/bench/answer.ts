import { answer } from '../../src/core/answer/answer.ts';
import { answerPlan } from '../../src/core/answer/plan.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { accessTable } from '../../src/core/view-models/access.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import type { BenchRow } from './core.ts';
import { generatedSite } from './generated-site.ts';
import { summary, timeRuns } from './measure.ts';

const roles = ['visitor', 'member', 'grower', 'keeper', 'trustee', 'auditor'];
const noAssets = new Map<string, Uint8Array>();

/** A site of 2,000 routes that answers after edits, and its access table for six roles. */
export function benchAnswers(): BenchRow[] {
	const texts = generatedSite(2000, 40);
	const site = texts.get('site.eave') ?? '';
	texts.set('site.eave', site.replace('  lang en', `  lang en\n  roles { ${roles.join('; ')} }`));
	const branch = texts.get('layouts/branch-3.eave') ?? '';
	const closed = branch.replace('{\n', '{\n  admit keeper trustee\n');
	texts.set('layouts/branch-3.eave', closed);
	let reading = readSiteFiles({ texts, assets: noAssets });
	let resolved = checkSite(reading);
	const answers: number[] = [];
	let bytes = 0;
	for (let run = -5; run < 60; run++) {
		const at = (reading.files.texts.get('site.eave') ?? '').indexOf('recycled');
		const change = { kind: 'edit', file: 'site.eave', from: at, to: at, insert: 'x' } as const;
		const next = applyChanges(reading.files, [change]).texts;
		reading = readSiteFiles({ texts: next, assets: noAssets }, reading);
		resolved = checkSite(reading);
		answerPlan(resolved);
		const given = { resolved, base: '/', changed: 0, failed: new Set<string>(), headLines: [] };
		const target = `/branch-${(run + 5) % 15}/page-${7 + ((run + 5) % 20)}/`;
		const request = { method: 'GET', target, role: 'keeper', time: 0, headers: {} };
		const start = performance.now();
		const answered = answer(given, request);
		if (run >= 0) answers.push(performance.now() - start);
		bytes = Math.max(bytes, answered.status === 200 ? (answered.body?.length ?? 0) : 0);
	}
	const table = timeRuns(() => void accessTable(resolved), 40, 5);
	return [
		{
			what: '2,000 routes: answer with a page after an edit in the outermost layout',
			measured: summary(answers),
			note: `aim 5 ms; a page of ${(bytes / 1000).toFixed(1)} kB`
		},
		{
			what: '… who may open what, by 6 roles',
			measured: summary(table),
			note: 'aim 100 ms'
		}
	];
}
