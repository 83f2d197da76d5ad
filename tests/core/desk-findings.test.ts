import { loadLibraries } from '../../src/core/check/libraries.ts';
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { Desk } from '../../src/workers/desk/desk.ts';
import type { FindingsStep, FindingsView } from '../../src/workers/findings.ts';
import { filesOf } from '../lib/desk.ts';
import { findingsOf } from '../lib/findings.ts';
import { resolve } from '../lib/site.ts';

await loadLibraries();

/** Looking over the open site a little at a time: what is in sight first, and each thing told once. */

const pages = Array.from({ length: 12 }, (_, index) => `/p${index}`);
const text = `site "Beds" { bands { narrow 0 } }
layout frame at / {
  description "Seed that is lent."
  region main as main { slot }
  style """ .gone { color: red } """
}
${pages.map((page, index) => `route ${page} { title "Page ${index}"; piece t """<h1>Page</h1><h3>Too deep</h3><img src="none.svg">""" }`).join('\n')}
`;
const near = { page: '/p3', address: undefined };

/** All steps until it is done. */
function steps(desk: Desk, inSight: readonly string[]): FindingsStep[] {
	const all: FindingsStep[] = [];
	for (let turn = 0; turn < 20_000; turn++) {
		const step = desk.findings.step(inSight);
		assert.ok(step);
		all.push(step);
		if (step.done) return all;
	}
	throw new Error('It is never done.');
}

function codesOf(view: FindingsView | undefined): string[] {
	return Object.entries(view?.counts ?? {}).map(([code, count]) => `${code} ${count}`).sort(); // prettier-ignore
}

test('what is opened is shown before what is doubtful is looked for, and that is told then', () => {
	const desk = new Desk(2026);
	const { site } = desk.open(filesOf(text), near, 0);
	assert.deepEqual(site.problems, [], 'nothing keeps it from being drawn');
	const told = desk.checked().map(({ code }) => code);
	assert.deepEqual(
		told,
		resolve(text).problems.map(({ code }) => code)
	);
	assert.deepEqual(desk.checked().map(({ code }) => code), told, 'asked again it is the same'); // prettier-ignore
	const edited = desk.change(
		[{ kind: 'edit', file: 'site.eave', from: 0, to: 0, insert: '// seed\n' }],
		near,
		0
	);
	assert.deepEqual(edited.site.problems.map(({ code }) => code), told); // prettier-ignore
});

test('the page in sight is told of first, once, and all of it once, at the end', () => {
	const desk = new Desk(2026);
	desk.open(filesOf(text), near, 0);
	const all = steps(desk, ['/p3']);
	const told = all.filter((step) => step.near);
	assert.equal(told.length, 1);
	assert.ok(all.findIndex((step) => step.near) < all.length - 1 || all.length === 1); // prettier-ignore
	const onNear = told[0]?.near?.findings ?? [];
	assert.ok(onNear.length > 0);
	for (const { on } of onNear) if (on.length > 0) assert.ok(on.some(({ page }) => page === '/p3'));
	assert.equal(all.filter((step) => step.all).length, 1);
	assert.ok(all.at(-1)?.all, 'it is the last thing that is told');
	for (const [index, step] of all.entries()) {
		assert.ok(step.gone >= (all[index - 1]?.gone ?? 0) && step.gone <= step.total);
	}
	assert.equal(all.at(-1)?.total, pages.length);
	const again = desk.findings.step(['/p3']);
	assert.deepEqual([again?.done, again?.all, again?.near], [true, undefined, undefined]);
});

test('in steps the same is found as at once, in the demo too', async () => {
	const demo = await readSitePath('demo');
	for (const files of [{ texts: new Map([['site.eave', text]]), assets: new Map() }, demo]) {
		const desk = new Desk(2026);
		desk.open({ texts: files.texts, assets: files.assets }, undefined, 0);
		const view = steps(desk, []).at(-1)?.all;
		const expected = new Map<string, number>();
		const site = checkSite(readSiteFiles(files));
		for (const { problem } of findingsOf(site).findings) {
			expected.set(problem.code, (expected.get(problem.code) ?? 0) + 1);
		}
		assert.deepEqual(codesOf(view), [...expected].map(([code, count]) => `${code} ${count}`).sort()); // prettier-ignore
	}
});

test('after an edit it begins anew, and what it says is of the text as it is now', () => {
	const desk = new Desk(2026);
	desk.open(filesOf(text), near, 0);
	const before = codesOf(steps(desk, []).at(-1)?.all);
	assert.ok(
		before.some((one) => one.startsWith('style-unused')),
		before.join()
	);
	const at = text.indexOf('.gone');
	desk.change(
		[{ kind: 'edit', file: 'site.eave', from: at, to: at + 5, insert: ':scope' }],
		near,
		0
	);
	const after = codesOf(steps(desk, []).at(-1)?.all);
	assert.ok(!after.some((one) => one.startsWith('style-unused')), after.join());
	const gone = before.filter((one) => !after.includes(one));
	assert.deepEqual(gone.filter((one) => !one.startsWith('style-unused')), []); // prettier-ignore
});
