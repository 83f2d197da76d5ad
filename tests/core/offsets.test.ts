import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { layoutSheet } from '../../src/core/emit/css/sheets.ts';
import { PageLayout } from '../../src/core/geometry/page-layout.ts';
import { sizesByName } from '../judge/boxes/sizes.ts';
import { pageNamed, resolve } from '../lib/site.ts';

/** Columns that stay free: lines of the grid where what stands before is known, and the same places as ever. */
interface Card {
	readonly span: number;
	readonly offset: number;
	readonly newRow: boolean;
}

const site = (cards: readonly string[]): string => `site "T" { bands { narrow 0 } }
layout shell at / {
  arrange columns 12
  ${cards.map((said, at) => `region r${at} as div { height 10px; ${said} }`).join('\n  ')}
  region main as main { slot; show hidden }
}
route / { piece a """a""" }`;

const saying = ({ span, offset, newRow }: Card): string =>
	[`span ${span}`, ...(offset ? [`offset ${offset}`] : []), ...(newRow ? ['new-row'] : [])].join('; '); // prettier-ignore

/** What the sheet says of the columns of each region. */
function columnsIn(cards: readonly string[]): string[] {
	const { site: read, structure } = resolve(site(cards));
	const [shell] = read.layouts;
	assert.ok(shell);
	const { css } = layoutSheet(shell, read, structure);
	return cards.map((_, at) => {
		const rule = new RegExp(`\\.shell-r${at} \\{([^}]*)\\}`).exec(css)?.[1] ?? '';
		return [...rule.matchAll(/(?:grid-column|margin-inline-start): [^;]*/g)].join('; ');
	});
}

test('an offset is a line of the grid where it is known what stands before', () => {
	assert.deepEqual(columnsIn(['span 4', 'span 3; offset 1']), ['grid-column: span 4', 'grid-column: 6 / span 3']);
	assert.deepEqual(columnsIn(['span 1; offset 2']), ['grid-column: 3']);
	assert.deepEqual(columnsIn(['span 4; show hidden', 'span 3; offset 1']).at(1), 'grid-column: 2 / span 3');
	// In the row before there would be room at that line; what takes two rows, or is drawn in another order, is not followed.
	for (const before of ['span 2', 'span 4 by 2', 'span 4; order 2']) {
		assert.match(columnsIn([before, 'span 8; offset 3']).at(1) ?? '', before === 'span 2' ? /^grid-column: span 11; margin/ : /margin-inline-start/);
	}
}); // prettier-ignore

test('wherever boxes begin, they stand where rows filled one after the other have them', () => {
	const card = fc.record({
		span: fc.integer({ min: 1, max: 12 }),
		offset: fc.integer({ min: 0, max: 6 }),
		newRow: fc.boolean()
	});
	fc.assert(
		fc.property(fc.array(card, { minLength: 1, maxLength: 7 }), (all) => {
			const cards = all.map((one) => ({ ...one, span: Math.min(one.span, 12 - one.offset) }));
			const resolved = resolve(site(cards.map(saying)));
			const page = resolved.page(pageNamed(resolved, '/'));
			const layout = new PageLayout({
				page,
				site: resolved.site,
				sizes: sizesByName,
				open: new Set()
			});
			const placed = layout.boxesAt({ width: 1200, height: 800 });
			const places = cards.map((_, at) => {
				const box = placed.find(({ name }) => name.region === `r${at}`);
				return [box?.x, box?.y];
			});
			assert.deepEqual(places, filled(cards));
		}),
		{ numRuns: 60 }
	);
});

/** Left and top of each, px: columns of 100 px, rows of 10 px. */
function filled(cards: readonly Card[]): number[][] {
	let [column, row] = [0, 0];
	return cards.map(({ span, offset, newRow }) => {
		if ((newRow && column > 0) || column + span + offset > 12) [column, row] = [0, row + 1];
		const place = [(column + offset) * 100, row * 10];
		column += span + offset;
		return place;
	});
}
