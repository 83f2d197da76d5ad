import assert from 'node:assert/strict';
import { join } from 'node:path';
import { before, test } from 'node:test';
import { root } from '../../scripts/lib/setup.js';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { pagesOf } from '../../src/core/model/site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { crossSection } from '../../src/core/view-models/cross-section.ts';
import { fillActions, regionActions } from '../../src/core/view-models/chosen/place-actions.ts';
import { makeOn } from '../lib/edits.ts';
import { around, pageNamed, sound } from '../lib/site.ts';

/** What can be done with a place, said by itself: a phrase that names what it is done to, and does it. */

let demo: CheckedSite;
before(async () => {
	demo = checkSite(readSiteFiles(await readSitePath(join(root, 'demo'))));
});

test('every action on every page of the demo says what it is done to, and no two say the same', () => {
	let count = 0;
	for (const page of pagesOf(demo.site)) {
		const { columns, layers } = crossSection(demo.page(page), demo);
		const said = columns.flatMap(({ regions }) =>
			regions.flatMap((region) => {
				const inner = layers.filter(({ name }) => name !== region.layout);
				const fills = inner.flatMap(({ layerKind, name }) =>
					fillActions({ kind: layerKind, name }, region, undefined)
				);
				const own = [...regionActions(region), ...fills];
				for (const { does } of own) {
					assert.match(does, /^[A-Z]/);
					assert.ok(does.includes(`${region.name} of ${region.layout}`), does);
				}
				return own.map(({ does }) => does);
			})
		);
		assert.equal(new Set(said).size, said.length, said.join('; '));
		count += said.length;
	}
	assert.ok(count > 200, `${count} actions`);
});

test('a lock is set and taken back by what is said of it', () => {
	const regionOf = (of: CheckedSite): Parameters<typeof regionActions>[0] => {
		const { columns } = crossSection(of.page(pageNamed(of, '/')), of);
		const found = columns.flatMap(({ regions }) => regions).find(({ name }) => name === 'head');
		assert.ok(found);
		return found;
	};
	const [lock] = regionActions(regionOf(sound(around(''))));
	assert.equal(lock?.does, 'Lock head of outer');
	const locked = makeOn(around(''), lock.command).resolved;
	const [unlock] = regionActions(regionOf(locked));
	assert.equal(unlock?.does, 'Unlock head of outer');
	assert.equal(regionActions(regionOf(locked))[1]?.does, 'Require head of outer to be filled');
});
