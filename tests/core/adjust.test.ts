import assert from 'node:assert/strict';
import { test } from 'node:test';
import { layoutSheet, pageSheet } from '../../src/core/emit/css/sheets.ts';
import { crossSection, type SectionRegion } from '../../src/core/view-models/cross-section.ts';
import { boxFor, scopesOf } from '../../src/core/view-models/chosen/scopes.ts';
import { boxView } from '../../src/core/view-models/chosen/box-view.ts';
import type { BoxRef, Command } from '../../src/core/model/command.ts';
import { settingsAt } from '../../src/core/resolve/bands.ts';
import { explain, explanationText } from '../../src/core/resolve/explain.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { edit, makeOn } from '../lib/edits.ts';
import type { Layout } from '../../src/core/model/site.ts';
import { settingAtPlace } from '../../src/core/check/boxes/members.ts';
import { codes as codesOf, pageNamed, resolve, sound } from '../lib/site.ts';

/** What layers say of regions further out, for their own pages. */
const text = `site "Seed library" { lang en; bands { narrow 0; medium 600; wide 1000 } }
layout commons at / {
  description "Seed that is lent."
  arrange areas { "head" auto; "side" auto; "main" 1fr; "foot" auto }
  region head as header { height 60px; piece brand """<b>Seed library</b>""" }
  region side as aside { pad 8px; pad 24px @wide; piece hours """<p>Saturdays</p>""" }
  region main as main { slot }
  region foot as footer { locked; piece small """<p>Seed</p>""" }
}
layout guide at /guides {
  adjust side { pad 4px @medium; show hidden @wide }
  region text as div { slot }
}
route / { title "Home"; piece text """<h1>Home</h1><a href="/guides">Guides</a> <a href="/board">Board</a>""" }
route /guides { title "Guides"; adjust commons.side { pad 2px @wide; show in-place @wide }; piece text """<h1>Guides</h1>""" }
route /board { title "Board"; adjust side { pad 4px }; piece text """<h1>Board</h1>""" }
state not-found at / { title "Gone"; piece text """<h1>Gone</h1>""" }
`;
const site = sound(text);

function layoutNamed(of: CheckedSite, name: string): Layout {
	const found = of.site.layouts.find((one) => one.name.text === name);
	assert.ok(found);
	return found;
}

/** A setting of side on a page, band by band. */
function sideOn(page: string, kind: 'pad' | 'show', of: CheckedSite = site): unknown[] {
	const resolved = of.page(pageNamed(of, page));
	const region = resolved.regions.find((one) => one.region.name.text === 'side')?.region;
	assert.ok(region);
	return [0, 1, 2].map((band) => settingsAt(region.settings, of.site.settings.bands, band)[kind]);
}

const pads = (page: string, of = site): unknown =>
	sideOn(page, 'pad', of).map((value) => (Array.isArray(value) ? value[0] : value));

test('a value holds from its band on, and below it what is said further out', () => {
	const plain = JSON.stringify(pads('/'));
	assert.match(plain, /8px.*8px.*24px/);
	assert.match(JSON.stringify(pads('/board')), /4px.*4px.*4px/);
	// The route overrules its layout from wide on, which overrules the outer one from medium on.
	assert.match(JSON.stringify(pads('/guides')), /8px.*4px.*2px/);
	assert.deepEqual(
		sideOn('/guides', 'show').map((value) => JSON.stringify(value ?? null).includes('hidden')),
		[false, false, false]
	);
});

test('the sheets of other pages say nothing of it, and its own says no more than that', () => {
	const { structure } = site;
	const board = pageSheet(pageNamed(site, '/board'), site.site, structure)?.css ?? '';
	assert.match(board, /\.commons-side \{\s*padding: 4px;\s*\}/);
	assert.doesNotMatch(board, /commons-head|commons-foot|commons-main/);
	assert.equal(pageSheet(pageNamed(site, '/'), site.site, structure), undefined);
	const commons = layoutSheet(layoutNamed(site, 'commons'), site.site, structure).css;
	assert.doesNotMatch(commons, /padding: 4px/);
	assert.match(layoutSheet(layoutNamed(site, 'guide'), site.site, structure).css, /display: none/);
});

test('what cannot be is said with its place, and what changes nothing is a hint', () => {
	const codes = (adjust: string): string[] =>
		codesOf(resolve(text.replace('adjust side { pad 4px };', adjust))).map(
			(one) => one.split(' ')[1] ?? ''
		);
	assert.deepEqual(codes('adjust foot { pad 4px };'), ['adjust-locked']);
	assert.deepEqual(codes('adjust feet { pad 4px };'), ['adjust-no-box']);
	assert.deepEqual(codes('adjust guide.text { pad 4px };'), ['adjust-no-layout']);
	assert.deepEqual(codes('adjust head { shrink 90px to 40px };'), ['adjust-shrink']);
	assert.deepEqual(codes('adjust head { height 60px };'), ['adjust-idle']);
	assert.deepEqual(codes('adjust side { pad 4px @huge };'), ['band-unknown']);
	assert.deepEqual(codes('adjust side { pad 4pts };'), ['size-invalid']);
	assert.deepEqual(codes('adjust side { arrange areas { "mine" auto } };'), ['area-no-piece']);
	const { problems } = resolve(text.replace('adjust side { pad 4px }', 'adjust feet { pad 4px }'));
	assert.equal(text.slice(0, problems[0]?.span.from).split('\n').length, 16);
});

test('explain and the cross-section tell which layer says what anew', () => {
	const page = pageNamed(site, '/guides');
	const said = explanationText(explain(page, site));
	assert.match(said, /guide adjusts: pad, show\n\s+\/guides adjusts: pad, show/);
	const { columns } = crossSection(site.page(page), site);
	const side = columns.find(({ regions }) => regions[0]?.name === 'side');
	assert.deepEqual(
		side?.cells.map(({ adjusts }) => adjusts),
		[[], ['pad', 'show'], ['pad', 'show']]
	);
});

const onBoard: BoxRef = { layout: 'commons', box: 'side', only: { kind: 'route', name: '/board' } };
const onVisit: BoxRef = { ...onBoard, only: { kind: 'route', name: '/' } };

test('a view says whose each value is, and how many pages have it', () => {
	const rows = (ref: BoxRef): (string | undefined)[][] =>
		boxView(site, ref, 1200)
			.strip.filter(({ setting }) => setting === 'pad')
			.flatMap(({ overhangs }) => overhangs.map(({ value, by }) => [value, by]));
	assert.deepEqual(rows(onBoard), [['4px', undefined]]);
	assert.deepEqual(rows(onVisit), [['8px', 'commons'], ['24px', 'commons']]); // prettier-ignore
	const guides: BoxRef = { ...onBoard, only: { kind: 'route', name: '/guides' } };
	assert.deepEqual(rows(guides), [['8px', 'commons'], ['4px', 'guide'], ['2px', undefined]]); // prettier-ignore
	assert.equal(boxView(site, { layout: 'commons', box: 'side' }, 1200).pages, 3);
	assert.equal(boxView(site, onBoard, 1200).pages, 1);
});

test('the region of an inner layer is the same box in the same place, and who may change it is listed', () => {
	const wrapped = text
		.replace('  region side as aside', '  wrapper beside {\n  region side as aside')
		.replace('<p>Saturdays</p>""" }', '<p>Saturdays</p>""" }\n  }')
		.replace('"side" auto', '"beside" auto');
	const inside = boxView(sound(wrapped), onBoard, 1200);
	assert.deepEqual(inside.parent?.ref, { layout: 'commons', box: 'beside' });
	assert.deepEqual(inside.siblings, ['side']);

	const section = crossSection(site.page(pageNamed(site, '/guides')), site);
	const region = (name: string): SectionRegion => {
		const found = section.columns
			.flatMap(({ regions }) => regions)
			.find((one) => one.name === name);
		assert.ok(found);
		return found;
	};
	assert.deepEqual(
		scopesOf(section, region('side')).map(({ label }) => label),
		['all of commons', 'only under guide', 'only on /guides']
	);
	assert.deepEqual(
		scopesOf(section, region('foot')).map(({ label }) => label),
		['all of commons']
	);
	const guides = { kind: 'route', name: '/guides' } as const;
	assert.deepEqual(boxFor(guides, region('side'), false).only, guides);
	assert.equal(boxFor(guides, region('foot'), false).only, undefined);
	assert.equal(boxFor({ kind: 'layout', name: 'commons' }, region('side'), true).only, undefined);
});

test('a comment behind a value stays whole when another is added', () => {
	const commented = text.replace('adjust side { pad 4px }', 'adjust side {\n  pad 4px // tight\n}');
	const made = makeOn(commented, { kind: 'set-setting', box: onBoard, setting: 'pad', value: '6px', band: 'wide' }); // prettier-ignore
	assert.match(made.text, /pad 4px \/\/ tight\n\s*pad 6px @wide/);
});

test('a value is set for one page alone, changed, moved and freed, and nothing is left of it', () => {
	const set = (value: string | undefined, band = 'wide') => ({ kind: 'set-setting', box: onVisit, setting: 'pad', value, band }) as const; // prettier-ignore
	const first = makeOn(text, set('40px'));
	assert.deepEqual(edit(site, set('40px', 'medium')).bands, ['medium', 'wide']);
	assert.deepEqual(edit(site, set('40px')).bands, ['wide']);
	assert.match(first.text, /adjust side \{ pad 40px @wide \}/);
	assert.match(JSON.stringify(pads('/', first.resolved)), /8px.*8px.*40px/);
	const second = makeOn(first.text, set('30px', 'medium'));
	assert.match(second.text, /pad 40px @wide[;\s]+pad 30px @medium|pad 30px @medium[;\s]+pad 40px @wide/);
	const moved = makeOn(first.text, { kind: 'move-setting', box: onVisit, setting: 'pad', from: 'wide', to: 'medium' }); // prettier-ignore
	assert.match(moved.text, /adjust side \{ pad 40px @medium \}/);
	assert.equal(makeOn(first.text, set(undefined)).text, text);
}); // prettier-ignore

test('a finding about what a page says of a region is mended there', () => {
	const jumping = text.replace('adjust side { pad 4px }', 'adjust head { height 60px @wide }');
	const resolved = resolve(jumping);
	const problem = resolved.problems.find(({ code }) => code === 'adjust-idle');
	assert.ok(problem);
	const there = settingAtPlace(problem.span, resolved);
	assert.deepEqual(there?.box, { ...onBoard, box: 'head' });
	assert.equal(there?.band, 'wide');
});

test('what is renamed keeps what is said of it, and what is removed takes it along', () => {
	const region = { layout: 'commons', region: 'side' };
	const renamed = makeOn(text, { kind: 'rename-region', region, to: 'beside' }).text;
	assert.equal([...renamed.matchAll(/adjust (commons\.)?beside/g)].length, 3);
	const layout = makeOn(text, { kind: 'rename-layout', name: 'commons', to: 'frame' }).text;
	assert.match(layout, /adjust frame\.side/);
	const band = makeOn(text, { kind: 'rename-band', band: 'wide', to: 'broad' }).text;
	assert.match(band, /adjust side \{ pad 4px @medium; show hidden @broad \}/);
	const gone = makeOn(text, { kind: 'remove-region', region });
	assert.doesNotMatch(gone.text, /adjust/);
});

test('what a layer says of a region further out and what does nothing there is told, and taken back by the mend', () => {
	const idle = resolve(text.replace('adjust side { pad 4px }', 'adjust side { span 2; pad 4px }'));
	const told = idle.problems.filter(({ code }) => code === 'setting-idle');
	const [one] = told;
	assert.ok(one && told.length === 1);
	assert.deepEqual(settingAtPlace(one.span, idle)?.box, onBoard);
	const gap = resolve(text.replace('adjust side { pad 4px }', 'adjust side { gap 4px }'));
	assert.equal(gap.problems.filter(({ code }) => code === 'setting-idle').length, 1);
	const inColumns = text.replace('arrange areas { "head" auto; "side" auto; "main" 1fr; "foot" auto }', 'arrange columns 4').replace('region side as aside {', 'region side as aside { span 1;'); // prettier-ignore
	const codes = (of: string): string[] => resolve(of).problems.map(({ code }) => code);
	assert.ok(
		!codes(inColumns.replace('adjust side { pad 4px }', 'adjust side { span 2 }')).includes(
			'setting-idle'
		)
	);
	const wide = resolve(inColumns.replace('adjust side { pad 4px }', 'adjust side { span 6 }'));
	assert.equal(wide.problems.filter(({ code }) => code === 'span-too-wide').length, 1);
});

test('a region is arranged anew for one page alone, step by step, and the others keep their way', () => {
	const two = text.replace(
		'piece hours """<p>Saturdays</p>"""',
		'arrange row @medium { gap 8px }; piece hours """<p>Saturdays</p>"""; piece seeds """<p>Seeds</p>"""'
	);
	const box = onBoard;
	const whole: BoxRef = { layout: 'commons', box: 'side' };
	const here = (of: string, ref = box, width = 1200) => boxView(sound(of), ref, width).arrangement;
	assert.deepEqual([here(two)?.kind, here(two)?.here, here(two)?.by], ['row', false, 'commons']);
	const make = (of: string, command: Command): string => makeOn(of, command).text;
	const arranged = (of: string, arrangement: 'columns' | 'areas' | undefined, band = 'wide') =>
		make(of, { kind: 'set-arrangement', box, arrangement, band });

	const columns = arranged(two, 'columns');
	const counts = { kind: 'set-columns', box, said: { columns: '3' }, band: 'wide' } as const;
	const counted = make(columns, counts);
	const shown = here(counted);
	assert.deepEqual([shown?.count, shown?.here, shown?.by, shown?.gap], [3, true, undefined, '8px']);
	assert.equal(here(counted, whole)?.kind, 'row');

	const gap = make(counted, {
		kind: 'set-arranged',
		box,
		word: 'gap',
		value: '2px',
		band: 'medium'
	});
	assert.equal(here(gap, box, 700)?.gap, '2px');
	assert.equal(here(gap, whole, 700)?.gap, '8px');
	assert.deepEqual(edit(sound(counted), { ...counts, said: { columns: '2' } }).bands, ['wide']);

	const painted = make(arranged(gap, 'areas'), { kind: 'add-track', box, axis: 'rows', index: 1, band: 'wide' }); // prettier-ignore
	assert.equal(here(painted)?.rows.length, 3);
	assert.equal(here(painted, whole)?.kind, 'row');
	const bare = (of: string): string => of.replace(/\s+/g, ' ');
	assert.equal(bare(arranged(arranged(painted, undefined), undefined, 'medium')), bare(two));
	const alone = arranged(two, 'columns')
		.replace('pad 4px; ', '')
		.replace(/\n\s*pad 4px\n/, '\n');
	assert.doesNotMatch(arranged(alone, undefined), /route \/board \{[^}]*adjust/);
});
