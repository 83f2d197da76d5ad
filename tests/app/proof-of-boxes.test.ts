import assert from 'node:assert/strict';
import { mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { test } from 'node:test';
import { run } from '../../src/cli/main.ts';
import { oldPage, type Manner } from '../lib/brought.ts';

/** Pages that came in and what they became, opened in a browser from two folders, box by box. */

const sheet = `
	body { margin: 0 } #top { padding: 1em; background: #ddd } .menu { margin: 0; padding: 0 }
	.floats #side { float: left; width: 28% } .floats #content { margin-left: 30% }
	.flex { display: flex; gap: 1rem } .flex #content { flex: 1 }
	.grid { display: grid; grid-template-columns: minmax(8rem, 20%) 1fr }
	@media (max-width: 600px) { .cols { display: block } #side { float: none; width: auto } #content { margin: 0 !important } }
	#foot { clear: both; border-top: 3px double }
`;

async function said(words: readonly string[]): Promise<{ code: number; out: string }> {
	let out = '';
	const streams = {
		out: (text: string) => void (out += text),
		errors: (text: string) => void (out += text)
	};
	return { code: await run(words, streams), out };
}

test('every box of pages in four manners is where it was, and one that a sheet moves is told', async () => {
	const folder = await mkdtemp(join(tmpdir(), 'eave-proof-'));
	const write = async (path: string, text: string): Promise<void> => {
		await mkdir(dirname(join(folder, path)), { recursive: true });
		await writeFile(join(folder, path), text);
	};
	try {
		const manners: readonly Manner[] = ['tables', 'floats', 'flex', 'grid'];
		for (const manner of manners) {
			for (const name of ['index', 'seeds/kale', 'seeds/bean', 'visit/index']) {
				const path = `${name}.html`;
				const content = `<h1>${name}</h1>${`<p>Every kind has its season, and ${name} has two.</p>`.repeat(name.length)}`;
				await write(
					`${manner}/${path}`,
					oldPage(
						{ path, title: name, content, ...(name === 'seeds/kale' && { aside: 'Sow it early' }) },
						manner
					)
				);
			}
			await write(`${manner}/css/site.css`, sheet);
			const { code, out } = await said(['bring-in', join(folder, manner), '--out', join(folder, `${manner}-site`), '--measure']); // prettier-ignore
			assert.match(out, /4 of 4 pages are the same/, manner);
			assert.equal(code, 0);
		}
		const css = join(folder, 'flex-site/css/site.css');
		await writeFile(
			css,
			`${await readFile(css, 'utf8')} @media (min-width: 1000px) { #foot { padding-top: 2px } }`
		);
		const compared = ['compare', join(folder, 'flex'), join(folder, 'flex-site')];
		assert.equal((await said(compared)).code, 0, 'the elements are the same');
		const moved = await said([...compared, '--measure']);
		assert.equal(moved.code, 1);
		assert.match(moved.out, /0 of 4 pages are the same/);
		assert.match(moved.out, /index\.html has body 2 px taller on a screen of 1280 px/);
	} finally {
		await rm(folder, { recursive: true });
	}
});
