import assert from 'node:assert/strict';
import { test } from 'node:test';
import { frameMoves } from '../../src/core/author-styles/frame-moves.ts';
import { PagePaint } from '../../src/core/author-styles/paint.ts';
import { drive } from '../../src/core/measure/drive.ts';
import { MeasuredPage } from '../../src/core/laid/measured-page.ts';
import { SizeStore } from '../../src/core/measure/size-store.ts';
import { mendOf } from '../../src/core/check/mend.ts';
import { prepare } from '../../src/core/edit/propose.ts';
import { reportOf } from '../../src/core/findings/report.ts';
import { textOf } from '../../src/core/model/files.ts';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { findingsOf, lookOver } from '../lib/findings.ts';
import { pageNamed, resolve } from '../lib/site.ts';

/** Sheets of the site's own say as much of a page as styles of layers do, and say it where they are written. */

const framed = `site "Seeds" { lang en; bands { narrow 0; wide 900 }; tokens { --ink: #222222 } }
layout shell at / {
  description "Seed that is lent."
  sheet "css/site.css"
  frame """<header><p class="note">All seed is lent.</p></header><main>{slot}</main>"""
}
route / { title "Home"; piece body """<h1>Seed</h1><p>Sow in April.</p>""" }
`;

const contrasts = (css: Record<string, string>): string[] =>
	lookOver(framed, css)
		.findings.filter(({ problem }) => problem.code === 'contrast-low')
		.map(
			({ problem: { span } }) => `${span.file} ${(css[span.file] ?? '').slice(span.from, span.to)}`
		);

test('text that a sheet makes hard to read is told at its place in that sheet, and mended there', () => {
	const css = { 'css/site.css': 'body { background: #fff }\n.note { color: #aaa }' };
	assert.deepEqual(contrasts(css), ['css/site.css color']);
	const site = resolve(framed, css);
	const findings = findingsOf(site);
	const [finding] = findings.findings.filter(({ problem }) => problem.code === 'contrast-low');
	assert.ok(finding);
	const reported = reportOf(findings, site).findings.find(({ code }) => code === 'contrast-low');
	assert.deepEqual([reported?.file, reported?.line, reported?.column], ['css/site.css', 2, 9]);
	const mend = mendOf(finding.problem, site);
	assert.ok(mend);
	const { after } = prepare(site, mend);
	assert.ok(after);
	assert.equal(textOf(after.reading.files, 'css/site.css'), 'body { background: #fff }\n.note { color: var(--ink) }'); // prettier-ignore
	assert.ok(!findingsOf(after).findings.some(({ problem }) => problem.code === 'contrast-low'));
});

test('what a sheet imports is read with it, and a sheet for print says nothing of a screen', () => {
	const imported = { 'css/site.css': '@import "parts/note.css" screen;\nbody { background: #fff }', 'css/parts/note.css': '.note { color: #aaa }' }; // prettier-ignore
	assert.deepEqual(contrasts(imported), ['css/parts/note.css color']);
	const print = {
		...imported,
		'css/site.css': '@import "parts/note.css" print;\nbody { background: #fff }'
	};
	assert.deepEqual(contrasts(print), []);
	const circle = {
		'css/site.css': '@import "site.css"; body { background: #fff } .note { color: #aaa }'
	};
	assert.deepEqual(contrasts(circle), ['css/site.css color']);
});

test('a sheet beats what the style of a layer says of the same element, since it is in no cascade layer', () => {
	const text = `site "Seeds" { lang en; bands { narrow 0 } }
layout shell at / { sheet "s.css"; region main as main { slot }; style """main { background: #ffffff !x; background: #ffffff }""" }
route / { title "Home"; piece body """<h1>Seed</h1>""" }`;
	const site = resolve(text, { 's.css': 'main { background: #000000 }' });
	const [instance] = site.instances(pageNamed(site, '/'));
	assert.ok(instance);
	const paint = new PagePaint(instance, site, 2026).of('shell', 'main', {
		width: 800,
		night: false
	});
	assert.equal(paint.ground, '#000000');
});

test('content of a frame that is worked out depends on the screens that a sheet tells apart', async () => {
	const text = `site "Seeds" { lang en; bands { narrow 0 } }
layout shell at / { sheet "s.css"; region main as main { slot } }
route / { title "Home"; piece body """<p class="lead">Seed is lent.</p>""" }`;
	const breakpoints = async (css: string): Promise<number[]> => {
		const site = resolve(text, { 's.css': css });
		const [instance] = site.instances(pageNamed(site, '/'));
		assert.ok(instance);
		const page = new MeasuredPage(instance, site, 2026, { height: 800 }, new SizeStore());
		await drive(page.at(500), (asked) =>
			Promise.resolve(
				asked.map(({ asks }) =>
					asks.map(({ width }) => (width === undefined ? [10, 100] : [20, 0, 0, 0, 0, 0]))
				)
			)
		);
		return [...page.contents.values()].flatMap(({ size }) => size.dependence.breakpoints);
	};
	assert.deepEqual(await breakpoints('.lead { font-size: 20px }'), []);
	assert.deepEqual(
		await breakpoints('@media (min-width: 733px) { .lead { font-size: 20px } }'),
		[733, 734]
	);
});

test('a rule of a sheet that moves a box of a frame is named as the one that does', () => {
	const text = `site "Seeds" { lang en; bands { narrow 0 } }
layout shell at / { sheet "s.css"; region head as header { piece a """<p>Seed</p>""" }; region main as main { slot } }
route / { title "Home"; piece body """<p>Seed is lent.</p>""" }`;
	const site = resolve(text, { 's.css': 'header { margin-left: 40px }' });
	const [instance] = site.instances(pageNamed(site, '/'));
	assert.ok(instance);
	const [move] = frameMoves(instance, site, 2026);
	assert.equal(move?.span.file, 's.css');
});

test('a colour that sheets write again and again is proposed as a token, which all of its places then name', () => {
	const css = {
		'css/site.css':
			'h1 { color: #2f6b3a } h2 { color: #2F6B3A; border: 1px solid #ccc }\na { color: rgb(47 107 58) }',
		'css/more.css': 'b { color: #2f6b3a; padding: 12px } i { --own: #2f6b3a }'
	};
	const text = framed.replace('sheet "css/site.css"', 'sheet "css/site.css"; sheet "css/more.css"');
	const site = resolve(text, css);
	const [finding, ...others] = findingsOf(site).findings.filter(
		({ problem }) => problem.code === 'value-repeated'
	);
	assert.ok(finding);
	assert.deepEqual(others, []);
	assert.equal(
		sentenceOf(finding.problem),
		'#2f6b3a stands in the sheets 4 times: a token would say it once.'
	);
	const mend = mendOf(finding.problem, site);
	assert.ok(mend);
	const { after } = prepare(site, mend);
	assert.ok(after);
	assert.equal(
		textOf(after.reading.files, 'css/site.css'),
		'h1 { color: var(--ink-2) } h2 { color: var(--ink-2); border: 1px solid #ccc }\na { color: var(--ink-2) }'
	);
	assert.equal(
		textOf(after.reading.files, 'css/more.css'),
		'b { color: var(--ink-2); padding: 12px } i { --own: #2f6b3a }'
	);
	assert.ok(
		after.site.settings.tokens.some(
			({ name, value }) => name.text === '--ink-2' && value.text === '#2f6b3a'
		)
	);
});
