import assert from 'node:assert/strict';
import { mkdtemp, readFile, rm, writeFile, mkdir } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { after, test } from 'node:test';
import fc from 'fast-check';
import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { bringIn } from '../../src/core/bring-in/bring-in.ts';
import { broughtView } from '../../src/core/bring-in/brought-view.ts';
import { prove, proofWords } from '../../src/core/bring-in/proving/proof.ts';
import { pageDifference } from '../../src/core/bring-in/proving/same-page.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { resolveSite } from '../../src/core/resolve/site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { run } from '../../src/cli/main.ts';
import { brought, folderOf, oldPage, type Manner, type OldPage } from '../lib/brought.ts';

/** Pages that one has become frames, fills and pages, and come out the same. */

const pages: readonly OldPage[] = [
	{
		path: 'index.html',
		title: 'Welcome',
		content: '<h1>Welcome</h1>\n<p>Seeds are lent here.</p>'
	},
	{
		path: 'seeds/kale.html',
		title: 'Kale',
		content: '<h1>Kale</h1>\n<p>Sow in March, { not before }.</p>\n<pre>row  one\n\n  row two</pre>'
	},
	{
		path: 'seeds/bean.html',
		title: 'Bean',
		content: '<h1>Bean</h1>\n<p>A climber&nbsp;of two metres &amp; more.</p>',
		aside: '<p>Keep some for seed.</p>'
	},
	{
		path: 'seeds/leek.html',
		title: 'Leek',
		content: '<h1>Leek</h1>\n<table><tr><td>Sow<td>April</table>',
		bodyClass: 'wide'
	},
	{
		path: 'seeds/pea.html',
		title: 'Pea',
		content: '<h1>Pea</h1>\n<p>Peas <b>and <i>beans</b></i> climb.</p>',
		noFoot: true
	},
	{
		path: 'visit/index.html',
		title: 'Visit',
		content:
			'<h1>Visit</h1>\n<p><a href="#map">Map</a> <a href="../seeds/kale.html?x=1#sow">Kale</a> <a href="https://seeds.example/">Elsewhere</a></p>'
	},
	{
		path: 'visit/hours.html',
		title: 'Hours',
		content: '<h1>Hours</h1>\n<script>if (a < 3) { b("</p>") }</script>'
	}
];
const others = {
	'css/site.css': '#top { float: left }',
	'js/menu.js': '{}',
	'images/pod.png': 'x'
};

function folder(manner: Manner, some = pages): Map<string, Uint8Array> {
	return folderOf({
		...Object.fromEntries(some.map((page) => [page.path, oldPage(page, manner)])),
		...others
	});
}

/** What differs between pages and a site of them, as sentences. */
function differences(files: ReadonlyMap<string, Uint8Array>): string[] {
	const reading = readSiteFiles(brought(files).files);
	assert.deepEqual(reading.problems.map(sentenceOf), []);
	const proof = prove(files, resolveSite(reading), 2026);
	return proof.pages.flatMap((one) =>
		one.kind === 'same' ? [] : [`${one.path} ${proofWords(one)}`]
	);
}

for (const manner of ['tables', 'floats', 'flex', 'grid'] as const) {
	test(`pages in the manner of ${manner} share one frame, and come out the same`, () => {
		const files = folder(manner);
		const site = brought(files);
		assert.deepEqual(
			site.frames.map(({ name, at, pages: around }) => [name, at, around.length]),
			[['site', '/', pages.length]]
		);
		assert.deepEqual(differences(files), []);
		const layout = site.files.texts.get('layouts/site.eave') ?? '';
		assert.match(layout, /^ {2}sheet "css\/site\.css"$/m);
		assert.match(layout, /^ {2}script "js\/menu\.js" defer$/m);
		assert.match(layout, /<title>\{page\.title\} - Seed library<\/title>/);
		assert.match(layout, /\{if page\.address is "\/visit"\}<li class="here">/);
		assert.match(layout, /\{region foot\}/);
		assert.match(site.files.texts.get('pages/seeds/pea.eave') ?? '', /fill foot empty/);
		assert.match(site.files.texts.get('pages/seeds/kale.eave') ?? '', /title "Kale"/);
		// What all pages have is in no page's text.
		for (const [path, text] of site.files.texts) {
			if (path.startsWith('pages/')) assert.doesNotMatch(text, /id="top"|class="menu"/, path);
		}
	});
}

test('what the pages of a branch share is a frame in the frame', () => {
	const seed = (name: string): OldPage => ({
		path: `seeds/${name}.html`,
		title: name,
		content: `<div class="crumbs"><a href="../index.html">Home</a> &gt; <a href="kale.html">All seeds of the library, from A to Z</a></div>\n<div class="sheet"><h1>${name}</h1><p>About ${name} and how it is sown.</p></div>\n<div class="lend"><form action="../lend"><label>Packets of ${'these seeds '.repeat(12)}<input name="n"></label></form></div>`
	});
	const some = [
		...pages.filter(({ path }) => !path.startsWith('seeds/')),
		...['kale', 'bean', 'leek', 'pea'].map(seed)
	];
	const files = folder('floats', some);
	const [frame] = brought(files).frames;
	assert.deepEqual(
		frame?.inner.map(({ name, at, pages: around }) => [name, at, around.length]),
		[['seeds', '/seeds', 4]]
	);
	assert.deepEqual(differences(files), []);
});

test('two languages in two branches have two frames', () => {
	const german = (html: string): string =>
		html
			.replaceAll('Seed library', 'Saatgutbibliothek')
			.replace(/<div id="foot">[^]*?<\/div>/, '<footer><hr>Gartenweg 4</footer>')
			.replace('id="top"', 'class="kopf"')
			.replace('class="menu"', 'id="liste"');
	const files = folderOf({
		...Object.fromEntries(
			pages.flatMap((page) => [
				[page.path, oldPage(page, 'flex')],
				[`de/${page.path}`, german(oldPage({ ...page, lang: 'de' }, 'flex'))]
			])
		),
		...others,
		...Object.fromEntries(Object.entries(others).map(([path, text]) => [`de/${path}`, text]))
	});
	assert.deepEqual(differences(files), []);
	assert.deepEqual(
		brought(files)
			.frames.map(({ at, covers, pages: around }) => [at, covers, around.length])
			.sort(),
		[
			['/', true, pages.length],
			['/de', true, pages.length]
		]
	);
});

test('a page alone, and pages that share nothing, stay what they are', () => {
	const alone = folderOf({ 'index.html': '<!DOCTYPE html><title>One</title><p>Just one.' });
	assert.deepEqual(differences(alone), []);
	const strangers = folderOf({
		'a.html':
			'<!DOCTYPE html><html><head><title>A</title></head><body class=a><h1>Apples</h1></body></html>',
		'b.html':
			'<!DOCTYPE html><html lang=fr><head><style>p { color: red }</style></head><body><p>Poires</p></body></html>'
	});
	assert.deepEqual(brought(strangers).frames, []);
	assert.deepEqual(differences(strangers), []);
});

test('pages are read in the encoding that their bytes or head declare', () => {
	const latin = Uint8Array.from(
		[...'<!DOCTYPE html><meta charset="iso-8859-1"><title>t</title><p>K', 0xfc, ...'rbis</p>'].map(
			(one) => (typeof one === 'number' ? one : one.charCodeAt(0))
		)
	);
	const wide = new Uint8Array(
		Buffer.from('\ufeff<!DOCTYPE html><title>u</title><p>Kürbis</p>', 'utf16le')
	);
	const files = folderOf({
		'latin.html': latin,
		'wide.html': wide,
		'none.html': Uint8Array.from([0, 1, 2, 0])
	});
	const site = brought(files);
	assert.deepEqual(site.notTaken, [{ path: 'none.html', why: 'is no text' }]);
	const texts = [...site.files.texts.values()].join('');
	assert.equal(texts.match(/Kürbis/g)?.length, 2);
	assert.ok(site.files.assets.has('none.html'), 'what is no page stays a file');
});

test('pages without a doctype of today are told, since they get one', () => {
	const page = (doctype: string): string =>
		`${doctype}<title>Seed</title><main><h1>Seed</h1></main>`;
	const old = '<!DOCTYPE HTML PUBLIC "-//W3C//DTD HTML 3.2 Final//EN">';
	const files = folderOf({
		'a.html': page('<!doctype html>'),
		'b.html': page(''),
		'c.html': page(old)
	});
	assert.deepEqual(broughtView(brought(files)).inQuirks, ['b.html', 'c.html']);
});

test('what cannot be brought in says why, and nothing is made of it', () => {
	assert.deepEqual(bringIn(folderOf({ 'a.txt': 'x' }), 'a'), { notTaken: [] });
	const deep = `<!DOCTYPE html>${'<div>'.repeat(20_000)}`;
	const frames = '<html><frameset><frame src="a.html"></frameset></html>';
	const found = bringIn(folderOf({ 'deep.html': deep, 'old.html': frames }), 'a');
	assert.deepEqual(found, {
		notTaken: [
			{ path: 'deep.html', why: 'has elements more than 250 deep inside each other' },
			{ path: 'old.html', why: 'has frames in the place of a body' }
		]
	});
});

test('two pages are told apart by whatever shows or leads elsewhere, and by nothing else', () => {
	const page = (body: string): string =>
		`<!DOCTYPE html><html><head><title>t</title></head><body>${body}</body></html>`;
	const differ = (a: string, b: string, path = 'a/b.html'): boolean =>
		pageDifference(page(a), page(b), path) !== undefined;
	for (const [one, other] of [
		['<p>x</p>', '<p>y</p>'],
		['<p>x</p>', '<div>x</div>'],
		['<p class="a">x</p>', '<p class="b">x</p>'],
		['<p>x</p><p>y</p>', '<p>y</p><p>x</p>'],
		['<b>x</b> <b>y</b>', '<b>x</b><b>y</b>'],
		['<pre>x  y</pre>', '<pre>x y</pre>'],
		['<a href="c.html">x</a>', '<a href="../c.html">x</a>'],
		['<p>x</p>', '<p>x</p><script>1</script>'],
		['<p>x\u00a0</p>', '<p>x </p>']
	] as const) {
		assert.ok(differ(one, other), `${one} | ${other}`);
	}
	for (const [one, other] of [
		['<p>x</p>', '\n  <p>\n  x </p><!-- c -->'],
		['<p id="a" class="b  c">x</p>', '<p class="b c" id=a>x</p>'],
		['<a href="c.html#d">x</a>', '<a href="/a/c.html#d">x</a>'],
		['<a href="../v/index.html">x</a>', '<a href="/v">x</a>'],
		['<img srcset="p.png 1x, q.png 2x">', '<img srcset="/a/p.png 1x, /a/q.png 2x">']
	] as const) {
		assert.ok(!differ(one, other), `${one} | ${other}`);
	}
});

/** What stands in a page, as this test sees it: elements, sorted attributes, and text without white space. */
function seen(html: string): string[] {
	const lines: string[] = [];
	const walk = (node: Tree.ParentNode): void => {
		for (const child of node.childNodes) {
			if ('tagName' in child) {
				if (child.tagName === 'meta') continue;
				const attrs = child.attrs
					.filter(({ name }) => !['href', 'src'].includes(name))
					.map(({ name, value }) => `${name}=${value}`);
				lines.push([child.tagName, ...attrs.sort()].join(' '));
				walk(child);
				lines.push(`/${child.tagName}`);
			} else if ('value' in child) {
				const text = child.value.replace(/\s+/g, '');
				if (text !== '') lines.push(text);
			}
		}
	};
	walk(parse(html));
	// Text may have come in several nodes.
	return lines;
}

test('a frame that is planted in random pages with noise is found, and the pages come out the same', () => {
	const word = fc.constantFrom('kale', 'bean', 'sow & reap', 'pod', '{seed}', '"', 'ü');
	const inline = fc
		.tuple(fc.constantFrom('b', 'i', 'a', 'code'), word)
		.map(([tag, text]) => `<${tag}>${text.replaceAll('&', '&amp;')}</${tag}>`);
	const block = fc
		.tuple(
			fc.constantFrom('p', 'div', 'ul', 'h2', 'section'),
			fc.array(inline, { minLength: 1, maxLength: 3 }),
			fc.constantFrom(' ', '\n', '')
		)
		.map(([tag, parts, between]) => `<${tag}>${parts.join(between)}</${tag}>`);
	const content = fc
		.array(block, { minLength: 1, maxLength: 5 })
		.map((blocks) => blocks.join('\n'));
	const noise = fc.record({
		folder: fc.constantFrom('', 'in/', 'in/deep/'),
		comment: fc.boolean(),
		noFoot: fc.boolean(),
		aside: fc.option(content, { nil: undefined }),
		bodyClass: fc.option(fc.constantFrom('a', 'b'), { nil: undefined }),
		content
	});
	fc.assert(
		fc.property(
			fc.array(noise, { minLength: 5, maxLength: 10 }),
			fc.constantFrom<Manner>('tables', 'floats', 'flex', 'grid'),
			(made, manner) => {
				const some = made.map(
					(
						{ folder: inside, comment, aside, bodyClass, noFoot, content: own },
						index
					): OldPage => ({
						path: `${inside}page-${index}.html`,
						title: `Page ${index}`,
						content: `${comment ? `<!-- ${index} -->` : ''}<h1>${index}</h1>${own}`,
						noFoot: noFoot && index % 4 === 0,
						...(aside !== undefined && index % 3 === 0 && { aside }),
						...(bodyClass !== undefined && { bodyClass })
					})
				);
				const files = folder(manner, some);
				const reading = readSiteFiles(brought(files).files);
				assert.deepEqual(reading.problems.map(sentenceOf), []);
				const delivered = new Map(
					deliver(resolveSite(reading), 2026).map(({ path, content: out }) => [path, out])
				);
				for (const page of some) {
					assert.deepEqual(
						seen(String(delivered.get(page.path))),
						seen(oldPage(page, manner)),
						page.path
					);
				}
				const [frame, ...more] = brought(files).frames;
				assert.equal(frame?.pages.length, some.length);
				assert.deepEqual(more, []);
				for (const [path, text] of brought(files).files.texts) {
					if (path.startsWith('pages/')) assert.doesNotMatch(text, /id="top"/, path);
				}
			}
		),
		{ numRuns: 40 }
	);
});

const workplace = await mkdtemp(join(tmpdir(), 'eave-bring-in-'));
after(() => rm(workplace, { recursive: true }));

test('the command line brings pages in, refuses to write over anything, and compares again at any time', async () => {
	const from = join(workplace, 'pages');
	for (const [path, bytes] of folder('floats')) {
		await mkdir(dirname(join(from, path)), { recursive: true });
		await writeFile(join(from, path), bytes);
	}
	const to = join(workplace, 'site');
	const said = { out: '', errors: '' };
	const call = (...args: string[]): Promise<number> => {
		[said.out, said.errors] = ['', ''];
		return run(args, {
			out: (text) => (said.out += text),
			errors: (text) => (said.errors += text)
		});
	};
	assert.equal(await call('bring-in', from, '--out', to), 0, said.errors);
	assert.match(said.out, /^site at \/, around 7 pages: /);
	assert.match(said.out, /7 of 7 pages are the same\./);
	assert.equal(await call('bring-in', from, '--out', to), 2);
	assert.match(said.errors, /is there already, and not empty/);
	assert.equal(await call('compare', from, to), 0, said.errors);
	const page = join(to, 'pages/seeds/kale.eave');
	await writeFile(page, (await readFile(page, 'utf8')).replace('in March', 'in May'));
	assert.equal(await call('compare', from, to), 1);
	assert.match(
		said.out,
		/^6 of 7 pages are the same\.\nseeds\/kale\.html differs in html > body .*March.*May/
	);
	assert.equal(await call('bring-in', join(from, 'css'), '--out', join(workplace, 'none')), 2);
	assert.match(said.errors, /There is no page in/);
});
