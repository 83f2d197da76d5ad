import assert from 'node:assert/strict';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import { pathToFileURL } from 'node:url';
import { z } from 'zod';
import { openBrowser } from '../lib/browser.ts';
import { run } from '../../src/cli/main.ts';

const foundSchema = z.array(
	z.object({ id: z.string(), nodes: z.array(z.object({ html: z.string() })) })
);
const listSchema = z.object({ files: z.array(z.string()) });

test('axe-core finds nothing on any delivered page, on a phone, a tablet and a desk', async () => {
	const axe = await readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
	const out = await mkdtemp(join(tmpdir(), 'eave-delivered-'));
	const said: string[] = [];
	const code = await run(['build', 'demo', '--closed', '--out', out], {
		out: () => undefined,
		errors: (text) => said.push(text)
	});
	assert.equal(code, 0, said.join(''));
	const { files } = listSchema.parse(
		JSON.parse(await readFile(join(out, '.long-eave.json'), 'utf8'))
	);
	const pages = files.filter((path) => path.endsWith('.html'));
	assert.ok(pages.length >= 20);
	const { browser, close } = await openBrowser();
	try {
		const page = await browser.newPage();
		const found: string[] = [];
		for (const path of pages) {
			await page.goto(pathToFileURL(join(out, path)).href);
			await page.evaluate(axe);
			for (const width of [400, 900, 1280]) {
				await page.setViewport({ width, height: 800 });
				const result: unknown = await page.evaluate('axe.run().then((found) => found.violations)');
				for (const { id, nodes } of foundSchema.parse(result)) {
					found.push(`${path} at ${width}: ${id} ${nodes[0]?.html.slice(0, 200) ?? ''}`);
				}
			}
		}
		assert.deepEqual(found, []);
	} finally {
		await close();
		await rm(out, { recursive: true });
	}
});
