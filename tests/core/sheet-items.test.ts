import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import type { SheetGroup } from '../../src/core/sheet/groups.ts';
import { linesHeight, tileLines } from '../../src/core/sheet/tile-words.ts';
import type { Found, SheetRow } from '../../src/core/sheet/sheet-row.ts';
import { itemsIn, itemsOf, type SheetItem } from '../../src/core/sheet/sheet-items.ts';

/** How the pages of the sheet stand in lines, and what stands under each. */

function row(page: string, words: readonly string[] = [], found: readonly Found[] = []): SheetRow {
	return { page, kind: 'route', address: page, title: page, chain: [], regions: [], words, found, alike: '', estimated: false, framed: false }; // prettier-ignore
}

function group(key: string, ...stacks: readonly (readonly string[])[]): SheetGroup {
	return {
		key,
		title: key,
		chain: [],
		stacks: stacks.map(([first = '', ...others]) => ({
			first: row(first),
			others: others.map((page) => row(page))
		}))
	};
}

const pages = (items: readonly SheetItem[]): string[] =>
	items.flatMap((item) => (item.kind === 'row' ? [item.row.page] : []));

test('groups go on beside each other, each named where it begins, and once more where it goes on', () => {
	const items = itemsOf([group('one', ['/a'], ['/b'], ['/c']), group('two', ['/d'])], new Set(), 2, () => 100); // prettier-ignore
	const said = items.map((item) =>
		item.kind === 'row'
			? `${item.row.page} ${item.top + item.head} ${item.place}`
			: `${item.group.title}${item.goesOn ? ' goes on' : ''} ${item.span}`
	);
	assert.deepEqual(said, ['one 2', '/a 38 0', '/b 38 1', 'one goes on 1', '/c 176 0', 'two 1', '/d 176 1']); // prettier-ignore
});

test('what is alike stands behind the first until it is unfolded', () => {
	const stack = group('one', ['/a', '/b', '/c'], ['/d']);
	assert.deepEqual(pages(itemsOf([stack], new Set(), 3, () => 9)), ['/a', '/d']);
	const open = itemsOf([stack], new Set(['/a']), 3, () => 9);
	assert.deepEqual(pages(open), ['/a', '/b', '/c', '/d']);
});

test('every page stands once, lines do not overlap, and what is in sight is found', () => {
	fc.assert(
		fc.property(
			fc.array(fc.nat(5), { maxLength: 8 }),
			fc.integer({ min: 1, max: 5 }),
			fc.array(fc.integer({ min: 20, max: 300 }), { minLength: 1, maxLength: 9 }),
			fc.nat(2000),
			(sizes, perLine, heights, from) => {
				let count = 0;
				const groups = sizes.map((size, at) =>
					group(`g${at}`, ...Array.from({ length: size + 1 }, () => [`/p${count++}`]))
				);
				const items = itemsOf(groups, new Set(), perLine, ({ page }) => {
					return heights[Number(page.slice(2)) % heights.length] ?? 20;
				});
				assert.deepEqual(
					pages(items),
					Array.from({ length: count }, (_, at) => `/p${at}`)
				);
				const lines = [...new Set(items.map(({ top }) => top))].map((top) =>
					items.filter((item) => item.top === top)
				);
				let end = 0;
				for (const line of lines) {
					assert.equal(line[0]?.top, end);
					assert.ok(line.filter(({ kind }) => kind === 'row').length <= perLine);
					end += line[0]?.height ?? 0;
				}
				const seen = new Set(itemsIn(items, from, 400));
				for (const item of items) {
					if (item.top < from + 400 && item.top + item.height > from) assert.ok(seen.has(item));
				}
			}
		)
	);
});

test('under a page stands what was found, then what its widths disagree on', () => {
	const cut: Found = { severity: 'warning', sentence: 'Text is cut.' };
	const own = row('/a', ['side: from wide on'], [cut]);
	const found = (page: string): Found[] => (page === '/a' ? [cut] : [{ severity: 'error', sentence: 'Gone.' }]); // prettier-ignore
	assert.deepEqual(
		tileLines(own, [row('/b'), row('/c')], found).map(({ mark, text, on }) => [mark, text, on]),
		[
			['warning', 'Text is cut.', undefined],
			['error', 'Gone. (and 1 more of these)', '/b'],
			[undefined, 'side: from wide on', undefined]
		]
	);
	assert.deepEqual(
		tileLines(row('/x'), [], () => []).map(({ mark, text }) => [mark, text]),
		[
			['fine', 'nothing found'],
			[undefined, 'the same at every width drawn']
		]
	);
});

test('more than is read at once is counted', () => {
	const many = Array.from({ length: 7 }, (_, at): Found => ({ severity: 'hint', sentence: `Number ${at}.` })); // prettier-ignore
	const lines = tileLines(row('/a'), [], () => many).map(({ text }) => text);
	assert.deepEqual(lines.slice(0, 4), ['Number 0.', 'Number 1.', 'Number 2.', '4 more findings']);
});

test('longer words and less width take more room', () => {
	fc.assert(
		fc.property(fc.array(fc.string({ maxLength: 120 }), { minLength: 1 }), fc.integer({ min: 100, max: 600 }), (texts, width) => {
			const lines = texts.map((text) => ({ mark: undefined, text }));
			const height = linesHeight(lines, width);
			assert.ok(height >= texts.length * 17);
			assert.ok(linesHeight(lines, width * 2) <= height);
			assert.ok(linesHeight([...lines, { mark: 'error', text: 'x' }], width) > height);
		}) // prettier-ignore
	);
});
