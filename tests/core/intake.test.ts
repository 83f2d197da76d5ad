import assert from 'node:assert/strict';
import { test } from 'node:test';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import fc from 'fast-check';
import { zipSync } from 'fflate';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { applyChanges, type Change } from '../../src/core/source/change.ts';
import { blockWords, complete } from '../../src/core/source/complete.ts';
import { readUsable, takeIn } from '../../src/core/source/intake.ts';
import { IntakeError, mostBytes } from '../../src/core/source/limits.ts';
import { around, resolve } from '../lib/site.ts';

const site = around('');

function refusal(name: string, bytes: Uint8Array): string {
	try {
		readUsable(takeIn(name, bytes));
	} catch (failure) {
		assert.ok(failure instanceof IntakeError, String(failure));
		return failure.message;
	}
	return 'taken';
}

test('a file, a zip, and a zip of the folder itself are taken in', () => {
	assert.equal(refusal('a.eave', encodeUtf8(site)), 'taken');
	const zip = zipSync({ 'x/site.eave': encodeUtf8(site), 'x/img/a.svg': encodeUtf8('<svg/>') });
	const files = takeIn('a.zip', zip);
	assert.deepEqual([...files.texts.keys(), ...files.assets.keys()], ['site.eave', 'img/a.svg']);
});

test('bad input gets a sentence that says what is wrong', () => {
	const packed = (files: Record<string, string>): Uint8Array =>
		zipSync(
			Object.fromEntries(Object.entries(files).map(([path, text]) => [path, encodeUtf8(text)]))
		);
	const cases: [string, Uint8Array, RegExp][] = [
		['a.eave', new Uint8Array(), /a\.eave is empty/],
		['a.eave', encodeUtf8('  \n'), /empty/],
		['a.eave', new Uint8Array([0x73, 0xff, 0xfe]), /a\.eave is not UTF-8/],
		['a.zip', encodeUtf8('not a zip'), /a\.zip is not a zip file/],
		['a.zip', packed({ 'site.eave': site }).slice(0, 80), /cannot be unpacked|can be unpacked/],
		['a.zip', packed({ '../site.eave': site }), /climbs out, \.\.\/site\.eave/],
		['a.zip', packed({ '/etc/site.eave': site }), /absolute path/],
		['a.zip', packed({ 'readme.txt': 'x' }), /no \.eave file/],
		['a.eave', encodeUtf8(`${site}\n// ${'x'.repeat(5_000_000)}`), /5000003 characters long.*a\.eave:9:1/],
		['a.eave', encodeUtf8('site "A" { }\nlayout a at / { region m as main { slot } }'), /has no route/]
	]; // prettier-ignore
	for (const [name, bytes, sentence] of cases) assert.match(refusal(name, bytes), sentence);
});

test('a zip that unpacks to more than the limit is refused before it is unpacked', () => {
	const large = zipSync({ 'site.eave': encodeUtf8(site), 'big.bin': new Uint8Array(mostBytes) });
	assert.ok(large.length < 1_000_000);
	assert.match(refusal('a.zip', large), /larger than 50 MB/);
});

test('changes of the text and their inverses: byte for byte', () => {
	const start = new Map([
		['a.eave', 'one two three'],
		['b.eave', 'x']
	]);
	const change = fc.record({
		from: fc.nat(12),
		length: fc.nat(6),
		insert: fc.string({ maxLength: 5 })
	});
	fc.assert(
		fc.property(fc.array(change, { maxLength: 30 }), (commands) => {
			let texts: ReadonlyMap<string, string> = start;
			const undo: (readonly Change[])[] = [];
			for (const { from, length, insert } of commands) {
				const size = texts.get('a.eave')?.length ?? 0;
				const at = Math.min(from, size);
				const to = Math.min(at + length, size);
				const done = applyChanges({ texts: texts, assets: new Map() }, [
					{ kind: 'edit', file: 'a.eave', from: at, to, insert }
				]);
				texts = done.texts;
				undo.unshift(done.inverse);
			}
			for (const inverse of undo)
				texts = applyChanges({ texts: texts, assets: new Map() }, inverse).texts;
			assert.deepEqual([...texts], [...start]);
		}),
		{ seed: 3 }
	);
	const moved = applyChanges({ texts: start, assets: new Map() }, [
		{ kind: 'add', file: 'c.eave', text: 'new' },
		{ kind: 'drop', file: 'b.eave' }
	]);
	assert.deepEqual([...moved.texts.keys()], ['a.eave', 'c.eave']);
	assert.deepEqual(
		[...applyChanges({ texts: moved.texts, assets: new Map() }, moved.inverse).texts].sort(),
		[...start]
	);
	const outside: Change = { kind: 'edit', file: 'a.eave', from: 3, to: 99, insert: '' };
	assert.throws(() => applyChanges({ texts: start, assets: new Map() }, [outside]), RangeError);
	assert.throws(
		() => applyChanges({ texts: start, assets: new Map() }, [{ kind: 'drop', file: 'none.eave' }]),
		RangeError
	);
});

test('every word that completion offers is one that the reader knows there', () => {
	const heads: Record<string, string> = {
		'': '',
		site: 'site "x" {',
		layout: 'layout x at /x {',
		region: 'layout x at /x { region y as main {',
		fill: 'route /x { fill head {',
		adjust: 'route /x { adjust head {',
		route: 'route /x {',
		state: 'state denied at / {',
		wrapper: 'layout x at /x { wrapper y {',
		'wrapper of pieces': 'route /x { wrapper y {',
		piece: 'route /x { piece y {',
		areas: 'layout x at /x { arrange areas {',
		columns: 'layout x at /x { arrange columns 4 {',
		row: 'layout x at /x { arrange row {',
		stack: 'layout x at /x { arrange stack {'
	};
	for (const [block, words] of blockWords) {
		const head = heads[block];
		assert.ok(head !== undefined, block);
		const close = '}'.repeat(head.split('{').length - 1);
		for (const word of Object.keys(words)) {
			const { problems } = resolve(`${head}\n${word}\n${close}`);
			const unknown = problems.filter((one) => ['unknown-statement', 'not-yet'].includes(one.code));
			assert.deepEqual(unknown.map(sentenceOf), [], `${word} in ${block}`);
		}
		const text = `${head}\n`;
		const names = { layouts: ['outer'], regions: ['head'], routes: ['/'], data: [] };
		const offered = complete(`${text}\n${close}`, text.length, names)?.options.map((one) => one.word);
		assert.deepEqual(offered, Object.keys(words), block);
	}
	const after = complete('route /x { under o', 18, { layouts: ['outer'], regions: [], routes: [], data: [] });
	assert.deepEqual(after?.options.map((one) => one.word), ['outer', 'none']);
}); // prettier-ignore
