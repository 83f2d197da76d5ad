import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { agreedFrom, InStep, type Report } from '../../src/core/in-step/in-step.ts';
import { chosenText, mergedText, mergeTexts } from '../../src/core/in-step/merge.ts';
import { PlaceFailure } from '../../src/core/in-step/place.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { MemoryPlace, OneSide, RandomEdits, settleAll } from '../lib/in-step.ts';

const site = 'site "Seed" {}\nregion main { required }\nroute / { fill main { piece t "A" } }\n';

interface Both {
	readonly place: MemoryPlace;
	readonly side: OneSide;
	readonly pair: InStep;
	look(): Promise<Report>;
}

/** A site and a folder that have the same. */
function inStep(files: Readonly<Record<string, string>> = { 'site.eave': site }): Both {
	const bytes = new Map(Object.entries(files).map(([path, text]) => [path, encodeUtf8(text)]));
	const place = new MemoryPlace(bytes);
	const side = new OneSide(bytes);
	const pair = new InStep(place, side, agreedFrom(bytes));
	/** Until nothing is on its way. */
	const look = async (): Promise<Report> => {
		const taken: string[] = [];
		const written: string[] = [];
		for (;;) {
			const report = await pair.look();
			taken.push(...report.taken);
			written.push(...report.written);
			if (!report.restless) return { ...report, taken, written };
		}
	};
	return { place, side, pair, look };
}

void test('what changes on one side reaches the other, file by file', async () => {
	const { place, side, look } = inStep({ 'site.eave': site, 'a.css': 'a {}', 'b.svg': '<svg/>' });
	assert.deepEqual(await look(), {
		taken: [], written: [], conflicts: [], unreadable: [], restless: false
	}); // prettier-ignore
	assert.equal(place.writes, 0);
	side.put('site.eave', site.replace('"A"', '"B"'));
	assert.deepEqual((await look()).written, ['site.eave']);
	assert.equal(place.text('site.eave'), site.replace('"A"', '"B"'));
	assert.equal(place.writes, 1);
	place.put('a.css', 'a { color: red }');
	place.put('more/c.txt', 'c');
	place.drop('b.svg');
	assert.deepEqual((await look()).taken, ['a.css', 'b.svg', 'more/c.txt']);
	assert.equal(side.text('a.css'), 'a { color: red }');
	assert.equal(side.text('b.svg'), undefined);
	assert.equal(side.text('more/c.txt'), 'c');
	assert.equal(side.steps.length, 1, 'one step of the history');
	assert.equal(place.writes, 1, 'what came from the folder is not written to it');
	side.undo();
	await look();
	assert.equal(place.text('b.svg'), '<svg/>');
	assert.equal(place.text('more/c.txt'), undefined);
});

void test('a change here of one line is one change of the text, as is one that is taken over', async () => {
	const { place, side, look } = inStep();
	place.put('site.eave', site.replace('"A"', '"There"'));
	await look();
	const [{ changes } = { changes: [] }] = side.steps;
	assert.deepEqual(changes, [
		{ kind: 'edit', file: 'site.eave', from: site.indexOf('A"'), to: site.indexOf('A"') + 1, insert: 'There' }
	]); // prettier-ignore
});

void test('both changed different lines: both have both', async () => {
	const { place, side, look } = inStep();
	place.put('site.eave', site.replace('"A"', '"There"'));
	side.put('site.eave', site.replace('Seed', 'Here'));
	const { taken, written, conflicts } = await look();
	assert.deepEqual([taken, written, conflicts], [['site.eave'], ['site.eave'], []]);
	assert.match(side.text('site.eave') ?? '', /Here[^]*There/);
	assert.equal(place.text('site.eave'), side.text('site.eave'));
});

void test('both changed one line: neither is written over until someone chooses, then the other is one step back', async () => {
	const { place, side, pair, look } = inStep();
	const there = site.replace('"A"', '"There"');
	const here = site.replace('"A"', '"Here"');
	place.put('site.eave', there);
	side.put('site.eave', here);
	const { conflicts, written, taken } = await look();
	assert.deepEqual([written, taken], [[], []]);
	assert.equal(place.text('site.eave'), there);
	assert.equal(side.text('site.eave'), here);
	const [conflict] = conflicts;
	assert.ok(conflict);
	const differs = conflict.parts?.filter(({ kind }) => kind === 'differs');
	assert.equal(differs?.length, 1);
	assert.deepEqual((await look()).conflicts, [conflict], 'it stays the same one');
	assert.equal((await pair.look()).conflicts[0], conflict);
	assert.equal(await pair.choose(conflict, ['here']), true);
	await look();
	assert.equal(place.text('site.eave'), here);
	side.undo();
	assert.equal(side.text('site.eave'), there, 'what was not chosen is in the history');
	assert.equal(await pair.choose(conflict, ['there']), false, 'it is over');
});

void test('another choice, both, and a change that comes while one chooses', async () => {
	const { place, side, pair, look } = inStep();
	place.put('site.eave', site.replace('"A"', '"There"'));
	side.put('site.eave', site.replace('"A"', '"Here"'));
	const [conflict] = (await look()).conflicts;
	assert.ok(conflict);
	place.put('site.eave', site.replace('"A"', '"There"').replace('Seed', 'Newer'));
	assert.equal(await pair.choose(conflict, ['both']), true);
	await look();
	for (const text of [place.text('site.eave'), side.text('site.eave')]) {
		assert.match(text ?? '', /Newer[^]*"Here"[^]*"There"/);
	}
	place.put('site.eave', site.replace('"A"', '"There"'));
	side.put('site.eave', site.replace('"A"', '"Here"'));
	const [other] = (await look()).conflicts;
	assert.ok(other);
	side.put('site.eave', site.replace('"A"', '"Typed"'));
	assert.equal(await pair.choose(other, ['there']), false, 'what was typed meanwhile stays');
	assert.match(side.text('site.eave') ?? '', /Typed/);
});

void test('removed on one side and changed on the other is a conflict; files that are no text are one or the other', async () => {
	const { place, side, pair, look } = inStep({ 'site.eave': site, 'a.css': 'a {}', 'b.png': 'b' });
	place.drop('a.css');
	side.put('a.css', 'a { color: red }');
	place.putBytes('b.png', new Uint8Array([0, 1]));
	side.putBytes('b.png', new Uint8Array([0, 2]));
	const { conflicts } = await look();
	assert.deepEqual(
		conflicts.map(({ path, parts }) => [path, parts]),
		[
			['a.css', undefined],
			['b.png', undefined]
		]
	);
	const [gone, picture] = conflicts;
	assert.ok(gone && picture);
	assert.equal(await pair.choose(gone, ['there']), true);
	assert.equal(await pair.choose(picture, ['here']), true);
	await look();
	assert.equal(side.text('a.css'), undefined);
	assert.equal(place.text('a.css'), undefined);
	assert.deepEqual(place.bytes('b.png'), new Uint8Array([0, 2]));
	side.undo();
	side.undo();
	side.undo();
	assert.equal(side.text('a.css'), 'a { color: red }');
});

void test('what is no text of a site is said and left alone; other files go on', async () => {
	const { place, side, look } = inStep({ 'site.eave': site, 'more.eave': '// more\n' });
	place.putBytes('more.eave', new Uint8Array([0xff, 0xfe]));
	side.put('more.eave', '// here\n');
	side.put('site.eave', site.replace('Seed', 'Here'));
	const { unreadable, written } = await look();
	assert.deepEqual(unreadable, [{ path: 'more.eave', sentence: 'more.eave is not UTF-8 text.' }]);
	assert.deepEqual(written, ['site.eave']);
	assert.deepEqual(place.bytes('more.eave'), new Uint8Array([0xff, 0xfe]));
	place.put('more.eave', '// more\n');
	assert.deepEqual((await look()).unreadable, []);
	assert.equal(place.text('more.eave'), '// here\n');
});

void test('the mark of an encoding and line ends of two characters stay as they are', async () => {
	const { place, side, look } = inStep();
	const windows = `\ufeff${site.replaceAll('\n', '\r\n')}`;
	place.put('site.eave', windows);
	await look();
	side.put('site.eave', (side.text('site.eave') ?? '').replace('Seed', 'Here'));
	await look();
	assert.equal(place.text('site.eave'), windows.replace('Seed', 'Here'));
});

void test('a folder whose files went is not taken for a site without any, and can be written again', async () => {
	const { place, side, pair, look } = inStep();
	place.drop('site.eave');
	await assert.rejects(look(), (failure) => failure instanceof PlaceFailure && failure.why === 'empty'); // prettier-ignore
	assert.equal(side.text('site.eave'), site);
	pair.writeAgain();
	await look();
	assert.equal(place.text('site.eave'), site);
});

void test('a file that someone makes anew at the same moment is not written over', async () => {
	const { place, side, look } = inStep();
	place.beforeWrite = () => place.put('new.txt', 'theirs');
	side.put('new.txt', 'ours');
	const { conflicts } = await look();
	assert.equal(conflicts.length, 1);
	assert.equal(place.text('new.txt'), 'theirs');
	assert.equal(side.text('new.txt'), 'ours');
});

void test('merged texts have each change of either side (property)', () => {
	const line = fc.constantFrom('a', 'b', 'c', 'd', '');
	const text = fc.array(line, { maxLength: 12 }).map((lines) => lines.join('\n'));
	fc.assert(
		fc.property(text, text, text, (before, here, there) => {
			assert.equal(mergedText(mergeTexts(before, here, before)), here);
			assert.equal(mergedText(mergeTexts(before, before, there)), there);
			assert.equal(mergedText(mergeTexts(before, here, here)), here);
			const parts = mergeTexts(before, here, there);
			// All of one side's choices, with what only one changed, is the other way round the same.
			const mirrored = mergeTexts(before, there, here);
			const count = parts.filter(({ kind }) => kind === 'differs').length;
			assert.equal(mirrored.filter(({ kind }) => kind === 'differs').length, count);
			assert.equal(
				chosenText(
					parts,
					Array.from({ length: count }, () => 'here')
				),
				chosenText(
					mirrored,
					Array.from({ length: count }, () => 'there')
				)
			);
		}),
		{ numRuns: 2000 }
	);
});

void test('ten thousand edits at random on both sides lose nothing (property)', async () => {
	await fc.assert(
		fc.asyncProperty(fc.nat(), async (seed) => {
			const { place, side, pair } = inStep({ 'site.eave': site, 'a.css': 'a {}\n' });
			const edits = new RandomEdits(seed, [place, side]);
			// Whenever the folder is used, someone else has been there, or typed here.
			place.onUse = () => {
				for (let left = edits.count % 3; left > 0 && edits.count < 2000; left--) edits.edit();
			};
			await settleAll(pair, edits, 2000);
			assert.deepEqual(edits.missing(), []);
			assert.deepEqual(edits.differing(), []);
		}),
		{ numRuns: 5 }
	);
});
