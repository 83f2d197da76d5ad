import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { columnsOf } from '../../src/core/sheet/columns.ts';
import { groupings } from '../../src/core/sheet/groups.ts';
import {
	colourings,
	readChoices,
	sizes,
	withChoices
} from '../../src/views/sheet/sheet-choices.ts';
import { windowed } from '../../src/views/shell/windowed.ts';
import { sizeText } from '../../src/views/shell/size-text.ts';
import { isAlso } from '../../src/views/shell/controls/also.ts';
import { findingWord, measuredWords, widthWords } from '../../src/views/findings/finding-words.ts';

/** What views remember in addresses, and how they say numbers. */

const choices = fc.record({
	by: fc.constantFrom(...groupings),
	size: fc.constantFrom(...sizes.map(({ name }) => name)),
	only: fc.string({ maxLength: 12 }),
	words: fc.string({ maxLength: 12 }),
	widths: fc.uniqueArray(fc.integer({ min: 200, max: 4000 }), { maxLength: 4 }),
	colours: fc.constantFrom(...colourings)
});

test('what the sheet shows is in its address, and is read from it again', () => {
	fc.assert(
		fc.property(choices, (chosen) => {
			const url = withChoices(new URL('http://localhost/sheet?route=/a'), chosen);
			assert.deepEqual(readChoices(url), { ...chosen });
			assert.equal(url.searchParams.get('route'), '/a', 'what else it says stays');
		})
	);
});

test('an address that says what cannot be chosen counts as one that says nothing', () => {
	const url = new URL('http://localhost/sheet?group=colour&size=huge&at=12+900+x+9000&colours=no');
	const plain = readChoices(new URL('http://localhost/sheet'));
	assert.deepEqual(readChoices(url), { ...plain, widths: [900] });
	assert.equal(withChoices(url, plain).search, '');
});

test('a long list draws what is in sight, and keeps the room of all', () => {
	fc.assert(
		fc.property(
			fc.nat(5000),
			fc.integer({ min: 8, max: 400 }),
			fc.nat(400_000),
			fc.nat(2000),
			(count, rowHeight, scrolled, height) => {
				const { from, to, before, after } = windowed(count, rowHeight, scrolled, height);
				assert.ok(from >= 0 && to <= count);
				if (from <= to) assert.equal(before + (to - from) * rowHeight + after, count * rowHeight);
				for (let row = 0; row < count; row += 1 + Math.floor(count / 50)) {
					const inSight = row * rowHeight < scrolled + height && (row + 1) * rowHeight > scrolled;
					if (inSight) assert.ok(row >= from && row < to, `row ${row} of ${from} to ${to}`);
				}
				assert.ok(to - from <= height / rowHeight + 44, 'and hardly more');
			}
		)
	);
});

test('bytes are said as people read them', () => {
	assert.deepEqual([0, 1023, 1024, 1536, 5 * 1024 * 1024].map(sizeText), ['0 B', '1023 B', '1.0 kB', '1.5 kB', '5.0 MB']); // prettier-ignore
});

test('Shift, Ctrl and Cmd choose something beside what is chosen', () => {
	assert.deepEqual(
		[{}, { altKey: true }, { shiftKey: true }, { ctrlKey: true }, { metaKey: true }].map(isAlso),
		[false, false, true, true, true]
	);
});

test('widths are said as ranges of the screen, whole where they are all', () => {
	assert.equal(widthWords([]), 'at every width');
	assert.equal(widthWords([{ from: 280, to: 1760 }]), 'at every width');
	assert.equal(widthWords([{ from: 640, to: 640 }]), 'at 640 px');
	assert.equal(widthWords([{ from: 280, to: 599 }, { from: 900, to: 1760 }]), 'up to 599 px, from 900 px on'); // prettier-ignore
	assert.equal(widthWords([{ from: 300, to: 400 }]), 'from 300 to 400 px');
});

test('how many pages are measured is said, and that all are', () => {
	assert.equal(measuredWords({ gone: 1, total: 1 }), 'the page is measured');
	assert.equal(measuredWords({ gone: 3, total: 9 }), '3 of 9 pages measured');
	assert.equal(measuredWords({ gone: 9, total: 9 }), 'all 9 pages measured');
});

test('a finding has a word of its own in the address', () => {
	assert.equal(findingWord({ code: 'alt-missing', file: 'a.eave', line: 4 }), 'alt-missing@a.eave:4'); // prettier-ignore
});

test('a sheet has a screen for each breakpoint, and those that are asked for between them', () => {
	fc.assert(
		fc.property(fc.uniqueArray(fc.integer({ min: 300, max: 2000 }), { maxLength: 4 }), fc.uniqueArray(fc.integer({ min: 200, max: 4000 }), { maxLength: 4 }), (starts, further) => {
			const bands = [0, ...starts.toSorted((a, b) => a - b)].map((from, at) => ({ name: `b${at}`, from }));
			const columns = columnsOf(bands, further);
			const widths = columns.map(({ width }) => width);
			assert.deepEqual(widths, [...new Set(widths)].toSorted((a, b) => a - b));
			for (const width of further) assert.ok(widths.includes(width));
			for (const { name, width } of columns) {
				assert.equal(name, bands.findLast(({ from }) => from <= width)?.name ?? '');
			}
		}) // prettier-ignore
	);
});
