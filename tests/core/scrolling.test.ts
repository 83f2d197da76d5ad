import assert from 'node:assert/strict';
import { test } from 'node:test';
import { roomAt, roomCsv, roomLines, roomSentences } from '../../src/core/sweep/room-lines.ts';
import { scrollView, type ScrollView } from '../../src/core/scroll/scroll-view.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { layoutMarks } from '../../src/core/view-models/marks.ts';
import { sheetsOf } from '../../src/core/emit/delivery.ts';
import type { ScrollerName } from '../../src/core/geometry/page.ts';
import { PageLayout, type PlacedBox } from '../../src/core/geometry/page-layout.ts';
import { noTrial, trialOf, type Trial } from '../../src/core/model/trial.ts';
import type { ResolvedSite } from '../../src/core/resolve/site.ts';
import { sizesByName } from '../judge/boxes/sizes.ts';
import { pageNamed, resolve } from '../lib/site.ts';

/** What scrolling does, worked out by hand. Contents have the size that their name says. */

const shell = (
	inside: string,
	site = ''
): string => `site "T" { bands { narrow 0; wide 1000 }; ${site} }
layout f at / { ${inside} }
route / { piece fix-100-2000 """x""" }
`;
const plain = shell(`
  region head as header { height 60px; stick top; shadow scrolled; piece fix-10-10 """x""" }
  region hero as div { height 200px; piece fix-20-20 """x""" }
  region bar as nav { height 40px; stick top; piece fix-30-20 """x""" }
  region main as main { slot }
  region foot as footer { height 100px }`);

/** The boxes of the page `/` on a screen of 800 by 600 px. */
function at(
	site: ResolvedSite,
	px: number,
	inside?: ScrollerName,
	width = 800,
	height = 600
): PlacedBox[] {
	const page = site.page(site.site.routes[0] ?? pageNamed(resolve(plain), '/'));
	const scrolled = { px, in: inside };
	const layout = new PageLayout({ page, site: site.site, sizes: sizesByName, open: new Set(), scrolled });
	return layout.boxesAt({ width, height });
} // prettier-ignore

/** `y height` of some regions. */
function places(boxes: readonly PlacedBox[], ...names: readonly string[]): string[] {
	return names.map((name) => {
		const box = boxes.find((one) => one.name.kind === 'region' && one.name.region === name);
		return box ? `${Math.round(box.y)} ${Math.round(box.height)}` : '';
	});
}

function viewOf(site: CheckedSite, within?: ScrollerName, trial: Trial = noTrial): ScrollView {
	const seen = site.tried(trial);
	const { bands } = seen.site.settings;
	const page = seen.page(pageNamed(site, '/'));
	const screen = { width: 800, height: 600 };
	const boxes = (px: number): PlacedBox[] => at(seen, px, within);
	const viewing = scrollView(
		page,
		bands,
		layoutMarks(seen.structure),
		screen,
		within,
		trial,
		boxes
	);
	let step = viewing.next();
	while (!step.done) step = viewing.next();
	return step.value;
}

/** `name: action from-to` of all that is done to boxes. */
function actions({ lanes }: ScrollView): string[] {
	return lanes.flatMap(({ name, spans }) =>
		spans.map(({ action, from, to }) => `${name}: ${action} ${from}-${to}`)
	);
}

test('what sticks keeps to its edge below what sticks there already, and all else stays in its place', () => {
	const site = resolve(plain);
	const names = ['head', 'hero', 'bar', 'main', 'foot'];
	assert.deepEqual(places(at(site, 0), ...names), ['0 60', '60 200', '260 40', '300 2000', '2300 100']);
	assert.deepEqual(places(at(site, 100), ...names), ['100 60', '60 200', '260 40', '300 2000', '2300 100']);
	assert.deepEqual(places(at(site, 500), ...names), ['500 60', '60 200', '560 40', '300 2000', '2300 100']);
	assert.deepEqual(places(at(site, 1800), 'head', 'bar', 'foot'), ['1800 60', '1860 40', '2300 100']);
}); // prettier-ignore

test('what shrinks gets lower as far as it may, and nothing below it moves; with less motion it is small at once', () => {
	const site = resolve(shell(`region head as header { shrink 120px to 50px; piece fix-10-10 """x""" }
  region bar as nav { height 40px; stick top; piece fix-30-20 """x""" }
  region main as main { slot }`));
	assert.deepEqual(places(at(site, 0), 'head', 'bar', 'main'), ['0 120', '120 40', '160 2000']);
	assert.deepEqual(places(at(site, 30), 'head', 'bar', 'main'), ['30 90', '120 40', '160 2000']);
	assert.deepEqual(places(at(site, 70), 'head', 'bar', 'main'), ['70 50', '120 40', '160 2000']);
	assert.deepEqual(places(at(site, 900), 'head', 'bar', 'main'), ['900 50', '950 40', '160 2000']);
	const still = site.tried(trialOf(['still']));
	assert.deepEqual(places(at(still, 0), 'head', 'bar', 'main'), ['0 50', '50 40', '90 2000'], 'it is small from the start');
	assert.deepEqual(places(at(still, 900), 'head', 'bar'), ['900 50', '950 40']);
	assert.deepEqual(actions(viewOf(site)).filter((action) => /head|bar: sticks/.test(action)), [
		'head: sticks 1-1560', 'head: shrinks 0-69', 'bar: sticks 71-1560'
	]);
}); // prettier-ignore

test('a region that scrolls by itself has edges of its own, and keeps its height in view', () => {
	const site = resolve(shell(`height screen; arrange areas { "head" auto; "main" 1fr }
  region head as header { height 60px; piece fix-10-10 """x""" }
  region main as main { slot; scroll own }`) + 'layout g at /in { region top as div { height 30px; stick top }; region deep as div { slot } }\nroute /in { piece fix-90-1500 """x""" }');
	const page = pageNamed(site, '/in');
	const inside = { layout: 'f', region: 'main', wrapper: undefined };
	const layout = (px: number): PlacedBox[] =>
		new PageLayout({ page: site.page(page), site: site.site, sizes: sizesByName, open: new Set(), scrolled: { px, in: inside } }).boxesAt({ width: 800, height: 600 });
	assert.deepEqual(places(layout(0), 'main', 'top', 'deep'), ['60 540', '60 30', '90 1500']);
	assert.deepEqual(places(layout(400), 'main', 'top', 'deep'), ['60 540', '460 30', '90 1500']);
	assert.deepEqual(places(at(site, 200), 'main', 'head'), ['60 540', '0 60'], 'the page has nothing to scroll');
	const whole = viewOf(site);
	assert.deepEqual(whole.scrollers.map(({ words, reach }) => `${words} ${reach}`), ['main 1460']);
	assert.equal(whole.reach, 0);
	assert.equal(viewOf(site, inside).reach, 1460);
}); // prettier-ignore

test('from where to where something sticks, is pushed away, covered or gets its shadow is said to the px', () => {
	const view = viewOf(resolve(plain));
	assert.equal(view.reach, 1800);
	assert.deepEqual(actions(view), [
		'head: sticks 1-1800',
		'head: gets its shadow 0-23',
		'bar: sticks 201-1800',
		'hero: is covered 1-259',
		'main: is covered 201-1800'
	]);
	assert.deepEqual(
		[0, 150, 1000].map((px) => Math.round(view.left.findLast((one) => one.px <= px)?.left ?? 0)),
		[500, 500, 500],
		'60 and 40 px are kept, there already or not'
	);
	const pushed = resolve(
		shell('arrange columns 4; region side as aside { span 1; wrapper inner { } }; region main as main { slot; span 3 }').replace('wrapper inner { }', 'piece fix-20-300 { stick top } """x"""')
	);
	const side = viewOf(pushed).lanes.find(({ name }) => name === 'fix-20-300');
	assert.deepEqual(side?.spans.map(({ action, from, to }) => `${action} ${from}-${to}`), ['sticks 1-1400']);
	const paper = viewOf(resolve(plain), undefined, trialOf(['printed']));
	assert.deepEqual(actions(paper), [], 'on paper nothing keeps to an edge');
}); // prettier-ignore

test('where one of two that stick does not know of the other, it is said to be covered', () => {
	const site = resolve(shell(`region head as header { stick top; piece fix-10-80 """x""" }
  region bar as nav { height 40px; stick top; piece fix-30-20 """x""" }
  region main as main { slot }`));
	const found = actions(viewOf(site)).filter((action) => action.startsWith('head'));
	assert.deepEqual(found, ['head: sticks 1-1520', 'head: is covered 1-1520'], 'a head without a height counts as nothing');
}); // prettier-ignore

test('links land below what sticks: what scrolls says how much of it is covered, band by band', () => {
	const site = resolve(`site "T" { bands { narrow 0; wide 1000 }; tokens { --bar: 48px } }
layout f at / { region head as header { height var(--bar); stick top }; region main as main { slot }; region base as footer { height 30px; stick bottom @wide } }
layout g at /g { region tabs as nav { height 20px; stick top @wide }; region deep as div { slot } }
layout own at /own { region tools as div { height 10px; stick top }; region pane as div { slot; scroll own; height 300px } }
layout in-own at /own/in { region strip as div { height 25px; stick top }; region rest as div { slot } }
route / { piece a """x""" }
route /g { piece a """x""" }
route /own/in { piece a """x""" }
`);
	const said = (page: string, sheet: string): string[] => {
		const { css = '' } = sheetsOf(pageNamed(site, page), site).find(({ path }) => path.endsWith(`/${sheet}.css`)) ?? {};
		return [...css.matchAll(/([^\n{}]+) \{\s*(?:[^{}]*?)(scroll-padding-block-(?:start|end): [^;]*)/g)].map(([, of = '', what = '']) => `${of.trim()} ${what}`);
	};
	assert.deepEqual(said('/', 'f'), [':root scroll-padding-block-start: var(--bar)', ':root scroll-padding-block-end: 30px']);
	assert.deepEqual(said('/g', 'g'), [':root scroll-padding-block-start: var(--bar)', ':root scroll-padding-block-start: calc(var(--bar) + 20px)']);
	assert.deepEqual(said('/own/in', 'in-own'), ['.own-pane scroll-padding-block-start: 25px'], 'a box that scrolls has edges of its own');
}); // prettier-ignore

test('how much of a screen is left for content follows what sticks, band by band and height by height', () => {
	const site = resolve(shell(`region head as header { height 60px; stick top; piece fix-10-10 """x""" }
  region main as main { slot }
  region base as footer { height 100px; stick bottom @wide; piece fix-10-10 """x""" }`));
	const page = site.page(pageNamed(site, '/'));
	const making = roomLines(page, site.site.settings.bands, (width, height, px) => at(site, px, undefined, width, height));
	let step = making.next();
	while (!step.done) step = making.next();
	const lines = step.value;
	const left = (height: number, width: number): number | undefined => {
		const line = lines.find((one) => one.height === height);
		return line && roomAt(line, width);
	};
	assert.equal(left(640, 400), 580);
	assert.equal(left(640, 999), 580);
	assert.equal(left(640, 1000), 480, 'the foot sticks from wide on');
	assert.equal(left(360, 1700), 200);
	assert.match(roomSentences(lines)[0] ?? '', /360 px high, at least 200 px \(56 %\) are left for content, at 1000 px/);
	const [head, first] = roomCsv(lines).split('\r\n');
	assert.equal(head, 'screen,left of 360,left of 640,left of 800,left of 1080');
	assert.equal(first, '280,300,580,740,1020');
}); // prettier-ignore

test('what follows a head with an overlap is scrolled over it: the head sticks and covers nothing', () => {
	const site = resolve(
		shell(`region head as header { height 96px; stick top; overlap 96px; piece fix-10-10 """x""" }
  region main as main { slot }`)
	);
	assert.deepEqual(places(at(site, 300), 'head', 'main'), ['300 96', '0 2000']);
	const view = viewOf(site);
	assert.deepEqual(actions(view), ['head: is scrolled over 1-1400', 'main: rides up 0-1400']);
	assert.deepEqual([...new Set(view.left.map(({ left }) => left))], [600]);
	const css = sheetsOf(pageNamed(site, '/'), site).map((sheet) => sheet.css).join(''); // prettier-ignore
	assert.match(css, /\.f-head \{[^}]*z-index: var\(--under\)/);
});

test('a head behind what is scrolled keeps to the edge, covers nothing and is kept below by nothing', () => {
	const head = (stick: string) =>
		resolve(
			shell(`region head as header { height 96px; stick ${stick}; piece fix-10-10 """x""" }
  region menu as div { height 40px; stick top; piece fix-11-10 """x""" }
  region main as main { slot }`)
		);
	const behind = head('top behind');
	assert.deepEqual(places(at(behind, 300), 'head', 'menu', 'main'), ['300 96', '300 40', '136 2000']);
	assert.deepEqual(places(at(head('top'), 300), 'head', 'menu', 'main'), ['300 96', '396 40', '136 2000']);
	assert.deepEqual(actions(viewOf(behind)).filter((one) => one.startsWith('head')), ['head: is scrolled over 1-1536', 'head: is covered 1-1536']);
	assert.deepEqual([...new Set(viewOf(behind).left.map(({ left }) => left))].at(-1), 560);
	const css = sheetsOf(pageNamed(behind, '/'), behind).map((sheet) => sheet.css).join('');
	assert.match(css, /--under: -1/);
	assert.match(css, /\.f-head \{[^}]*position: sticky;[^}]*z-index: var\(--under\)/);
	assert.match(css, /\.f-menu \{[^}]*inset-block-start: 0/);
	assert.match(css, /\.f \{[^}]*isolation: isolate/, 'it stays over the background of what is around it');
}); // prettier-ignore
