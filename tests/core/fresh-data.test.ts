import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { currentAge, decide, take, type Copy } from '../../src/core/data/copy.ts';
import { editJson, whyNotJson } from '../../src/core/data/edit-json.ts';
import { originAnswer } from '../../src/core/data/origin.ts';
import { inferShape, readShape } from '../../src/core/data/shape.ts';
import { timeline } from '../../src/core/data/timeline.ts';
import { freshStory } from '../../src/core/view-models/material/fresh-story.ts';
import type { Freshness } from '../../src/core/model/site.ts';

/** Copies of shared data (RFC 9111), with a clock of the test's own, and the shape of JSON. */

const ten = Date.UTC(2026, 3, 18, 10);
const minute: Freshness = { kind: 'for', seconds: 60 };

function copyAt(at: number, headers: Record<string, string> = {}): Copy {
	return { value: 'old', headers, requested: at, received: at };
}

test('a source that changes at 10:00 shows on a page with "fresh 60s" from 10:01', () => {
	const history = [
		{ text: '"old"', changed: ten - 1_000_000 },
		{ text: '"new"', changed: ten + 1 }
	];
	const times = [ten, ten + 30_000, ten + 59_000, ten + 60_000, ten + 61_000];
	const shown = timeline(history, minute, 'max-age=0', times).map((one) => [one.shown, one.asked]);
	assert.deepEqual(shown, [
		['old', 'new'],
		['old', 'not asked'],
		['old', 'not asked'],
		['new', 'new'],
		['new', 'not asked']
	]);
	const always = timeline(history, { kind: 'always' }, 'max-age=600', times);
	assert.deepEqual(
		always.map((one) => one.asked),
		['new', 'new', 'nothing changed', 'nothing changed', 'nothing changed']
	);
	assert.deepEqual(new Set(timeline(history, { kind: 'build' }, '', times).map((one) => one.shown)), new Set(['old'])); // prettier-ignore
	assert.equal(
		freshStory('60s', 'max-age=0').clock(freshStory('60s', 'max-age=0').shownFrom ?? 0),
		'10:01:00'
	);
});

test('with "fresh notice" a copy holds until its source says that something changed', () => {
	const notice: Freshness = { kind: 'notice' };
	const day = 86_400_000;
	assert.equal(decide(copyAt(ten), notice, ten + day).kind, 'use');
	assert.equal(decide(copyAt(ten), notice, ten + day, ten - 1).kind, 'use', 'it was asked since');
	assert.equal(
		decide(copyAt(ten), notice, ten + 1, ten).kind,
		'ask',
		'it may have been read before'
	);
	assert.equal(decide(copyAt(ten), minute, ten + 1, ten).kind, 'use', 'others do not wait for it');
	const forbids = copyAt(ten, { 'cache-control': 'no-cache' });
	assert.equal(decide(forbids, notice, ten + 1).kind, 'ask', 'what the source forbids holds');
	const stale = copyAt(ten, { 'cache-control': 'max-age=5, must-revalidate' });
	assert.equal(decide(stale, notice, ten + 6000).kind, 'ask');
	const story = freshStory('notice', 'max-age=0');
	assert.deepEqual([story.noticeAt, story.shownFrom], [60, 61]);
	assert.deepEqual(story.asks, [0, 61], 'once at first, and once when it said so');
	const lost = freshStory('notice', 'max-age=0', true);
	assert.deepEqual([lost.noticeAt, lost.shownFrom], [undefined, undefined]);
});

test('what a source forbids holds over what the site is content with', () => {
	const later = ten + 10_000;
	const asks = (headers: Record<string, string>) =>
		decide(copyAt(ten, headers), minute, later).kind;
	assert.equal(asks({}), 'use');
	assert.equal(asks({ 'cache-control': 'max-age=5' }), 'use', 'it is stale, and young enough');
	assert.equal(asks({ 'cache-control': 'max-age=5, must-revalidate' }), 'ask');
	assert.equal(asks({ 'cache-control': 'no-cache' }), 'ask');
	assert.equal(asks({ age: '55' }), 'ask', 'it was old when it came');
	const asked = decide(copyAt(ten, { etag: '"a"' }), { kind: 'always' }, later);
	assert.deepEqual(asked, {
		kind: 'ask',
		headers: { 'cache-control': 'no-cache', 'if-none-match': '"a"' }
	});
});

test('ages are those of RFC 9111, section 4.2.3', () => {
	const copy: Copy = {
		value: 1,
		headers: { date: 'Sat, 18 Apr 2026 09:59:50 GMT', age: '4' },
		requested: ten - 3000,
		received: ten
	};
	assert.equal(currentAge(copy, ten + 5000), 15, 'by the date: 10 s, and 5 s here');
	assert.equal(currentAge({ ...copy, headers: { age: '20' } }, ten + 5000), 28);
});

test('answers are taken: new, unchanged, or a reason why not; a failure keeps the copy', () => {
	const at = { requested: ten, received: ten };
	const standing = { text: '{"a": 1}', changed: ten - 5000 };
	const first = take(undefined, originAnswer(standing, {}, 'max-age=9', ten), at);
	assert.ok(first.kind === 'new');
	assert.deepEqual(first.copy.value, { a: 1 });
	const decision = decide(first.copy, { kind: 'always' }, ten + 1000);
	assert.ok(decision.kind === 'ask');
	const again = originAnswer(standing, decision.headers, 'max-age=20', ten + 1000);
	assert.equal(again.status, 304);
	const held = take(first.copy, again, { requested: ten + 1000, received: ten + 1000 });
	assert.ok(held.kind === 'holds');
	assert.equal(held.copy.headers['cache-control'], 'max-age=20', 'what is said now holds');
	const said = (status: number, body: string) =>
		take(first.copy, { status, headers: {}, body }, at);
	for (const failed of [said(500, ''), said(200, '<p>'), said(302, '')]) {
		assert.ok(failed.kind === 'failed' && failed.why !== '');
	}
	assert.equal(take(undefined, { status: 304, headers: {}, body: undefined }, at).kind, 'failed');
});

test('the shape of any JSON is one that it keeps to, and others mostly do not', () => {
	fc.assert(
		fc.property(fc.jsonValue(), (value) => {
			const read = readShape(inferShape(value));
			assert.ok(read.kind === 'shape');
			assert.deepEqual(read.find(value), []);
		}),
		// Names that every object has from elsewhere.
		{ numRuns: 300, examples: [[[{ valueOf: 0 }, {}]], [{ constructor: 1 }]] }
	);
	const read = readShape(inferShape([{ a: 'x', b: 1 }, { a: 'y' }]));
	assert.ok(read.kind === 'shape');
	assert.deepEqual(read.find([{ a: 'z' }]), [], 'what not all have is not needed');
	assert.deepEqual(
		read.find([{ b: 1 }, { a: 5 }]).map(({ path }) => path.join('.')),
		['0.a', '1.a']
	);
	assert.equal(readShape([]).kind, 'unusable');
});

test('an edit of JSON changes that value alone, as it is written', () => {
	const text = '{\n\t"a": [1, 2],\n\t"b": {"c": "x"}\n}\n';
	assert.equal(editJson(text, ['b', 'c'], 'y'), text.replace('"x"', '"y"'));
	assert.deepEqual(JSON.parse(editJson(text, ['a', 0], undefined)), { a: [2], b: { c: 'x' } });
	assert.deepEqual(JSON.parse(editJson(text, ['a', 2], 3)), { a: [1, 2, 3], b: { c: 'x' } });
	assert.equal(whyNotJson(text), undefined);
	assert.deepEqual(whyNotJson('{"a": }')?.offset, 6);
	assert.ok(whyNotJson('') !== undefined && whyNotJson('// a\n1') !== undefined);
});
