import assert from 'node:assert/strict';
import { test } from 'node:test';
import { openBrowser } from '../../scripts/lib/browser.ts';
import { runOracle } from '../../scripts/oracle/run.ts';

test('the boxes of 80 random sites at eight widths are those of the browser', async () => {
	const { browser, close } = await openBrowser();
	try {
		const result = await runOracle(browser, 80, 1);
		assert.equal(result.sites, 80);
		assert.ok(result.boxes > 4000, 'they are not empty');
		assert.equal(result.failure?.text, undefined, result.failure?.says);
		assert.equal(result.agree, result.boxes);
		assert.ok(result.largest <= 0.5);
	} finally {
		await close();
	}
});
