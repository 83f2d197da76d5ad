import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { edgesIn } from '../../src/browser/arranging/media-edges.ts';
import { isSteady, lengthWord, sidesWord } from '../../src/core/arranging/saying/fit.ts';
import { frameElements } from '../../src/core/arranging/frame/frame-elements.ts';
import { numberedFrame } from '../../src/core/arranging/frame/frame-text.ts';
import { frameTree, NotBoxes, type FramePart } from '../../src/core/arranging/frame/frame-tree.ts';
import { hasFrame, type FramedLayout } from '../../src/core/arranging/frame/framed-layout.ts';
import { proposeArrangement } from '../../src/core/arranging/propose-arrangement.ts';
import { nothingRead } from '../../src/core/arranging/frame/reading.ts';
import { isSame, partShift, type ShownPart } from '../../src/core/arranging/part-shift.ts';
import { refusal } from '../lib/edits.ts';
import { framedSite } from '../lib/framed-manners.ts';
import { resolve } from '../lib/site.ts';

/** Frames of own markup as trees, and lengths as they are said: all of arranging that needs no browser. */

function framed(frame: string): FramedLayout {
	const [layout] = resolve(framedSite({ frame })).site.layouts;
	assert.ok(hasFrame(layout));
	return layout;
}

test('a length that follows from its room is found again, whatever line it lies on', () => {
	const room = fc.array(fc.integer({ min: 200, max: 1900 }), { minLength: 4, maxLength: 9 });
	const share = fc.integer({ min: 5, max: 100 });
	fc.assert(
		fc.property(room, share, fc.integer({ min: -80, max: 80 }), (rooms, percent, more) => {
			fc.pre(Math.max(...rooms) - Math.min(...rooms) > 100);
			const lengths = rooms.map((one) => (one * percent) / 100 + more);
			fc.pre(!isSteady(lengths));
			const word = lengthWord(lengths, rooms);
			assert.ok(word !== undefined);
			for (const [at, one] of rooms.entries()) {
				assert.ok(Math.abs(valueOf(word, one) - (lengths[at] ?? 0)) <= 1.5, `${word} in ${one} px is not ${lengths[at]}`); // prettier-ignore
			}
		})
	);
});

test('the smaller one of px and a share is found again', () => {
	fc.assert(
		fc.property(
			fc.integer({ min: 400, max: 1200 }),
			fc.integer({ min: 50, max: 100 }),
			(most, percent) => {
				const rooms = [320, 400, 500, 640, 900, 1400, 1900, 2600, 3200];
				const lengths = rooms.map((one) => Math.min(most, (one * percent) / 100));
				const below = lengths.filter((one) => one < most - 1);
				fc.pre(below.length >= 3);
				const word = lengthWord(lengths, rooms);
				assert.ok(word !== undefined);
				for (const [at, one] of rooms.entries()) {
					assert.ok(Math.abs(valueOf(word, one) - (lengths[at] ?? 0)) <= 1.5, `${word} in ${one} px is not ${lengths[at]}`); // prettier-ignore
				}
			}
		)
	);
});

test('what lies on no such line is said to be none', () => {
	assert.equal(lengthWord([100, 300, 120, 290], [400, 600, 800, 1000]), undefined);
});

test('sides are written as CSS shortens them', () => {
	assert.equal(sidesWord(['1px', '1px', '1px', '1px']), '1px');
	assert.equal(sidesWord(['1px', '2px', '1px', '2px']), '1px 2px');
	assert.equal(sidesWord(['1px', '2px', '3px', '2px']), '1px 2px 3px');
	assert.equal(sidesWord(['1px', '2px', '3px', '4px']), '1px 2px 3px 4px');
});

test('a media query changes at the first px at which it is another', () => {
	assert.deepEqual(edgesIn('(min-width: 800px)'), [800]);
	assert.deepEqual(edgesIn('screen and (max-width: 799.98px)'), [800]);
	assert.deepEqual(edgesIn('(max-width: 600px) and (min-width: 20em)'), [601, 320]);
	assert.deepEqual(edgesIn('(400px <= width < 900px)'), [400, 900]);
	assert.deepEqual(edgesIn('(width >= 30rem)'), [480]);
	assert.deepEqual(edgesIn('(width > 600px)'), [601]);
	assert.deepEqual(edgesIn('(width < 600px)'), [600]);
	assert.deepEqual(edgesIn('print'), []);
});

const words = (parts: readonly FramePart[]): string =>
	parts
		.map((part) =>
			part.kind === 'element'
				? `${part.element.tag}#${part.element.number}(${words(part.parts)})`
				: part.kind === 'place'
					? `{${part.region.name.text}${part.element ? ` ${part.element.tag}#${part.element.number}` : ''}}`
					: `'${part.markup.trim()}'`
		)
		.join(' ');

test('a frame is read as elements, places, and markup without one', () => {
	const layout = framed(
		'<div id="a" class="b"><p>Kale {site.name}</p><nav>{region menu}<a>x</a>{end}</nav>words</div>{slot}'
	);
	assert.equal(
		words(frameTree(layout, layout.frame)),
		"div#0('<p>Kale {site.name}</p>' {menu nav#2} 'words') {slot}"
	);
	assert.equal(
		words(frameTree(layout, layout.frame, new Set([1]))),
		"div#0(p#1('Kale {site.name}') {menu nav#2} 'words') {slot}"
	);
	assert.deepEqual(frameElements(framed('<div class="b"><p><b>x</b></p>{slot}</div>')), [
		{ number: 0, name: 'div.b', hasSlot: true },
		{ number: 1, name: 'p', hasSlot: false }
	]);
});

test('a frame some of which a part wraps is refused, and so is one of which a place would be lost', () => {
	const wrapped = '{use card}<div>{region menu}x{end}</div>{end}<main>{slot}</main>';
	const site = resolve(`${framedSite({ frame: wrapped })}part card """<b>{content}</b>"""\n`);
	const [layout] = site.site.layouts;
	assert.ok(hasFrame(layout));
	const wish = { only: undefined, opened: new Set<number>() };
	assert.throws(() => proposeArrangement(layout, site, nothingRead, wish), NotBoxes);
	const inside = framed('<p>Words {region menu}x{end}</p><main>{slot}</main>');
	assert.ok(frameTree(inside, inside.frame).length > 0);
});

test('numbers on elements change nothing else of a frame', () => {
	const frame =
		'<div id="a"><p title="{site.name}">\\{ <br> {if page.title}<b>x</b>{end}</p>{region menu}<i>y</i>{end}<main>{slot}</main></div>';
	const layout = framed(frame);
	const numbered = numberedFrame(layout, layout.frame, 'data-n');
	assert.equal(numbered.match(/ data-n="\d+"/g)?.length, 5);
	assert.equal(numbered.replace(/ data-n="\d+"/g, ''), frame);
});

test('the greatest difference counts what is seen, and what is there in one alone is told', () => {
	const part = (word: string, x: number, isSeen: boolean): ShownPart => {
		return { word, name: word, x, y: 0, width: 10, height: 10, isSeen };
	};
	const before = [part('a', 0, true), part('b', 0, false), part('c', 0, true)];
	const after = [part('a', 3, true), part('b', 90, false)];
	const shift = { width: 700, by: 3, name: 'a' };
	assert.deepEqual(partShift(before, after, 700), { ...shift, missing: 'c' });
	assert.deepEqual(partShift(after, before, 700), { ...shift, missing: 'c' });
	assert.ok(!isSame({ width: 700, by: 0, name: undefined, missing: 'c' }));
	const both = [...after, part('c', 0.4, true)];
	assert.ok(isSame(partShift([part('a', 3, true), ...before.slice(1)], both, 700)));
});

test('what is no frame any more is not arranged', () => {
	const plain = `site "Seeds" { lang en }\nlayout shell at / { region main as main { slot } }\nroute / { title "Home"; piece body """<h1>Seed</h1>""" }`;
	assert.match(
		refusal(plain, { kind: 'arrange-frame', layout: 'shell', lines: [], around: undefined, bands: [] }), // prettier-ignore
		/no frame of its own markup/
	);
});

/** A length as it is written, in a room of so many px. */
function valueOf(word: string, room: number): number {
	const [, inner] = /^(?:calc|min)\((.*)\)$/.exec(word) ?? [];
	if (word.startsWith('min(')) return Math.min(...(inner ?? '').split(', ').map((one) => valueOf(one, room))); // prettier-ignore
	const terms = (inner ?? word).replace(/ - /g, ' + -').split(' + ');
	return terms.reduce((sum, term) => {
		const number = Number.parseFloat(term);
		return sum + (term.endsWith('%') ? (number / 100) * room : number);
	}, 0);
}
