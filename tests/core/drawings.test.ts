import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { crossSection, type SectionColumn } from '../../src/core/view-models/cross-section.ts';
import { layoutMarks } from '../../src/core/view-models/marks.ts';
import { overlayBoxes, type MeasuredBox } from '../../src/core/view-models/overlay.ts';
import {
	branchOver,
	hasSameRoofline,
	roofline,
	rooflineRuns,
	searchRows,
	opened,
	unfolded
} from '../../src/core/view-models/roofline.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { randomSite, siteText } from '../lib/random-site.ts';
import { pageNamed, resolve, sound } from '../lib/site.ts';

const text = `site "Test" { bands { narrow 0; wide 1000 } }
layout shell at / {
  region head as header { piece name """<b>Test</b>""" }
  region main as main { slot; required }
  region foot as footer { locked; piece small """<p>foot</p>""" }
}
layout docs at /docs {
  region trail as div { piece crumbs """<p>…</p>""" }
  region text as div { slot }
  fill head after { piece search """<p>search</p>""" }
}
layout wide at / on-request { region all as div { slot } }
route / { title "Home"; piece hello """<p>hello</p>""" }
route /about { title "About us"; under wide; piece who """<p>who</p>""" }
route /docs { title "Docs"; piece list """<p>list</p>""" }
route /docs/api { title "API"; piece api """<p>api</p>"""; fill head instead { piece bare-head """<b>API</b>""" } }
route /docs/print { title "Print"; under none; piece all """<p>all</p>""" }
route /zoo { title "Zoo"; piece z """<p>z</p>""" }
state not-found at /docs { title "Gone"; piece gone """<p>gone</p>""" }
`;

test('the roofline: rows in the order of the route tree, with what covers and what passes by', () => {
	const { rows, layouts, routeCount } = roofline(sound(text));
	assert.equal(routeCount, 6);
	assert.deepEqual(
		rows.map((row) => [row.page, row.depth, row.below, row.chain.join(' '), row.bare, [...row.passedBy].sort().join(' ')]),
		[
			['/', 0, 0, 'shell', false, ''],
			['/about', 0, 0, 'shell wide', false, ''],
			['/docs', 0, 2, 'shell docs', false, ''],
			['/docs/api', 1, 0, 'shell docs', false, ''],
			['/docs/print', 1, 0, '', true, 'docs shell'],
			['/zoo', 0, 0, 'shell', false, ''],
			['not-found at /docs', 0, 0, 'shell docs', false, '']
		]
	); // prettier-ignore
	assert.deepEqual(
		layouts.map((one) => [one.name, one.depth, one.covers]),
		[
			['shell', 0, 5],
			['docs', 1, 2],
			['wide', 1, 1]
		]
	);
	const folded = unfolded(rows, new Set(['/docs']));
	assert.deepEqual(
		folded.map((row) => row.page),
		['/', '/about', '/docs', '/zoo', 'not-found at /docs']
	);
	const folds = new Set(['/zoo', '/docs']);
	assert.deepEqual([...opened(rows, folds, '/docs/api')], ['/zoo'], 'the branch it lies in opens');
	assert.equal(opened(rows, folds, '/docs'), folds, 'its own branch stays shut');
	assert.deepEqual(searchRows(rows, 'API').map((row) => row.page), ['/docs/api']); // prettier-ignore
	assert.deepEqual(searchRows(rows, 'us').map((row) => row.page), ['/about'], 'by its title'); // prettier-ignore
});

test('bars run over neighbours that a layout covers, threads over those that it lets go', () => {
	const { rows, layouts } = roofline(sound(text));
	const routes = rows.filter((row) => row.kind === 'route');
	const runs = rooflineRuns(routes, layouts).map(({ layout, kind, lane, from, to }) => {
		return `${layout} ${kind} in ${lane}: ${from} to ${to}`;
	});
	assert.deepEqual(runs.sort(), [
		'docs bar in 1: 2 to 3',
		'docs thread in 1: 4 to 4',
		'shell bar in 0: 0 to 3',
		'shell bar in 0: 5 to 5',
		'shell thread in 0: 4 to 4',
		'wide bar in 1: 1 to 1'
	]);
});

test('every row is under exactly the bars of its chain, whatever the site', () => {
	fc.assert(
		fc.property(randomSite, (random) => {
			const { rows, layouts } = roofline(resolve(siteText(random)));
			const runs = rooflineRuns(rows, layouts);
			for (const [index, row] of rows.entries()) {
				const over = runs.filter((run) => {
					return run.kind === 'bar' && run.from <= index && index <= run.to;
				});
				assert.deepEqual(over.map((run) => run.layout).sort(), [...row.chain].sort());
				for (const run of over) assert.equal(row.chain[run.lane], run.layout, 'its lane is its depth');
			}
		}),
		{ seed: 8, numRuns: 60 }
	); // prettier-ignore
});

test('the branch over two routes, and rooflines that stay as they are', () => {
	assert.equal(branchOver('/docs/api', '/docs/print'), '/docs');
	assert.equal(branchOver('/docs', '/docs/api'), '/docs');
	assert.equal(branchOver('/docs/api', '/zoo'), '/');
	const one = sound(text);
	const edited = (from: string, to: string): boolean => {
		const texts = new Map([['site.eave', text.replace(from, to)]]);
		const { assets } = one.reading.files;
		return hasSameRoofline(one, checkSite(readSiteFiles({ texts, assets }, one.reading)));
	};
	assert.equal(edited('<p>hello</p>', '<p>hi</p>'), true);
	assert.equal(edited('"Zoo"', '"Zoos"'), false);
	assert.equal(edited('under none; ', ''), false);
});

function columnOf(page: string, region: string): SectionColumn {
	const resolved = sound(text);
	const { columns } = crossSection(resolved.page(pageNamed(resolved, page)), resolved);
	const column = columns.find((one) => one.regions.some(({ name }) => name === region));
	assert.ok(column, `a column for ${region}`);
	return column;
}

test('a page cut through: columns in reading order, slots in slots share one', () => {
	const resolved = sound(text);
	const section = crossSection(resolved.page(pageNamed(resolved, '/docs/api')), resolved);
	assert.deepEqual(
		section.layers.map((layer) => [layer.name, layer.kind]),
		[
			['shell', 'layout'],
			['docs', 'layout'],
			['/docs/api', 'page']
		]
	);
	assert.deepEqual(
		section.columns.map((column) => column.regions.map(({ name }) => name).join(' › ')),
		['head', 'trail', 'main › text', 'foot']
	);
});

test('what each layer does hangs until another ends it, and what lands is said by its owner', () => {
	const head = columnOf('/docs/api', 'head');
	assert.deepEqual(
		head.cells.map(({ entries }) => entries.map((entry) => entry.label)),
		[['name'], ['after: search'], ['instead: bare-head']]
	);
	assert.deepEqual(head.caps, [{ layer: 2, owner: 1 }], 'the page ends what hung from docs');
	assert.deepEqual(head.lands, [{ layer: 2, pieces: ['bare-head'] }]);
	const listed = columnOf('/docs', 'head');
	assert.deepEqual(listed.lands, [
		{ layer: 0, pieces: ['name'] },
		{ layer: 1, pieces: ['search'] }
	]);
	assert.deepEqual(listed.caps, []);
	const slot = columnOf('/docs', 'main');
	assert.deepEqual(slot.lands, [{ layer: 2, pieces: ['list'] }]);
	assert.deepEqual(
		slot.cells.map(({ entries }) => entries.map((entry) => entry.label)),
		[['slot, must be filled'], ['slot'], ['list']]
	);
	const foot = columnOf('/docs', 'foot');
	assert.deepEqual(foot.threads, [{ from: 0, to: 3, owner: 0 }], 'it reaches the landing row');
});

test('marks: no two layouts of a chain share a hue, and the same site has the same marks', () => {
	const names = Array.from({ length: 9 }, (_, index) => `l${index}`);
	const nested = names.map((name, index) => {
		const at = '/' + names.slice(1, index + 1).join('/');
		return `layout ${name} at ${at} { region r${index} as div { slot } }`;
	});
	const { structure } = sound(`site "Deep" { }\n${nested.slice(0, 5).join('\n')}\nroute / { }`);
	const marks = layoutMarks(structure);
	assert.equal(new Set([...marks.values()].map(({ hue }) => hue)).size, 5);
	const many = sound(`site "Many" { }\n${nested.join('\n')}\nroute / { }`);
	const all = [...layoutMarks(many.structure).values()].map(({ hue, hatch }) => `${hue} ${hatch}`);
	assert.equal(new Set(all).size, 9, 'hues that come again have another hatch');
	assert.deepEqual(layoutMarks(many.structure), layoutMarks(many.structure));
});

test('the overlay draws each region, and in it what others brought', () => {
	const marks = layoutMarks(sound(text).structure);
	const at = { x: 0, y: 0, width: 120.4, height: 40 };
	const layer = (name: string, region?: string, piece?: string): MeasuredBox => ({
		...at,
		trace: { kind: name.startsWith('/') ? 'route' : 'layout', layer: name, region, piece }
	});
	const boxes = overlayBoxes(
		[
			layer('shell', 'head'),
			layer('shell', undefined, 'name'),
			layer('docs', undefined, 'search'),
			{ ...layer('shell', 'foot'), height: 0 },
			layer('shell', 'main'),
			layer('/docs', undefined, 'list')
		],
		marks
	);
	assert.deepEqual(
		boxes.map((box) => [box.kind, box.name, box.size, box.mark === undefined]),
		[
			['region', 'head', '120 × 40', false],
			['guest', 'search', '120 × 40', false],
			['region', 'main', '120 × 40', false],
			['guest', 'list', '120 × 40', true]
		]
	);
});
