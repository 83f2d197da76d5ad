import { loadLibraries } from '../../src/core/check/libraries.ts';
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { layerName } from '../../src/core/model/site.ts';
import { noTrial } from '../../src/core/model/trial.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { MeasuringQueue } from '../../src/workers/measuring-queue.ts';
import { Desk } from '../../src/workers/desk/desk.ts';
import { filesOf } from '../lib/desk.ts';
import { resolve } from '../lib/site.ts';

await loadLibraries();

/** Which pages are measured next, and which have to be again. */

const text = (home = 'home', frame = ''): string => `site "Queue" { bands { narrow 0 } }
layout f at / { ${frame} region main as main { slot } }
route / { title "Home"; piece a """<p>${home}</p>""" }
route /b { title "B"; piece a """<p>b</p>""" }
route /c/:name { title "C"; samples "one", "two"; piece a """<p>c</p>""" }
`;

/** All that is measured from now on, in its order. */
function measureAll(
	queue: MeasuringQueue,
	site: CheckedSite,
	near: readonly string[] = []
): string[] {
	const order: string[] = [];
	for (;;) {
		const next = queue.next(site, near);
		if (!next) return order;
		order.push(`${layerName(next.page)} ${next.address}`);
		queue.done(next, site);
	}
}

test('pages in sight come first, each page of a route has its turn, and then all are measured', () => {
	const queue = new MeasuringQueue();
	const site = resolve(text());
	assert.deepEqual(queue.count(site), { gone: 0, total: 4 });
	assert.deepEqual(measureAll(queue, site, ['/b']), ['/b /b', '/ /', '/c/:name /c/one', '/c/:name /c/two']); // prettier-ignore
	assert.deepEqual(queue.count(site), { gone: 4, total: 4 });
});

test('after an edit only those are measured again that it touches', () => {
	const queue = new MeasuringQueue();
	const site = resolve(text());
	measureAll(queue, site);
	const edited = (before: CheckedSite, now: string): CheckedSite => {
		const { texts, assets } = before.reading.files;
		const changed = new Map([...texts].map(([path]) => [path, now]));
		return checkSite(readSiteFiles({ texts: changed, assets }, before.reading));
	};
	const another = edited(site, text('another'));
	assert.deepEqual(measureAll(queue, another), ['/ /']);
	assert.equal(measureAll(queue, edited(another, text('another', 'gap 4px;'))).length, 4);
});

test('the desk says how many pages are measured, and tells what is found with it', () => {
	const desk = new Desk(2026);
	desk.open(filesOf(text()), undefined, 0);
	assert.deepEqual(desk.findings.step([])?.measured, { gone: 0, total: 4 });
	const next = desk.findings.nextToMeasure(['/b']);
	assert.equal(next?.address, '/b');
	assert.match(next?.html ?? '', />b<\/p>/);
	assert.deepEqual(desk.findings.measured('/b', '/b'), { gone: 1, total: 4 });
	assert.deepEqual(desk.findings.step([])?.measured, { gone: 1, total: 4 });
	assert.equal(desk.findings.measured('/gone', '/gone'), undefined);
});

test('of two states that are compared, each page that changed can be measured as it was and as it is', () => {
	const desk = new Desk(2026);
	desk.open(filesOf(text()), undefined, 0);
	const command = { columns: [{ name: '', width: 800 }], screen: { height: 800, scrollbar: 0 }, role: undefined, trial: noTrial }; // prettier-ignore
	assert.equal(desk.sheet.compare(filesOf(text('as it was')), undefined, command), undefined);
	let part = desk.sheet.compareOn();
	while (part && !part.done) part = desk.sheet.compareOn();
	assert.match(desk.sheet.comparedStage('/', 'before')?.html ?? '', /as it was/);
	assert.match(desk.sheet.comparedStage('/', 'after')?.html ?? '', />home<\/p>/);
	assert.equal(desk.sheet.comparedStage('/b', 'before'), undefined, 'it has not changed');
	assert.equal(desk.sheet.measureCompared('/', 'before', [800], command.screen)?.kind, 'asks');
	assert.equal(desk.sheet.comparedAgain('/', command)?.kind, 'changed');
});
