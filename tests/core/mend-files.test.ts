import assert from 'node:assert/strict';
import {
	chmod,
	mkdir,
	mkdtemp,
	readdir,
	readFile,
	rm,
	stat,
	symlink,
	writeFile
} from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { partPath } from '../../src/cli/files/wrote.ts';
import { zipSync } from 'fflate';
import { run as runMain } from '../../src/cli/main.ts';

/** What `check --fix` writes: only what a mend changes, byte for byte, and never over what it cannot write whole. */

let folder: string;
before(async () => (folder = await mkdtemp(join(tmpdir(), 'eave-mends-'))));
after(() => rm(folder, { recursive: true }));

async function mend(path: string): Promise<{ code: number; errors: string }> {
	let errors = '';
	const code = await runMain(['check', path, '--fix', '--year', '2031'], {
		out: () => undefined,
		errors: (words) => void (errors += words)
	});
	return { code, errors };
}

const site = (body: string): string =>
	`site "Lent" { lang en; bands { narrow 0 } }
layout f at / {
	description "Seed"
	${body}
	region main as main { slot }
}
route / { title "Home"; piece a """<h1>Seed</h1>""" }
`;

/** A gap where nothing is arranged does nothing, and taking it away changes no page. */
const idle = site('gap 8px');
const mended = site('').replace('\t\n', '');

async function place(
	name: string,
	files: Readonly<Record<string, string | Uint8Array>>
): Promise<string> {
	const at = join(folder, name);
	for (const [path, content] of Object.entries(files)) {
		await mkdir(join(at, path, '..'), { recursive: true });
		await writeFile(join(at, path), content);
	}
	return at;
}

const withoutBlanks = (text: string): string => text.replace(/\s+/g, ' ');

test('a mark at the beginning and the ends of lines stay as they are', async () => {
	const ends = { unix: '\n', windows: '\r\n', old: '\r' };
	for (const [name, end] of Object.entries(ends)) {
		const before = `\ufeff${idle.replaceAll('\n', end)}`;
		const at = await place(name, { 'site.eave': before });
		const { errors } = await mend(at);
		assert.match(errors, /1 change written into site\.eave/, name);
		const text = await readFile(join(at, 'site.eave'), 'utf8');
		assert.ok(text.startsWith('\ufeff'), name);
		assert.equal(withoutBlanks(text), withoutBlanks(`\ufeff${mended}`), name);
		const others = text.replaceAll(end, '');
		assert.doesNotMatch(others, /[\r\n]/, `${name}: no other end of a line`);
	}
});

test('a site one folder further in is written where it lies', async () => {
	const at = await place('parent', { 'inner/site.eave': idle });
	await mend(at);
	assert.deepEqual(await readdir(at), ['inner']);
	assert.equal(
		withoutBlanks(await readFile(join(at, 'inner/site.eave'), 'utf8')),
		withoutBlanks(mended)
	);
});

test('a zip is refused, whatever its name, and stays as it is', async () => {
	const bytes = zipSync({
		'site.eave': new TextEncoder().encode(idle),
		'images/a.png': Uint8Array.of(1, 2)
	});
	for (const name of ['site.ZIP', 'site.eave', 'site']) {
		const at = join(await place(`zip-${name}`, { [name]: bytes }), name);
		const { code, errors } = await mend(at);
		assert.deepEqual([code, Buffer.from(await readFile(at)).equals(bytes)], [2, true], name);
		assert.match(errors, /is a zip\. Fixes are written/);
	}
});

test('a file keeps its rights and a link stays a link; nothing is left beside it', async () => {
	const at = await place('rights', { 'real.eave': idle });
	await chmod(join(at, 'real.eave'), 0o640);
	await symlink(join(at, 'real.eave'), join(at, 'link.eave'));
	await mend(join(at, 'link.eave'));
	assert.deepEqual((await readdir(at)).sort(), ['link.eave', 'real.eave']);
	assert.equal((await stat(join(at, 'real.eave'))).mode & 0o777, 0o640);
	assert.equal(withoutBlanks(await readFile(join(at, 'real.eave'), 'utf8')), withoutBlanks(mended));
});

test('where a file cannot be written, it stays whole and a sentence says why', async () => {
	const at = await place('full', { 'site.eave': idle });
	// What it is written beside first is taken by a folder.
	await mkdir(partPath(join(at, 'site.eave')));
	const { code, errors } = await mend(at);
	assert.equal(code, 2);
	assert.match(errors, /could not be written/);
	assert.equal(await readFile(join(at, 'site.eave'), 'utf8'), idle);
});

test('what changes the words of a page, or may, is offered and not made', async () => {
	const links = '<a href="/">1</a>'.repeat(7);
	const menu = `region menu as nav { piece a """${links}""" }`;
	const kept = [
		site('').replace('<h1>Seed</h1>', '<h1>Seed</h1><p>By the Copyright Act 1911</p>'),
		site('').replace('<h1>Seed</h1>', '<h1>Seed</h1><p>&copy; 1911 Marrow Lane</p>'),
		site(menu).replace('lang en', 'lang de'),
		site(
			'region side as aside { style """:scope { --leaf: red } a { color: #2f6b3a }"""; piece b """<a href="/">x</a>""" }'
		).replace('lang en;', 'lang en; tokens { --leaf: #2f6b3a };')
	];
	for (const [index, text] of kept.entries()) {
		const at = await place(`kept-${index}`, { 'site.eave': text });
		await mend(at);
		assert.equal(await readFile(join(at, 'site.eave'), 'utf8'), text);
	}
	const english = await place('english', { 'site.eave': site(menu) });
	await mend(english);
	assert.match(await readFile(join(english, 'site.eave'), 'utf8'), /skip "Skip to the content"/);
});

test('the name of an Act is no notice of copyright', async () => {
	const at = await place('act', {
		'site.eave': site('').replace('<h1>Seed</h1>', '<h1>Seed</h1><p>By the Copyright Act 1911</p>')
	});
	let out = '';
	await runMain(['check', at], { out: (words) => void (out += words), errors: () => undefined });
	assert.doesNotMatch(out, /year-fixed/);
});
