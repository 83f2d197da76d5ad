import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { strFromU8, unzipSync } from 'fflate';
import { plainHandOver } from '../../src/core/emit/hand-over.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { Desk } from '../../src/workers/desk/desk.ts';
import type { FilesMessage, PageRequest } from '../../src/workers/messages.ts';
import { runs } from '../lib/runs.ts';

/** What is handed over: what is listed is what is in the zip, and nothing is while there is an error. */

const text = `site "Seeds" { lang en; roles { visitor; keeper }; bands { narrow 0; wide 900 }; tokens { --gap: 8px; --gap @wide: 16px; --ink: #222; --ink @night: #eee } }
layout shell at / {
  region head as header { piece name """<b>Seeds</b>""" }
  region main as main { slot }
  style """header { color: var(--ink) }"""
}
route / { title "Home"; description "All seeds."; piece body """<h1>Home</h1><img src="images/pod.svg" alt="A pod">""" }
route /desk { title "Desk"; description "For keepers."; admit keeper; piece work """<h1>Desk</h1>""" }
`;
const pod = encodeUtf8('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1 1"><rect width="1" height="1"/></svg>'); // prettier-ignore
const home: PageRequest = { page: '/', address: undefined };

function opened(source = text): Desk {
	const files: FilesMessage = {
		texts: new Map([['site.eave', source]]),
		assets: new Map([['images/pod.svg', pod]])
	};
	const desk = new Desk(2026);
	desk.open(files, home, 0);
	return desk;
}

/** Files of a zip with their sizes, by path. */
async function sizesIn(zip: Blob | undefined): Promise<Record<string, number>> {
	assert.ok(zip);
	const files = unzipSync(new Uint8Array(await zip.arrayBuffer()));
	return Object.fromEntries(Object.entries(files).map(([path, bytes]) => [path, bytes.length]));
}

const sizes = (
	files: readonly { readonly path: string; readonly size: number }[]
): Record<string, number> => Object.fromEntries(files.map(({ path, size }) => [path, size]));

test('what is listed of each form is what its zip holds, byte for byte in size', async () => {
	const { handingOver } = opened();
	assert.deepEqual(sizes(handingOver.delivery().files), await sizesIn(handingOver.siteZip()));
	assert.deepEqual(sizes(handingOver.shells()), await sizesIn(handingOver.shellsZip()));
	assert.deepEqual(sizes(handingOver.source()), await sizesIn(handingOver.sourceZip()));
});

test('pages that not everyone may open are left out and named, unless they are asked for', () => {
	const { handingOver } = opened();
	const { files, closed } = handingOver.delivery();
	const paths = files.map(({ path }) => path);
	assert.deepEqual(closed, ['/desk']);
	assert.ok(paths.includes('index.html') && paths.includes('access.json'));
	assert.ok(!paths.includes('desk/index.html'));
	const all = handingOver.delivery({ ...plainHandOver, closed: true });
	assert.ok(all.files.some(({ path }) => path === 'desk/index.html'));
});

test('a configuration for a server and marks of what made what are there only where they are asked for', async () => {
	const { handingOver } = opened();
	const plain = await sizesIn(handingOver.siteZip());
	assert.equal(plain['nginx.conf'], undefined);
	const nginx = await sizesIn(handingOver.siteZip({ ...plainHandOver, nginx: true }));
	assert.ok((nginx['nginx.conf'] ?? 0) > 0);
	const marked = await sizesIn(handingOver.siteZip({ ...plainHandOver, marks: true }));
	assert.ok((marked['index.html'] ?? 0) > (plain['index.html'] ?? 0));
});

test('while there is an error nothing but the source is handed over, and the error is told', async () => {
	const { handingOver } = opened(text.replace('images/pod.svg', 'images/none.svg').replace('region main as main { slot }', 'region main as main { }')); // prettier-ignore
	const { files, problems } = handingOver.delivery();
	assert.deepEqual(files, []);
	assert.ok(problems.some(({ severity }) => severity === 'error'));
	assert.deepEqual(handingOver.shells(), []);
	assert.equal(handingOver.siteZip(), undefined);
	assert.equal(handingOver.shellsZip(), undefined);
	assert.ok(Object.keys(await sizesIn(handingOver.sourceZip())).includes('site.eave'));
});

test('of a page its own files come out: the HTML, then the sheets that it links, in their order', () => {
	const { handingOver } = opened();
	const [html, ...sheets] = handingOver.output(home);
	assert.equal(html?.path, 'index.html');
	const linked = [...(html?.text.matchAll(/<link rel="stylesheet" href="([^"]+)"/g) ?? [])];
	assert.deepEqual(
		sheets.map(({ path }) => path),
		linked.map(([, path]) => path)
	);
	assert.deepEqual(handingOver.output({ page: '/nowhere', address: undefined }), []);
});

test('tokens come as JSON and as a sheet, and both say each value', async () => {
	const { handingOver } = opened();
	const json: unknown = JSON.parse(await handingOver.tokens('json').text());
	assert.ok(json && typeof json === 'object' && 'gap' in json && 'ink' in json);
	const css = await handingOver.tokens('css').text();
	for (const value of ['8px', '16px', '#222', '#eee']) assert.ok(css.includes(value), value);
	assert.equal(await new Desk(2026).handingOver.tokens('css').text(), '');
});

test('what changed is a patch of the texts; bytes are named as left out, and without a change there is none', () => {
	const desk = opened();
	const before: FilesMessage = { texts: new Map([['site.eave', text]]), assets: new Map([['images/pod.svg', pod]]) }; // prettier-ignore
	assert.deepEqual(desk.handingOver.patch(before), { text: '', leftOut: [] });
	const at = text.indexOf('All seeds.');
	desk.change([{ kind: 'edit', file: 'site.eave', from: at, to: at + 3, insert: 'Some' }], home, 0);
	const { text: patch } = desk.handingOver.patch(before);
	assert.match(patch, /^-route \/ \{ title "Home"; description "All seeds\."/m);
	assert.match(patch, /^\+route \/ \{ title "Home"; description "Some seeds\."/m);
	// From another state to another, the open one counts for nothing.
	const after: FilesMessage = { texts: new Map([['site.eave', `${text}// end\n`]]), assets: before.assets }; // prettier-ignore
	const { text: between } = desk.handingOver.patch(before, after);
	assert.match(between, /^\+\/\/ end$/m);
	assert.doesNotMatch(between, /Some seeds/);
});

test('whatever the words of a page, its zip has them as they are delivered, and the source as it is written (property)', async () => {
	const words = fc.stringMatching(/^[\p{L}\p{N} .,!?-]{1,40}$/u);
	await fc.assert(
		fc.asyncProperty(words, async (said) => {
			const source = text.replace('<h1>Home</h1>', `<h1>${said}</h1>`);
			const { handingOver } = opened(source);
			const zip = handingOver.siteZip();
			assert.ok(zip);
			const html = unzipSync(new Uint8Array(await zip.arrayBuffer()))['index.html'];
			assert.ok(html && strFromU8(html).includes(`<h1>${said}</h1>`));
			const kept = unzipSync(new Uint8Array(await handingOver.sourceZip().arrayBuffer()));
			assert.equal(strFromU8(kept['site.eave'] ?? new Uint8Array()), source);
		}),
		runs(25, 9)
	);
});
