import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { noTrial } from '../../src/core/model/trial.ts';
import type { PageChange } from '../../src/core/changes/site-changes.ts';
import { Desk } from '../../src/workers/desk/desk.ts';
import type { SheetRequest } from '../../src/workers/sheets.ts';
import { filesOf } from '../lib/desk.ts';
import { runs } from '../lib/runs.ts';

/** Two states of a site held against each other, and pages drawn small, as the worker does both. */

interface State {
	/** px of the head that all pages have. */
	readonly head: number;
	/** Words by page. */
	readonly pages: Readonly<Record<string, string>>;
	/** Pages that sit under no layout. */
	readonly bare?: readonly string[];
}

const siteOf = ({ head, pages, bare = [] }: State): string =>
	[
		'site "Changes" { lang en; bands { narrow 0; wide 900 } }',
		'layout shell at / {',
		`  region head as header { height ${head}px; piece name """<b>Changes</b>""" }`,
		'  region main as main { slot }',
		'}',
		...Object.entries(pages).map(
			([page, words]) =>
				`route ${page} { title "Page"; ${bare.includes(page) ? 'under none; ' : ''}piece words """<p>${words}</p>""" }`
		)
	].join('\n');

const request: SheetRequest = {
	columns: [
		{ name: 'narrow', width: 360 },
		{ name: 'wide', width: 900 }
	],
	screen: { height: 800, scrollbar: 0 },
	role: undefined,
	trial: noTrial
};
const way = { scale: 0.2, depth: 1200, fold: 800 };
const now: State = { head: 50, pages: { '/': 'home', '/a': 'one', '/b': 'two' } };

function opened(state: State = now): Desk {
	const desk = new Desk(2026);
	desk.open(filesOf(siteOf(state)), undefined, 0);
	return desk;
}

/** All that became of pages from one state to what is open, in however many steps there was time for. */
function changes(desk: Desk, before: State, after?: State): readonly PageChange[] {
	const to = after && filesOf(siteOf(after));
	assert.equal(desk.sheet.compare(filesOf(siteOf(before)), to, request), undefined);
	const found: PageChange[] = [];
	for (let step = 0; step < 1000; step++) {
		const part = desk.sheet.compareOn();
		assert.ok(part && part.gone <= part.total);
		found.push(...part.changes);
		if (part.done) return found;
	}
	assert.fail('It has no end.');
}

const kinds = (found: readonly PageChange[]): Record<string, string> =>
	Object.fromEntries(found.map(({ page, kind }) => [page, kind]));

test('what stayed is not told, what came, went and changed is', () => {
	const desk = opened();
	assert.deepEqual(changes(desk, now), []);
	const before: State = { head: 50, pages: { '/': 'home', '/a': 'other', '/old': 'gone' } };
	assert.deepEqual(kinds(changes(desk, before)), {
		'/a': 'changed',
		'/b': 'added',
		'/old': 'removed'
	});
});

test('an edit of a frame is told for each page that it covers, with what moved, and through which layer', () => {
	const pages = { ...now.pages, '/bare': 'alone' };
	const desk = opened({ head: 50, pages, bare: ['/bare'] });
	const found = changes(desk, { head: 90, pages, bare: ['/bare'] });
	assert.deepEqual(kinds(found), { '/': 'changed', '/a': 'changed', '/b': 'changed' });
	for (const { page, screens } of found) {
		assert.deepEqual(
			screens.map(({ column }) => column.width),
			[360, 900],
			`${page} moves on both`
		);
		assert.ok(screens.every(({ moved }) => moved.length > 0));
	}
	assert.deepEqual(desk.sheet.changedThrough(['/', '/bare']), [['shell'], []]);
	const [narrow, wide, ...more] = desk.sheet.changeDrawings('/a', request, way) ?? [];
	assert.deepEqual(more, []);
	for (const svg of [narrow, wide]) assert.match(svg ?? '', /^<svg[^]*<\/svg>$/);
	assert.equal(desk.sheet.changeDrawings('/bare', request, way), undefined);
});

test('words alone move nothing where they take as much room, and are a change all the same', () => {
	const desk = opened();
	const [change, ...others] = changes(desk, { head: 50, pages: { ...now.pages, '/b': 'six' } });
	assert.deepEqual(others, []);
	assert.deepEqual([change?.page, change?.kind, change?.screens], ['/b', 'changed', []]);
	assert.deepEqual(desk.sheet.changedThrough(['/b']), [['/b']]);
});

test('a state with an error is not compared, and it is said why', () => {
	const desk = opened();
	const broken = filesOf(siteOf(now).replace('region main as main { slot }', ''));
	const sentence = desk.sheet.compare(broken, undefined, request);
	assert.match(sentence ?? '', /^One of the two has errors, so its pages cannot be drawn: .+\.$/);
	assert.match(desk.sheet.compare(filesOf(siteOf(now)), broken, request) ?? '', /has errors/);
});

test('two states that are not the open one are compared with each other alone', () => {
	const desk = opened();
	const [one, two]: State[] = [
		{ head: 10, pages: { '/': 'x' } },
		{ head: 10, pages: { '/': 'x', '/new': 'y' } }
	];
	assert.ok(one && two);
	assert.deepEqual(kinds(changes(desk, one, two)), { '/new': 'added' });
	assert.deepEqual(kinds(changes(desk, two, one)), { '/new': 'removed' });
});

test('pages are drawn in the order they are asked for, those that are gone are left out', () => {
	const desk = opened();
	const drawn = desk.sheet.drawings(['/b', '/gone', '/'], request, way);
	assert.deepEqual(
		drawn.map(({ row }) => row.page),
		['/b', '/']
	);
	for (const { drawings } of drawn) {
		assert.equal(drawings.length, request.columns.length);
		for (const svg of drawings) assert.match(svg, /^<svg[^]*<\/svg>$/);
	}
	const rows = desk.sheet.fileRows([{ page: '/a', alike: 3 }, { page: '/gone', alike: 0 }], request, way); // prettier-ignore
	assert.equal(rows.length, 1);
	assert.deepEqual(new Desk(2026).sheet.drawings(['/'], request, way), []);
	assert.equal(new Desk(2026).sheet.part(request, 0), undefined);
});

test('what is told from one state to another is told the other way round, with what came for what went (property)', () => {
	const state: fc.Arbitrary<State> = fc.record({
		head: fc.constantFrom(40, 60),
		pages: fc.dictionary(fc.constantFrom('/', '/a', '/b', '/c'), fc.constantFrom('one', 'two'), {
			minKeys: 1,
			noNullPrototype: true
		})
	});
	const turned = { added: 'removed', removed: 'added', changed: 'changed' } as const;
	const desk = opened();
	fc.assert(
		fc.property(state, state, (one, two) => {
			const there = changes(desk, one, two);
			const back = changes(desk, two, one);
			assert.deepEqual(
				kinds(back),
				kinds(there.map((change) => ({ ...change, kind: turned[change.kind] })))
			);
			// What has the same words under the same frame stays.
			for (const [page, words] of Object.entries(one.pages)) {
				const isSame = one.head === two.head && two.pages[page] === words;
				assert.equal(page in kinds(there), !isSame, page);
			}
		}),
		runs(40, 12)
	);
});
