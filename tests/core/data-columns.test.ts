import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { propose } from '../../src/core/edit/propose.ts';
import { decodeUtf8 } from '../../src/core/lib/utf8.ts';
import type { Command } from '../../src/core/model/command.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { dataViews } from '../../src/core/view-models/material/data-view.ts';
import { around, bodyOf, sound } from '../lib/site.ts';

/** A list as a table: columns are added, renamed wherever they are shown, and removed where nothing shows them. */

const list = '[\n\t{"slug": "kale", "name": "Kale"},\n\t{"slug": "bean", "name": "Bean"}\n]\n';
const text = around(`
data kinds from "kinds.json"
data towns from "towns.json"
part line(v) """<b>{v.name}</b>"""
route /all { piece a """{for x in data.kinds}{use line v=x}{if x.name is "Kale"}!{end}{end}""" }
route /x/:slug { each data.kinds by slug; piece a """<p>{item.name ?? "x.name"}</p>""" }`);

function site(part = 'v=x'): CheckedSite {
	return sound(text.replace('v=x', part), { 'kinds.json': list, 'towns.json': '[]' });
}

function made(before: CheckedSite, command: Command) {
	const proposal = propose(before, command);
	assert.ok(proposal.kind === 'edit', proposal.kind === 'refused' ? proposal.sentence : '');
	const { texts, assets } = applyChanges(before.reading.files, proposal.changes);
	const json = (path: string): string => decodeUtf8(assets.get(path) ?? new Uint8Array());
	const written = texts.get('site.eave') ?? '';
	const resolved = sound(
		written,
		Object.fromEntries([...assets.keys()].map((path) => [path, json(path)]))
	);
	return { written, json, resolved };
}

function refused(before: CheckedSite, command: Command): string {
	const proposal = propose(before, command);
	assert.ok(proposal.kind === 'refused');
	return proposal.sentence;
}

const kinds = { name: 'kinds', path: [] } as const;

test('a column is added to each member, and to a list without members its first', () => {
	const { json } = made(site(), { kind: 'add-column', ...kinds, column: 'sown' });
	assert.deepEqual(JSON.parse(json('kinds.json')), [
		{ slug: 'kale', name: 'Kale', sown: '' },
		{ slug: 'bean', name: 'Bean', sown: '' }
	]);
	const first = made(site(), { kind: 'add-column', name: 'towns', path: [], column: 'town' });
	assert.deepEqual(JSON.parse(first.json('towns.json')), [{ town: '' }]);
	const views = dataViews(first.resolved);
	assert.deepEqual(views[1]?.tables[0]?.columns, ['town']);
	assert.deepEqual(dataViews(site())[1]?.tables[0]?.columns, [], 'it is a table before it has any');
	assert.match(
		refused(site(), { kind: 'add-column', ...kinds, column: 'name' }),
		/column name already/
	);
	assert.match(
		refused(site(), { kind: 'add-column', ...kinds, column: 'a b' }),
		/cannot be a name/
	);
});

test('a column is renamed in each member and wherever it is shown, keeps its place, and the pages stay', () => {
	const before = site();
	const { written, json, resolved } = made(before, {
		kind: 'rename-column',
		...kinds,
		column: 'name',
		to: 'title'
	});
	assert.deepEqual(Object.keys(JSON.parse(json('kinds.json'))[0]), ['slug', 'title']);
	assert.match(written, /<b>\{v\.title\}<\/b>/);
	assert.match(written, /\{if x\.title is "Kale"\}/);
	assert.match(written, /\{item\.title \?\? "x\.name"\}/, 'words that read the same stay');
	assert.equal(bodyOf(resolved, '/all'), bodyOf(before, '/all'));
	const slug = made(before, { kind: 'rename-column', ...kinds, column: 'slug', to: 'short' });
	assert.match(slug.written, /each data\.kinds by short/);
});

test('what shows another list, too, keeps a column from being renamed; one that is shown is not removed', () => {
	const shared = sound(
		text.replace(
			'{for x in data.kinds}',
			'{for y in data.towns}{use line v=y}{end}{for x in data.kinds}'
		),
		{ 'kinds.json': list, 'towns.json': '[{"name": "Here"}]' }
	);
	assert.match(
		refused(shared, { kind: 'rename-column', ...kinds, column: 'name', to: 'title' }),
		/shows data\.towns\.\*\.name elsewhere/
	);
	assert.match(
		refused(site(), { kind: 'remove-column', ...kinds, column: 'name' }),
		/shown in 3 places/
	);
	const more = made(site(), { kind: 'add-column', ...kinds, column: 'idle' });
	const less = made(more.resolved, { kind: 'remove-column', ...kinds, column: 'idle' });
	assert.deepEqual(JSON.parse(less.json('kinds.json')), JSON.parse(list));
});

test('new data begins as a table with the columns that were said', () => {
	const { json, resolved } = made(site(), {
		kind: 'add-data',
		name: 'news',
		from: 'data/news.json',
		columns: ['title', 'date']
	});
	assert.deepEqual(JSON.parse(json('data/news.json')), [{ title: '', date: '' }]);
	const view = dataViews(resolved).find(({ name }) => name === 'news');
	assert.deepEqual(view?.tables[0]?.columns, ['title', 'date']);
});
