import assert from 'node:assert/strict';
import { test } from 'node:test';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { mendOf } from '../../src/core/check/mend.ts';
import { prepare } from '../../src/core/edit/propose.ts';
import { becauseOf } from '../../src/core/measure/because.ts';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { frameMoves } from '../../src/core/author-styles/frame-moves.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { pageNamed } from '../lib/site.ts';

/** Styles of authors, held against the tree of a page: what hits a box of the frame, and what does not. */

const shell = (inner: string, page = ''): string => `site "T" { bands { narrow 0; wide 900 } }
layout shell at / {
  arrange areas { "head" auto; "mid" auto }
  region head as header { pad 12px; piece brand { pad 3px } """<b>brand</b><header>inner</header>""" }
  wrapper mid as div { arrange row; region main as main { slot; pad 0 20px }; region side as aside { piece a """<div>words</div>"""; piece b """<p>more</p>""" } }
  ${inner}
}
route / { piece x """<main>text</main><div class="card">card</div>"""; ${page} }`;

function read(text: string): CheckedSite {
	return checkSite(readSiteFiles({ texts: new Map([['site.eave', text]]), assets: new Map() }));
}

function found(text: string): [marked: string, box: string][] {
	return read(text).problems.flatMap((problem): [string, string][] => {
		if (problem.code !== 'style-of-box') return [];
		return [[text.slice(problem.span.from, problem.span.to), problem.details[1]]];
	});
}

test('a rule counts by the boxes that it hits, however it is written', () => {
	const cases: [string, [string, string][]][] = [
		['style """:scope { padding: 4px }"""', [['padding', 'the layout shell']]],
		['style """aside { margin-top: 8px }"""', [['margin-top', 'side, in shell']]],
		['style """:scope > header { border-bottom: 1px solid }"""', [['border-bottom', 'head, in shell']]],
		['style """.shell-head + div { max-width: 600px }"""', [['max-width', 'mid, in shell']]],
		['style global """main { max-width: 600px }"""', [['max-width', 'main, in shell']]],
		['style global """body { margin: 8px }"""', [['margin', 'the layout shell']]],
		['style global """html { font-size: 62.5% }"""', [['font-size', 'the page']]],
		['style """:is(aside, nav) { position: sticky; top: 4px }"""', [['position', 'side, in shell'], ['top', 'side, in shell']]],
		['style """aside { container-type: inline-size }"""', [['container-type', 'side, in shell']]],
		['style """.shell-mid { &::before { content: "x" } }"""', [['content', 'mid, in shell']]],
		['style """header > div { aspect-ratio: 1 }"""', [['aspect-ratio', 'brand, in shell']]],
		['style """@media (min-width: 800px) { aside { display: grid } }"""', [['display', 'side, in shell']]],
		['style @wide """* { margin: 1px }"""', [['margin', 'the layout shell']]]
	]; // prettier-ignore
	for (const [style, expected] of cases) assert.deepEqual(found(shell(style)), expected, style);
});

test('what reaches no box of the frame, or changes nothing of it, is no finding', () => {
	const fine = [
		'style """aside div, p, .card { padding: 4px; margin: 9px }"""',
		'style """header header { width: 40px }"""',
		'style """* { margin: 0; box-sizing: border-box; border: 0 solid }"""',
		'style """:scope { color: red; font-size: 2rem; border-radius: 4px; background: red; line-height: 2 }"""',
		'style """aside::before { content: "x"; position: absolute }"""',
		'style """aside:hover { margin: 2px }"""',
		'style """@media print { aside { width: 100px } }"""',
		'style """header { padding: 20px }"""',
		'style """:scope p { width: 10px }"""',
		'style """article { padding: 4px }"""'
	];
	for (const style of fine) assert.deepEqual(found(shell(style)), [], style);
	assert.deepEqual(
		found(shell('', 'style """main, .card { padding: 20px } :scope { margin: 4px }"""')),
		[],
		'a page has content, not boxes'
	);
	assert.deepEqual(
		found(shell('', 'style global """header { padding: 20px }"""')),
		[['padding', 'head, in shell']],
		'the style of a page wins over settings of its layout'
	);
});

test('a rule for one box can be said by a setting, and goes', () => {
	const mended = (style: string): string | undefined => {
		const resolved = read(shell(style));
		const problem = resolved.problems.find(({ code }) => code === 'style-of-box');
		const command = problem && mendOf(problem, resolved);
		const made = command && prepare(resolved, command).after;
		return made?.reading.files.texts.get('site.eave');
	};
	const aside =
		mended('style """:scope p { margin: 0 } aside { padding: 4px 8px; color: red }"""') ?? '';
	assert.match(aside, /aside \{ color: red \}/);
	assert.match(aside, /region side as aside \{[^}]*pad 4px 8px/s);
	assert.deepEqual(found(aside), [], 'and nothing is left to say');
	const wide = mended('style @wide """:scope { max-width: 900px }"""') ?? '';
	assert.match(wide, /max 900px @wide/);
	assert.match(wide, /:scope \{\s*\}/);
	assert.equal(mended('style """header, aside { width: 200px }"""'), undefined, 'two boxes');
	assert.equal(mended('style """aside { float: left }"""'), undefined, 'no setting says it');
});

test('the warning has its place in a block that is indented, and says what to do', () => {
	const text = shell('region foot as footer {\n    style """\n      p { margin: 0 }\n      :scope { gap: 4px; color: red }\n    """\n  }'); // prettier-ignore
	const resolved = read(text);
	const problem = resolved.problems.find(({ code }) => code === 'style-of-box');
	assert.ok(problem);
	assert.equal(text.slice(problem.span.from), text.slice(text.indexOf('gap: 4px')));
	assert.match(
		sentenceOf(problem),
		/^"gap" changes the box of foot, in shell, .* say it with gap\.$/
	);
	const [instance] = resolved.instances(pageNamed(resolved, '/'));
	assert.ok(instance);
	const because = becauseOf(['shell/head', 'shell/foot'], frameMoves(instance, resolved, 2026));
	assert.equal(because?.words, 'because of "gap" at ":scope" in the style of shell');
});
