import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { columnsOf } from '../../src/core/sheet/columns.ts';
import { tilesIn } from '../../src/core/sheet/tiles.ts';

/** How the pages of the sheet stand beside each other. */

const columns = columnsOf([
	{ name: 'narrow', from: 0 },
	{ name: 'medium', from: 640 },
	{ name: 'wide', from: 1024 }
]);

test('drawings take the width there is', () => {
	for (const [room, perLine] of [
		[1000, 2],
		[1264, 3],
		[1904, 4]
	] as const) {
		const tiling = tilesIn(room, columns, 0.16);
		assert.equal(tiling.perLine, perLine);
		const used = tiling.perLine * tiling.width;
		assert.ok(room - used < perLine && used <= room, `${used} of ${room} px`);
		const drawn = tiling.drawings.reduce((sum, width) => sum + width, 0);
		assert.ok(tiling.width - drawn < 80, `${drawn} of ${tiling.width} px are drawings`);
	}
});

test('another size asked for is another number in a line', () => {
	const lines = [0.1, 0.16, 0.26].map((scale) => tilesIn(1264, columns, scale).perLine);
	assert.deepEqual(lines, [4, 3, 2]);
});

test('where only one may stand in a line, its drawings are larger, and no larger than is asked for', () => {
	for (const room of [720, 1000, 1264]) {
		const [one, many] = [tilesIn(room, columns, 0.16, 1), tilesIn(room, columns, 0.16)];
		assert.equal(one.perLine, 1);
		assert.ok(one.scale > many.scale, `${one.scale} of ${many.scale} in ${room} px`);
		assert.ok(one.scale <= 0.16 * 1.4);
	}
	// Where there is room for one anyway, that is all the same.
	assert.deepEqual(tilesIn(300, columns, 0.16, 1), tilesIn(300, columns, 0.16));
});

test('tiles never lie over each other, and only one that stands alone is wider than the room', () => {
	fc.assert(
		fc.property(
			fc.integer({ min: 200, max: 4000 }),
			fc.array(fc.integer({ min: 200, max: 4000 }), { minLength: 1, maxLength: 7 }),
			fc.constantFrom(0.1, 0.16, 0.26),
			(room, widths, asked) => {
				const tiling = tilesIn(room, columnsOf([], widths), asked);
				const inside = tiling.drawings.reduce((sum, width) => sum + width + 14, 32 - 14);
				assert.ok(tiling.width >= inside);
				assert.ok(tiling.scale > asked * 0.59 && tiling.scale <= asked * 1.4);
				if (tiling.perLine > 1) assert.ok(tiling.perLine * tiling.width <= room);
			}
		)
	);
});
