import assert from 'node:assert/strict';
import { before, test } from 'node:test';
import { saidIn, type Said } from '../../scripts/lib/said-words.ts';

/** The words of the interface and the command line: the field has a word for most things, and that is the one. */

let all: ReadonlyMap<string, readonly Said[]>;
before(async () => {
	all = await saidIn([]);
});

/** What is said where a pattern fits, with its place. */
function where(pattern: RegExp, but: RegExp = /^$/): string[] {
	return [...all].flatMap(([path, said]) =>
		said
			.filter(({ words }) => pattern.test(words) && !but.test(path))
			.map(({ line, words }) => `${path}:${line}: ${words}`)
	);
}

test('there is something to read, in components as in modules, in markup as in attributes', () => {
	const words = [...all.values()].flatMap((said) => said.map((one) => one.words));
	assert.ok(words.length > 2000, `${words.length} sentences`);
	for (const one of [
		'Find a route',
		'Everything is kept in this browser as you go.',
		'Write the static site: HTML, CSS and the site’s other files.',
		'The field is no sentence of ours.'
	]) {
		assert.equal(words.includes(one), one !== 'The field is no sentence of ours.', one);
	}
});

test('what the field calls fix, ignore, redirect, stub service and undo is called so', () => {
	const retired: readonly [RegExp, RegExp?][] = [
		[/\bmends?\b|\bmended\b/i],
		[/\bset (…|\S+) aside\b|\bset aside\b/i],
		[/\bleads? on\b|\bled on\b|\ba way on\b/i],
		[/\bthe stand-in\b(?! of)/i],
		[/\bdo again\b|\btake back: /i],
		[/\bhand(ed)? over by halves\b/i]
	];
	for (const [pattern, but] of retired) assert.deepEqual(where(pattern, but), [], String(pattern));
});

test('sentences are whole: none ends in three dots of the keyboard, or has two blanks or two full stops', () => {
	assert.deepEqual(where(/\.\.\.(?!\d)/, /core\/(check|edit|starter)|main\.ts/), []);
	assert.deepEqual(where(/[a-z]\.\.(\s|$)/), []);
	assert.deepEqual(where(/\s\?$|\s!$/), []);
});
