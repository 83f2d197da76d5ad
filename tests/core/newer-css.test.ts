import assert from 'node:assert/strict';
import { test } from 'node:test';
import { deliver } from '../../src/core/emit/delivery.ts';
import { resolve } from '../lib/site.ts';

/** CSS that browsers read and that is newer than the library that reads it here: it is taken as it is. */

const taken: readonly (readonly [what: string, css: string, delivered: RegExp])[] = [
	['a condition in a value, with semicolons in it', '.x { color: if(media(print): black; else: white); margin: 0; }', /color: if\(media\(print\): black; else: white\); margin: 0;/],
	['two of them, the last without an end', '.x { color: if(style(--a: 1): red; else: if(media(print): a; else: b)) }', /else: if\(media\(print\): a; else: b\)\) \}/],
	['sizes to calculate with', '.x { width: calc-size(auto, size * 2); }', /calc-size\(auto, size \* 2\)/],
	['functions of one’s own', '@function --half(--x) { result: calc(var(--x) / 2); }', /@function --half\(--x\) \{ result:/],
	['anchors', '.x { anchor-name: --a; position-area: top; } @position-try --p { position-area: bottom; }', /@position-try --p/],
	['where a style starts', '@starting-style { .x { opacity: 0 } }', /@starting-style \{[^}]*\.x[^{]*\{ opacity: 0 \}/],
	['relative colours', '.x { color: oklch(from red l c h / 50%) }', /oklch\(from red l c h \/ 50%\)/],
	['properties with a type', '@property --y { syntax: "<color>"; inherits: false; initial-value: red }', /@property --y \{ syntax: "<color>"/],
	['queries for style', '@container card style(--tone: calm) { .x { color: red } }', /@container card style\(--tone: calm\)/],
	['ranges', '@media (400px <= width < 900px) { .x { color: red } }', /@media \(400px <= width < 900px\)/],
	['rules in rules without &', '.x { b { color: red } > i { color: blue } @media print { color: black } }', /> i[^{]*\{ color: blue \}/],
	['layers', '@layer a, b; @layer b { .x { color: red } }', /@layer b \{/]
]; // prettier-ignore

const siteWith = (css: string): string =>
	`site "T" { lang en; bands { narrow 0 } }\nlayout frame at / { region main as main { slot } }\nroute / { title "Home"; piece a """<p class="x"><b>b</b><i>i</i></p>"""; style """${css}""" }\n`;

for (const [what, css, delivered] of taken) {
	test(`${what}: read without an error, and delivered`, () => {
		const site = resolve(siteWith(css));
		assert.deepEqual(site.problems.filter(({ code }) => code === 'style-invalid'), []); // prettier-ignore
		const sheets = deliver(site, 2026).filter(({ path }) => path.startsWith('styles/pages/'));
		assert.match(sheets.map(({ content }) => String(content)).join('\n'), delivered);
	});
}

test('what no browser would read is an error all the same', () => {
	for (const css of ['.x { color: if(a; b }', '.x { : red; }', '.x > { color: red }', '{ color: red }']) {
		const codes = resolve(siteWith(css)).problems.map(({ code }) => code);
		assert.ok(codes.includes('style-invalid'), css);
	}
}); // prettier-ignore
