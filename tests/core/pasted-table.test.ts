import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { pastedMembers } from '../../src/core/data/pasted-table.ts';
import { decodeUtf8 } from '../../src/core/lib/utf8.ts';
import { propose } from '../../src/core/edit/propose.ts';
import { around, resolve, sound } from '../lib/site.ts';

/** Tables and lists that are pasted become members of shared data. */

test('a table becomes a member for each row, by the names of its columns', () => {
	assert.deepEqual(pastedMembers('Crop\tSown in\tRows\nKale\tMay\t3\nPeas\t\t12'), [
		{ crop: 'Kale', 'sown-in': 'May', rows: 3 },
		{ crop: 'Peas', 'sown-in': '', rows: 12 }
	]);
	assert.deepEqual(pastedMembers('crop,where\r\n"Beans, climbing",shed\r\nLeeks,"a ""b"""'), [
		{ crop: 'Beans, climbing', where: 'shed' },
		{ crop: 'Leeks', where: 'a "b"' }
	]);
	assert.deepEqual(pastedMembers('Ort\tOrt\t作物\nHof\tBeet\tx'), [
		{ ort: 'Hof', 'ort-2': 'Beet', 'column-3': 'x' }
	]);
	assert.deepEqual(pastedMembers('phone\tyear\n0171\t2026'), [{ phone: '0171', year: 2026 }]);
});

test('a list becomes a text for each line', () => {
	assert.deepEqual(pastedMembers('- Kale\n* Peas\n3. Leeks\n\n 7 \n'), [
		'Kale',
		'Peas',
		'Leeks',
		7
	]);
	assert.deepEqual(pastedMembers('Kale, red\nPeas'), ['Kale, red', 'Peas']);
	assert.deepEqual(pastedMembers('only one, with a comma'), ['only one, with a comma']);
	assert.equal(pastedMembers(' \n '), undefined);
});

test('a row with more cells than columns, or a quote that is not closed, says where', () => {
	assert.throws(() => pastedMembers('a\tb\n1\t2\t3'), /Row 2 has 3 cells, and the table 2 columns/);
	assert.throws(() => pastedMembers('a\tb\n"1\t2'), /Row \d cannot be read/);
});

test('whatever cells say, they come back as texts or as the numbers that they are', () => {
	const cell = fc.stringMatching(/^[a-zé ,;'.-]{0,8}$/).map((text) => text.trim());
	fc.assert(
		fc.property(fc.array(fc.tuple(cell, fc.integer()), { minLength: 1, maxLength: 6 }), (rows) => {
			const table = ['name\tcount', ...rows.map(([text, count]) => `${text}\t${count}`)].join('\n');
			assert.deepEqual(
				pastedMembers(table),
				rows.map(([name, count]) => ({ name, count }))
			);
		})
	);
});

test('pasted members are the file that is made; one that is there, and a URL, are left alone', () => {
	const site = sound(around(''));
	const proposal = propose(site, { kind: 'add-data', name: 'beds', from: 'data/beds.json', pasted: 'crop\trows\nKale\t3' }); // prettier-ignore
	assert.ok(proposal.kind === 'edit', JSON.stringify(proposal));
	const [put] = proposal.changes.flatMap((one) => (one.kind === 'put' ? [one] : []));
	assert.deepEqual(JSON.parse(decodeUtf8(put?.bytes ?? new Uint8Array())), [{ crop: 'Kale', rows: 3 }]); // prettier-ignore
	const refused = (from: string, pasted: string, files = {}): string => {
		const said = propose(resolve(around(''), files), {
			kind: 'add-data',
			name: 'beds',
			from,
			pasted
		});
		return said.kind === 'refused' ? said.sentence : '';
	};
	assert.match(refused('https://beds.example/x', 'Kale'), /this is a URL/);
	assert.match(
		refused('data/beds.json', 'Kale', { 'data/beds.json': '[]' }),
		/already: name another/
	);
	assert.match(refused('data/beds.json', 'a\tb\n1\t2\t3'), /Row 2 has 3 cells/);
});

test('words with as many commas in each line are a list, unless the first line names columns', () => {
	assert.deepEqual(pastedMembers('Peas, green\nBeans, brown'), ['Peas, green', 'Beans, brown']);
	const sentences = ['Come in, sit down.', 'Take one, bring one back.'];
	assert.deepEqual(pastedMembers(sentences.join('\n')), sentences);
	assert.deepEqual(pastedMembers('name, town\nAda, Leeds'), [{ name: 'Ada', town: 'Leeds' }]);
	assert.deepEqual(pastedMembers('Peas,green\nBeans,brown'), [{ peas: 'Beans', green: 'brown' }]);
});
