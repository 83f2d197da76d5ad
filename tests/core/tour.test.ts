import assert from 'node:assert/strict';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { test } from 'node:test';
import { root } from '../../scripts/lib/setup.js';
import { tour, tourPlaces } from '../../src/core/view-models/words/tour.ts';

/** The tour in the application and the one in the documents are the same six questions. */

test('each question has a place of its own, which a view shows', () => {
	assert.equal(tour.length, 6);
	assert.deepEqual(tour.map(({ place }) => place).toSorted(), tourPlaces.toSorted());
});

test('the document asks the same questions in the same order', async () => {
	const text = await readFile(join(root, 'docs/tour.md'), 'utf8');
	const asked = [...text.matchAll(/^## \d+\. (.*)$/gm)].map(([, question]) => question);
	assert.deepEqual(
		asked,
		tour.map(({ question }) => question)
	);
});
