import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { nestingOf, splitSizes, unbalancedAt } from '../../src/core/size/css-tokens.ts';

test('where CSS is not closed is found, whatever hides brackets', () => {
	for (const [css, at] of [
		['a { color: red }', undefined],
		['a { color: red', 2],
		['a } b', 2],
		['a[x="]"] { }', undefined],
		['a { content: "}" }', undefined],
		['a { content: "\\"" }', undefined],
		['a { content: "x }', 13],
		['a { content: "x\\" }', 13],
		['/* { */ a { }', undefined],
		['a { } /* {', 6],
		['a { } /*/', 6],
		['a { background: url(x.png) }', undefined],
		['a { background: url(x.png', 16],
		['a { background: url("x.png") }', undefined],
		['a { width: calc(1px + (2px) }', 28],
		['a { ) }', 4],
		['\\{ a', undefined]
	] as const) {
		assert.equal(unbalancedAt(css), at, css);
	}
});

test('values are parted by blanks, but not in brackets and texts', () => {
	assert.deepEqual(splitSizes('1px  calc(2px + 3px) var(--a, 4px)'), [
		'1px',
		'calc(2px + 3px)',
		'var(--a, 4px)'
	]);
	assert.deepEqual(splitSizes(' [a b] 1fr "x y" '), ['[a b]', '1fr', '"x y"']);
	assert.deepEqual(splitSizes(''), ['']);
});

test('brackets of any kind count as deep as they stand in each other', () => {
	const kinds = fc.constantFrom(['calc(', ')'], ['(', ')'], ['[', ']'], ['{', '}']);
	fc.assert(
		fc.property(fc.array(kinds, { maxLength: 40 }), (list) => {
			const open = list.map(([start]) => start).join('');
			const close = list
				.map(([, end]) => end)
				.reverse()
				.join('');
			assert.equal(nestingOf(`${open}1px${close} (a)`), Math.max(1, list.length));
			assert.equal(unbalancedAt(`${open}1px${close}`), undefined);
			if (list.length > 0) assert.notEqual(unbalancedAt(open), undefined);
		})
	);
});
