import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Command, LayerRef } from '../../src/core/model/command.ts';
import { documentView } from '../../src/core/view-models/chosen/document-view.ts';
import { mendOf } from '../../src/core/check/mend.ts';
import { findingsOf } from '../lib/findings.ts';
import { makeOn, refusal } from '../lib/edits.ts';
import { resolve } from '../lib/site.ts';

/** Sheets, scripts, heads and attributes of the document are said and taken back by choosing. */

const text = `site "Seeds" { lang en; bands { narrow 0 } }
layout shell at / {
  sheet "css/site.css"
  script "js/menu.js" defer
  region main as main { slot }
}
route / { title "Home"; piece body """<h1>Seed</h1>""" }
state not-found at / { title "Gone"; piece words """<h1>Gone</h1>""" }
`;

const places: readonly (LayerRef | undefined)[] = [
	undefined,
	{ kind: 'layout', name: 'shell' },
	{ kind: 'route', name: '/' },
	{ kind: 'state', name: 'not-found at /' }
];

test('a sheet, a script, a head and attributes are added anywhere, said otherwise, and taken away again', () => {
	for (const layer of places) {
		const commands: readonly Command[] = [
			{
				kind: 'set-document-file',
				layer,
				file: { kind: 'sheet', from: 'a.css', media: undefined }
			},
			{ kind: 'set-document-file', layer, file: { kind: 'sheet', from: 'a.css', media: 'print' } },
			{ kind: 'set-document-file', layer, file: { kind: 'script', from: 'a.js', words: ['module', 'async'] } }, // prettier-ignore
			{ kind: 'set-document-text', layer, part: 'html', text: 'class="no-js"' },
			{ kind: 'set-document-text', layer, part: 'head', text: '<link rel="icon" href="a.svg">\n<meta name="x" content="y">' }, // prettier-ignore
			{ kind: 'set-document-text', layer, part: 'body', text: 'data-page="{page.address}"' }
		];
		const after = commands.reduce((now, command) => makeOn(now, command).text, text);
		const view = documentView(resolve(after), layer);
		assert.deepEqual(
			view.files.map(({ file }) => file).filter(({ from }) => from.startsWith('a.')),
			[
				{ kind: 'sheet', from: 'a.css', media: 'print' },
				{ kind: 'script', from: 'a.js', words: ['module', 'async'] }
			]
		);
		assert.deepEqual(view.texts, {
			html: 'class="no-js"',
			head: '<link rel="icon" href="a.svg">\n<meta name="x" content="y">',
			body: 'data-page="{page.address}"'
		});
		const back: readonly Command[] = [
			{ kind: 'remove-document-file', layer, file: { kind: 'sheet', from: 'a.css' } },
			{ kind: 'remove-document-file', layer, file: { kind: 'script', from: 'a.js' } },
			...(['html', 'head', 'body'] as const).map((part): Command => {
				return { kind: 'set-document-text', layer, part, text: undefined };
			})
		];
		const gone = back.reduce((now, command) => makeOn(now, command).text, after);
		assert.deepEqual(documentView(resolve(gone), layer), documentView(resolve(text), layer));
	}
});

test('a further sheet stands behind those that are there, and files that are not named yet are offered', () => {
	const shell = { kind: 'layout', name: 'shell' } as const;
	const { text: after } = makeOn(text, { kind: 'set-document-file', layer: shell, file: { kind: 'sheet', from: 'b.css', media: undefined } }); // prettier-ignore
	const files = { 'css/site.css': '', 'b.css': '', 'c.css': '', 'js/more.js': '', 'a.png': '' };
	const view = documentView(resolve(after, files), shell);
	assert.deepEqual(
		view.files.map(({ file, lies }) => `${file.from} ${lies}`),
		['css/site.css here', 'b.css here', 'js/menu.js nowhere']
	);
	assert.deepEqual(
		view.more.map(({ from }) => from),
		['c.css', 'js/more.js']
	);
});

test('what cannot be said is refused with a sentence', () => {
	const head = (words: string): Command => {
		return { kind: 'set-document-text', layer: undefined, part: 'head', text: words };
	};
	assert.match(refusal(text, head('a """ b')), /Three quotation marks/);
	const gone: Command = { kind: 'remove-document-file', layer: undefined, file: { kind: 'sheet', from: 'x.css' } }; // prettier-ignore
	assert.match(refusal(text, gone), /There is no sheet x\.css any more/);
	const angle: Command = { kind: 'set-document-text', layer: undefined, part: 'html', text: '<b>' };
	assert.notEqual(refusal(text, angle), '');
});

test('what a style imports becomes a sheet that its layer names', () => {
	const imported = text.replace(
		'region main',
		'style """@import url(parts/note.css) print; main { color: green }"""\n  region main'
	);
	const site = resolve(imported, { 'parts/note.css': 'b { color: red }' });
	const finding = findingsOf(site).findings.find(({ problem }) => problem.code === 'style-import');
	assert.ok(finding);
	const mend = mendOf(finding.problem, site);
	assert.ok(mend);
	const { text: after } = makeOn(imported, mend);
	assert.match(after, /style """ main \{ color: green \}"""/);
	assert.match(after, /sheet "css\/site\.css"\n {2}sheet "parts\/note\.css" media "print"\n/);
});
