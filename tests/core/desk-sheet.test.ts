import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { noTrial } from '../../src/core/model/trial.ts';
import type { SheetRow } from '../../src/core/sheet/sheet-row.ts';
import { Desk } from '../../src/workers/desk/desk.ts';
import type { SheetRequest } from '../../src/workers/sheets.ts';
import { filesOf } from '../lib/desk.ts';
import { runs } from '../lib/runs.ts';

/** All pages in miniature, row by row: each is worked out once, and again only where something of it is another. */

/** A site whose pages are told apart by their words; `wide` pages hold something that does not fit a narrow screen. */
function siteOf(pages: readonly { readonly name: string; readonly words: string; readonly wide?: boolean }[], head = 40): string {
	return [
		'site "Sheet" { lang en; roles { visitor; keeper }; bands { narrow 0; wide 900 } }',
		'layout shell at / {',
		`  region head as header { height ${head}px; piece name """<b>Sheet</b>"""; piece tools for keeper """<b>Keeper</b>""" }`,
		'  region main as main { slot }',
		'}',
		...pages.map(
			({ name, words, wide }) =>
				`route ${name} { title "${words}"; piece words """<h1>${words}</h1>"""${wide === true ? '; piece plan """<div style="width: 700px">Plan</div>"""' : ''} }`
		),
		'state not-found at / { title "Gone"; piece words """<h1>Gone</h1>""" }'
	].join('\n');
} // prettier-ignore

const request: SheetRequest = {
	columns: [
		{ name: 'narrow', width: 360 },
		{ name: 'wide', width: 900 }
	],
	screen: { height: 800, scrollbar: 0 },
	role: undefined,
	trial: noTrial
};
const way = { scale: 0.2, depth: 1000, fold: 800 };
const three = [
	{ name: '/', words: 'Home' },
	{ name: '/a', words: 'Beans' },
	{ name: '/b', words: 'Kale' }
];

function opened(text = siteOf(three)): Desk {
	const desk = new Desk(2026);
	const { site } = desk.open(filesOf(text), undefined, 0);
	assert.deepEqual(site.problems.filter(({ severity }) => severity === 'error'), []); // prettier-ignore
	return desk;
}

interface AllRows {
	readonly rows: readonly SheetRow[];
	readonly made: number;
	readonly changed: readonly string[];
}

/** All rows, in however many parts there was time for. */
function rowsOf(desk: Desk, asked = request): AllRows {
	const rows: SheetRow[] = [];
	const changed: string[] = [];
	let [from, made]: [number | undefined, number] = [0, 0];
	while (from !== undefined) {
		const part = desk.sheet.part(asked, from);
		assert.ok(part);
		assert.ok(part.next === undefined || part.next > from, 'it goes on');
		rows.push(...part.rows);
		changed.push(...part.changed);
		made += part.made;
		assert.ok(rows.length <= part.total);
		from = part.next;
	}
	return { rows, made, changed };
}

const names = ({ rows }: AllRows): string[] => rows.map(({ page }) => page);

/** Puts a text in the place of the open one, as typing would. */
function retype(desk: Desk, before: string, after: string, number: number): void {
	desk.change(
		[{ kind: 'edit', file: 'site.eave', from: 0, to: before.length, insert: after }],
		undefined,
		number
	);
}

test('every route and state is a row, with its title, its layouts and its regions', () => {
	const all = rowsOf(opened());
	assert.deepEqual(names(all), ['/', '/a', '/b', 'not-found at /']);
	assert.deepEqual(all.rows.map(({ kind }) => kind), ['route', 'route', 'route', 'state']); // prettier-ignore
	const [home] = all.rows;
	assert.deepEqual([home?.title, home?.chain, home?.regions], ['Home', ['shell'], ['head', 'main']]); // prettier-ignore
	assert.deepEqual([home?.framed, home?.estimated], [false, true]);
});

test('rows are worked out once: asked again, none is made; after an edit of one page, that one', () => {
	const before = siteOf(three);
	const desk = opened(before);
	assert.equal(rowsOf(desk).made, 4);
	assert.deepEqual([rowsOf(desk).made, rowsOf(desk).changed], [0, []]);
	const after = before.replace('<h1>Kale</h1>', '<h1>Leek, and much more of it</h1>');
	retype(desk, before, after, 0);
	const again = rowsOf(desk);
	assert.deepEqual([again.made, again.changed], [1, ['/b']]);
	// An edit of the frame is one of every page in it.
	const taller = after.replace('height 40px', 'height 90px');
	retype(desk, after, taller, 1);
	assert.deepEqual(rowsOf(desk).changed, ['/', '/a', '/b', 'not-found at /']);
});

test('other screens, visitors and contents are rows of their own, and the first stay known', () => {
	const desk = opened();
	rowsOf(desk);
	for (const other of [
		{ ...request, columns: [{ name: 'wide', width: 1280 }] },
		{ ...request, screen: { height: 600, scrollbar: 15 } },
		{ ...request, role: 'keeper' },
		{ ...request, trial: { ...noTrial, content: 'long' as const } }
	]) {
		const { made, changed } = rowsOf(desk, other);
		assert.deepEqual([made, changed], [4, []], JSON.stringify(other));
	}
	assert.equal(rowsOf(desk).made, 0);
});

test('pages that draw alike have the same word, and one with other content another', () => {
	const desk = opened(
		siteOf([
			{ name: '/a', words: 'Beans' },
			{ name: '/b', words: 'Beans' },
			{ name: '/c', words: 'Beans', wide: true }
		])
	);
	const [a, b, c] = rowsOf(desk).rows.map(({ alike }) => alike);
	assert.equal(a, b);
	assert.notEqual(a, c);
});

test('drawings are one for each screen, of pages that are there, in the order asked for', () => {
	const { sheet } = opened();
	const drawn = sheet.drawings(['/b', '/gone', '/'], request, way);
	assert.deepEqual(drawn.map(({ row }) => row.page), ['/b', '/']); // prettier-ignore
	for (const { row, drawings } of drawn) {
		assert.equal(drawings.length, 2);
		for (const [index, svg] of drawings.entries()) {
			assert.match(svg, /^<svg/);
			const { width } = request.columns[index] ?? {};
			assert.ok(svg.includes(`${row.page} at ${width} px`), svg.slice(0, 200));
		}
	}
	const files = sheet.fileRows([{ page: '/a', alike: 3 }, { page: '/gone', alike: 0 }], request, way); // prettier-ignore
	assert.equal(files.length, 1);
	assert.match(JSON.stringify(files), /3/);
});

test('what does not fit is told by guesses of the pages that were asked for, and nothing of one that is gone', () => {
	const { sheet } = opened(siteOf([...three, { name: '/wide', words: 'Plan', wide: true }]));
	const { columns: _, ...asked } = request;
	const found = sheet.guessedMisfits(['/wide', '/a', '/gone'], asked);
	assert.equal(found.length, 3);
	assert.ok((found[0]?.length ?? 0) > 0, 'the plan is wider than a narrow screen');
	assert.deepEqual(found.slice(1), [[], []]);
});

test('where a frame of own markup is around a page, no boxes are guessed', () => {
	const framed = `site "Framed" { lang en; bands { narrow 0; wide 900 } }
layout own at / { frame """<div>{slot}</div>""" }
route / { title "Home"; piece words """<h1>Home</h1>""" }
`;
	const { sheet } = opened(framed);
	const [row] = sheet.part(request, 0)?.rows ?? [];
	assert.equal(row?.framed, true);
	const { columns: _, ...asked } = request;
	assert.deepEqual(sheet.guessedMisfits(['/'], asked), [undefined]);
});

test('without a site there is no sheet', () => {
	const { sheet } = new Desk(2026);
	assert.equal(sheet.part(request, 0), undefined);
	assert.deepEqual([sheet.drawings(['/'], request, way), sheet.fileRows([{ page: '/', alike: 0 }], request, way)], [[], []]); // prettier-ignore
	const { columns: _, ...asked } = request;
	assert.deepEqual(sheet.guessedMisfits(['/'], asked), []);
});

test('after whatever edits, the rows are those of a desk that has seen nothing before (property)', () => {
	const page = fc.record({
		name: fc.constantFrom('/', '/a', '/b', '/c'),
		words: fc.constantFrom('Home', 'Beans', 'Kale'),
		wide: fc.boolean()
	});
	const state = fc
		.record({
			pages: fc.uniqueArray(page, { minLength: 1, maxLength: 4, selector: ({ name }) => name }),
			head: fc.constantFrom(40, 90)
		})
		.map(({ pages, head }) => siteOf(pages, head));
	fc.assert(
		fc.property(fc.array(state, { minLength: 2, maxLength: 4 }), ([first = '', ...others]) => {
			const desk = opened(first);
			rowsOf(desk);
			let text = first;
			for (const [number, next] of others.entries()) {
				retype(desk, text, next, number);
				text = next;
				assert.deepEqual(rowsOf(desk).rows, rowsOf(opened(text)).rows);
			}
		}),
		runs(30, 4411)
	);
});
