import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { SettingKind } from '../../src/core/model/setting.ts';
import { settingsAt } from '../../src/core/resolve/bands.ts';
import { around, marked, only, resolve, sound } from '../lib/site.ts';

/** What holds for the region `box` of a layout at /x, in the narrow and in the wide band. */
function settingsOf(inside: string): [unknown, unknown] {
	const { site } = resolve(
		around(
			`layout x at /x { arrange row { }; region m as main { slot }; region box as div { ${inside} } }`
		)
	);
	const region = site.layouts[1]?.regions[1];
	assert.ok(region);
	const { bands } = site.settings;
	return [settingsAt(region.settings, bands, 0), settingsAt(region.settings, bands, 1)];
}

test('each setting is read, and holds from its band upward', () => {
	const cases: [string, SettingKind, unknown, unknown][] = [
		['show drawer left 280px "Menu"; show in-place @wide', 'show', { kind: 'drawer', side: 'left', size: '280px', label: 'Menu', close: 'Close' }, { kind: 'in-place' }],
		['width min(40%, var(--gutter)) @wide', 'width', undefined, 'min(40%, var(--gutter))'],
		['height screen', 'height', 'screen', 'screen'],
		['min 200px 3rem; min 0 @wide', 'min', { width: '200px', height: '3rem' }, { width: '0', height: undefined }],
		['pad 12px calc(2% + 4px) 0', 'pad', ['12px', 'calc(2% + 4px)', '0'], ['12px', 'calc(2% + 4px)', '0']],
		['stick top; stick none @wide', 'stick', 'top', 'none'],
		['shrink 128px to 56px; shrink none @wide', 'shrink', { from: '128px', to: '56px' }, 'none'],
		['size fill 2; size 240px @wide', 'size', { kind: 'fill', share: 2 }, { kind: 'fixed', size: '240px' }],
		['span 6 by 2; span all @wide', 'span', { columns: 6, rows: 2 }, { columns: 'all', rows: 1 }],
		['new-row; new-row off @wide', 'new-row', true, false],
		['place-self center; place-self start end @wide', 'place-self', { align: 'center', justify: 'center' }, { align: 'start', justify: 'end' }],
		['order -2', 'order', -2, -2]
	]; // prettier-ignore
	for (const [text, kind, narrow, wide] of cases) {
		const found = settingsOf(text).map((settings) =>
			new Map(Object.entries(settings ?? {})).get(kind)
		);
		assert.deepEqual(found, [narrow, wide], text);
	}
});

test('arrangements and wrappers are read with their bands, and a wrapper counts as one member', () => {
	const resolved = sound(
		around(
			[
				'layout x at /x {',
				'  measure by space',
				'  arrange stack { gap 4px }',
				'  arrange areas @wide { "a both" 1fr; columns 200px 1fr }',
				'  region a as nav { arrange columns 4 rows 2 { gap 1px 2px } }',
				'  wrapper both as section {',
				'    arrange row { justify between; align center; wrap; gap 8px }',
				'    region m as main { slot }',
				'    region b as aside { style @wide """p { margin: 0 }""" }',
				'  }',
				'}'
			].join('\n')
		)
	);
	const layout = resolved.site.layouts[1];
	assert.ok(layout);
	assert.equal(layout.measure, 'space');
	assert.deepEqual(
		layout.regions.map((region) => region.name.text),
		['a', 'm', 'b']
	);
	assert.deepEqual(
		layout.members.map((member) => [member.kind, member.name.text, member.element.text]),
		[
			['region', 'a', 'nav'],
			['wrapper', 'both', 'section']
		]
	);
	assert.deepEqual(
		layout.arrangements.map((one) => [one.kind, one.band?.text]),
		[
			['stack', undefined],
			['areas', 'wide']
		]
	);
	assert.equal(layout.regions[2]?.styles[0]?.band?.text, 'wide');
});

test('what cannot be is said at its place, and the rest is read', () => {
	const rest = 'region m as main { slot; pad 7px }; region b as div { }';
	const cases: [string, string, string][] = [
		[`arrange areas { "m b" auto; "m" auto }; ${rest}`, 'areas-uneven', '"m"'],
		[`arrange areas { "m m" auto; "b m" auto }; ${rest}`, 'areas-not-rectangle', '"m m"'],
		[`arrange areas { "m z" auto }; ${rest}`, 'area-unknown', '"m z"'],
		[`arrange areas { "m" auto }; ${rest}`, 'region-not-arranged', 'b'],
		[`arrange areas { "m b" 40% }; ${rest}`, 'tracks-invalid', '40%'],
		[`arrange areas { "m b" auto; columns 1fr -20px }; ${rest}`, 'size-negative', '1fr -20px'],
		[`arrange areas { "m b" auto; columns repeat(auto-fill, 1fr) }; ${rest}`, 'tracks-invalid', 'repeat(auto-fill, 1fr)'],
		[`arrange row @huge { }; ${rest}`, 'band-unknown', '@huge'],
		[`arrange row { }; arrange stack { }; ${rest}`, 'said-twice', 'arrange stack { }'],
		[`arrange columns 4 { }; region c as div { span 6 }; ${rest}`, 'span-too-wide', 'span 6'],
		[`arrange columns 4 { }; region c as div { span 3; offset 2 @wide }; ${rest}`, 'span-too-wide', 'offset 2 @wide'],
		[`arrange columns 0 { }; ${rest}`, 'count-zero', '0'],
		[`region c as div { pad -4px }; ${rest}`, 'size-negative', '-4px'],
		[`region c as div { width 90000px }; ${rest}`, 'size-absurd', '90000px'],
		[`region c as div { width 3em }; ${rest}`, 'size-invalid', '3em'],
		[`region c as div { height 50% }; ${rest}`, 'share-of-nothing', '50%'],
		[`region c as div { width var(--none) }; ${rest}`, 'token-unknown', 'var(--none)'],
		[`region c as div { size fill }; ${rest}`, 'setting-idle', 'size fill'],
		[`region c as div { pad 1px; pad 2px }; ${rest}`, 'said-twice', 'pad 2px'],
		[`region c as div { pad 1px @tall }; ${rest}`, 'band-unknown', '@tall'],
		[`region c as div { show drawer left 200px }; ${rest}`, 'value-form', '200px'],
		['region m as main { slot; show hidden @wide }', 'slot-hidden', 'show hidden @wide'],
		['region m as main { slot; arrange areas { "a" } }', 'slot-in-areas', 'arrange areas { "a" }'],

		['region m as main { slot; arrange stack { wrap } }', 'unknown-statement', 'wrap']
	]; // prettier-ignore
	for (const [inside, code, words] of cases) {
		const resolved = resolve(around(`layout x at /x { ${inside} }`));
		assert.equal(marked(resolved, code), words, inside);
		const main = resolved.site.layouts[1]?.regions.find((region) => region.name.text === 'm');
		assert.ok(main?.slot, `${inside}: the rest is there`);
	}
	const alone = resolve(
		'site "T" { }\nlayout x at / { region m as main { slot; show drawer left 9px "M" } }'
	);
	assert.ok(only(alone.problems, 'drawer-no-place'));
});
