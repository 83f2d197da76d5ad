import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { textFiles, textOf, type SiteFiles } from '../../src/core/model/files.ts';
import { applyChanges, type Change } from '../../src/core/source/change.ts';
import { runs } from '../lib/runs.ts';

/** Style sheets of the site's own are edited as text, and keep every byte that no edit touches. */

const files = (css: Uint8Array): SiteFiles => ({
	texts: new Map([['site.eave', 'site "Seeds" {}']]),
	assets: new Map([
		['css/site.css', css],
		['images/pod.png', new Uint8Array([137, 80])]
	])
});

test('edits of a sheet change its bytes and nothing else, and are taken back to the byte', () => {
	const text = fc.string({ unit: fc.constantFrom('a', '{', '}', '\r\n', 'é', '🌱', '\t'), maxLength: 60 }); // prettier-ignore
	fc.assert(
		fc.property(text, text, fc.nat(), fc.nat(), (css, insert, a, b) => {
			const before = files(encodeUtf8(css));
			const [from, to] = [a % (css.length + 1), b % (css.length + 1)].sort((x, y) => x - y);
			const change: Change = {
				kind: 'edit',
				file: 'css/site.css',
				from: from ?? 0,
				to: to ?? 0,
				insert
			};
			const after = applyChanges(before, [change]);
			const edited = css.slice(0, from) + insert + css.slice(to);
			// Half of a character that two units make is no text.
			fc.pre(edited.isWellFormed() && css.slice(from, to).isWellFormed());
			assert.deepEqual(after.assets.get('css/site.css'), encodeUtf8(edited));
			assert.equal(after.assets.get('images/pod.png'), before.assets.get('images/pod.png'));
			assert.equal(before.assets.get('css/site.css')?.length, encodeUtf8(css).length);
			assert.deepEqual(applyChanges(after, after.inverse).assets, before.assets);
		}),
		runs(200, 3)
	);
});

test('a sheet whose bytes no text gives back is no text', () => {
	assert.equal(textOf(files(new Uint8Array([0xef, 0xbb, 0xbf, 97])), 'css/site.css'), undefined);
	assert.equal(textOf(files(new Uint8Array([0xe9, 97])), 'css/site.css'), undefined);
	assert.equal(textOf(files(encodeUtf8('a {}')), 'css/site.css'), 'a {}');
	assert.equal(textOf(files(encodeUtf8('a {}')), 'images/pod.png'), undefined);
	assert.deepEqual(textFiles(files(encodeUtf8('a {}'))), ['css/site.css', 'site.eave']);
	const change: Change = { kind: 'edit', file: 'images/pod.png', from: 0, to: 0, insert: 'x' };
	assert.throws(() => applyChanges(files(encodeUtf8('')), [change]), /There is no file/);
});
