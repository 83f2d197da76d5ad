import assert from 'node:assert/strict';
import { access, readdir, readFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { test } from 'node:test';
import { fileURLToPath } from 'node:url';
import { parse, type DefaultTreeAdapterTypes } from 'parse5';
import { glossaryDocument } from '../../scripts/lib/glossary-document.ts';
import { soundSite } from '../../src/core/check/sound.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';

/** What the documents say of themselves holds: the first site is one, what comes of it is what is shown, and links lead somewhere. */

const root = fileURLToPath(new URL('../..', import.meta.url));

/** The first block of a language in a document. */
function blockOf(text: string, language: string): string {
	const found = new RegExp('```' + language + '\\n([^]*?)```').exec(text)?.[1];
	assert.ok(found, `a block of ${language}`);
	return found;
}

type Node = DefaultTreeAdapterTypes.ChildNode;

/** Elements with their attributes and words, whatever blanks are between them. */
function shown(node: Node): unknown {
	if (node.nodeName === '#text') {
		return 'value' in node ? node.value.replace(/\s+/g, ' ').trim() : '';
	}
	if (!('childNodes' in node)) return '';
	const inner = node.childNodes.map(shown).filter((one) => one !== '');
	return [node.nodeName, 'attrs' in node ? node.attrs : [], inner];
}

function bodyOf(html: string): unknown {
	const document = parse(html).childNodes.find(({ nodeName }) => nodeName === 'html');
	assert.ok(document && 'childNodes' in document);
	const body = document.childNodes.find(({ nodeName }) => nodeName === 'body');
	assert.ok(body);
	return shown(body);
}

void test('the site of ten lines has no errors, and comes out as the README shows', async () => {
	const readme = await readFile(join(root, 'README.md'), 'utf8');
	const text = blockOf(readme, 'eave');
	assert.equal(text.trim().split('\n').length, 10);
	const site = soundSite(readSiteFiles({ texts: new Map([['site.eave', text]]), assets: new Map() })); // prettier-ignore
	assert.deepEqual(site.problems, []);
	const files = new Map(deliver(site, 2026).map(({ path, content }) => [path, String(content)]));
	assert.deepEqual(bodyOf(files.get('visit/index.html') ?? ''), bodyOf(blockOf(readme, 'html')));
	assert.match(files.get('styles/layouts/shell.css') ?? '', /@layer layout-shell \{/);
});

void test('links and pictures of the documents lead to files that there are', async () => {
	const documents = ['README.md', 'CONTRIBUTING.md'];
	for (const name of await readdir(join(root, 'docs'))) {
		if (name.endsWith('.md')) documents.push(join('docs', name));
	}
	let links = 0;
	for (const document of documents) {
		const text = (await readFile(join(root, document), 'utf8')).replace(
			/```[^]*?```|`[^`\n]*`/g,
			''
		);
		for (const [, to = ''] of text.matchAll(/\]\(([^)\s#]+)[^)]*\)/g)) {
			if (/^[a-z]+:/.test(to)) continue;
			links++;
			await assert.doesNotReject(access(join(root, dirname(document), to)), `${document}: ${to}`);
		}
	}
	assert.ok(links > 30);
});

void test('the page of words is what the application says of them', async () => {
	assert.equal(await readFile(join(root, 'docs/glossary.md'), 'utf8'), glossaryDocument());
});
