import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { besideFrame, readingOrder, stackedFrame } from '../../src/core/starter/frame.ts';
import { dropAt } from '../../src/core/starter/drop.ts';
import { lookOf, starterLooks, tokensAt } from '../../src/core/starter/looks.ts';
import {
	moveStarterRegion,
	namesAt,
	readStarterRegions,
	starterPlaces,
	type StarterRegion
} from '../../src/core/starter/regions.ts';
import { starterText } from '../../src/core/starter/site-text.ts';
import { findingsOf } from '../lib/findings.ts';
import { outlineOf } from '../lib/outline.ts';
import { htmlOf, sound } from '../lib/site.ts';

/** A new site: from names to places, to a picture that one changes, to text. */

const said = (words: readonly string[]): string[] =>
	readStarterRegions(words).map(({ name, place, element }) => `${name} ${place} ${element}`);

test('words in names say where a region stands and what it is', () => {
	assert.deepEqual(
		said(['masthead', 'top-menu', 'left-rail', 'story', 'extras-right', 'imprint']),
		[
			'masthead top header',
			'top-menu top nav',
			'left-rail left aside',
			'story middle main',
			'extras-right right aside',
			'imprint bottom footer'
		]
	);
	assert.deepEqual(said(['Header', 'Menu', ' ', 'News feed', 'menu', 'Foot']), [
		'header top header',
		'menu left nav',
		'news-feed right aside',
		'foot bottom footer',
		'content middle main'
	]);
	assert.deepEqual(said(['head', 'beds', 'sheds']), [
		'head top header',
		'beds middle main',
		'sheds right aside'
	]);
	assert.deepEqual(said(['main', 'page-text', 'side-left']), [
		'main middle main',
		'page-text middle div',
		'side-left left aside'
	]);
	assert.deepEqual(said([]), ['content middle main']);
	assert.deepEqual(said(['left']), ['left left aside', 'content middle main']);
	assert.deepEqual(said(['middle']), ['middle middle main']);
});

test('what is drawn is what is written: rows, columns, and which row fills the screen', () => {
	const regions = readStarterRegions(['head', 'nav', 'rail-left', 'main', 'side', 'foot']);
	assert.deepEqual(besideFrame(regions), {
		rows: [
			['head', 'head', 'head', 'head'],
			['nav', 'rail-left', 'main', 'side'],
			['foot', 'foot', 'foot', 'foot']
		],
		filling: 1,
		left: 2,
		right: 1
	});
	const narrow = stackedFrame(regions);
	assert.deepEqual(narrow.rows.flat(), ['head', 'nav', 'rail-left', 'main', 'side', 'foot']);
	assert.equal(narrow.filling, 3);
	const text = starterText('x', regions, lookOf('bare'));
	assert.match(text, /"nav rail-left main side" 1fr/);
	assert.match(text, /columns minmax\(0, 1fr\) minmax\(0, 1fr\) minmax\(0, 3fr\) minmax\(0, 1fr\)/);
});

test('a region is moved to a place and before another; what holds the pages stays in the middle', () => {
	const regions = readStarterRegions(['head', 'nav', 'main', 'side', 'foot']);
	const onTop = moveStarterRegion(regions, 'nav', 'top');
	assert.deepEqual(namesAt(onTop, 'top'), ['head', 'nav']);
	assert.deepEqual(namesAt(moveStarterRegion(onTop, 'nav', 'top', 'head'), 'top'), ['nav', 'head']);
	assert.deepEqual(moveStarterRegion(regions, 'main', 'top'), regions);
	assert.deepEqual(moveStarterRegion(regions, 'none', 'top'), regions);
	const above = moveStarterRegion(regions, 'side', 'middle', 'main');
	assert.deepEqual(besideFrame(above).rows.slice(1, 3), [
		['nav', 'side'],
		['nav', 'main']
	]);
	assert.equal(besideFrame(above).filling, 2);
});

test('a region that is let go lies to the others as it was let go', () => {
	const regions = readStarterRegions(['head', 'nav', 'main', 'side', 'foot']);
	const tiles = new Map([
		['head', { x: 0, y: 0, width: 300, height: 20 }],
		['nav', { x: 0, y: 20, width: 60, height: 100 }],
		['main', { x: 60, y: 20, width: 180, height: 100 }],
		['side', { x: 240, y: 20, width: 60, height: 100 }],
		['foot', { x: 0, y: 120, width: 300, height: 20 }]
	]);
	const drop = (name: string, x: number, y: number) => dropAt(regions, tiles, { x, y }, name);
	assert.deepEqual(drop('nav', 150, 5), { place: 'top', before: 'head' });
	assert.deepEqual(drop('nav', 150, 15), { place: 'top', before: undefined });
	assert.deepEqual(drop('side', 10, 60), { place: 'left', before: 'nav' });
	assert.deepEqual(drop('side', 50, 60), { place: 'left', before: undefined });
	assert.deepEqual(drop('side', 100, 30), { place: 'middle', before: 'main' });
	assert.deepEqual(drop('side', 100, 110), { place: 'middle', before: undefined });
	assert.deepEqual(drop('side', 100, 160), { place: 'bottom', before: undefined });
	assert.equal(drop('main', 10, 10), undefined);
});

test('every look of every arrangement is a sound site, in which nothing is found', () => {
	const word = fc.constantFrom(
		'head', 'top-menu', 'nav', 'trail', 'left-rail', 'main', 'story', 'side', 'extras-right', 'news', 'foot', 'imprint', 'beds'
	); // prettier-ignore
	const moves = fc.array(fc.tuple(fc.nat(5), fc.constantFrom(...starterPlaces)), { maxLength: 3 });
	fc.assert(
		fc.property(
			fc.array(word, { maxLength: 7 }),
			moves,
			fc.constantFrom(...starterLooks),
			(words, changes, look) => {
				const regions = changes.reduce<StarterRegion[]>((now, [index, place]) => {
					return moveStarterRegion(now, now[index % now.length]?.name ?? '', place);
				}, readStarterRegions(words));
				const resolved = sound(starterText('Beds', regions, look));
				const found = findingsOf(resolved).findings.flatMap(({ problem }) =>
					// Only its author can say in a sentence what a site is about.
					problem.code === 'description-missing' ? [] : [sentenceOf(problem)]
				);
				assert.deepEqual(found, []);
				const names = readingOrder(regions).map(({ name }) => name);
				const layout = resolved.site.layouts.find(({ name }) => name.text === 'frame');
				assert.deepEqual(
					layout?.regions.map(({ name }) => name.text),
					names
				);
			}
		),
		{ numRuns: 40 }
	);
});

test('the tokens of a look by night are those of the day with its own over them', () => {
	const day = tokensAt(lookOf('text'), false);
	const night = tokensAt(lookOf('text'), true);
	assert.match(day, /--paper: #fdfbf5/);
	assert.ok(!day.includes('@') && !night.includes('@'));
	assert.ok(night.startsWith(day) && night.includes('--paper: #1b1916'));
	assert.equal(tokensAt(lookOf('bare'), true), '');
});

test('a new site says its name as it was typed, and its pages stand in the first content', () => {
	const regions = readStarterRegions(['head', 'news feed']);
	const resolved = sound(starterText('Anna "A" \\ Co', regions, lookOf('plain')));
	assert.equal(resolved.site.settings.name.text, 'Anna "A" \\ Co');
	assert.ok(
		outlineOf(htmlOf(resolved, '/')).some((line) => line.trim().startsWith('main.frame-content'))
	);
});
