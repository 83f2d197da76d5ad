import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { readTokens } from '../../src/core/design-tokens/read-tokens.ts';
import { writeTokens } from '../../src/core/design-tokens/write-tokens.ts';
import { tokenSheet } from '../../src/core/emit/css/site-sheet.ts';
import { makeOn, refusal } from '../lib/edits.ts';
import { resolve } from '../lib/site.ts';

/** Tokens as JSON of the community's format: what comes in, what goes out, and that a round trip loses nothing. */

const bands = ['narrow', 'wide'];
const frame =
	'layout frame at / { region main as main { slot } }\nroute / { title "A"; piece p """<p>A</p>""" }';
const siteText = (tokens: string): string =>
	`site "Beds" {\n  bands { narrow 0; wide 1000 }\n  tokens {\n${tokens}\n  }\n}\n${frame}\n`;

function taken(file: unknown): Record<string, string> {
	const read = readTokens(JSON.stringify(file), bands);
	assert.ok('tokens' in read, 'refused' in read ? read.refused : '');
	return Object.fromEntries(read.tokens.map(({ name, value }) => [name, value]));
}

function refused(file: unknown): string {
	const read = readTokens(typeof file === 'string' ? file : JSON.stringify(file), bands);
	return 'refused' in read ? read.refused : '';
}

/** A file with each type, as the format's report has it; groups give types, and values refer to others. */
const file = {
	$description: 'Of the beds',
	color: {
		$type: 'color',
		leaf: {
			$value: {
				colorSpace: 'srgb',
				components: [0.18431372549, 0.41960784314, 0.22745098039],
				hex: '#2f6b3a'
			},
			$description: 'Leaves',
			$extensions: {
				'long-eave': { night: { colorSpace: 'srgb', components: [1, 1, 1] } },
				other: { kept: [1, null] }
			}
		},
		wash: { $value: { colorSpace: 'oklch', components: [0.9, 0.05, 140], alpha: 0.5 } },
		link: { $value: '{color.leaf}' }
	},
	space: {
		gutter: {
			$type: 'dimension',
			$value: { value: 16, unit: 'px' },
			$extensions: { 'long-eave': { bands: { wide: { value: 1.5, unit: 'rem' } } } }
		}
	},
	quick: { $type: 'duration', $value: { value: 120, unit: 'ms' } },
	ease: { $type: 'cubicBezier', $value: [0.2, 0, 0, 1] },
	words: { $type: 'fontFamily', $value: ['Archivo Narrow', 'sans-serif'] },
	heavy: { $type: 'fontWeight', $value: 700 },
	ratio: { $type: 'number', $value: 1.5 },
	raised: {
		$type: 'shadow',
		$value: {
			offsetX: { value: 0, unit: 'px' },
			offsetY: { value: 2, unit: 'px' },
			blur: { value: 8, unit: 'px' },
			spread: { value: 0, unit: 'px' },
			color: '{color.leaf}'
		}
	}
};

test('each type of the format is said in CSS, references as custom properties', () => {
	assert.deepEqual(taken(file), {
		'--color-leaf': '#2f6b3a',
		'--color-wash': 'oklch(0.9 0.05 140 / 0.5)',
		'--color-link': 'var(--color-leaf)',
		'--space-gutter': '16px',
		'--quick': '120ms',
		'--ease': 'cubic-bezier(0.2, 0, 0, 1)',
		'--words': '"Archivo Narrow", sans-serif',
		'--heavy': '700',
		'--ratio': '1.5',
		'--raised': '0px 2px 8px 0px var(--color-leaf)'
	});
	// Files of before 2025 have values as text.
	assert.deepEqual(taken({ a: { $value: '#FFF', $type: 'color' }, b: { $value: '4px' } }), {
		'--a': '#FFF',
		'--b': '4px'
	});
});

test('they are taken in by one edit, with bands and night, and handed over as the same file', () => {
	const { text, resolved, said } = makeOn(siteText('    --own: calc(1px + 2vw)'), {
		kind: 'take-tokens',
		text: JSON.stringify(file)
	});
	assert.match(text, /--space-gutter: 16px\n {4}--space-gutter @wide: 1\.5rem/);
	assert.match(text, /--color-leaf: #2f6b3a\n {4}--color-leaf @night: #ffffff/);
	assert.match(said, /10 tokens would be new/);
	const again = JSON.parse(writeTokens(resolved.site.settings, JSON.stringify(file)));
	const { $extensions: own, ...others } = again;
	assert.deepEqual(others, file);
	assert.deepEqual(own, { 'long-eave': { css: { '--own': { value: 'calc(1px + 2vw)' } } } });
	assert.match(
		refusal(text, { kind: 'take-tokens', text: JSON.stringify(again) }),
		/has all these tokens already/
	);
	// What the site has no more goes, what is another is another, and nothing else.
	const edited = makeOn(text, {
		kind: 'set-token',
		name: '--space-gutter',
		value: '20px',
		band: 'narrow'
	});
	const removed = makeOn(edited.text, { kind: 'remove-token', name: '--heavy' });
	const changed = JSON.parse(writeTokens(removed.resolved.site.settings, JSON.stringify(again)));
	assert.deepEqual(changed.space.gutter.$value, { value: 20, unit: 'px' });
	assert.equal('heavy' in changed, false);
	assert.deepEqual(changed.color, file.color);
});

test('values that are there get those of the file, and others stay', () => {
	const from = siteText(
		'    --a: 1px\n    --a @wide: 2px\n    --b: red\n    --b @night: blue\n    --c: 3px'
	);
	const { text } = makeOn(from, {
		kind: 'take-tokens',
		text: JSON.stringify({
			a: { $value: '5px' },
			b: { $value: 'green', $extensions: { 'long-eave': { night: 'blue' } } }
		})
	});
	assert.match(
		text,
		/tokens \{\n {4}--a: 5px\n {4}--b: green\n {4}--b @night: blue\n {4}--c: 3px\n/
	);
});

test('what cannot be taken is a sentence with its place, and nothing is taken', () => {
	assert.match(refused('no json'), /no JSON object/);
	assert.match(refused([1]), /no JSON object/);
	assert.match(refused({ a: { b: {} } }), /no token in the file/);
	assert.match(
		refused({ a: { $value: '{b}' }, b: { $value: '{c}' }, c: { $value: '{a}' } }),
		/circle: a → b → c → a/
	);
	assert.match(refused({ a: { $value: '{a}' } }), /circle: a → a/);
	assert.match(refused({ a: { $value: '{no.where}' } }), /a refers to no\.where/);
	assert.match(
		refused({ 'a b': { $value: '1px' }, 'a-b': { $value: '2px' } }),
		/a b and a-b would both be --a-b/
	);
	assert.match(refused({ 7: { $value: '1px' } }), /7 cannot be a custom property/);
	assert.match(
		refused({ a: { $value: '1px', $extensions: { 'long-eave': { bands: { tall: '2px' } } } } }),
		/no band of that name: there is narrow and wide/
	);
	assert.match(
		refused({ a: { $type: 'typography', $value: { fontFamily: 'x' } } }),
		/a cannot be taken: a typography of several parts/
	);
	assert.match(refused({ a: { $value: '} body { color: red' } }), /cannot stand in a value/);
	let deep: unknown = { $value: '1px' };
	for (let depth = 0; depth < 60; depth++) deep = { a: deep };
	assert.match(refused(deep), /more than 40 deep/);
	assert.match(
		refused(Object.fromEntries(Array.from({ length: 5001 }, (_, at) => [`t${at}`, { $value: 1 }]))),
		/5000 is the most/
	);
	assert.match(refused(`{"a":"${'x'.repeat(5_000_001)}"}`), /more than 5 MB/);
});

test('a sheet has the same tokens, by bands and by night', () => {
	const { site } = resolve(
		siteText('    --a: 1px\n    --a @wide: 2px\n    --b: red\n    --b @night: blue')
	);
	const sheet = tokenSheet(site.settings).replaceAll(/\s+/g, ' ');
	assert.equal(
		sheet,
		':root { color-scheme: light dark; --a: 1px; --b: red; } @media (min-width: 1000px) { :root { --a: 2px; } } @media (prefers-color-scheme: dark) { :root { --b: blue; } } '
	);
});

test('whatever tokens a site has, as a file they come back the same', () => {
	const value = fc.constantFrom('16px', '1.5rem', '#2f6b3a', '#2f6b3a80', 'white', 'oklch(0.7 0.1 200)', 'hsl(120 50% 40%)', '120ms', '0.2', 'calc(1px + 2vw)', 'cubic-bezier(0.2, 0, 0, 1)', '"Archivo", system-ui, sans-serif', '0 2px 8px rgb(0 0 0 / 0.2)', 'var(--t0)', 'auto'); // prettier-ignore
	const token = fc.record({
		value,
		wide: fc.option(value),
		night: fc.option(fc.constantFrom('black', '#123'))
	});
	fc.assert(
		fc.property(fc.array(token, { minLength: 1, maxLength: 6 }), (tokens) => {
			// The first refers to none, since that would be itself.
			const said = (one: string, at: number): string =>
				at === 0 && one === 'var(--t0)' ? '1px' : one;
			const lines = tokens.flatMap((one, at) => [
				`    --t${at}: ${said(one.value, at)}`,
				...(one.wide === null ? [] : [`    --t${at} @wide: ${said(one.wide, at)}`]),
				...(one.night === null ? [] : [`    --t${at} @night: ${one.night}`])
			]);
			const { site } = resolve(siteText(lines.join('\n')));
			const text = writeTokens(site.settings);
			const empty = makeOn(siteText('    --other: 1px'), { kind: 'take-tokens', text });
			const back = writeTokens(empty.resolved.site.settings);
			const { other: _other, ...same } = JSON.parse(back);
			assert.deepEqual(same, JSON.parse(text));
			assert.equal(writeTokens(site.settings, text), text);
		}),
		{ numRuns: 60 }
	);
});
