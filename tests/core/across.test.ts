import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { changeWords, siteChanges } from '../../src/core/changes/site-changes.ts';
import { columnsOf, type Column } from '../../src/core/sheet/columns.ts';
import { alikeWord } from '../../src/core/sheet/alike.ts';
import { bandWords } from '../../src/core/sheet/band-words.ts';
import { groupRows, rowsWith } from '../../src/core/sheet/groups.ts';
import { drawMiniature } from '../../src/core/sheet/miniature.ts';
import { problemsByLayer, sheetRow } from '../../src/core/sheet/sheet-row.ts';
import type { LaidPage } from '../../src/core/laid/laid-page.ts';
import { miniatureSvg } from '../../src/core/sheet/svg.ts';
import { troubleOn, troubleWords } from '../../src/core/sheet/trouble.ts';
import { jumpsIn } from '../../src/core/sweep/jump-words.ts';
import { isMended, mendIdeas } from '../../src/core/sweep/mends.ts';
import { misfitsIn, misfitWords } from '../../src/core/check/fit/misfits.ts';
import { pointAt } from '../../src/core/sweep/region-lines.ts';
import {
	sweepCsv,
	sweepSentences,
	sweepView,
	type SweepView
} from '../../src/core/sweep/sweep-view.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { layoutMarks } from '../../src/core/view-models/marks.ts';
import { layerName } from '../../src/core/model/site.ts';
import { propose } from '../../src/core/edit/propose.ts';
import { touches } from '../../src/core/edit/touches.ts';
import { estimateOnce, estimateSize } from '../../src/core/geometry/pieces/estimate.ts';
import { PageLayout } from '../../src/core/geometry/page-layout.ts';
import { Sweep } from '../../src/core/geometry/widths/sweep.ts';
import type { PageInstance } from '../../src/core/resolve/instance.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { Guesses } from '../../src/core/laid/guesses.ts';
import { boxesBy } from '../../src/core/laid/laid-boxes.ts';
import { trialOf } from '../../src/core/model/trial.ts';
import { Desk } from '../../src/workers/desk/desk.ts';
import type { SheetRequest } from '../../src/workers/sheets.ts';
import { sizesByName } from '../judge/boxes/sizes.ts';
import { pageNamed, resolve } from '../lib/site.ts';

/** Every page at every size: numbers here are worked out by hand. Contents have the size that their name says. */

const text = `site "Seeds" { bands { narrow 0; medium 600; wide 1000 } }
layout shell at / {
  arrange areas { "head"; "main"; "side"; "foot"; columns minmax(0, 1fr) }
  arrange areas @wide { "head head head" auto; "menu main side" 1fr; "foot foot foot" auto; columns 220px minmax(0, 1fr) 260px }
  region head as header { piece fix-50-20 """x""" }
  region menu as nav { show drawer left 200px "Menu"; show in-place @wide; piece fix-60-40 """x""" }
  region main as main { slot }
  region side as aside { show hidden; show in-place @wide; piece fix-70-30 """x""" }
  region foot as footer { piece fix-50-10 """x""" }
}
layout inner at /in { region shelf as div { slot } }
route / { title "Home"; piece fix-600-100 """x""" }
route /a { title "A"; piece fix-40-100 """x""" }
route /b { title "B"; piece fix-40-300 """x""" }
route /in { title "In"; piece fix-10-10 """x"""; fill side after { piece fix-20-20-f """x""" } }
`;

const site = resolve(text);
const columns = columnsOf([{ name: 'narrow', from: 0 }, { name: 'medium', from: 600 }, { name: 'wide', from: 1000 }]); // prettier-ignore

function layoutOf(resolved: CheckedSite, name: string): PageLayout {
	const page = resolved.page(pageNamed(resolved, name));
	return new PageLayout({ page, site: resolved.site, sizes: sizesByName, open: new Set() });
}

function lay(resolved: CheckedSite, name: string, at: readonly Column[] = columns): LaidPage {
	const layout = layoutOf(resolved, name);
	const boxes = at.map(({ width }) => layout.boxesAt({ width, height: 800 }));
	return { boxes, by: 'measured' };
}

function rowOf(resolved: CheckedSite, name: string): ReturnType<typeof sheetRow> {
	const [instance] = resolved.instances(pageNamed(resolved, name));
	assert.ok(instance);
	return sheetRow(
		instance,
		resolved,
		columns,
		lay(resolved, name),
		problemsByLayer(resolved),
		2026
	);
}

test('screens to look at are where bands begin, and others that are asked for', () => {
	assert.deepEqual(
		columns.map(({ name, width }) => `${name} ${width}`),
		['narrow 360', 'medium 600', 'wide 1000']
	);
	assert.deepEqual(
		columnsOf([{ name: 'narrow', from: 0 }], [900, 360]).map(({ width }) => width),
		[360, 900]
	);
	assert.deepEqual(columnsOf([]).map(({ width }) => width), [360, 1280]); // prettier-ignore
});

test('what the bands disagree on is said in words; what does not fit, with the box and by how much', () => {
	const page = site.page(pageNamed(site, '/'));
	const { boxes } = lay(site, '/');
	assert.deepEqual(bandWords(page, site.site.settings.bands, columns, boxes), [
		'menu: drawer until wide, then beside main',
		'side: from wide on, beside main'
	]);
	// At 360 px the piece of 600 px sticks out by 240; at 1000 main has 1000 - 220 - 260 = 520 of it, and reaches
	// 220 + 600 = 820, which is on the screen.
	const troubles = columns.flatMap(
		(column, index) => troubleOn(boxes[index] ?? [], column, false) ?? []
	);
	assert.deepEqual(troubleWords(troubles), [
		'At narrow 360 px fix-600-100 in main reaches 240 px beyond the edge.'
	]);
	assert.deepEqual(rowOf(site, '/a').found, []);
});

test('pages that draw alike but for the length of their text are one stack; others are not', () => {
	const rows = ['/', '/a', '/b', '/in'].map((name) => rowOf(site, name));
	const [byChain, byRoute] = [groupRows(rows, 'chain'), groupRows(rows, 'route')];
	assert.deepEqual(
		byChain.map(({ title, stacks }) => [title, ...stacks.map(({ first, others }) => `${first.page}+${others.length}`)]),
		[
			['shell', '/+0', '/a+1'],
			['shell, inner', '/in+0']
		]
	); // prettier-ignore
	assert.deepEqual(byRoute.map(({ key }) => key), ['/', '/a', '/b', '/in']); // prettier-ignore
	const [first] = groupRows(rows, 'found');
	assert.match(first?.title ?? '', /^At narrow 360 px fix-600-100/, 'what was found stands first');
	assert.deepEqual(rowsWith(rows, ' inner ').map(({ page }) => page), ['/in']); // prettier-ignore
	const word = (name: string): string =>
		alikeWord(site.page(pageNamed(site, name)), lay(site, name).boxes, []);
	assert.notEqual(word('/a'), word('/in'));
});

test('a small drawing has every region in its place, closed drawers at their edge, and what does not fit beyond it', () => {
	const { boxes } = lay(site, '/');
	const draw = (index: number, only?: string): string => {
		const miniature = drawMiniature(boxes[index] ?? [], site.page(pageNamed(site, '/')), site, {
			width: columns[index]?.width ?? 0,
			depth: 1000,
			marks: layoutMarks(site.structure),
			text: () => ({ html: '<h1>A</h1><p>b</p>', type: { size: 16, line: 18 } }),
			estimated: false
		});
		const way = { scale: 0.1, depth: 1000, fold: 800, ...(only !== undefined && { single: only }) };
		return miniatureSvg(miniature, way, 'a "name" & more');
	};
	const [narrow, wide] = [draw(0), draw(2)];
	assert.match(narrow, /aria-label="a &quot;name&quot; &amp; more"/);
	assert.equal(narrow.match(/class="tab /g)?.length, 1, 'the closed drawer');
	assert.match(narrow, /class="beyond" x="36" y="4.4" width="11" height="10"/);
	assert.doesNotMatch(wide, /class="tab |class="beyond"/);
	assert.match(wide, /class="ground hue-1" x="74" y="2" width="26"/, 'the side, 740 to 1000');
	assert.match(draw(2, 'side'), /<g class="faded"><rect class="open"/);
});

test('two states of a site: which pages changed, on which screens, and by how much', () => {
	const after = resolve(text.replace('fix-70-30', 'fix-70-50').replace('route /b {', 'route /c {'));
	const found = [...siteChanges(site, after, columns, ({ page }: PageInstance, { site: of }) => lay(of === site.site ? site : after, layerName(page)))].flatMap((one) => one ?? []); // prettier-ignore
	assert.deepEqual(
		found.map(({ page, kind }) => `${page} ${kind}`),
		['/ changed', '/a changed', '/b removed', '/in changed', '/c added']
	);
	const [home] = found;
	assert.ok(home);
	assert.deepEqual(home.screens.map(({ column }) => column.name), ['wide']); // prettier-ignore
	assert.deepEqual(changeWords(home), [
		'wide 1000 px: fix-70-50 in side: new; fix-70-30 in side: gone'
	]);
	assert.deepEqual(
		[...siteChanges(site, resolve(text), columns, () => lay(site, '/'))].filter(Boolean),
		[]
	);
});

test('an edit of a part touches the pages that use it', () => {
	const withPart = resolve(`${text}part mark """<b>m</b>"""
route /p { title "P"; piece use-it """{use mark}""" }
`);
	const at = [...withPart.reading.files.texts.values()].join('').indexOf('<b>m');
	const [file = ''] = withPart.reading.files.texts.keys();
	assert.deepEqual(
		touches(withPart, [{ kind: 'edit', file, from: at + 3, to: at + 4, insert: 'n' }]),
		['/p']
	);
});

function sweepOf(resolved: CheckedSite, name: string): SweepView {
	const layout = layoutOf(resolved, name);
	const page = resolved.page(pageNamed(resolved, name));
	const { settings } = resolved.site;
	const leastOn = (width: number): ReturnType<PageLayout['leastWidths']> =>
		layout.leastWidths({ width, height: 800 });
	return sweepView(
		Sweep.over(layout, 280, 1760, 800),
		page,
		settings,
		layoutMarks(resolved.structure),
		leastOn
	);
}

test('a sweep says what each region gets, what jumps and why, what does not fit, and what is needed', () => {
	const sweep = sweepOf(site, '/');
	const main = sweep.regions.find(({ region }) => region === 'main');
	assert.ok(main?.own);
	assert.deepEqual([pointAt(main, 700)?.width, pointAt(main, 1180)?.width], [700, 700]);
	assert.equal(
		pointAt(sweep.regions.find(({ region }) => region === 'side') ?? main, 700),
		undefined
	);
	assert.deepEqual(sweep.jumps.map(({ width, words }) => `${width}: ${words}`), [
		'1000: menu and side come in; main loses 479 px'
	]); // prettier-ignore
	assert.deepEqual(sweep.misfits.map(misfitWords), [
		'main is too narrow from 280 to 598 px: fix-600-100 needs 600 px and sticks out by up to 320 px.',
		'main is too narrow from 1000 to 1078 px: fix-600-100 needs 600 px and sticks out by up to 80 px.'
	]);
	assert.ok(main.least.every(({ px }) => px === 600));
	const csv = sweepCsv(sweep).split('\r\n');
	assert.equal(csv.length, 1481 + 2);
	assert.match(csv[701 - 280] ?? '', /^700,700,44,,,700,100,,,700,10$/);
	const sentences = sweepSentences(sweep);
	assert.ok(sentences.includes('main is 280 to 999 px wide on screens from 280 to 999 px, 520 to 1280 px wide on screens from 1000 to 1760 px.'), sentences.join('\n')); // prettier-ignore
	assert.ok(sentences.includes('At 1000 px menu and side come in; main loses 479 px.'));
});

test('a mend that is offered does away with what it mends at every width, and brings nothing new', () => {
	const page = site.page(pageNamed(site, '/'));
	const before = sweepOf(site, '/');
	const misfit = before.misfits[1];
	assert.ok(misfit);
	const ideas = mendIdeas(misfit, page, site.site, before.jumps);
	const mended = ideas.filter(({ command }) => {
		const proposal = propose(site, command);
		if (proposal.kind !== 'edit') return false;
		const { texts } = applyChanges(site.reading.files, proposal.changes);
		return isMended(
			misfit,
			before.misfits,
			sweepOf(resolve([...texts.values()].join('\n')), '/').misfits
		);
	});
	assert.deepEqual(
		mended.map(({ label }) => label),
		[
			'Let wide start at 1079 px',
			'Make the column of menu 140 px wide in place of 220 px',
			'Make the column of side 180 px wide in place of 260 px',
			'Let main scroll by itself'
		]
	);
});

test('random widths of columns: what is found not to fit is what is too narrow, width by width', () => {
	fc.assert(
		fc.property(fc.integer({ min: 60, max: 500 }), fc.integer({ min: 60, max: 900 }), (column, needs) => {
			const resolved = resolve(`site "T" { bands { narrow 0; wide 700 } }
layout f at / {
  arrange areas @wide { "menu main"; columns ${column}px minmax(0, 1fr) }
  region menu as nav { piece fix-10-10 """x""" }
  region main as main { slot }
}
route / { piece fix-${needs}-20 """x""" }`);
			const sweep = Sweep.over(layoutOf(resolved, '/'), 280, 1760, 800);
			const found = misfitsIn(sweep, false).filter(({ region }) => region === 'main');
			for (let width = 280; width <= 1760; width++) {
				const short = needs - (width < 700 ? width : width - column) > 1;
				assert.equal(found.some(({ from, to }) => from <= width && width <= to), short, `${column} ${needs} at ${width}`);
			}
			assert.ok(jumpsIn(sweep).every(({ width }) => width === 700));
		}),
		{ numRuns: 40, seed: 3 }
	); // prettier-ignore
});

test('a guess for one screen is the guess for any', () => {
	fc.assert(
		fc.property(fc.array(fc.lorem(), { minLength: 1, maxLength: 9 }), fc.integer({ min: 20, max: 900 }), (words, width) => {
			const html = `<h2>${words[0] ?? ''}</h2><p>${words.join(' ')}</p><img width=40 height=30>`;
			const view = { width: 1000, height: 800 };
			const [any, once] = [estimateSize(html), estimateOnce(html)];
			assert.equal(once.heightAt(width, view), any.heightAt(width, view));
			assert.deepEqual(once.contentWidths(view), any.contentWidths(view));
		}),
		{ numRuns: 60, seed: 4 }
	); // prettier-ignore
});

test('rows that an edit made anew are named, though their pages lie behind others in a stack', () => {
	const desk = new Desk(2026);
	const first = new Map([['site.eave', text]]);
	desk.open({ texts: first, assets: new Map() }, undefined, 0);
	const command = { columns, screen: { height: 800, scrollbar: 0 } };
	assert.deepEqual(wholeSheet(desk, command), { rows: 4, made: 4, changed: [] });
	const at = text.indexOf('piece fix-40-300 """x"""') + 'piece fix-40-300 """'.length;
	desk.change([{ kind: 'edit', file: 'site.eave', from: at, to: at + 1, insert: 'other' }], undefined, 0);
	assert.deepEqual(wholeSheet(desk, command), { rows: 4, made: 1, changed: ['/b'] });
	const long = wholeSheet(desk, { ...command, trial: trialOf(['long']) });
	assert.deepEqual(long.changed, [], 'another trial is no change');
}); // prettier-ignore

/** All parts of the sheet, in however many steps there was time for. */
function wholeSheet(desk: Desk, command: SheetRequest) {
	const changed: string[] = [];
	const whole = { rows: 0, made: 0, changed };
	for (let from: number | undefined = 0; from !== undefined;) {
		const part = desk.sheet.part(command, from);
		assert.ok(part);
		whole.rows += part.rows.length;
		whole.made += part.made;
		changed.push(...part.changed);
		from = part.next;
	}
	return whole;
}

test('a state that stands at the address of a route is another page than the route', () => {
	const desk = new Desk(2026);
	const shared = `${text}state loading at /a { title "Soon"; piece soon """<h1>Soon</h1><p>It comes.</p><p>Later.</p>""" }\n`;
	desk.open({ texts: new Map([['site.eave', shared]]), assets: new Map() }, undefined, 0);
	const command = { columns, screen: { height: 800, scrollbar: 0 } };
	const way = { scale: 0.2, depth: 1000, fold: 800 };
	const apart = ['/a', 'loading at /a'].map((page) => desk.sheet.drawings([page], command, way)[0]);
	const [route, state] = desk.sheet.drawings(['/a', 'loading at /a'], command, way);
	assert.deepEqual([route, state], apart, 'whichever is drawn first');
	assert.deepEqual(desk.sheet.drawings(['loading at /a', '/a'], command, way), [state, route]);
	const withoutName = (svg = ''): string => svg.replace(/ aria-label="[^"]*"/, '');
	assert.notEqual(withoutName(route?.drawings[0]), withoutName(state?.drawings[0]));
});

test('before pages are measured, what does not fit in them is guessed, at every width', () => {
	const wide = resolve(`site "T" { bands { narrow 0 } }
layout f at / { region main as main { slot } }
route / { piece a """<img src="data:," width="500" height="50" alt="">""" }
route /b { piece a """<p>a</p>""" }`);
	const found = ['/', '/b'].map((name) => {
		const [instance] = wide.instances(pageNamed(wide, name));
		assert.ok(instance);
		const guesses = new Guesses(instance, wide, 2026);
		const screen = { height: 800, scrollbar: 0 };
		return misfitsIn(boxesBy('guessed', (key) => guesses.of(key), instance, wide, screen), false);
	});
	assert.deepEqual(found.map((all) => all.map(({ from, to, by }) => [from, to, by])), [[[280, 498, 220]], []]);
}); // prettier-ignore
