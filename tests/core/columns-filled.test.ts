import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { lookOver } from '../lib/findings.ts';

/** Spans in columns: a hole in a row is told where it looks like a slip, and not where it is drawn on purpose. */
const site = (columns: number, cards: readonly string[]): string => {
	const pieces = cards.map((said, at) => `piece card${at} { ${said}; pad 1px } """<p>Seed</p>"""`);
	return `site "Seed library" { lang en; bands { narrow 0; wide 1000 } }
layout frame at / {
  description "Seed that is lent."
  region main as main { arrange columns ${columns}; slot }
}
route / { title "Home"; piece head """<h1>Seed</h1>"""; ${pieces.join('; ')} }`;
};

const told = (columns: number, cards: readonly string[]): string[] =>
	lookOver(site(columns, cards)).findings.flatMap(({ problem }) =>
		problem.code === 'row-not-full' ? [problem.details.slice(2).join(' | ')] : []
	);

test('a hole in a row is told once, with how much of it is free', () => {
	assert.deepEqual(told(12, ['span 7', 'span 6']), ['card0 | card1 | 6 | 5']);
	assert.deepEqual(told(5, ['span 2', 'span 2', 'span 2']), ['card0, card1 | card2 | 2 | 1']);
	assert.deepEqual(told(12, ['span 5', 'offset 1; span 7']), ['card0 | card1 | 8 | 7']);
	assert.deepEqual(told(12, ['span 4 @wide; span 12', 'span 9 @wide; span 12']), ['card0 | card1 | 9 | 8']);
}); // prettier-ignore

test('a hole that is meant is not told', () => {
	// A column of equal boxes, a row that says itself where it begins, one over all, the last row, a box of two rows.
	assert.deepEqual(told(12, ['span 8', 'span 8', 'span 8']), []);
	assert.deepEqual(told(12, ['span 7', 'span 6; new-row']), []);
	assert.deepEqual(told(12, ['span 8', 'pad 2px', 'span 6', 'span 6']), []);
	assert.deepEqual(told(3, ['span 1', 'span 1', 'span 1', 'span 1']), []);
	assert.deepEqual(told(3, ['span 2 by 2', 'span 1', 'span 1', 'span 2', 'span 2']), []);
	assert.deepEqual(told(12, ['span 7', 'span 6; show hidden']), []);
});

test('rows that are full are never told, however they come about', () => {
	const row = fc.constantFrom(['span 12'], ['span 6', 'span 6'], ['span 5', 'offset 2; span 5'], ['span 3', 'span 4', 'span 5']); // prettier-ignore
	fc.assert(
		fc.property(fc.array(row, { maxLength: 6 }), (rows) => {
			assert.deepEqual(told(12, rows.flat()), []);
		}),
		{ numRuns: 25 }
	);
});
