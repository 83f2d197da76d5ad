import assert from 'node:assert/strict';
import { readFile } from 'node:fs/promises';
import { test } from 'node:test';
import fc from 'fast-check';
import { valueOf } from '../judge/boxes/random-layouts.ts';
import { checks } from '../../src/core/check/list.ts';
import { severityOf } from '../../src/core/messages/catalogue.ts';
import { arrangementKinds, arrangements } from '../../src/core/settings/arrangements/list.ts';
import { nextWords, readForm } from '../../src/core/settings/form.ts';
import { allSettings } from '../../src/core/settings/list.ts';
import type { BoxKind } from '../../src/core/settings/placed.ts';
import { around, only, resolve } from '../lib/site.ts';

/** Each setting has one home; everything else that speaks of it says the same. */

/** A site in which a statement stands on a box of each kind. */
const standsOn: Readonly<Record<BoxKind, (said: string) => string>> = {
	layout: (said) => `layout x at /x { ${said}; region m as main { slot } }`,
	wrapper: (said) => `layout x at /x { wrapper w { ${said}; region a as div { } }; region m as main { slot } }`,
	region: (said) => `layout x at /x { region a as nav { ${said} }; region b as div { }; region m as main { slot } }`,
	piece: (said) => `layout x at /x { region a as div { piece p { ${said} } """x""" }; region m as main { slot } }`
}; // prettier-ignore

test('whatever the form of a setting allows can be read, on every box that may say it', () => {
	for (const { kind, form, on } of allSettings) {
		fc.assert(
			fc.property(valueOf(form), fc.constantFrom(...on), (value, box) => {
				const text = around(standsOn[box](`${kind} ${value}`))
					.replace('lang en;', 'lang en; tokens { --gap: 8px };');
				const wrong = resolve(text).problems.filter(
					({ severity, code }) => severity === 'error' && code !== 'show-not-here'
				);
				assert.deepEqual(wrong, [], `${kind} ${value} on a ${box}`);
			}),
			{ numRuns: 40, seed: 3 }
		);
	}
}); // prettier-ignore

test('a setting is unknown on every other box, and what no form allows is an error', () => {
	for (const { kind, on } of allSettings) {
		for (const box of ['layout', 'wrapper', 'region', 'piece'] as const) {
			const { problems } = resolve(around(standsOn[box](`${kind} %%`)));
			const unknown = problems.some(({ code }) => code === 'unknown-statement');
			assert.equal(unknown, !on.includes(box), `${kind} on a ${box}`);
			assert.ok(problems.some(({ severity }) => severity === 'error'), `${kind} %% on a ${box}`);
		}
	}
}); // prettier-ignore

test('words that can come next follow from the form', () => {
	assert.deepEqual(nextWords('in-place | drawer left/right WIDTH "label"', []), ['in-place', 'drawer']);
	assert.deepEqual(nextWords('in-place | drawer left/right WIDTH "label"', ['drawer']), ['left', 'right']);
	assert.deepEqual(nextWords('COUNT/all [by COUNT]', ['3']), ['by']);
	assert.deepEqual(nextWords('WIDTH', []), []);
	assert.equal(readForm('SPACE [SPACE [SPACE]]')[0]?.filter(({ optional }) => optional).length, 2);
}); // prettier-ignore

test('the document of the language has every setting and arrangement, with its form', async () => {
	const document = await readFile('docs/language.md', 'utf8');
	const plain = document.replaceAll('\\|', '|');
	for (const { kind, form, says, on } of allSettings) {
		for (const words of [`\`${kind}\``, form, says, on.join(', ')]) {
			const line = plain.split('\n').find((one) => one.startsWith(`| \`${kind}\``));
			assert.ok(line?.includes(words), `${kind}: ${words}`);
		}
	}
	for (const kind of arrangementKinds) {
		assert.match(document, new RegExp(`arrange ${kind}`), arrangements[kind].form);
	}
});

test('each check says what it sees to and why, and every kind of problem is found by one check', () => {
	const codes = checks.flatMap((check) => [...check.codes]);
	for (const { what, why } of checks) {
		assert.match(what, /^[A-Z].*\.$/);
		assert.match(why, /^[A-Z].*\.$/);
	}
	for (const code of codes) assert.ok(severityOf(code), code);
	const twice = codes.filter((code, index) => codes.indexOf(code) !== index);
	assert.deepEqual(twice, [], 'labels have a check of their own');
});

test('a ratio is read and does something only where the height can follow the width', () => {
	const idle = (own: string, arrange = 'arrange stack'): boolean =>
		resolve(
			around(
				`layout x at /x { ${arrange}; region a as div { aspect 16 / 9; ${own} }; region m as main { slot } }`
			)
		).problems.some(({ code }) => code === 'setting-idle');
	assert.equal(idle(''), false);
	assert.equal(idle('height 40px'), true);
	assert.equal(idle('max 100px 40px'), true);
	assert.equal(idle('size fill'), true, 'its share of the stack is its height');
	assert.equal(idle('width max-content'), true, 'its width comes from its content');
	assert.equal(idle('', 'arrange row'), true);
	assert.equal(idle('size fill', 'arrange row'), false);
	for (const value of ['0', '1 / 0', 'wide', '16 : 9', '99999']) {
		const text = around(standsOn.region(`aspect ${value}`));
		assert.ok(only(resolve(text).problems, 'aspect-invalid'), value);
	}
});
