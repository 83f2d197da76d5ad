import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join, relative } from 'node:path';
import { test } from 'node:test';
import fc from 'fast-check';
import { run } from '../../src/cli/main.ts';
import { patchOf } from '../../src/core/changes/patch.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';

/** What two states differ in, as a patch: git makes one of the other by it. */

type Files = ReadonlyMap<string, Uint8Array>;

async function write(folder: string, files: Files): Promise<void> {
	for (const [path, bytes] of files) {
		await mkdir(dirname(join(folder, path)), { recursive: true });
		await writeFile(join(folder, path), bytes);
	}
}

async function filesIn(folder: string): Promise<Map<string, string>> {
	const found = new Map<string, string>();
	for (const entry of await readdir(folder, { recursive: true, withFileTypes: true })) {
		const path = join(entry.parentPath, entry.name);
		if (entry.isFile()) found.set(relative(folder, path), (await readFile(path)).toString('hex'));
	}
	return found;
}

async function inFolder<T>(act: (folder: string) => Promise<T>): Promise<T> {
	const folder = await mkdtemp(join(tmpdir(), 'eave-patch-'));
	try {
		return await act(folder);
	} finally {
		await rm(folder, { recursive: true });
	}
}

/** What git makes of a state by a patch. */
function applied(before: Files, patch: string): Promise<Map<string, string>> {
	return inFolder(async (folder) => {
		await write(folder, before);
		if (patch !== '') {
			const git = spawnSync('git', ['apply', '--whitespace=nowarn', '-'], {
				cwd: folder,
				input: patch,
				encoding: 'utf8',
				env: { ...process.env, GIT_CEILING_DIRECTORIES: dirname(folder) }
			});
			assert.equal(git.status, 0, git.stderr + patch);
		}
		return filesIn(folder);
	});
}

const asFiles = (texts: Readonly<Record<string, string>>): Files =>
	new Map(Object.entries(texts).map(([path, text]) => [path, encodeUtf8(text)]));
const hex = (files: Files): Map<string, string> =>
	new Map([...files].map(([path, bytes]) => [path, Buffer.from(bytes).toString('hex')]));

test('git makes of any state another by its patch', async () => {
	const line = fc.constantFrom('route / {', '  title "A"', '}', '', 'ä €', '@@ -1 +1 @@', '--- a', '\\ No newline', 'x\r'); // prettier-ignore
	const text = fc
		.tuple(fc.array(line, { maxLength: 12 }), fc.boolean())
		.map(([lines, ends]) => lines.join('\n') + (ends && lines.length > 0 ? '\n' : ''));
	const path = fc.constantFrom(
		'site.eave',
		'routes/a b.eave',
		'grün/ü "x".eave',
		'data/list.json',
		'back\\slash.css'
	);
	const state = fc.dictionary(path, text);
	await fc.assert(
		fc.asyncProperty(state, state, async (one, other) => {
			const [before, after] = [asFiles(one), asFiles(other)];
			const { text: patch, leftOut } = patchOf(before, after);
			assert.deepEqual(leftOut, []);
			assert.deepEqual(await applied(before, patch), hex(after));
		}),
		{ numRuns: 40 }
	);
});

test('what is no text is named and left out; what is the same is no patch', () => {
	const before = new Map([
		['pod.png', Uint8Array.of(0, 1, 2)],
		['latin.txt', Uint8Array.of(0xe9)]
	]);
	const after = new Map([
		['pod.png', Uint8Array.of(0, 1, 3)],
		['latin.txt', Uint8Array.of(0xe8)]
	]);
	assert.deepEqual(patchOf(before, after), { text: '', leftOut: ['latin.txt', 'pod.png'] });
	assert.deepEqual(patchOf(before, new Map(before)), { text: '', leftOut: [] });
});

test('the command line prints it for two folders, and says by its code whether there is one', async () => {
	await inFolder(async (folder) => {
		const [before, after] = ['before', 'after'].map((name) => join(folder, name));
		assert.ok(before !== undefined && after !== undefined);
		const text = '\ufeffsite "Beds" { lang en }\r\nroute / { title "A" }\r\n';
		await write(before, asFiles({ 'site.eave': text }));
		await write(after, asFiles({ 'site.eave': text.replace('"A"', '"B"'), 'more.eave': '' }));
		let out = '';
		const streams = {
			out: (words: string) => void (out += words),
			errors: (words: string) => assert.fail(words)
		};
		assert.equal(await run(['compare', before, after, '--diff'], streams), 1);
		assert.match(out, /^diff --git a\/more\.eave b\/more\.eave\nnew file mode 100644\n/);
		const made = await applied(asFiles({ 'site.eave': text }), out);
		assert.deepEqual(made, await filesIn(after));
		out = '';
		assert.equal(await run(['compare', before, before, '--diff'], streams), 0);
		assert.equal(out, '');
	});
});
