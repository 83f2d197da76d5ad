import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { bandAt, settingHolding, settingsAt } from '../../src/core/resolve/bands.ts';
import { isLength, parseLength } from '../../src/core/size/length.ts';
import { splitSizes } from '../../src/core/size/css-tokens.ts';
import { namesIn, substitute, tokensAt } from '../../src/core/size/tokens.ts';
import { isTrackList, parseTracks } from '../../src/core/size/tracks.ts';
import { sound } from '../lib/site.ts';

const view = { width: 1000, height: 600 };

/** px of a length where 100 % is 400 px, or why it is none. */
function px(text: string, belowZero = false): number | string {
	const length = parseLength(text, belowZero);
	return isLength(length) ? Math.round(length.at(400, view) * 1000) / 1000 : length.why;
}

test('lengths: units, shares and calculations (CSS Values 4, sections 5, 6 and 10)', () => {
	const cases: [string, number][] = [
		['0', 0],
		['24px', 24],
		['1.5rem', 24],
		['1in', 96],
		['2.54cm', 96],
		['25.4mm', 96],
		['101.6Q', 96],
		['72pt', 96],
		['6pc', 96],
		['25%', 100],
		['10vw', 100],
		['10dvh', 60],
		['10vmin', 60],
		['10lvmax', 100],
		['calc(50% - 20px)', 180],
		['calc(2 * (10px + 1rem) / 4)', 13],
		['calc(100% / 3 + 0px)', 133.333],
		['min(50%, 90px, 20rem)', 90],
		['max(10px, 5vw)', 50],
		['clamp(100px, 50%, 150px)', 150],
		['clamp(100px, 5%, 150px)', 100],
		['clamp(200px, 50%, 150px)', 200],
		['calc(min(10px, 20px) * 3)', 30]
	];
	for (const [text, expected] of cases) assert.equal(px(text), expected, text);
	assert.equal(px('-4px', true), -4);
});

test('lengths: what cannot be one says why', () => {
	const cases: [string, RegExp][] = [
		['', /cannot be read/],
		['24', /has no unit/],
		['2em', /em depends on the text it stands in/],
		['-4px', /below zero/],
		['10px 20px', /one length/],
		['red', /must be a length/],
		['calc(10px * 20px)', /multiplies a length by a length/],
		['calc(10px / 0)', /divides by what is no number/],
		['calc(10px / 2px)', /divides by what is no number/],
		['clamp(1px, 2px)', /clamp\(\) cannot stand here/],
		['fit-content(20px)', /fit-content\(\) cannot stand here/]
	];
	for (const [text, why] of cases) assert.match(String(px(text)), why, text);
});

test('a sum in calc() is the sum of its parts, and min() and max() lie between them', () => {
	const part = fc.oneof(
		fc.nat(500).map((value) => `${value}px`),
		fc.nat(100).map((value) => `${value}%`),
		fc.nat(50).map((value) => `${value}vw`)
	);
	fc.assert(
		fc.property(part, part, (one, other) => {
			const [a, b] = [Number(px(one)), Number(px(other))];
			assert.equal(px(`calc(${one} + ${other})`), a + b);
			assert.equal(px(`min(${one}, ${other})`), Math.min(a, b));
			assert.equal(px(`max(${one}, ${other})`), Math.max(a, b));
			assert.equal(px(`calc(${one} - ${other})`, true), a - b);
		}),
		{ seed: 4 }
	);
});

test('track lists: each kind of size, and repetition (CSS Grid Layout 2, section 7.2)', () => {
	const sizes = (text: string, shares = true): string[] => {
		const list = parseTracks(text, { shares });
		assert.ok(isTrackList(list), `${text}: ${isTrackList(list) ? '' : list.why}`);
		return list.tracks.map(({ min, max, limit }) => {
			const said = [min, max].map((breadth) =>
				breadth.kind === 'length' ? `${breadth.length.at(400, view)}` : breadth.kind
			);
			return said.join('–') + (limit ? ` to ${limit.at(400, view)}` : '');
		});
	};
	assert.deepEqual(sizes('100px 25% auto'), ['100–100', '100–100', 'auto–auto']);
	assert.deepEqual(sizes('2fr min-content'), ['auto–flex', 'min-content–min-content']);
	assert.deepEqual(sizes('minmax(0, 1fr) minmax(10px, max-content)'), ['0–flex', '10–max-content']);
	assert.deepEqual(sizes('fit-content(90px)'), ['auto–max-content to 90']);
	assert.deepEqual(sizes('repeat(3, 10px 1fr)').length, 6);
	const filled = parseTracks('20px repeat(auto-fill, minmax(80px, 1fr)) 30px', { shares: true });
	assert.ok(isTrackList(filled));
	assert.deepEqual([filled.tracks.length, filled.repeat?.kind, filled.repeat?.at], [2, 'auto-fill', 1]);
	const refused: [string, boolean][] = [
		['', true],
		['10px red', true],
		['25%', false],
		['minmax(1fr, 100px)', true],
		['repeat(0, 10px)', true],
		['repeat(auto-fill, auto)', true],
		['repeat(auto-fill, 80px) repeat(auto-fit, 80px)', true],
		['-10px', true]
	];
	for (const [text, shares] of refused) {
		assert.ok(!isTrackList(parseTracks(text, { shares })), `${text} is refused`);
	}
}); // prettier-ignore

test('custom properties: values in values, other values, and circles (CSS Variables 1)', () => {
	const values = new Map([
		['--a', '10px'],
		['--b', 'calc(var(--a) * 2)'],
		['--round', 'var(--about)'],
		['--about', 'var(--round)']
	]);
	const put = (text: string): string | undefined => substitute(text, (name) => values.get(name));
	assert.equal(put('var(--b) solid'), 'calc(10px * 2) solid');
	assert.equal(put('var(--none, 4px)'), '4px');
	assert.equal(put('var(--none, var(--a))'), '10px');
	assert.equal(put('var(--none)'), undefined);
	assert.equal(put('var(--round)'), undefined, 'a circle has no value');
	assert.equal(put('12px'), '12px');
	assert.deepEqual(namesIn('calc(var(--a) + var( --b, var(--c)))'), ['--a', '--b', '--c']);
	assert.deepEqual(splitSizes('10px calc(1px + 2px)  max(1px, 2px)'), ['10px', 'calc(1px + 2px)', 'max(1px, 2px)']); // prettier-ignore
});

test('in any band holds what is set for the nearest at or below it', () => {
	const names = ['b0', 'b1', 'b2', 'b3'];
	const set = fc.uniqueArray(fc.nat(3), { minLength: 1 });
	fc.assert(
		fc.property(set, fc.nat(3), fc.nat(2000), (places, band, width) => {
			const pads = places.map((place) => `pad ${place + 1}px${place ? ` @${names[place]}` : ''}`);
			const { site } = sound(
				`site "T" { bands { b0 0; b1 400; b2 800; b3 1200 }; tokens { --t: 0px; --t @b2: 2px } }
				layout f at / { ${pads.join('; ')}; region m as main { slot } }\nroute / { }`
			);
			const { bands, tokens } = site.settings;
			const settings = site.layouts[0]?.settings ?? [];
			const nearest = places.filter((place) => place <= band).sort((a, b) => b - a)[0];
			const expected = nearest === undefined ? undefined : [`${nearest + 1}px`];
			assert.deepEqual(settingsAt(settings, bands, band).pad, expected);
			const holding = settingHolding(settings, 'pad', bands, band);
			assert.equal(holding?.band?.text ?? 'b0', nearest === undefined ? 'b0' : names[nearest]);
			assert.equal(tokensAt(tokens, bands, band).get('--t'), band < 2 ? '0px' : '2px');
			assert.equal(bandAt(bands, width), Math.min(3, Math.floor(width / 400)));
		}),
		{ seed: 12, numRuns: 60 }
	);
});
