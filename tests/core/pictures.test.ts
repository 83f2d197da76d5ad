import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import type { PageInstance } from '../../src/core/resolve/instance.ts';
import { WrittenPage } from '../../src/core/check/subject/written-page.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { roomOf, type RoomLine } from '../../src/core/pictures/box-widths.ts';
import { keepingRule } from '../../src/core/pictures/kept-within.ts';
import { loadsOf } from '../../src/core/pictures/loads.ts';
import { asPicture, type Picture, type PictureFile } from '../../src/core/pictures/picture.ts';
import { pictureFile } from '../../src/core/pictures/picture-files.ts';
import { pictureMarkup } from '../../src/core/pictures/picture-markup.ts';
import { picturePlace, placeAtEnd } from '../../src/core/pictures/picture-place.ts';
import { propose } from '../../src/core/edit/propose.ts';
import { ruleAt, sizeRules, sizesText, widthBy } from '../../src/core/pictures/sizes.ts';
import { edit, refusal } from '../lib/edits.ts';
import { pageNamed, sound } from '../lib/site.ts';

/** Pictures: their sizes on every screen, which file each loads, and where they are written. */

const file = (path: string, width: number, height: number, bytes = 1000): PictureFile => ({
	path,
	width,
	height,
	isVector: false,
	bytes
});

const picture = (...files: PictureFile[]): Picture => {
	const found = asPicture(files);
	if ('refused' in found) throw new Error(found.refused);
	return found;
};

test('where a picture has all of the screen but its edges, and then a column, that is what sizes say', () => {
	const room: RoomLine[] = [
		{ from: 280, to: 639, first: 248, last: 607 },
		{ from: 640, to: 1023, first: 400, last: 783 },
		{ from: 1024, to: 2560, first: 500, last: 500 }
	];
	assert.equal(
		sizesText(sizeRules(room, 2000)),
		'(min-width: 1024px) 500px, (min-width: 640px) calc(100vw - 240px), calc(100vw - 32px)'
	);
	assert.equal(
		sizesText(sizeRules(room, 620)),
		'(min-width: 1024px) 500px, (min-width: 861px) 620px, (min-width: 640px) calc(100vw - 240px), calc(100vw - 32px)'
	);
	assert.equal(
		sizesText(sizeRules([{ from: 280, to: 2560, first: 140, last: 1280 }], 5000)),
		'50vw'
	);
	assert.equal(sizesText(sizeRules(room, 100)), '100px');
	assert.equal(sizesText(sizeRules([], 100)), '');
});

test('a rule never misses by more than 2 px, whatever the boxes do', () => {
	const line = fc.tuple(
		fc.integer({ min: 1, max: 400 }),
		fc.integer({ min: 0, max: 2000 }),
		fc.integer({ min: 0, max: 2000 })
	);
	fc.assert(
		fc.property(
			fc.array(line, { minLength: 1, maxLength: 8 }),
			fc.integer({ min: 50, max: 1500 }),
			(all, most) => {
				let from = 280;
				const room = all.map(([length, first, last]): RoomLine => {
					const one = { from, to: from + length - 1, first, last: length === 1 ? first : last };
					from += length;
					return one;
				});
				const rules = sizeRules(room, most);
				for (const one of room) {
					for (let screen = one.from; screen <= one.to; screen++) {
						const share = one.to === one.from ? 0 : (screen - one.from) / (one.to - one.from);
						const shown = Math.min(most, one.first + (one.last - one.first) * share);
						const rule = ruleAt(rules, screen);
						assert.ok(rule);
						// At a kink between two whole px the line is off by what it climbs in one.
						const steep = Math.abs(one.last - one.first) / Math.max(1, one.to - one.from);
						assert.ok(Math.abs(widthBy(rule, screen) - shown) <= 2 + steep, `${screen}: ${shown}`);
					}
				}
			}
		)
	);
});

test('each screen loads the smallest file that is enough for its dots', () => {
	const sizes = picture(
		file('s.jpg', 400, 300),
		file('m.jpg', 800, 600),
		file('l.jpg', 1600, 1200)
	);
	const rules = sizeRules([{ from: 280, to: 2560, first: 280, last: 2560 }], 1600);
	const loaded = loadsOf(sizes, rules, [
		{ width: 400, density: 1 },
		{ width: 400, density: 2 },
		{ width: 401, density: 2 },
		{ width: 1600, density: 2 }
	]).map((one) => [one.file.path, Math.round(one.over * 100)]);
	assert.deepEqual(loaded, [
		['s.jpg', 0],
		['m.jpg', 0],
		['l.jpg', 100],
		['l.jpg', -50]
	]);
});

test('files of one shape are sizes of one picture, others are not', () => {
	const refused = (...files: PictureFile[]): string => {
		const found = asPicture(files);
		return 'refused' in found ? found.refused : '';
	};
	assert.deepEqual(
		picture(file('b.jpg', 801, 600), file('a.jpg', 400, 300)).files.map(({ path }) => path),
		['a.jpg', 'b.jpg']
	);
	assert.match(refused(), /no picture/);
	assert.match(
		refused(file('a.jpg', 400, 300), file('b.jpg', 400, 200)),
		/a\.jpg is 400 × 300, b\.jpg is 400 × 200/
	);
	assert.match(
		refused(file('a.jpg', 400, 300), file('b.jpg', 400, 300)),
		/1 file of the same width/
	);
	const vector = { ...file('c.svg', 8, 6), isVector: true };
	assert.match(refused(file('a.jpg', 400, 300), vector), /c\.svg is drawn at every size/);
	const svg = encodeUtf8('<svg xmlns="http://www.w3.org/2000/svg" width="30" height="20"/>');
	assert.deepEqual(pictureFile('x.svg', svg), { path: 'x.svg', width: 30, height: 20, isVector: true, bytes: svg.length }); // prettier-ignore
	assert.equal(pictureFile('x.txt', encodeUtf8('words')), undefined);
});

test('a picture says its size, its words, and its files where there are several', () => {
	const rules = sizeRules([{ from: 280, to: 2560, first: 500, last: 500 }], 1600);
	assert.equal(
		pictureMarkup(picture(file('images/a.jpg', 400, 300)), 'A "pod" {open}', rules, 400),
		'<img src="images/a.jpg" alt="A &quot;pod&quot; \\{open}" width="400" height="300">'
	);
	assert.equal(
		pictureMarkup(picture(file('a.jpg', 400, 300), file('b.jpg', 800, 600)), '', rules, 600),
		'<img src="b.jpg" srcset="a.jpg 400w, b.jpg 800w" sizes="500px" alt="" width="600" height="450">'
	);
});

const site = (
	markup: string,
	more = ''
): string => `site "Beds" { lang en; bands { narrow 0; wide 1000 } }
part card(name) """<article><h2>{name}</h2></article>"""
${more}
layout frame at / {
  arrange areas { "main" auto; "side" auto }
  arrange areas @wide { "main side" auto; columns 1fr 300px }
  region main as main { pad 0 20px; slot }
  region side as aside { piece note nav from / depth 1 }
}
route / { title "Home"; piece words """${markup}""" }
route /more { title "More"; piece text """<h1>More</h1>""" }`;

const homeOf = (resolved: CheckedSite): PageInstance => {
	const [home] = resolved.instances(pageNamed(resolved, '/'));
	assert.ok(home);
	return home;
};

/** The text of the site with a mark for the picture, let go at the nth element with a name. */
function put(markup: string, name: string, after: boolean, nth = 0): string {
	const resolved = sound(site(markup));
	const page = new WrittenPage(homeOf(resolved), resolved, 2026);
	const at = page.elements.findIndex((one) => one === page.named(name)[nth]);
	const { place, before, lead, trail } = picturePlace(page, { element: at, after });
	const text = resolved.reading.files.texts.get(place.file) ?? '';
	assert.equal(text.slice(place.from, place.to), before);
	const whole = text.slice(0, place.from) + lead + '<IMG>' + trail + text.slice(place.to);
	const [, written = ''] = /piece words """([^]*?)"""/.exec(whole) ?? [];
	return written === markup ? (/part card\(name\) """(.*?)"""/.exec(whole)?.[1] ?? '') : written;
}

test('a picture is written before or behind what one points at, on a line of its own', () => {
	const lines = '\n  <h1>Seed</h1>\n  <p>Lent, <a href="/">not</a> sold.</p>\n';
	assert.equal(put(lines, 'p', true), lines.replace('</p>', '</p>\n  <IMG>'));
	assert.equal(put(lines, 'p', false), lines.replace('<p>', '<IMG>\n  <p>'));
	assert.equal(put(lines, 'a', true), lines.replace('</p>', '</p>\n  <IMG>'), 'not within a line');
	assert.equal(put('<h1>Seed</h1><p>Lent</p>', 'h1', true), '<h1>Seed</h1><IMG><p>Lent</p>');
	const list = '<ul><li>Kale</li></ul>';
	assert.equal(put(list, 'li', false), `<IMG>${list}`, 'a list has nothing but members');
	assert.equal(put('<p>One<p>Two', 'p', true, 0), '<p>One<IMG><p>Two', 'end tags may be left out');
	assert.equal(
		put('{use card name="Kale"}', 'h2', true),
		'<article><h2>{name}</h2><IMG></article>'
	);
	assert.equal(put('Words <b>alone</b>', 'b', true), 'Words <b>alone</b><IMG>');
	assert.equal(put('\n  <b>One</b>\n  two\n', 'b', true), '\n  <b>One</b>\n  two\n  <IMG>\n');
});

test('where there is no markup a picture has no place', () => {
	const resolved = sound(site('<p>Words</p>'));
	const page = new WrittenPage(homeOf(resolved), resolved, 2026);
	const at = page.elements.findIndex((one) => one === page.named('nav', 'aside')[0]);
	assert.throws(() => picturePlace(page, { element: at, after: true }), /point at the words/);
	assert.throws(() => placeAtEnd(page, { owner: 'frame', piece: 'note' }), /no markup/);
	assert.throws(() => placeAtEnd(page, { owner: '/', piece: 'other' }), /no markup/);
	assert.equal(placeAtEnd(page, { owner: '/', piece: 'words' }).lead, '<p>Words</p>');
});

test('its room is that of its place: the screen but its edges, and what the side leaves of it', () => {
	const resolved = sound(site('<p>Words</p>'));
	const room = roomOf(homeOf(resolved), resolved, 2026, { owner: '/', piece: 'words' });
	assert.equal(
		sizesText(sizeRules(room, 5000)),
		'(min-width: 1000px) calc(100vw - 340px), calc(100vw - 40px)'
	);
	const side = roomOf(homeOf(resolved), resolved, 2026, { owner: 'frame', piece: 'note' });
	assert.equal(sizesText(sizeRules(side, 5000)), '(min-width: 1000px) 300px, 100vw');
});

test('a picture and its files are one edit; what has changed there, or lies there, is left as it is', () => {
	const resolved = sound(site('<p>Words</p>'));
	const page = new WrittenPage(homeOf(resolved), resolved, 2026);
	const { place, before, lead, of } = placeAtEnd(page, { owner: '/', piece: 'words' });
	const bytes = encodeUtf8('<svg xmlns="http://www.w3.org/2000/svg" width="30" height="20"/>');
	const after = `${lead}<img src="images/pod.svg" alt="A pod" width="30" height="20">`;
	const command = { kind: 'put-picture', name: of.name, place, before, after, files: [{ file: 'images/pod.svg', bytes }] } as const; // prettier-ignore
	const { changes } = edit(resolved, command);
	assert.deepEqual(changes.map(({ kind }) => kind).sort(), ['edit', 'put']);
	assert.match(refusal(site('<p>Words</p>'), { ...command, before: 'other' }), /has changed there/);
	const taken = sound(site('<p>Words</p>'), { 'images/pod.svg': 'x' });
	const refused = propose(taken, command);
	assert.match(
		refused.kind === 'refused' ? refused.sentence : '',
		/There is a file images\/pod\.svg already/
	);
});

test('a rule comes with it where no style keeps pictures within their place', () => {
	const rule = (style: string) => {
		const resolved = sound(
			site('<p>Words</p>', '').replace('title "Home";', `title "Home"\n${style}\n`)
		);
		return keepingRule(new WrittenPage(homeOf(resolved), resolved, 2026), '/');
	};
	const css = 'img { max-width: 100%; height: auto; }';
	const own = { in: { kind: 'route', name: '/' }, css };
	assert.deepEqual(rule(''), own);
	assert.equal(rule(`style """p, img { max-width: 100% }"""`), undefined);
	assert.equal(rule(`style global """img, video { inline-size: 100%; }"""`), undefined);
	assert.deepEqual(rule(`style """p img { max-width: 100% }"""`), own, 'that is of some pictures');
	assert.deepEqual(
		rule(`style @wide """img { max-width: 100% }"""`),
		own,
		'narrow ones are not kept'
	);
	assert.deepEqual(rule(`style """img { max-width: 200px }"""`), own);
});
