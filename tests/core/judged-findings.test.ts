import assert from 'node:assert/strict';
import { join } from 'node:path';
import { test } from 'node:test';
import { root } from '../../scripts/lib/setup.js';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { examples } from '../../src/core/starter/examples.ts';
import { realisticSites } from '../lib/realistic.ts';
import { findingsOf } from '../lib/findings.ts';

/**
 * What is found on all sites of pages of all kinds, each of it read against the page as a browser shows it and judged
 * true. What rests on guessed sizes is not among it: measured, that is judged elsewhere.
 */
const judged: Readonly<Record<string, Readonly<Record<string, number>>>> = {
	// Old markup, pictures without sizes, a menu that phones do not have, a head that shows what is below it.
	'tests/realistic/almanac': {
		'description-missing': 1,
		'image-no-size': 7,
		'markup-old': 1,
		'markup-table-heads': 1,
		'measure-too-long': 1,
		'menu-hidden': 1,
		'not-found-missing': 1,
		'stuck-bare': 1
	},
	// A layout styles what only its pages bring: nothing of that is reached.
	'tests/realistic/arabic': {
		'asset-unused': 2,
		'description-missing': 1,
		'image-no-size': 2,
		'markup-style-inline': 2,
		'not-found-missing': 1,
		'stuck-bare': 1,
		'style-unused': 4
	},
	'tests/realistic/exchange': {
		'asset-unused': 2,
		'description-missing': 1,
		'heading-skips': 1,
		'label-missing': 1,
		'markup-type-implied': 1,
		'not-found-missing': 1,
		'strip-gap': 1,
		'token-unused': 1
	},
	'tests/realistic/reports': {
		'asset-unused': 3,
		'description-missing': 2,
		'label-missing': 1,
		'markup-style-inline': 9,
		'markup-type-implied': 3,
		'measure-too-long': 1,
		'not-found-missing': 1,
		'page-unreachable': 2,
		'strip-gap': 1
	},
	'tests/realistic/shelves': {
		'description-missing': 1,
		'form-no-button': 1,
		'image-no-size': 2,
		'label-missing': 1,
		'markup-type-implied': 1,
		'measure-too-long': 1,
		'measure-too-short': 1,
		'not-found-missing': 1,
		'page-unreachable': 1,
		'strip-gap': 1
	},
	'tests/realistic/workshop': {
		'asset-unused': 2,
		'description-missing': 1,
		'image-no-size': 1,
		'markup-style-inline': 1,
		'measure-too-long': 1,
		'not-found-missing': 1,
		'page-unreachable': 3
	},
	demo: {},
	...Object.fromEntries(examples.map(({ name }) => [`examples/${name}`, {}]))
};

for (const [path, expected] of Object.entries(judged)) {
	test(`what is found on ${path} is what was judged true, and nothing else`, async () => {
		const site = checkSite(readSiteFiles(await readSitePath(join(root, path))));
		const counts: Record<string, number> = {};
		for (const { problem, estimated } of findingsOf(site).findings) {
			if (!estimated) counts[problem.code] = (counts[problem.code] ?? 0) + 1;
		}
		assert.deepEqual(counts, expected);
	});
}

test('every realistic site has been judged', async () => {
	const missing = (await realisticSites()).filter((path) => !(path in judged));
	assert.deepEqual(missing, []);
});
