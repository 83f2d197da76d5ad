import assert from 'node:assert/strict';
import { readFile } from 'node:fs/promises';
import { test } from 'node:test';
import {
	plainLayout,
	plainPage,
	wholeExample,
	type Example
} from '../../src/core/check/example.ts';
import { checks } from '../../src/core/check/list.ts';
import { mendOf } from '../../src/core/check/mend.ts';
import { foundElsewhere } from '../../src/core/check/elsewhere.ts';
import { prepare } from '../../src/core/edit/propose.ts';
import type { Problem } from '../../src/core/messages/problem.ts';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { LookingOver } from '../../src/core/findings/look-over.ts';
import { PageLayout } from '../../src/core/geometry/page-layout.ts';
import { fixedSize } from '../../src/core/geometry/pieces/piece-size.ts';
import { Sweep } from '../../src/core/geometry/widths/sweep.ts';
import { findingsDocument } from '../../scripts/lib/findings-document.ts';
import { findingsOf, lookOver } from '../lib/findings.ts';
import { around, resolve } from '../lib/site.ts';

/** What is wrong, where, and the mend. */

function codesIn(text: string, files: Example['files']): string[] {
	return lookOver(wholeExample(text), files).findings.map(({ problem }) => problem.code);
}

for (const check of [...foundElsewhere, ...checks]) {
	// What shows in a browser alone is tried in one.
	if (check.of === 'elsewhere' && check.inBrowser) continue;
	test(`${check.codes.join(', ')}: each example sets it off once, and mended not at all`, () => {
		assert.deepEqual(Object.keys(check.examples).sort(), [...check.codes].sort());
		for (const [code, example] of Object.entries(check.examples)) {
			const wrong = codesIn(example.wrong, example.files);
			assert.equal(wrong.filter((one) => one === code).length, 1, `${code}: ${wrong.join(', ')}`);
			const mended = codesIn(example.mended, example.files);
			assert.ok(!mended.includes(code), `${code} mended: ${mended.join(', ')}`);
		}
	});
}

/** A site after the mend of a problem; undefined where it has none. */
function mended(site: CheckedSite, problem: Problem): CheckedSite | undefined {
	const command = mendOf(problem, site);
	if (command) return prepare(site, command).after;
	if (!problem.mend) return undefined;
	const { span, insert } = problem.mend;
	const change = { kind: 'edit', file: span.file, from: span.from, to: span.to, insert } as const;
	const { texts, assets } = applyChanges(site.reading.files, [change]);
	return checkSite(readSiteFiles({ texts, assets }));
}

test('a mend takes its finding away and brings no error and no warning', () => {
	let count = 0;
	for (const check of checks) {
		for (const [code, example] of Object.entries(check.examples)) {
			const site = resolve(wholeExample(example.wrong), example.files);
			const { findings } = findingsOf(site);
			const finding = findings.find(({ problem }) => problem.code === code);
			assert.ok(finding);
			const after = mended(site, finding.problem);
			if (check.mend) assert.ok(after ?? code !== check.codes[0], `${code} has a mend`);
			if (!after) continue;
			count++;
			const left = findingsOf(after).findings.map(({ problem }) => problem);
			assert.ok(!left.some((one) => one.code === code), `${code} is gone`);
			const known = findings.map(({ problem }) => problem.code);
			const fresh = left.filter((one) => one.severity !== 'hint' && !known.includes(one.code));
			assert.deepEqual(
				fresh.map((one) => one.code),
				[],
				code
			);
		}
	}
	assert.ok(count > 15, `${count} mends were tried`);
});

test('what is wrong with a frame is one finding, however many pages it covers', () => {
	const routes = Array.from(
		{ length: 38 },
		(_, at) => `route /p${at} { title "P${at}"; piece text """<h1>P${at}</h1>""" }`
	);
	const wide = plainLayout(
		'region side as aside { width 640px; piece hours """<p>Two to six.</p>""" }'
	);
	const { findings } = lookOver(wholeExample(`${wide}\n${routes.join('\n')}`));
	const scrolling = findings.filter(({ problem }) => problem.code === 'page-scrolls-sideways');
	assert.equal(scrolling.length, 1);
	assert.equal(scrolling[0]?.on.length, 39);
	assert.deepEqual(scrolling[0]?.on[0]?.widths, [{ from: 280, to: 638 }], 'one px is let pass');
	const cause = findings.find(({ problem }) => problem.code === 'fixed-too-wide');
	assert.ok(cause);
	assert.equal(scrolling[0]?.because, cause.cause);
	assert.ok(findings.indexOf(cause) < findings.indexOf(scrolling[0]), 'what explains stands first');
	assert.equal(scrolling[0]?.estimated, false, 'no guess has a part in it');
});

test('what content comes to is estimated, and settled by what was measured', () => {
	const site = resolve(
		wholeExample(plainPage('<h1>Seed</h1><p>Donaudampfschiffahrtsgesellschaftskapitaenspatent</p>'))
	);
	const guessed = findingsOf(site).findings.filter(
		({ problem }) => problem.code === 'region-too-narrow'
	);
	assert.deepEqual(
		guessed.map(({ estimated }) => estimated),
		[true]
	);
	const layout = (width: number): PageLayout =>
		new PageLayout({
			page: site.page(site.site.routes[0] ?? assert.fail()),
			site: site.site,
			open: new Set(),
			sizes: () => fixedSize(width, 20)
		});
	for (const [width, count] of [
		[100, 0],
		[500, 1]
	] as const) {
		const over = new LookingOver(2026, () => ({
			by: 'measured',
			stretches: Sweep.over(layout(width), 280, 1760, 800).stretches,
			drawers: [],
			leastWidths: () => [],
			endMargin: () => 0
		}));
		over.measuredNow('/', '/');
		const found = findingsOf(site, over).findings.filter(
			({ problem }) => problem.code === 'region-too-narrow'
		);
		assert.deepEqual(
			found.map(({ estimated }) => estimated),
			Array.from({ length: count }, () => false)
		);
	}
});

test('what a layout sets aside is set aside on its pages, what a page does on it alone', () => {
	const long = `<h1>Seed</h1><p>${'Borrow seed in spring, bring some back in autumn. '.repeat(4)}</p>`;
	const site = (inLayout: string, inPage: string): string =>
		wholeExample(
			`layout frame at / { description "Seed"; ${inLayout} region main as main { slot } }\n` +
				`route / { title "Home"; ${inPage} piece text """${long}<a href="/two">2</a>""" }\nroute /two { title "Two"; piece text """${long}""" }`
		);
	const allow = 'allow measure-too-long "a poem keeps its lines";';
	const pagesOf = (text: string): string[] =>
		lookOver(text).findings.flatMap(({ problem, on }) =>
			problem.code === 'measure-too-long' ? on.map(({ page }) => page) : []
		);
	assert.deepEqual(pagesOf(site('', '')), ['/', '/two']);
	assert.deepEqual(pagesOf(site('', allow)), ['/two']);
	assert.deepEqual(pagesOf(site(allow, '')), []);
	const { aside } = lookOver(site(allow, ''));
	assert.deepEqual(
		aside.map(({ in: where, allowance, finding }) => [
			where.name,
			allowance.reason.text,
			finding.on.length
		]),
		[['frame', 'a poem keeps its lines', 2]]
	);
});

test('findings are set aside and told again by commands, and the text is as before', () => {
	const site = resolve(wholeExample(plainPage('<h1>Seed</h1><h3>Beans</h3>')));
	const where = { kind: 'route', name: '/' } as const;
	const { after } = prepare(site, {
		kind: 'set-aside',
		code: 'heading-skips',
		in: where,
		reason: 'it is "so"'
	});
	assert.ok(after);
	assert.ok(!findingsOf(after).findings.some(({ problem }) => problem.code === 'heading-skips'));
	assert.equal(after.site.routes[0]?.allows[0]?.reason.text, 'it is "so"');
	const again = prepare(after, { kind: 'tell-again', code: 'heading-skips', in: where });
	assert.deepEqual(again.after?.reading.files.texts, site.reading.files.texts);
	const refused = prepare(site, {
		kind: 'set-aside',
		code: 'heading-skips',
		in: where,
		reason: ' '
	});
	assert.equal(refused.proposal.kind, 'refused');
});

test('only pages that an edit touched are looked at again', () => {
	const text = (title: string): string =>
		wholeExample(
			`${plainPage('<h1>Seed</h1><a href="/two">2</a>')}\nroute /two { title "Two"; piece text """<h1>${title}</h1>""" }`
		);
	const over = new LookingOver(2026);
	const first = resolve(text('Two'));
	findingsOf(first, over);
	const read = checkSite(readSiteFiles(resolve(text('Zwei')).reading.files, first.reading));
	const going = over.over(read);
	const gone: number[] = [];
	for (let step = going.next(); !step.done; step = going.next()) gone.push(step.value.gone);
	// A page that is worked out gives way before it is done, one that is known does not.
	assert.ok(!gone.includes(0), 'the first is known');
	assert.ok(gone.filter((pages) => pages === 1).length > 1, 'the second is made anew');
});

test('the document of findings is what the checks say', async () => {
	assert.equal(
		await readFile('docs/findings.md', 'utf8'),
		findingsDocument(),
		'run npm run findings'
	);
});

test('the name of a token is put in the place of a value, and nowhere else', () => {
	const site = resolve(
		`site "T" { lang en; bands { narrow 0; wide 1000 }; tokens { --bed: #bed; --gap: 8px } }
layout frame at / { pad  4px   8px; region main as main { slot }; style """ #bed { color: #BED; margin: var(--gap) var(--bed); } """ }
route / { title "Home"; piece text """<h1 id="bed">Seed</h1>""" }`
	);
	const { findings } = findingsOf(site);
	const mends = findings
		.filter(({ problem }) => problem.code === 'value-not-token')
		.flatMap(({ problem }) => mendOf(problem, site) ?? []);
	assert.equal(mends.length, 2);
	const { after } = prepare(site, { kind: 'several', label: 'All', commands: mends });
	const text = after?.reading.files.texts.get('site.eave') ?? '';
	assert.match(text, /pad {2}4px {3}var\(--gap\); region/);
	assert.match(text, /#bed \{ color: var\(--bed\); margin/);
});

test('a finding is told at the element that is meant, and at the layer that has to change', () => {
	const commented = resolve(
		around(
			'route /x { title "X"; piece a """<!-- <img src="a.svg"> --><h1>X</h1><img src="a.svg">""" }'
		)
	);
	const [image] = findingsOf(commented).findings.filter(({ problem }) => problem.code === 'image-no-alt'); // prettier-ignore
	const text = commented.reading.files.texts.get('site.eave') ?? '';
	assert.equal(image?.problem.span.from, text.lastIndexOf('<img'));
	const branded = resolve(
		around(`layout brand at / { region top as header { piece name """<h1>Lent</h1>""" }; region main as main { slot } }
route /x { under brand; title "X"; piece a """<h1>X</h1>""" }
route /y { under brand; title "Y"; piece a """<h1>Y</h1>""" }`)
	);
	const twice = findingsOf(branded).findings.filter(({ problem }) => problem.code === 'heading-twice'); // prettier-ignore
	assert.deepEqual(twice.map(({ on }) => on.map(({ page }) => page)), [['/x', '/y']]); // prettier-ignore
	const [brand] = twice;
	const source = branded.reading.files.texts.get('site.eave') ?? '';
	assert.equal(source.slice(brand?.problem.span.from).slice(0, 8), '<h1>Lent');
});

test('one page without a description is told there; where none has one, the frame is', () => {
	const said = (own: string): string[][] =>
		findingsOf(
			resolve(`site "Lent" { lang en; bands { narrow 0 } }
layout f at / { region main as main { slot } }
route / { title "Home"; ${own}; piece a """<h1><a href="/b">Seed</a></h1>""" }
route /b { title "B"; piece a """<h1>B</h1>""" }`)
		)
			.findings.filter(({ problem }) => problem.code === 'description-missing')
			.map(({ problem, on }) => [String(problem.details[0]), ...on.map(({ page }) => page)]);
	assert.deepEqual(said('description "Seed"'), [['/b', '/b']]);
	assert.deepEqual(said(''), [['What sits under f', '/', '/b']]);
});

test('each region that reaches beyond the screen is told, not only the one that does farthest', () => {
	const site = resolve(
		around(`layout two at /x { region top as header { piece a """<img src="data:," alt="" width="2000" height="9">""" }; region body as div { slot }; region low as footer { piece b """<img src="data:," alt="" width="1900" height="9">""" } }
route /x { title "X"; piece c """<h1>X</h1>""" }`)
	);
	const told = findingsOf(site).findings.filter(({ problem }) => problem.code === 'page-scrolls-sideways'); // prettier-ignore
	assert.deepEqual(told.map(({ on }) => on[0]?.box?.region).sort(), ['low', 'top']); // prettier-ignore
});

test('what a box lets ride up over it is no fault, at the widths at which it does', () => {
	const coveredAt = (more: string): unknown =>
		lookOver(`site "Seeds" { bands { narrow 0; wide 800 } }
layout frame at / {
  description "Seed that is lent."
  arrange areas { "head" 60px; "main" auto }
  region head as header { height 90px; ${more}; piece name """<p>Seed library</p>""" }
  region main as main { slot }
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`)
			.findings.filter(({ problem }) => problem.code === 'covered')
			.flatMap(({ on }) => on.flatMap(({ widths }) => widths));
	assert.deepEqual(coveredAt('overlap 30px'), []);
	assert.deepEqual(coveredAt('overlap 0'), coveredAt('pad 0'));
	assert.deepEqual(coveredAt('overlap 0; overlap 30px @wide'), [{ from: 280, to: 799 }]);
});

test('of a style that stops where a page begins it is said what would reach', () => {
	const said = (style: string): string[] =>
		lookOver(wholeExample(plainLayout(`style${style} """h1 { margin: 0; }"""`))).findings.flatMap(
			({ problem }) => (problem.code === 'style-unused' ? [sentenceOf(problem)] : [])
		);
	assert.match(said('')[0] ?? '', /"style global" reaches what pages bring/);
	assert.deepEqual(said(' global'), []);
});

test('how a kind of element looks wherever it comes to stand is no unused style', () => {
	const told = (style: string): string[] =>
		lookOver(wholeExample(plainLayout(`style${style}`))).findings.flatMap(({ problem }) =>
			problem.code === 'style-unused' ? [sentenceOf(problem)] : []
		);
	assert.deepEqual(told(' global """table, th:hover, input::placeholder { margin: 0; }"""'), []);
	assert.equal(told(' global """tabel { margin: 0; }"""').length, 1, 'no element has that name');
	assert.equal(told(' global """table .sum { margin: 0; }"""').length, 1, 'a class is someone’s');
	assert.equal(
		told(' """table { margin: 0; }"""').length,
		1,
		'a style of a layer is about that layer'
	);
});

test('what only a pointer makes clearer, or the focus shows too, is not told as hidden from the keyboard', () => {
	const codes = (css: string): string[] =>
		lookOver(
			`site "Seed" { lang en; bands { narrow 0 } }\nlayout frame at / { description "Seed."; region main as main { slot } }\nroute / { title "Home"; piece a """<h1>Seed</h1><ul><li>Kale <p class="x">Sown in May</p></li></ul>"""; style """${css}""" }\n`
		)
			.findings.map(({ problem }) => problem.code)
			.filter((code) => code === 'hover-only');
	const hidden = '.x { opacity: 0 }';
	assert.deepEqual(codes(`${hidden} li:hover > .x { opacity: 1 }`), ['hover-only']);
	assert.deepEqual(codes(`${hidden} li:hover .x, li:focus-within .x { opacity: 1 }`), []);
	assert.deepEqual(codes(`${hidden} li:is(:hover, :focus-within) .x { opacity: 1 }`), []);
	assert.deepEqual(codes('.x { opacity: 0.7 } .x:hover { opacity: 1 }'), []);
	assert.deepEqual(codes('.x { display: block } li:hover .x { display: flex }'), []);
	assert.deepEqual(codes(`${hidden} @media print { .x { opacity: 1 } }`), []);
});
