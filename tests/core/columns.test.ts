import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { layoutSheet } from '../../src/core/emit/css/sheets.ts';
import type { BoxRef, Command } from '../../src/core/model/command.ts';
import { boxView } from '../../src/core/view-models/chosen/box-view.ts';
import { boxesOf, oneLayout } from '../lib/boxes.ts';
import { makeOn, refusal } from '../lib/edits.ts';
import { lookOver } from '../lib/findings.ts';
import { codes, resolve, sound } from '../lib/site.ts';

/** Columns that members fill in order: how many each takes, sizes of their own, rows that are equal. */

const cards = (arrange: string, said: readonly string[] = ['', '', '', ''], heights = [20, 20, 20, 20]): string =>
	`region main as main { slot }; region shelf as div { arrange ${arrange}; ${said.map((one, at) => `piece p${at}-fix-10-${heights[at] ?? 20} { ${one} } """x"""`).join('; ')} }`; // prettier-ignore

function placesAt(layout: string, width = 300): string[] {
	const boxes = boxesOf(oneLayout(layout, ''), width);
	return Object.entries(boxes).flatMap(([name, box]) => (/^p\d/.test(name) ? [box] : []));
}

/** The same boxes as pieces of a page. */
function onPage(arrange: string, said: readonly string[], width = 300): string[] {
	const pieces = said.map((one, at) => `piece fix-1${at}-20 { ${one} } """x"""`).join('; ');
	const boxes = boxesOf(
		oneLayout(`region main as main { slot; arrange ${arrange} }`, pieces),
		width
	);
	return said.map((_, at) => boxes[`fix-1${at}-20`] ?? '');
}

test('each takes so many columns where it says nothing itself', () => {
	assert.deepEqual(onPage('columns 3 each 1', ['', '', '', '']), ['0 0 100 20', '100 0 100 20', '200 0 100 20', '0 20 100 20']);
	assert.deepEqual(onPage('columns 3 each 2', ['', 'span 1', '']), ['0 0 200 20', '200 0 100 20', '0 20 200 20']);
	assert.deepEqual(onPage('columns 3 each 3', ['', '']), ['0 0 300 20', '0 20 300 20']);
	assert.deepEqual(onPage('columns 3', ['', '']), ['0 0 300 20', '0 20 300 20']);
}); // prettier-ignore

test('columns of sizes of their own are filled in order, and spanned', () => {
	assert.deepEqual(onPage('columns 80px 1fr 40px', ['', '', '', '']), ['0 0 80 20', '80 0 180 20', '260 0 40 20', '0 20 80 20']);
	assert.deepEqual(onPage('columns 80px 1fr 40px { gap 10px }', ['', 'span 2', 'span all']), ['0 0 80 20', '90 0 210 20', '0 30 300 20']);
	assert.deepEqual(onPage('columns repeat(2, 50px) 1fr', ['', 'span 2; new-row', '']), ['0 0 50 20', '0 20 100 20', '100 20 200 20']);
	assert.deepEqual(onPage('columns 100px', ['', '']), ['0 0 100 20', '0 20 100 20']);
}); // prettier-ignore

test('a region leaves columns of sizes of their own free, since what stands before it is known', () => {
	const regions = 'arrange columns 40px 50px 1fr; region a as div { piece fix-10-20 """x""" }; region b as div { offset 1; piece fix-11-20 """x""" }; region main as main { slot }';
	const boxes = boxesOf(oneLayout(regions), 300);
	assert.deepEqual([boxes['fix-10-20'], boxes['fix-11-20']], ['0 0 40 20', '90 0 210 20']);
}); // prettier-ignore

test('equal rows are as high as each other whatever is in them, also those beyond the number', () => {
	const heights = (rows: string): number[] => {
		const layout = `height 100px; arrange areas { "main" 100px }; region main as main { height 100px; slot; arrange columns 1 ${rows} }`; // prettier-ignore
		const pieces = [90, 10, 10].map((height, at) => `piece fix-1${at}-${height} """x"""`).join('; ');
		const boxes = boxesOf(oneLayout(layout, pieces), 300);
		return [boxes['fix-10-90'], boxes['fix-11-10'], boxes['fix-12-10']].map((box) => Number(box?.split(' ')[1]));
	}; // prettier-ignore
	assert.deepEqual(
		heights('rows 2'),
		[0, 90, 100],
		'a row needs what is in it, and one beyond has what is left'
	);
	assert.deepEqual(heights('rows 2 equal').map(Math.round), [0, 33, 67]);
	assert.deepEqual(heights('rows 3 equal').map(Math.round), [0, 33, 67]);
	const sheet = (rows: string): string => {
		const { site, structure } = sound(`site "S" { lang en }\nlayout f at / { region main as main { slot; arrange columns 2 ${rows} } }\nroute / { title "T"; piece a """<h1>x</h1>""" }`); // prettier-ignore
		const [layout] = site.layouts;
		assert.ok(layout);
		return layoutSheet(layout, site, structure).css;
	};
	assert.match(sheet('rows 5 equal'), /grid-template-rows: repeat\(5, minmax\(0, 1fr\)\);\s+grid-auto-rows: minmax\(0, 1fr\)/); // prettier-ignore
	assert.doesNotMatch(sheet('rows 5'), /grid-auto-rows/);
});

const said = (arrange: string, spans: readonly string[] = ['', '']): string[] =>
	codes(
		resolve(
			`site "S" { lang en; bands { narrow 0; wide 1000 } }\nlayout f at / { ${cards(arrange, spans)} }\nroute / { title "T" }`
		)
	).map((one) => one.split(' ')[1] ?? '');

test('what cannot be is said with its place', () => {
	assert.deepEqual(said('columns 3 each 4'), ['number-too-large']);
	assert.deepEqual(said('columns 0'), ['count-zero']);
	assert.deepEqual(said('columns'), ['value-missing']);
	assert.deepEqual(said('columns 3 60px'), ['tracks-invalid']);
	assert.deepEqual(said('columns 3 each 1 rows equal'), ['number-missing', 'unexpected-text']);
	assert.deepEqual(said('columns repeat(auto-fill, 90px)'), ['columns-open']);
	assert.deepEqual(said('columns 90px var(--none)'), ['token-unknown']);
	assert.deepEqual(said('columns 90px 1fr', ['span 3', '']), ['span-too-wide']);
	assert.deepEqual(said('columns 3 each 1 @wide'), []);
});

/** Codes of what is told of a page that is whole. */
const told = (arrange: string, spans: readonly string[]): string[] =>
	lookOver(
		`site "Seed library" { lang en; bands { narrow 0; wide 1000 } }\nlayout f at / { description "Seed."; region main as main { slot; arrange ${arrange} } }\nroute / { title "Home"; piece head { ${spans[0] ?? ''} } """<h1>Seed</h1>"""; ${spans.slice(1).map((one, at) => `piece p${at} { ${one} } """<p>Pea</p>"""`).join('; ')} }`
	).findings.map(({ problem }) => problem.code); // prettier-ignore

test('what has no effect is told', () => {
	const told_ = (arrange: string, spans: readonly string[], code: string): boolean => told(arrange, spans).some((one) => one === code); // prettier-ignore
	assert.ok(told_('columns 3', ['', ''], 'columns-unspanned'));
	assert.ok(!told_('columns 3 each 1', ['', ''], 'columns-unspanned'));
	assert.ok(!told_('columns 90px 1fr', ['', ''], 'columns-unspanned'));
	assert.ok(told_('columns 3 each 1', ['span 2', 'span 1'], 'each-idle'));
	assert.ok(!told_('columns 3 each 1', ['span 2', ''], 'each-idle'));
	assert.ok(told_('columns 90px 1fr 90px', ['', 'offset 1'], 'offset-uneven'));
	assert.ok(told_('columns 90px 1fr 90px', ['', 'offset 1; new-row'], 'offset-uneven'));
	assert.ok(!told_('columns 3', ['', 'offset 1; span 1'], 'offset-uneven'));
	assert.ok(told_('columns 2 rows 1', ['span 2', 'span 2'], 'rows-more'));
	assert.ok(!told_('columns 2 rows 1 equal', ['span 2', 'span 2'], 'rows-more'));
});

test('a share as the height of a row is refused with so many shares of what is left', () => {
	const { problems, reading } = resolve('site "S" { lang en }\nlayout f at / { arrange areas { "main" 60%; "foot" 40% }; region main as main { slot }; region foot as footer { piece a """<p>x</p>""" } }\nroute / { title "T"; piece a """<h1>x</h1>""" }'); // prettier-ignore
	const refused = problems.filter(({ code }) => code === 'tracks-invalid');
	assert.deepEqual(refused.map(({ mend }) => mend?.insert), ['60fr', '40fr']); // prettier-ignore
	const [first] = refused;
	const text = reading.files.texts.get('site.eave') ?? '';
	assert.equal(text.slice(first?.mend?.span.from, first?.mend?.span.to), '60%');
});

const text = `site "Seed library" { lang en; bands { narrow 0; wide 1000 } }
layout frame at / {
  region main as main { slot; arrange columns 2 @wide { gap 8px } }
  region shelf as div { arrange columns 80px 1fr; piece bean """<p>Bean</p>"""; piece pea """<p>Pea</p>""" }
}
route / { title "Home"; piece head """<h1>Seed</h1>""" }
`;
const main: BoxRef = { layout: 'frame', box: 'main' };
const shelf: BoxRef = { layout: 'frame', box: 'shelf' };
const make = (command: Command, from = text): string => makeOn(from, command).text;

test('by hand: counts, sizes, what each takes and equal rows, each said and taken back', () => {
	const set = (of: BoxRef, what: Extract<Command, { kind: 'set-columns' }>['said'], from = text, band = 'wide'): string =>
		make({ kind: 'set-columns', box: of, said: what, band }, from); // prettier-ignore
	const each = set(main, { each: 1 });
	assert.match(each, /arrange columns 2 each 1 @wide \{ gap 8px \}/);
	const rows = set(main, { rows: 3, equalRows: true }, each);
	assert.match(rows, /arrange columns 2 each 1 rows 3 equal @wide \{ gap 8px \}/);
	assert.match(set(main, { rows: 'any' }, rows), /arrange columns 2 each 1 @wide \{ gap 8px \}/);
	assert.equal(set(main, { each: 'unsaid' }, each), text);
	assert.match(set(main, { columns: '80px 2fr' }), /arrange columns 80px 2fr @wide \{ gap 8px \}/);
	assert.match(
		set(shelf, { columns: '4' }),
		/arrange columns 80px 1fr\n\s*arrange columns 4 @wide/
	);
	const { arrangement } = boxView(sound(rows), main, 1200);
	assert.deepEqual(arrangement?.said, { columns: '2', each: 1, rows: 3, equalRows: true });
	assert.match(refusal(text, { kind: 'set-columns', box: main, said: { each: 1 }, band: 'narrow' }), /not arranged in columns at narrow/); // prettier-ignore
});

test('by hand: tracks of columns with sizes of their own are set, added and taken away', () => {
	const track = { box: shelf, axis: 'columns', band: 'narrow' } as const;
	assert.match(make({ kind: 'set-track', ...track, index: 0, size: '120px' }), /columns 120px 1fr/);
	assert.match(make({ kind: 'add-track', ...track, index: 1 }), /columns 80px 1fr 1fr/);
	assert.match(make({ kind: 'remove-track', ...track, index: 0 }), /columns 1fr/);
	assert.match(refusal(text, { kind: 'remove-track', ...track, index: 1, count: 2 }), /last of the columns of shelf stays/); // prettier-ignore
	assert.deepEqual(boxView(sound(text), shelf, 500).arrangement?.columns, [{ size: '80px', own: true }, { size: '1fr', own: true }]); // prettier-ignore
	const areas = make({ kind: 'set-arrangement', box: shelf, arrangement: 'areas', band: 'narrow' });
	assert.match(areas, /"bean pea" auto\s+columns 80px 1fr/);
});

test('by hand: what is new in columns takes one of them, and says so only where it must', () => {
	const holder = { layer: { kind: 'route', name: '/' }, region: undefined } as const;
	const piece = { kind: 'add-piece', holder, name: 'new', start: { kind: 'markup', markup: '<p>New</p>' } } as const; // prettier-ignore
	assert.match(make(piece), /piece new \{ span 1 @wide \} """/);
	assert.match(
		make(piece, text.replace('columns 2 @wide', 'columns 2 each 1 @wide')),
		/piece new """/
	);
	const own = { ...piece, holder: { layer: { kind: 'layout', name: 'frame' }, region: { layout: 'frame', region: 'shelf' } } } as const; // prettier-ignore
	assert.match(make(own), /piece new """/);
	const nav = { ...piece, start: { kind: 'nav', from: '/', depth: 1 } } as const;
	assert.match(make(nav), /piece new nav from \/ depth 1 \{ span 1 @wide \}/);
	const framed = text.replace('layout frame at / {', 'layout frame at / { arrange columns 12');
	assert.match(make({ kind: 'add-region', layout: 'frame', name: 'aside', element: 'aside' }, framed.replaceAll('as main {', 'as main { span 8;').replace('as div {', 'as div { span 4;')), /region aside as aside \{ span 1 \}/); // prettier-ignore
});

test('by hand: several names make as many pieces in one edit, in columns and in areas', () => {
	const holder = { layer: { kind: 'route', name: '/' }, region: undefined } as const;
	const add = (name: string, from = text): string => make({ kind: 'add-piece', holder, name }, from);
	const three = add('bean, pea,\n kale');
	assert.deepEqual([...three.matchAll(/piece (\w+) \{ span 1 @wide \}/g)].map(([, name]) => name), ['bean', 'pea', 'kale']); // prettier-ignore
	assert.equal(sound(three).site.routes[0]?.pieces.length, 4);
	assert.match(refusal(text, { kind: 'add-piece', holder, name: 'bean, head' }), /There is a piece head already/);
	assert.match(refusal(text, { kind: 'add-piece', holder, name: 'bean, bean' }), /bean stands in the list twice/);
	assert.match(refusal(text, { kind: 'add-piece', holder, name: 'bean, Big one' }), /Big one/);
	assert.match(refusal(text, { kind: 'add-piece', holder, name: ' , ' }), /name/);
	const own = { layer: { kind: 'layout', name: 'frame' }, region: { layout: 'frame', region: 'shelf' } } as const;
	const areas = make({ kind: 'set-arrangement', box: shelf, arrangement: 'areas', band: 'narrow' });
	const more = sound(make({ kind: 'add-piece', holder: own, name: 'kale, squash' }, areas));
	assert.deepEqual(boxView(more, shelf, 500).arrangement?.cells.map((row) => row[0]), ['kale', 'squash', 'bean']);
	const fill = { layer: { kind: 'route', name: '/' }, region: { layout: 'frame', region: 'shelf' } } as const;
	assert.match(make({ kind: 'add-piece', holder: fill, name: 'kale, squash' }), /fill shelf after \{\s+piece kale[^]*piece squash/);
}); // prettier-ignore

test('whatever members span, what each takes is the same as if each said so itself', () => {
	const spans = fc.array(fc.constantFrom('', 'span 1', 'span 2', 'new-row', 'offset 1; span 1'), { minLength: 1, maxLength: 6 }); // prettier-ignore
	fc.assert(
		fc.property(spans, fc.integer({ min: 1, max: 3 }), fc.integer({ min: 3, max: 5 }), (list, each, count) => {
			const whole = list.map((one) => (one.includes('span') ? one : `${one === '' ? '' : `${one}; `}span ${each}`));
			assert.deepEqual(onPage(`columns ${count} each ${each}`, list), onPage(`columns ${count}`, whole));
		}),
		{ numRuns: 40 }
	);
}); // prettier-ignore

test('equal sizes that are written are as wide as those that are counted, where nothing is wider', () => {
	const places = placesAt(cards('columns 1fr 1fr 1fr'));
	assert.equal(places.length, 4);
	assert.deepEqual(places, placesAt(cards('columns 3 each 1')));
});
