import assert from 'node:assert/strict';
import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { test } from 'node:test';
import { root } from '../../scripts/lib/setup.js';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import { examples } from '../../src/core/starter/examples.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';

/** The sites that *Open an example* offers. What is found on them stands with all realistic sites. */

test('each example that is offered is there, and each that is there is offered', async () => {
	const there = await readdir(join(root, 'examples'));
	assert.deepEqual(examples.map(({ name }) => name).toSorted(), there.toSorted());
});

for (const { name, title, shows } of examples) {
	test(`${title} is built, page by page, and says what it shows`, async () => {
		const site = checkSite(readSiteFiles(await readSitePath(join(root, 'examples', name))));
		const pages = deliver(site, 2026).filter(({ path }) => path.endsWith('.html'));
		assert.ok(pages.length >= 3, `${pages.length} pages`);
		assert.match(shows, /^[A-Z].*\.$/);
	});
}
