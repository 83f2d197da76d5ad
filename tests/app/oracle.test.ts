import assert from 'node:assert/strict';
import { test } from 'node:test';
import { openBrowser } from '../../scripts/lib/browser.ts';
import { runOracle } from '../judge/boxes/run.ts';

test('the boxes of 50 random sites at eight widths are those of the browser', async () => {
	const { browser, close } = await openBrowser();
	try {
		const result = await runOracle(browser, 50, 1);
		assert.equal(result.sites, 50);
		assert.ok(result.boxes > 2500, 'they are not empty');
		assert.equal(result.failure?.text, undefined, result.failure?.says);
		assert.equal(result.agree, result.boxes);
		assert.ok(result.largest <= 0.5);
	} finally {
		await close();
	}
});
