import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import {
	foundGroups,
	inFoundOrder,
	type Named
} from '../../src/core/view-models/words/found-order.ts';

/** What the field that finds everything lists, and in what order. */

const page = (name: string, says = 'a page'): Named => ({ group: 'pages', name, says });
const act = (name: string): Named => ({ group: 'what can be done', name, says: '' });
const thing = (name: string, says: string): Named => ({
	group: 'everything else with a name',
	name,
	says
});
const names = (found: readonly Named[]): string[] => found.map(({ name }) => name);

test('pages come first, then what can be done, then everything else', () => {
	const all = [thing('head', 'region of commons'), act('Lock head of commons'), page('/ahead')];
	assert.deepEqual(names(inFoundOrder(all, 'hea')), ['/ahead', 'Lock head of commons', 'head']);
	assert.deepEqual(names(inFoundOrder(all, '')), ['/ahead', 'Lock head of commons', 'head']);
});

test('what is called just so comes before all, whatever it is', () => {
	const all = [page('/head-office'), act('Lock head of commons'), thing('head', 'region')];
	assert.deepEqual(names(inFoundOrder(all, 'Head'))[0], 'head');
	assert.deepEqual(names(inFoundOrder([page('/a/visit'), page('/visit')], 'visit'))[0], '/visit');
});

test('a name that begins with the word comes before one that only has it', () => {
	const all = [thing('the-note', 'piece'), thing('note-well', 'piece'), thing('x', 'a note')];
	assert.deepEqual(names(inFoundOrder(all, 'note')), ['note-well', 'the-note', 'x']);
});

test('two thousand pages leave room for what else was found', () => {
	const pages = Array.from({ length: 2000 }, (_, at) => page(`/item-${at}`));
	const found = inFoundOrder([...pages, act('Remove item of shop')], 'item');
	assert.ok(names(found).includes('Remove item of shop'));
	assert.equal(inFoundOrder(pages, 'item').length, 40);
});

test('all words are needed, nothing else is listed, and groups keep together', () => {
	const one = fc.record({
		group: fc.constantFrom(...foundGroups),
		name: fc.string({ maxLength: 8 }),
		says: fc.string({ maxLength: 8 })
	});
	fc.assert(
		fc.property(fc.array(one), fc.string({ maxLength: 3 }), (all, words) => {
			const found = inFoundOrder(all, words);
			const asked = words.trim().toLowerCase().split(/\s+/).filter(Boolean);
			for (const { name, says } of found) {
				for (const word of asked) assert.ok(`${name} ${says}`.toLowerCase().includes(word));
			}
			const whole = asked.join(' ');
			const rest = found.filter(
				({ name }) => whole === '' || ![whole, `/${whole}`].includes(name.toLowerCase())
			);
			const order = rest.map(({ group }) => foundGroups.indexOf(group));
			assert.deepEqual(
				order,
				order.toSorted((a, b) => a - b)
			);
			assert.ok(found.every((shown) => all.includes(shown)));
		})
	);
});
