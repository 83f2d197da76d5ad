import assert from 'node:assert/strict';
import { test } from 'node:test';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { lookOver } from '../lib/findings.ts';

/** Contrast of text that is seen through, lies on a picture, or need not be read. Ratios are those of WCAG 2.2 by hand. */
const site = (markup: string, style: string): string =>
	`site "Seed library" { lang en; bands { narrow 0; wide 1000 } }
layout frame at / { description "Seed that is lent."; region main as main { slot }; style """:scope { background: white }""" }
route / { title "Home"; piece text """<h1>Seed</h1>${markup}"""; style """${style}""" }`;

function told(markup: string, style: string): string[] {
	return lookOver(site(markup, style)).findings.flatMap(({ problem }) =>
		problem.code.startsWith('contrast') ? [`${problem.code}: ${sentenceOf(problem)}`] : []
	);
}

/** What stands at the place of the one finding. */
function placeOf(markup: string, style: string): string {
	const text = site(markup, style);
	const [one] = lookOver(text).findings.filter(({ problem }) => problem.code === 'contrast-low');
	return one ? text.slice(one.problem.span.from, one.problem.span.to) : '';
}

test('text through which its ground is seen has the contrast of what is seen', () => {
	// Half of black on white is rgb(127.5 …), of luminance 0.2140: 1.05 / 0.2640.
	assert.deepEqual(told('<p>Lent</p>', 'p { color: black; opacity: 0.5 }'), [
		'contrast-low: black, seen through to 50 %, on white has a contrast of 3.9 to 1; text needs 4.5 to 1.'
	]);
	assert.equal(placeOf('<p>Lent</p>', 'p { color: black; opacity: 0.5 }'), 'opacity');
	assert.deepEqual(told('<p>Lent</p>', 'p { color: black; opacity: 60% }'), []);
	// A quarter is left of two halves.
	assert.match(told('<div><p>Lent</p></div>', 'div { opacity: .5 } p { color: black; opacity: .5 }').join(), /25 %/); // prettier-ignore
	assert.match(
		told('<p>Lent</p>', 'p { color: rgb(0 0 0 / 50%) }').join(),
		/contrast of 3\.9 to 1/
	);
});

test('where the colour alone is too faint, the colour is what has to change', () => {
	assert.equal(placeOf('<p>Lent</p>', 'p { color: #aaa; opacity: 0.9 }'), 'color');
});

test('what is seen through together with its ground is not judged', () => {
	assert.deepEqual(
		told('<div><p>Lent</p></div>', 'div { background: #eee; opacity: .3 } p { color: black }'),
		[]
	);
});

test('text on a picture is told, and not where a colour lies beneath that is judged', () => {
	const on = (ground: string): string[] =>
		told('<p>Lent</p>', `p { color: #444; background: ${ground} }`);
	assert.match(on('url("data:,")').join(), /^contrast-picture: #444 stands on a picture/);
	assert.deepEqual(on('url("data:,") #fff'), []);
	assert.match(on('#555 url("data:,") no-repeat').join(), /^contrast-low: #444 on #555/);
});

test('what can be used no more need not be read', () => {
	const faint = 'button, span { color: #ccc }';
	assert.equal(told('<button type="button">Lend</button>', faint).length, 1);
	assert.deepEqual(told('<button type="button" disabled>Lend</button>', faint), []);
	assert.deepEqual(told('<p aria-disabled="true"><span>Lend</span></p>', faint), []);
});
