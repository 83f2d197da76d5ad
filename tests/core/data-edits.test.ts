import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { newMember } from '../../src/core/edit/content/data.ts';
import { propose } from '../../src/core/edit/propose.ts';
import { decodeUtf8 } from '../../src/core/lib/utf8.ts';
import type { Command } from '../../src/core/model/command.ts';
import type { SiteFiles } from '../../src/core/model/files.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { around, resolve, sound } from '../lib/site.ts';

/** Shared data is added, renamed and changed by commands: text and JSON go together, and nothing is lost on the way. */

const beans = '[\n\t{ "slug": "kale", "on": true },\n\t{ "slug": "bean", "on": false }\n]\n';
const text = around(`
data list from "list.json"
data numbers from "numbers.json"
data far from "https://seeds.example/far.json" { fresh 600s }
route /all { piece a """{for x in data.list}<b>{x.slug}</b>{end}{data.far.name ?? "none"}""" }
route /x/:slug { each data.list by slug; piece a """<p>{item.slug}</p>""" }`);
const json = {
	'list.json': beans,
	'numbers.json': '{ "deep": { "all": [1, 2] }, "word": "x" }',
	'copies/far.json': '{ "name": "Far" }'
};
const site = (): CheckedSite => sound(text, json);

interface Made {
	readonly text: string;
	/** The JSON of a file; undefined where it is not there. */
	json(path: string): unknown;
	readonly resolved: CheckedSite;
	/** What undoing gives. */
	readonly before: SiteFiles;
}

function make(before: CheckedSite, command: Command): Made {
	const proposal = propose(before, command);
	assert.ok(proposal.kind === 'edit', proposal.kind === 'refused' ? proposal.sentence : '');
	const made = applyChanges(before.reading.files, proposal.changes);
	const written = (path: string): string | undefined => {
		const bytes = made.assets.get(path);
		return bytes && decodeUtf8(bytes);
	};
	const others = [...made.assets.keys()].map((path) => [path, written(path) ?? ''] as const);
	const source = made.texts.get('site.eave') ?? '';
	return {
		text: source,
		json: (path) => (written(path) === undefined ? undefined : JSON.parse(written(path) ?? '')),
		resolved: withoutErrors(source, Object.fromEntries(others)),
		before: applyChanges(made, made.inverse)
	};
}

function refused(command: Command, before = site()): string {
	const proposal = propose(before, command);
	assert.ok(proposal.kind === 'refused', JSON.stringify(command));
	return proposal.sentence;
}

/** A site without errors; of a source that was never asked there is a warning. */
function withoutErrors(source: string, others: Readonly<Record<string, string>>): CheckedSite {
	const resolved = resolve(source, others);
	assert.deepEqual(
		resolved.problems.filter(({ severity }) => severity === 'error'),
		[]
	);
	return resolved;
}

/** Undoing gives every file back, to the byte. */
function undoes({ before }: Made, first: CheckedSite): void {
	const { texts, assets } = first.reading.files;
	assert.deepEqual(new Map([...before.texts].sort()), new Map([...texts].sort()));
	assert.deepEqual(new Map([...before.assets].sort()), new Map([...assets].sort()));
}

test('a source that is a file is made with it, empty, with columns, or with what was pasted', () => {
	const first = site();
	const empty = make(first, { kind: 'add-data', name: 'towns', from: 'data/towns.json' });
	assert.match(empty.text, /\ndata far from [^\n]*\ndata towns from "data\/towns\.json"\n/);
	assert.deepEqual(empty.json('data/towns.json'), []);
	undoes(empty, first);
	const columns = make(first, { kind: 'add-data', name: 'towns', from: 't.json', columns: ['name', 'day'] }); // prettier-ignore
	assert.deepEqual(columns.json('t.json'), [{ name: '', day: '' }]);
	const pasted = make(first, { kind: 'add-data', name: 'towns', from: 't.json', pasted: 'name\tday\nAshby\t3\nMarrow\t4' }); // prettier-ignore
	assert.deepEqual(pasted.json('t.json'), [{ name: 'Ashby', day: 3 }, { name: 'Marrow', day: 4 }]); // prettier-ignore
	undoes(pasted, first);
});

test('a source takes a file that is there as it is, and a URL makes none', () => {
	const first = site();
	const same = make(first, { kind: 'add-data', name: 'again', from: 'list.json' });
	assert.deepEqual(same.json('list.json'), JSON.parse(beans));
	const url = make(first, { kind: 'add-data', name: 'away', from: 'https://seeds.example/a.json' });
	assert.deepEqual([...url.resolved.reading.files.assets.keys()].sort(), Object.keys(json).sort());
});

test('the first source of a site stands behind the site itself', () => {
	const bare = sound(around(''));
	const made = make(bare, { kind: 'add-data', name: 'list', from: 'list.json' });
	assert.match(made.text, /^site "Test".*\n+data list from "list\.json"\n+layout outer/);
});

test('what cannot be a source is refused with what to do', () => {
	const add = (name: string, from: string, more = {}): string =>
		refused({ kind: 'add-data', name, from, ...more });
	assert.match(add('list', 'other.json'), /data source list already/);
	assert.match(add('towns', 'towns.csv'), /neither a URL nor a JSON file, such as data\/towns\.json/); // prettier-ignore
	assert.match(add('two words', 'a.json'), /name/);
	assert.match(add('towns', 'list.json', { columns: ['a'] }), /file list\.json already/);
	assert.match(add('towns', 'https://a.example/a', { pasted: 'a\n1' }), /this is a URL/);
});

test('a renamed source is renamed wherever it is named, with the copy of what it gives', () => {
	const first = site();
	const made = make(first, { kind: 'rename-data', name: 'far', to: 'near' });
	assert.match(made.text, /data near from "https:.*\{data\.near\.name \?\? "none"\}/s);
	assert.equal(made.json('copies/far.json'), undefined);
	assert.deepEqual(made.json('copies/near.json'), { name: 'Far' });
	undoes(made, first);
	const list = make(first, { kind: 'rename-data', name: 'list', to: 'kinds' });
	assert.doesNotMatch(list.text, /data\.list|data list/);
	assert.match(list.text, /each data\.kinds by slug/);
	assert.match(refused({ kind: 'rename-data', name: 'list', to: 'far' }), /far already/);
	assert.match(refused({ kind: 'rename-data', name: 'gone', to: 'a' }), /no data source gone/);
});

test('a source that nothing uses goes and leaves its file; one that is used stays', () => {
	const first = site();
	const made = make(first, { kind: 'remove-data', name: 'numbers' });
	assert.doesNotMatch(made.text, /numbers/);
	assert.deepEqual(made.json('numbers.json'), JSON.parse(json['numbers.json']));
	undoes(made, first);
	assert.match(refused({ kind: 'remove-data', name: 'list' }), /used in 2 places/);
	assert.match(refused({ kind: 'remove-data', name: 'far' }), /used in 1 place:/);
});

test('what a source says of itself is said anew and taken back', () => {
	const first = site();
	const longer = make(first, { kind: 'set-data', name: 'far', part: 'fresh', value: '7200s' });
	assert.match(longer.text, /fresh 7200s/);
	undoes(longer, first);
	const back = make(longer.resolved, { kind: 'set-data', name: 'far', part: 'fresh', value: undefined }); // prettier-ignore
	assert.doesNotMatch(back.text, /fresh/);
	const moved = make(first, { kind: 'set-data', name: 'numbers', part: 'from', value: 'list.json' }); // prettier-ignore
	assert.match(moved.text, /data numbers from "list\.json"/);
	assert.match(refused({ kind: 'set-data', name: 'far', part: 'from', value: '' }), /a file or a URL/); // prettier-ignore
});

test('one value is changed where it stands, however deep, and taken away; all around it stays as it is written', () => {
	const first = site();
	const set = make(first, { kind: 'set-value', name: 'numbers', path: ['deep', 'all', 1], value: 7 }); // prettier-ignore
	assert.equal(
		decodeUtf8(set.resolved.reading.files.assets.get('numbers.json') ?? new Uint8Array()),
		'{ "deep": { "all": [1, 7] }, "word": "x" }'
	);
	undoes(set, first);
	const gone = make(first, { kind: 'set-value', name: 'numbers', path: ['word'], value: undefined }); // prettier-ignore
	assert.deepEqual(gone.json('numbers.json'), { deep: { all: [1, 2] } });
	assert.match(refused({ kind: 'set-json', name: 'numbers', text: '{\n "a": }' }), /line 2, column 7/); // prettier-ignore
});

test('a new member is like the last one, and what is no list gets none', () => {
	const first = site();
	const number = make(first, { kind: 'add-member', name: 'numbers', path: ['deep', 'all'] });
	assert.deepEqual(number.json('numbers.json'), { deep: { all: [1, 2, 0] }, word: 'x' });
	const twice = make(make(first, { kind: 'add-member', name: 'list', path: [] }).resolved, { kind: 'add-member', name: 'list', path: [] }); // prettier-ignore
	assert.deepEqual(twice.json('list.json'), [{ slug: 'kale', on: true }, { slug: 'bean', on: false }, { slug: 'new', on: false }, { slug: 'new-2', on: false }]); // prettier-ignore
	assert.match(refused({ kind: 'add-member', name: 'numbers', path: ['word'] }), /data\.numbers\.word is not a list/); // prettier-ignore
});

test('a member that is added has the keys of the last, and texts that no other has (property)', () => {
	const value = fc.oneof(fc.constantFrom('new', 'new-2', 'kale'), fc.integer(), fc.boolean(), fc.constant(null), fc.array(fc.integer(), { maxLength: 2 })); // prettier-ignore
	const member = fc.dictionary(fc.constantFrom('slug', 'name', 'on'), value, { noNullPrototype: true }); // prettier-ignore
	fc.assert(
		fc.property(fc.array(member, { minLength: 1, maxLength: 5 }), (members) => {
			const made = newMember(members);
			assert.ok(typeof made === 'object' && made !== null);
			const last = members.at(-1) ?? {};
			assert.deepEqual(Object.keys(made), Object.keys(last));
			for (const [key, one] of Object.entries(made)) {
				if (typeof one !== 'string') continue;
				assert.ok(!members.some((other) => other[key] === one));
			}
		})
	);
});

test('a copy that nobody has asked for yet cannot be changed by hand', () => {
	const { 'copies/far.json': _, ...others } = json;
	assert.match(
		refused({ kind: 'set-value', name: 'far', path: ['name'], value: 'x' }, withoutErrors(text.replace('{data.far.name ?? "none"}', ''), others)), // prettier-ignore
		/no file copies\/far\.json to change/
	);
});
