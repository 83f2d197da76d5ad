import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { isLarge } from '../../src/core/edit/large.ts';
import { changesBetween } from '../../src/core/in-step/changes-between.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import type { SiteFiles } from '../../src/core/model/files.ts';
import { applyChanges } from '../../src/core/source/change.ts';

/** From one state of a site to another: the changes that lead there and back, and what is much at once. */

test('the changes between two states make one of the other (property)', () => {
	const path = fc.constantFrom('site.eave', 'more.eave', 'a.css', 'b.css', 'c.png');
	const text = fc.array(fc.constantFrom('a', 'b', '\n', 'ä', '}'), { maxLength: 8 }).map((all) => all.join('')); // prettier-ignore
	const some = fc.dictionary(path, text, { noNullPrototype: true }).map((all): SiteFiles => {
		const entries = Object.entries(all);
		const isText = ([one]: [string, string]): boolean => one.endsWith('.eave');
		return {
			texts: new Map(entries.filter(isText)),
			assets: new Map(entries.filter((one) => !isText(one)).map(([one, words]) => [one, encodeUtf8(words)])) // prettier-ignore
		};
	});
	fc.assert(
		fc.property(some, some, (from, to) => {
			const changes = changesBetween(from, to);
			const made = applyChanges(from, changes);
			assert.deepEqual(new Map([...made.texts].sort()), new Map([...to.texts].sort()));
			assert.deepEqual(new Map([...made.assets].sort()), new Map([...to.assets].sort()));
			assert.deepEqual(changesBetween(to, to), []);
			const back = applyChanges(made, made.inverse);
			assert.deepEqual(new Map([...back.texts].sort()), new Map([...from.texts].sort()));
		}),
		{ numRuns: 500 }
	);
});

test('an edit of many places or files is a large one', () => {
	const edit = (file: string) => ({ kind: 'edit', file, from: 0, to: 0, insert: 'x' }) as const;
	assert.equal(isLarge([edit('a'), edit('a'), edit('b')]), false);
	assert.equal(isLarge([edit('a'), edit('b'), edit('c')]), true);
	assert.equal(isLarge(Array.from({ length: 8 }, () => edit('a'))), true);
});
