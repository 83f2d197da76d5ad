import assert from 'node:assert/strict';
import { test } from 'node:test';
import { declare, declareInSlot } from '../../src/core/box-styles/declare.ts';
import { inOrder, printed } from '../../src/core/emit/css/boxes/printed.ts';
import { frameOf } from '../../src/core/box-styles/frame.ts';
import { surroundingsOf } from '../../src/core/box-styles/outside.ts';
import { resolve } from '../lib/site.ts';

const bandNames = ['narrow', 'medium', 'wide'];

/** What CSS says of a box of layout f, as one line; bands from 600 and 1000 px. */
function css(layout: string, box: string | undefined, band = 'narrow', outer = ''): string {
	const { site } = resolve(
		`site "T" { bands { narrow 0; medium 600; wide 1000 } }
		${outer === '' ? '' : `layout o at / { ${outer}; region om as main { slot } }`}
		layout f at ${outer === '' ? '/' : '/in'} { ${layout} }
		route /in { piece p """x""" }`
	);
	const { bands } = site.settings;
	const found = site.layouts.find((one) => one.name.text === 'f');
	assert.ok(found);
	const outside = site.layouts.filter((one) => one !== found);
	const { root, boxes } = frameOf(found, bands);
	const wanted = box === undefined ? root : boxes.get(box);
	assert.ok(wanted, `there is a box ${box}`);
	const declared = declare(wanted, bandNames.indexOf(band), surroundingsOf(outside, bands));
	return inOrder(printed(declared))
		.map(([property, value]) => `${property}: ${value}`)
		.join('; ');
}

const slot = 'region m as main { slot }';

test('each setting of a box is the CSS that a careful author would write', () => {
	const cases: [string, string][] = [
		['', ''],
		['pad 4px 8px', 'padding-block: 4px; padding-inline: 8px'],
		['pad 1px 2px 3px 4px', 'padding-block: 1px 3px; padding-inline: 4px 2px'],
		['pad 0', ''],
		['border 0 0 1px', 'border-style: solid; border-block-width: 0 1px; border-inline-width: 0'],
		['border 0', ''],
		['pad 8px; contain 600px', 'padding-block: 8px; padding-inline: max(8px, (100% - 600px) / 2)'],
		['contain 600px', 'padding-inline: max(0px, (100% - 600px) / 2)'],
		['width 40%', 'width: 40%'],
		['width auto', ''],
		['height 3rem', 'height: 3rem'],
		['min 10px 20px', 'min-width: 10px; min-height: 20px'],
		['max 50%', 'max-width: 50%'],
		['max none 90px', 'max-height: 90px'],
		['shadow always', 'box-shadow: var(--shadow)'],
		['scroll own', 'overflow: auto'],
		['overlap 12px', 'position: relative; z-index: var(--under); margin-block-end: -12px'],
		['overlap calc(1px + 2%)', 'position: relative; z-index: var(--under); margin-block-end: calc(-1 * (calc(1px + 2%)))'],
		['show hidden', 'display: none'],
		['stick top', 'position: sticky; inset-block-start: 0; z-index: var(--stuck)'],
		['stick bottom; overlap 4px', 'position: sticky; inset-block-end: 0; z-index: var(--under); margin-block-end: -4px'],
		['shrink 80px to 40px', 'position: sticky; inset-block-start: 0; z-index: var(--stuck); height: 80px'],
		['stick top; scroll own', 'position: sticky; inset-block-start: 0; z-index: var(--stuck); max-height: 100dvh; overflow: auto'],
		['stick top; scroll own; height 90px', 'position: sticky; inset-block-start: 0; z-index: var(--stuck); height: 90px; overflow: auto']
	]; // prettier-ignore
	for (const [settings, expected] of cases) {
		assert.equal(css(`region a as div { ${settings} }; ${slot}`, 'a'), expected, settings);
	}
});

test('a drawer keeps to its side of the screen, in logical directions', () => {
	const drawer = (words: string): string =>
		css(`region a as div { show drawer ${words} "Open" }; region b as div { }; ${slot}`, 'a');
	assert.equal(drawer('left 240px'), 'position: fixed; inset-block: 0; inset-inline: 0 auto; width: 240px; max-width: 100%; overflow: auto'); // prettier-ignore
	assert.equal(drawer('right 50%'), 'position: fixed; inset-block: 0; inset-inline: auto 0; width: 50%; max-width: 100%; overflow: auto'); // prettier-ignore
	assert.equal(drawer('bottom 200px'), 'position: fixed; inset-block: auto 0; inset-inline: 0; height: 200px; max-height: 100dvh; overflow: auto'); // prettier-ignore
});

test('arrangements: grids, lines and stacks, and what they make of their members', () => {
	const areas = 'arrange areas { "a m" 60px; "b m" 1fr; columns 200px 1fr; gap 8px 12px }';
	const regions = `region a as div { place-self end }; ${slot}; region b as div { }`;
	assert.equal(
		css(`${areas}; ${regions}`, undefined),
		`display: grid; grid-template-columns: 200px 1fr; grid-template-rows: 60px 1fr; grid-template-areas: 'a m'\n'b m'; gap: 8px 12px`
	);
	assert.match(css(`${areas}; ${regions}`, 'a'), /^grid-area: a; (align|justify)-self: end/);
	const columns = 'arrange columns 12 { gap 20px }';
	const spanned = 'region a as div { span 4; offset 2; new-row }';
	assert.equal(
		css(`${columns}; ${spanned}; ${slot}`, undefined),
		'display: grid; grid-template-columns: repeat(12, minmax(0, 1fr)); gap: 20px'
	);
	assert.match(css(`${columns}; ${spanned}; ${slot}`, 'a'), /^grid-column: 3 \/ span 4/);
	assert.match(css(`${columns}; region a as div { span all }; ${slot}`, 'a'), /grid-column: 1 \/ -1/);
	const row = 'arrange row { gap 4px; wrap; justify between; align center }';
	assert.equal(
		css(`${row}; region a as div { size fill 2 }; ${slot}`, undefined),
		'display: flex; flex-wrap: wrap; justify-content: space-between; align-items: center; gap: 4px'
	);
	assert.match(css(`${row}; region a as div { size fill 2 }; ${slot}`, 'a'), /flex: 2 1 0/);
	assert.match(css(`${row}; region a as div { size 220px }; ${slot}`, 'a'), /flex: none|flex: 0 0 220px/);
	assert.match(css(`arrange stack { }; ${slot}`, undefined), /display: flex; flex-direction: column/);
}); // prettier-ignore

test('what a band says holds from there upward, and what it does not say stays', () => {
	const text = `region a as div { pad 4px; pad 9px @medium; show hidden; show in-place @wide }; ${slot}`;
	assert.equal(css(text, 'a', 'narrow'), 'display: none');
	assert.equal(css(text, 'a', 'medium'), 'display: none');
	assert.equal(css(text, 'a', 'wide'), 'padding-block: 9px; padding-inline: 9px');
});

test('what sticks on one edge adds up, and nothing in its own column does', () => {
	const stack = `region a as div { stick top; height 40px }; region b as div { stick top; shrink 80px to 30px }
		region c as div { stick top }; ${slot}; region z as div { stick bottom; height 20px }; region y as div { stick bottom }`;
	assert.match(css(stack, 'a'), /inset-block-start: 0;/);
	assert.match(css(stack, 'b'), /inset-block-start: 40px;/);
	assert.match(css(stack, 'c'), /inset-block-start: calc\(40px \+ 30px\);/, 'as far as it shrinks');
	assert.match(css(stack, 'y'), /inset-block-end: 0;/);
	assert.match(css(stack, 'z'), /inset-block-end: 0;/, 'y sets no height that could be added');
	assert.match(css(stack, 'm'), /--top-inside: calc\(40px \+ 30px\)/, 'the slot hands it on');
	const beside = `arrange areas { "a m" auto; "b m" 1fr; columns 100px 1fr }
		region a as div { stick top; height 40px }; region b as div { stick top }; ${slot}`;
	assert.match(css(beside, 'b'), /align-self: start; position: sticky; inset-block-start: 40px;/);
	assert.doesNotMatch(css(beside, 'm'), /-inside/, 'a is not above m');
	const inner = `region a as div { stick top }; ${slot}`;
	const outer = 'region h as header { stick top; height 50px }';
	assert.match(css(inner, undefined, 'narrow', outer), /--top-outside: var\(--top-inside, 0px\)/);
	assert.match(css(inner, 'a', 'narrow', outer), /inset-block-start: var\(--top-outside\)/);
	const cut = `region a as div { stick top }; region m as main { slot; scroll own }`;
	assert.match(css(cut, 'm', 'narrow', outer), /--top-inside: 0px/, 'what scrolls has its own edges');
}); // prettier-ignore

test('a layout as tall as the screen: a least height, or the height itself where its regions scroll', () => {
	assert.equal(css(`height screen; ${slot}`, undefined), 'min-height: 100dvh');
	assert.equal(css(`height screen; min 0 300px; ${slot}`, undefined), 'min-width: 0; min-height: max(100dvh, 300px)'); // prettier-ignore
	assert.equal(
		css('height screen; region m as main { slot; scroll own }', undefined),
		'height: 100dvh'
	);
});

test('what lands in a slot is placed by the slot', () => {
	const landed = (arrangement: string): [string, string][] => {
		const { site } = resolve(
			`site "T" { }\nlayout f at / { region m as main { slot; ${arrangement} } }\nroute / { }`
		);
		const [layout] = site.layouts;
		const box = layout && frameOf(layout, site.settings.bands).boxes.get('m');
		assert.ok(box);
		return [...printed(declareInSlot(box, 0, site.settings.bands))];
	};
	assert.deepEqual(landed(''), []);
	assert.deepEqual(landed('arrange columns 4 { }'), [['grid-column', '1 / -1']]);
	assert.deepEqual(landed('arrange row { }'), [['flex', '1 1 0px']]);
});
