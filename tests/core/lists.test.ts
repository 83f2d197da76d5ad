import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import {
	readChoices,
	withChoices,
	type SheetChoices
} from '../../src/views/sheet/sheet-choices.ts';
import { windowed } from '../../src/views/shell/windowed.ts';
import { runs } from '../lib/runs.ts';

/** What views show of long lists, and what the address of the sheet says, without a screen. */

test('of a long list the rows that are seen are drawn, and the others keep their room', () => {
	assert.deepEqual(windowed(10, 24, 0, 200), { from: 0, to: 10, before: 0, after: 0 });
	const { from, to, before, after } = windowed(1000, 20, 4000, 300);
	assert.ok(from <= 200 && to >= 215, 'all rows from 4,000 to 4,300 px');
	assert.equal(before + (to - from) * 20 + after, 20_000);
	fc.assert(
		fc.property(fc.nat(3000), fc.integer({ min: 1, max: 60 }), fc.nat(100_000), fc.nat(2000), (count, row, scrolled, height) => {
			const shown = windowed(count, row, scrolled, height);
			assert.ok(0 <= shown.from && shown.from <= Math.max(shown.from, shown.to));
			assert.ok(shown.to <= count && shown.from <= count, 'also where it was scrolled further than it goes now');
			assert.equal(shown.before, shown.from * row);
			assert.equal(shown.after, (count - shown.to) * row);
			const isSeen = scrolled < count * row && height > 0 && count > 0;
			if (isSeen) assert.ok(shown.from * row <= scrolled && shown.to * row >= Math.min(scrolled + height, count * row));
		}),
		runs(200, 3)
	);
}); // prettier-ignore

const choices: fc.Arbitrary<SheetChoices> = fc.record({
	by: fc.constantFrom('chain', 'route'),
	size: fc.constantFrom('small', 'medium', 'large'),
	only: fc.constantFrom('', 'side', 'top-menu'),
	words: fc.string({ maxLength: 12 }),
	widths: fc.uniqueArray(fc.integer({ min: 200, max: 4000 }), { maxLength: 3 }),
	colours: fc.constantFrom('layouts', 'day', 'night')
});

test('what is chosen on the sheet stands in its address, and is read from it again', () => {
	fc.assert(
		fc.property(choices, (chosen) => {
			const url = withChoices(new URL('https://long-eave.example/sheet?route=/visit'), chosen);
			assert.deepEqual(readChoices(url), { ...chosen });
			assert.equal(url.searchParams.get('route'), '/visit', 'what else it says stays');
		}),
		runs(200, 4)
	);
	const plain = withChoices(new URL('https://long-eave.example/sheet?group=route&at=390'), {
		by: 'chain', size: 'medium', only: '', words: '', widths: [], colours: 'layouts'
	}); // prettier-ignore
	assert.equal(plain.search, '', 'what is so anyway is not said');
});

test('an address with what nobody could choose is read as if it did not say it', () => {
	const odd = new URL('https://long-eave.example/sheet?group=colour&size=huge&colours=red&at=12 390 x 99999');
	assert.deepEqual(readChoices(odd), {
		by: 'chain', size: 'medium', only: '', words: '', widths: [390], colours: 'layouts'
	});
}); // prettier-ignore
