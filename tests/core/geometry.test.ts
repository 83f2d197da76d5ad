import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { estimateSize } from '../../src/core/geometry/pieces/estimate.ts';
import { runSize } from '../../src/core/geometry/pieces/piece-size.ts';
import { metricsSchema, sizesFrom } from '../../src/core/geometry/pieces/metrics.ts';
import { Sweep } from '../../src/core/geometry/widths/sweep.ts';
import { jumpWidths, sweepFrom, sweepTo } from '../../src/core/geometry/widths/jumps.ts';
import { PageLayout, type PlacedBox } from '../../src/core/geometry/page-layout.ts';
import { sizesByName } from '../judge/boxes/sizes.ts';
import { boxesOf, columnsAt, oneLayout, placedOf } from '../lib/boxes.ts';
import { pageNamed } from '../lib/site.ts';
import { runs } from '../lib/runs.ts';

/** Numbers here are worked out by hand from the specification named at each case. */

test('tracks: each kind of size (CSS Grid Layout 2, section 11)', () => {
	const cases: [string, string[], number, number[]][] = [
		['100px 20%', ['fix-10-1', 'fix-10-1'], 500, [100, 100]],
		['1fr 2fr', ['fix-10-1', 'fix-10-1'], 300, [100, 200]],
		// 11.7.1: a flexible track is never smaller than its content; the others share the rest.
		['1fr 1fr', ['fix-200-1', 'fix-10-1'], 300, [200, 100]],
		['minmax(0, 1fr) minmax(0, 1fr)', ['fix-200-1', 'fix-10-1'], 300, [150, 150]],
		// Factors below one leave the rest free.
		['0.2fr 0.3fr', ['fix-1-1', 'fix-1-1'], 1000, [200, 300]],
		['min-content 1fr', ['run-4-30-1', 'fix-1-1'], 400, [30, 370]],
		['max-content 1fr', ['run-4-30-1', 'fix-1-1'], 400, [120, 280]],
		// 11.6: both grow from 30 and 10 by equal parts, up to 120 and 200.
		['minmax(min-content, max-content) minmax(10px, 200px)', ['run-4-30-1', 'fix-1-1'], 200, [110, 90]],
		['minmax(min-content, max-content) minmax(10px, 200px)', ['run-4-30-1', 'fix-1-1'], 800, [120, 200]],
		// 7.2.1: as max-content, but no larger than the limit.
		['fit-content(90px) 1fr', ['run-4-30-1', 'fix-1-1'], 400, [90, 310]],
		['fit-content(50%) 1fr', ['run-4-30-1', 'fix-1-1'], 400, [120, 280]],
		// 11.8: auto tracks share what is left.
		['auto auto', ['fix-100-1', 'fix-40-1'], 300, [180, 120]],
		['repeat(2, 40px) 1fr', ['fix-1-1', 'fix-1-1', 'fix-1-1'], 300, [40, 40, 220]],
		// 7.2.3.2: as many as fit; auto-fit leaves no room for those that stay empty.
		['repeat(auto-fill, minmax(80px, 1fr))', ['fix-1-1', 'fix-1-1'], 400, [80, 80]],
		['repeat(auto-fit, minmax(80px, 1fr))', ['fix-1-1', 'fix-1-1'], 400, [200, 200]],
		['calc(100px + 10%) min(50%, 90px)', ['fix-1-1', 'fix-1-1'], 400, [140, 90]]
	]; // prettier-ignore
	for (const [columns, contents, width, expected] of cases) {
		assert.deepEqual(columnsAt(columns, contents, width), expected, `${columns} at ${width}`);
	}
	assert.deepEqual(columnsAt('1fr 1fr', ['fix-1-1', 'fix-1-1'], 320, '20px'), [150, 150]);
});

test('areas span tracks, and rows fill the screen (sections 8 and 11.7)', () => {
	const resolved = oneLayout(
		`height screen; arrange areas { "head head" auto; "menu main" 1fr; "foot foot" auto; columns 100px 1fr; gap 4px 6px }
		region head as header { piece fix-20-30 """x""" }; region menu as nav { piece fix-40-10 """x""" }
		region main as main { slot; pad 5px 7px }; region foot as footer { piece fix-20-25 """x""" }`
	);
	assert.deepEqual(boxesOf(resolved, 500), {
		f: '0 0 500 400',
		head: '0 0 500 30',
		'fix-20-30': '0 0 500 30',
		menu: '0 34 100 337',
		'fix-40-10': '0 34 100 10',
		main: '106 34 394 337',
		'fix-50-20': '113 39 380 20',
		foot: '0 375 500 25',
		'fix-20-25': '0 375 500 25'
	});
	// A page longer than the screen pushes the foot down, and does not stretch.
	assert.equal(boxesOf(resolved, 500, 50)['foot'], '0 68 500 25');
});

test('rows with shares below one take less of the height that they made up (section 11.7)', () => {
	// What spans them asks for 74.8 with the gaps: 10, and of the 61 px left 6.1 and 42.7. Of those 74.8 the shares
	// then leave: 5 as the slot is, 0.7 of 43.8, and what is left goes to the row that is as high as it likes.
	const resolved = oneLayout(
		`arrange areas { "head side" auto; "main side" 0.1fr; "foot side" 0.7fr; columns 2fr 1fr; gap 8px }
		region head as header { piece fix-20-10 """x""" }; region main as main { slot; max none 5px }
		region side as aside { piece fix-30-87 """x""" }; region foot as footer { piece fix-20-15 """x""" }`
	);
	const heights = placedOf(resolved, 280, 400)
		.filter(({ name }) => name.kind === 'region')
		.map(({ name, height }) => `${name.region} ${height.toFixed(2)}`);
	assert.deepEqual(heights, ['head 23.14', 'main 5.00', 'side 74.80', 'foot 30.66']);
});

test('columns N: spans, offsets, new rows and equal rows (section 8.5)', () => {
	const resolved = oneLayout(
		`arrange columns 4 rows 2 { gap 10px 20px }
		region a as div { span 2; piece fix-1-30 """x""" }; region b as div { span 1; offset 1; piece fix-1-10 """x""" }
		region c as div { span 1; new-row; piece fix-1-1 """x""" }; region d as main { slot; span 2 by 2 }; region e as div { piece fix-1-5 """x""" }`
	);
	const boxes = boxesOf(resolved, 460);
	// Four columns of 100 with three gaps of 20; the two rows are as tall as the taller one.
	assert.equal(boxes['a'], '0 0 220 30');
	assert.equal(boxes['b'], '360 0 100 30');
	assert.equal(boxes['c'], '0 40 100 30');
	assert.equal(boxes['d'], '120 40 220 40', 'over the second row, the gap, and an empty one');
	assert.equal(boxes['e'], '0 90 460 5', 'the whole width where no span is said');
});

test('lines: fill, hug, fixed, bounds, wrapping, justify and align (CSS Flexible Box 1, section 9)', () => {
	const row = (head: string, a: string, b: string, c: string): Record<string, string> =>
		boxesOf(
			oneLayout(
				`arrange row { ${head} }
				region a as div { ${a}; piece fix-40-10 """x""" }
				region b as div { ${b}; piece run-3-30-20 """x""" }
				region c as main { ${c}; slot }`
			),
			300
		);
	const places = (boxes: Record<string, string>): string[] => ['a', 'b', 'c'].map((name) => boxes[name] ?? '');
	// What fills shares all that the hug and the fixed leave.
	assert.deepEqual(places(row('', 'size hug', 'size fill', 'size 80px')), ['0 0 40 20', '40 0 180 20', '220 0 80 20']);
	assert.deepEqual(places(row('gap 10px', 'size fill', 'size fill 2', 'size 100px')), ['0 0 60 20', '70 0 120 20', '200 0 100 20']);
	// 4.5: nothing that fills gets smaller than its content, nor than its min.
	assert.deepEqual(places(row('', 'size fill; min 120px', 'size fill', 'size 160px')), ['0 0 120 60', '120 0 30 60', '150 0 160 60']);
	assert.deepEqual(places(row('', 'size fill; max 60px', 'size fill', 'size fill')), ['0 0 60 20', '60 0 120 20', '180 0 120 20']);
	// 9.7: without room, what hugs gets smaller in proportion to its size.
	assert.deepEqual(places(row('', 'size 150px', 'size hug', 'size 90px')), ['0 0 150 40', '150 0 60 40', '210 0 90 40']);
	// 9.3: a line ends where the next one would not fit.
	assert.deepEqual(places(row('wrap; gap 5px 10px', 'size 150px', 'size 120px', 'size 250px')), ['0 0 150 20', '160 0 120 20', '0 25 250 20']);
	assert.deepEqual(places(row('justify between; align center', '', '', '')), ['0 5 40 10', '100 0 90 20', '250 0 50 20']);
	assert.deepEqual(places(row('justify evenly; align end', '', '', '')), ['30 10 40 10', '100 0 90 20', '220 0 50 20']);
	assert.deepEqual(places(row('justify end', 'order 1', 'place-self start', '')), ['260 0 40 20', '120 0 90 20', '210 0 50 20']);
}); // prettier-ignore

test('a stack: what fills takes what is left of the screen, align places across', () => {
	const boxes = boxesOf(
		oneLayout(
			`height screen; arrange stack { gap 10px; align end }
			region a as div { piece fix-40-30 """x""" }; region b as main { slot; size fill; place-self stretch }
			region c as div { size 50px; piece fix-20-10 """x""" }`
		),
		300
	);
	assert.equal(boxes['a'], '260 0 40 30');
	assert.equal(boxes['b'], '0 40 300 300');
	assert.equal(boxes['c'], '280 350 20 50');
});

test('sizes of one box: padding, bounds, shares, contain and own scrolling', () => {
	const inside = (settings: string, width = 1000): Record<string, string> =>
		boxesOf(oneLayout(`region m as main { slot; ${settings} }`), width);
	assert.equal(inside('pad 10px 20px 30px 40px')['fix-50-20'], '40 10 940 20');
	assert.equal(inside('pad 5%')['m'], '0 0 1000 120', 'shares of padding are of the width around');
	assert.equal(inside('width 50%; max 300px')['m'], '0 0 300 20');
	assert.equal(inside('width 10%; min 240px 90px')['m'], '0 0 240 90');
	assert.equal(inside('width max-content')['m'], '0 0 50 20');
	assert.equal(inside('height 200px; max none 80px')['m'], '0 0 1000 80');
	assert.equal(inside('height screen')['m'], '0 0 1000 400');
	// The content is centred and no wider; with less room the padding holds.
	assert.equal(inside('contain 600px; pad 0 20px')['fix-50-20'], '200 0 600 20');
	assert.equal(inside('contain 600px; pad 0 20px', 500)['fix-50-20'], '20 0 460 20');
	const own = placedOf(
		oneLayout(
			'region m as main { slot; height 15px; scroll own }; region n as div { height 15px }'
		),
		30,
		400
	);
	const reach = (name: string): number[] => {
		const box = own.find((one) => one.name.kind === 'region' && one.name.region === name);
		return [box?.overflowX ?? -1, box?.overflowY ?? -1];
	};
	assert.deepEqual(reach('m'), [20, 5], 'what it scrolls');
	assert.deepEqual(reach('n'), [0, 0]);
	const page = own.find((one) => one.name.kind === 'layout');
	assert.deepEqual(
		[page?.overflowX, page?.overflowY],
		[0, 0],
		'and nothing sticks out of the page'
	);
});

test('bands by screen and by space, hidden regions, strips, drawers, overlap, and right to left', () => {
	const resolved = oneLayout(
		`arrange stack { }; arrange row @medium { }
		region a as nav { show drawer left 120px "Menu"; show in-place @medium; size 100px @medium; piece fix-10-10 """x""" }
		region b as main { slot; size fill @medium; pad var(--gap) }
		region c as div { show hidden; show in-place @wide; piece fix-30-30 """x""" }`
	);
	assert.equal(boxesOf(resolved, 599)['b'], '0 0 599 64', 'the opener stands in it, above the page');
	assert.equal(boxesOf(resolved, 599)['a'], undefined);
	assert.equal(boxesOf(resolved, 599, 400, ['a'])['a'], '0 0 120 400', 'open, it covers the height of the screen');
	assert.equal(boxesOf(resolved, 600)['b'], '100 0 500 40');
	assert.equal(boxesOf(resolved, 1000)['fix-50-20'], '130 30 810 20', 'and tokens go with the band');
	assert.equal(boxesOf(resolved, 1000)['c'], '970 0 30 80');

	const mirrored = oneLayout(
		'arrange row { }; region a as div { size 100px; pad 0 0 0 8px; piece fix-10-10 """x""" }; region m as main { slot; size fill }',
		'', 'dir rtl'
	);
	assert.equal(boxesOf(mirrored, 500)['a'], '400 0 100 20');
	assert.equal(boxesOf(mirrored, 500)['fix-10-10'], '400 0 92 10', 'the last padding is at the start of lines');

	const strip = oneLayout('region a as div { show strip; gap 5px; piece fix-90-10 """x"""; piece run-3-40-12 """x""" }; region m as main { slot }');
	assert.equal(boxesOf(strip, 150)['run-3-40-12'], '95 0 120 12', 'one line, however narrow');

	const over = oneLayout('region a as div { height 100px; overlap 30px }; region m as main { slot }');
	assert.equal(boxesOf(over, 300)['m'], '0 70 300 20');

	const space = oneLayout(
		'arrange areas { "side main"; columns 450px 1fr }; region side as div { }; region main as main { slot }', 'piece fix-5-5 """x"""'
	);
	assert.equal(boxesOf(space, 700)['main'], '450 0 250 5');
}); // prettier-ignore

test('a layout that measures its own space looks at the room it gets, not at the screen', () => {
	const text = `measure by space; arrange stack { }; arrange row @medium { }
		region a as div { piece fix-40-10 """x""" }; region m as main { slot }`;
	assert.equal(
		boxesOf(oneLayout(`max 500px; ${text}`), 900)['m'],
		'40 0 50 20',
		'the outermost gets the screen'
	);
});

test('what sticks at the bottom comes into view, and things stuck on one edge add up', () => {
	const resolved = oneLayout(
		`arrange stack { }; region a as div { height 40px; stick top }; region m as main { slot; min auto 900px }
		region z as div { height 30px; stick bottom }; region y as div { height 20px; stick bottom }`
	);
	const boxes = boxesOf(resolved, 300);
	assert.equal(boxes['y'], '0 380 300 20');
	assert.equal(boxes['z'], '0 350 300 30', 'above what sticks below it');
});

/** Widths of boxes by name, as one line. */
function widthsOf(layout: string, names: readonly string[], width: number, page = ''): string {
	const boxes = boxesOf(oneLayout(layout, page), width);
	return names.map((name) => boxes[name]?.split(' ')[2]).join(' ');
}

test('columns that repeat count by the bounds of a box that hugs (CSS Grid Layout 2, section 7.2.3.2)', () => {
	const hugging = (settings: string, columns: string): string => `arrange stack { align start }
		region r as div { ${settings}; arrange areas { "run-1-15-12" auto; columns ${columns}; gap 0 }
			piece run-1-15-12 """x""" }; region m as main { slot }`;
	const width = (settings: string, columns: string): number =>
		Number(widthsOf(hugging(settings, columns), ['r'], 280));
	// Shares are of the least width: 20 % of 7 px, cut to 64ths of a px, goes six times into it.
	assert.equal(width('min 7px', 'repeat(auto-fill, minmax(20%, 1fr))'), 90);
	assert.equal(width('min 150px', 'repeat(auto-fill, minmax(20%, 1fr))'), 150);
	assert.equal(width('min 50%', 'repeat(auto-fill, 120px)'), 240, 'two, to fill 140 px');
	assert.equal(width('max 200px', 'repeat(auto-fill, 60px)'), 180, 'as many as 200 px hold');
	assert.equal(width('', 'repeat(auto-fill, 60px)'), 60);
});

test('auto tracks share room by what each can grow; beside a flexible one, by what a set can in all', () => {
	const tracks = (columns: string): string =>
		widthsOf(
			`arrange areas { "fix-20-10 run-8-15-12 run-3-90-12 run-3-90-12" auto; columns ${columns}; gap 0 }
			region fix-20-10 as div { piece fix-20-10 """x""" }; region run-8-15-12 as div { piece run-8-15-12 """x""" }
			region run-3-90-12 as main { slot }`,
			['fix-20-10', 'run-8-15-12', 'run-3-90-12'],
			396,
			'piece run-3-90-12 """x"""'
		); // prettier-ignore
	assert.equal(tracks('20px'), '20 106 270');
	assert.equal(tracks('1fr'), '20.7 105.3 270');
});

test('a stack makes what is in it lower than its content, and its rows with it', () => {
	const shrunk = boxesOf(
		oneLayout(`wrapper o { max none 32px; arrange stack { }; wrapper w { min auto 0
			arrange areas { "a m" auto; gap 0 }; region a as div { min 0 0; piece fix-20-120 """x""" }
			region m as main { slot } } }`),
		300
	); // prettier-ignore
	assert.equal(shrunk['a'], '0 0 135 32');
	// Flexible Box Layout, section 9.7: both start from 90 px, and the wrapper may not be higher than 40.
	const strip = boxesOf(
		oneLayout(`max none 32px; arrange stack { }; region r as div { shrink 90px to 30px }
			wrapper s { show strip; max none 40px; region m as main { slot; min 0 90px } }`),
		300
	);
	assert.deepEqual([strip['r'], strip['s']], ['0 0 300 16', '0 16 300 16']);
});

test('borders take room as padding does, in whole px; sums below zero count as zero', () => {
	const slot = 'region m as main { slot }';
	const bordered = oneLayout(`border 1.8px 0.4px 3px; pad 10px; ${slot}`);
	// CSS Backgrounds 4, section 3.3: 1, 1 and 3 px.
	assert.equal(boxesOf(bordered, 400)['m'], '11 11 378 20');
	const negative = oneLayout(`pad 20px calc(50vw - 300px); ${slot}`);
	assert.equal(boxesOf(negative, 400)['m'], '0 20 400 20', 'CSS Values 4, section 10.12');
	assert.equal(boxesOf(negative, 800)['m'], '100 20 600 20');
});

test('what a ratio makes of a border widens a box, but not where a stack stretches it (CSS Box Sizing 4, section 5.2)', () => {
	const piece = 'piece fix-20-10 { border 128px; aspect 16 / 9 } """x"""';
	const inRegion = oneLayout(`region a as div { ${piece} }; region main as main { slot }`);
	const inStack = oneLayout(`region a as div { arrange stack; ${piece} }; region main as main { slot }`);
	const sizeIn = (resolved: typeof inStack): string | undefined => boxesOf(resolved, 280)['fix-20-10'];
	assert.deepEqual([sizeIn(inRegion), sizeIn(inStack)], ['0 0 455.1 266', '0 0 280 266']);
}); // prettier-ignore

test('a strip scrolls to behind its last piece and the padding after it (CSS Overflow 3, section 2.2)', () => {
	const strip = oneLayout(
		'region s as div { show strip; pad 10px 16px; gap 8px; piece fix-150-10 """x"""; piece fix-300-10 """x""" }; region m as main { slot }'
	);
	const [box] = placedOf(strip, 320, 400).filter(({ name }) => name.kind === 'region');
	assert.equal(box?.overflowX, 16 + 150 + 8 + 300 + 16 - 320);
});

test('a classic scrollbar is there where the page is taller than the screen, and takes room but from bands', () => {
	const resolved = oneLayout(
		'pad 0 10vw; region a as div { height 300px; height 500px @medium }; region m as main { slot }'
	);
	const content = { page: resolved.page(pageNamed(resolved, '/')), site: resolved.site, sizes: sizesByName, open: new Set<string>() }; // prettier-ignore
	const barred = new PageLayout({ ...content, scrollbar: 15 });
	const widthOf = (width: number): number | undefined =>
		barred.boxesAt({ width, height: 400 }).find(({ name }) => name.region === 'a')?.width;
	assert.equal(widthOf(500), 400, 'it is low enough');
	assert.equal(widthOf(600), 600 - 15 - 120, 'the band of 600 px, and a tenth of all of it');
});

test('a scrollbar along the foot takes from the height of the screen, and so can bring the one at the side', () => {
	const wide = (height: string): string => `height ${height}; region a as div { piece fix-900-10 """x""" }; region m as main { slot }`; // prettier-ignore
	const rootOf = (words: string): PlacedBox | undefined => {
		const resolved = oneLayout(words);
		const content = { page: resolved.page(pageNamed(resolved, '/')), site: resolved.site, sizes: sizesByName, open: new Set<string>() }; // prettier-ignore
		return new PageLayout({ ...content, scrollbar: 15 }).boxesAt({ width: 800, height: 400 })[0];
	};
	assert.equal(
		rootOf(wide('screen'))?.width,
		785,
		'as tall as the screen is too tall for what is left of it'
	);
	assert.equal(rootOf(wide('380px'))?.width, 800, 'there is room for the bar');
	assert.equal(rootOf(wide('390px'))?.width, 785);
	assert.equal(
		rootOf(wide('390px').replace('900', '790'))?.width,
		800,
		'it is not wider than the screen'
	);
});

test('a box without area counts among what stands in a scroller, with the padding behind it', () => {
	const flat = oneLayout('scroll own; pad 0 30px; arrange stack { align start }; region a as div { width 300px }; region m as main { slot }'); // prettier-ignore
	const [root] = placedOf(flat, 320, 400);
	assert.equal(root?.overflowX, 30 + 300 + 30 - 320);
});

test('jumps are the widths at which a region comes, goes, or changes its place at once', () => {
	const resolved = oneLayout(
		`arrange stack { }; arrange row @medium { wrap }
		region a as div { show hidden; show in-place @wide; piece fix-40-10 """x""" }
		region m as main { slot; size fill; min 300px }; region s as div { size 420px @medium; piece run-9-50-10 """x""" }`
	);
	const layout = new PageLayout({
		page: resolved.page(pageNamed(resolved, '/')),
		site: resolved.site,
		sizes: sizesByName,
		open: new Set()
	});
	// Side by side from 720 on, where 300 and 420 fit; text that wraps in s on the way is no jump.
	assert.deepEqual(jumpWidths(Sweep.over(layout, sweepFrom, sweepTo, 800)), [600, 720, 1000]);
});

test('sizes of pieces: a run that wraps, sizes from a file, and an estimate that says how text behaves', () => {
	const view = { width: 1000, height: 800 };
	const run = runSize(5, 30, 10);
	const heights = [150, 149, 10].map((width) => run.heightAt(width, view));
	assert.deepEqual([run.contentWidths(view), heights], [{ min: 30, max: 150 }, [10, 20, 50]]);
	const piece = {
		layout: undefined,
		region: undefined,
		pieces: [{ piece: 'a', owner: 'x' }],
		opener: false
	};
	const file = metricsSchema.parse({
		pieces: [
			{ pieces: piece.pieces, min: 20, max: 100, heights: [[20, 60], [50, 40, 2], [90, 20]], screens: [0, 599] },
			{ pieces: piece.pieces, min: 30, max: 120, heights: [[30, 10]], screens: [600, 9999] }
		]
	}); // prettier-ignore
	const sampled = sizesFrom(file)(piece, []);
	assert.ok(sampled);
	const phone = { width: 320, height: 800 };
	const read = [10, 49, 50, 60, 89, 500].map((width) => sampled.heightAt(width, phone));
	assert.deepEqual(
		read,
		[60, 60, 40, 60, 118, 20],
		'steps and slopes, on the screens they are for'
	);
	assert.deepEqual([sampled.heightAt(60, view), sampled.contentWidths(view).min], [10, 30]);
	assert.equal(
		sampled.overflowAt(12, phone).x,
		8,
		'what is narrower than the least width sticks out'
	);
	const words = estimateSize('<p>one two three</p><p>four</p>');
	const { min, max } = words.contentWidths(view);
	assert.ok(max > min);
	assert.deepEqual(
		[words.heightAt(max + 1, view), words.heightAt(min, view)],
		[16 + 18 + 16 + 18 + 16, 16 + 3 * 18 + 16 + 18 + 16]
	);
	fc.assert(
		fc.property(fc.array(fc.string({ minLength: 1 }), { minLength: 1 }), fc.nat(800), fc.nat(400), (texts, width, more) => {
			const size = estimateSize(`<p>${texts.join(' ').replaceAll('<', '&lt;')}</p>`);
			assert.ok(size.heightAt(width, view) >= size.heightAt(width + more, view), 'wider is never taller');
		}),
		runs(100, 5)
	); // prettier-ignore
});

test('whatever a style says of sizes, a guess is a number and not less than nothing', () => {
	const view = { width: 1000, height: 800 };
	const length = fc
		.tuple(
			fc.constantFrom('0', '.5', '12', '1e9', '9'.repeat(400), '-40'),
			fc.constantFrom('', 'px', 'em', 'rem', '%')
		)
		.map(([number, unit]) => number + unit);
	const declared = fc.oneof(
		fc
			.tuple(
				fc.constantFrom('font-size', 'line-height', 'width', 'min-width', 'height', 'padding'),
				length
			)
			.map(([property, value]) => `${property}: ${value}`),
		fc.tuple(length, length).map(([size, line]) => `font: ${size}/${line} serif`),
		fc.tuple(length, length).map(([wide, high]) => `aspect-ratio: ${wide} / ${high}`)
	);
	const style = fc.array(declared, { maxLength: 3 }).map((all) => all.join('; '));
	fc.assert(
		fc.property(
			fc.array(fc.tuple(fc.constantFrom('div', 'i', 'p', 'td', 'img'), style), { minLength: 1, maxLength: 4 }), // prettier-ignore
			(nested) => {
				const html = nested.reduceRight(
					(inner, [name, says]) => `<${name} style="${says}">${inner}</${name}>`,
					'a word'
				);
				const size = estimateSize(html);
				const { min, max } = size.contentWidths(view);
				const all = [min, max, size.heightAt(0, view), size.heightAt(320, view)];
				assert.ok(
					all.every((one) => Number.isFinite(one) && one >= 0),
					`${html}: ${all.join(' ')}`
				);
			}
		),
		runs(300, 5)
	);
});
