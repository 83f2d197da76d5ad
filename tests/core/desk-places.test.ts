import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { Desk } from '../../src/workers/desk/desk.ts';
import type { PageRequest } from '../../src/workers/messages.ts';
import { runs } from '../lib/runs.ts';

/** From the text to what comes out and back again, also while the text has an error and the drawings are behind it. */

const text = `site "Places" { lang en; bands { narrow 0; wide 900 } }
layout shell at / {
  region head as header { piece name """<b>Places</b> <i>by name</i>""" }
  region menu as nav { piece links nav from / depth 1 }
  region main as main { slot }
}
part card(title) """<article><h2>{title}</h2>{content}</article>"""
route / {
  title "Home"
  piece intro """<h1>Seeds</h1><p>Kale and <em>bean</em>.</p>"""
  piece list """{for x in data.kinds}<p>{x.name}</p>{end}"""
  piece cards """{use card title="First"}<p>inside</p>{end}"""
}
route /two { title "Two"; piece body """<p>Other words.</p>""" }
data kinds from "kinds.json"
`;
const kinds = encodeUtf8('[{ "name": "Kale" }, { "name": "Leek" }]');
const png = encodeUtf8('<svg xmlns="http://www.w3.org/2000/svg" width="400" height="200"><rect width="1" height="1"/></svg>'); // prettier-ignore
const home: PageRequest = { page: '/', address: undefined };
const gone: PageRequest = { page: '/gone', address: undefined };

function opened(): Desk {
	const desk = new Desk(2026);
	const assets = new Map([
		['kinds.json', kinds],
		['images/pod.svg', png]
	]);
	desk.open({ texts: new Map([['site.eave', text]]), assets }, home, 0);
	return desk;
}

/** Writes something at the front of the text. */
function inFront(desk: Desk, insert: string): void {
	desk.change([{ kind: 'edit', file: 'site.eave', from: 0, to: 0, insert }], home, 0);
}

const htmlOf = (desk: Desk): string => desk.handingOver.output(home)[0]?.text ?? '';

test('what stands in the text is found in the page, and leads back to where it is written', () => {
	const desk = opened();
	for (const words of ['<h1>Seeds', 'Kale and', '<b>Places', '{for x in']) {
		const there = desk.places.traceToOutput('site.eave', text.indexOf(words) + 2, home);
		assert.ok(there, words);
		const back = desk.places.traceToSource(there.from + 1, home);
		assert.ok(back && back.from <= text.indexOf(words) + 2 && text.indexOf(words) < back.to, words);
	}
	const h1 = desk.places.traceToOutput('site.eave', text.indexOf('Seeds</h1>'), home);
	assert.match(htmlOf(desk).slice(h1?.from, h1?.to), /Seeds/);
	// What is about another page is in none of this one's HTML.
	assert.equal(desk.places.traceToOutput('site.eave', text.indexOf('Other words'), home), undefined); // prettier-ignore
	assert.equal(desk.places.traceToOutput('site.eave', 5, gone), undefined);
	assert.equal(desk.places.traceToSource(5, gone), undefined);
});

test('while there is an error in front, places are those of the text as it is now', () => {
	const desk = opened();
	const before = desk.places.placeOf({ kind: 'route', layer: '/', region: undefined, piece: 'intro' }); // prettier-ignore
	assert.ok(before);
	const insert = 'route {\n';
	inFront(desk, insert);
	const after = desk.places.placeOf({ kind: 'route', layer: '/', region: undefined, piece: 'intro' }); // prettier-ignore
	assert.equal(after?.line, before.line + 1);
	const at = insert.length + text.indexOf('Seeds</h1>');
	assert.deepEqual(desk.places.traceOf('site.eave', at), opened().places.traceOf('site.eave', text.indexOf('Seeds</h1>'))); // prettier-ignore
	assert.ok(desk.places.traceToOutput('site.eave', at, home));
});

test('whatever is pressed in the HTML of a page leads to text that leads to it again (property)', () => {
	const desk = opened();
	const html = htmlOf(desk);
	let led = 0;
	fc.assert(
		fc.property(fc.nat(html.length - 1), (offset) => {
			const source = desk.places.traceToSource(offset, home);
			if (!source) return;
			led++;
			assert.ok(source.from < source.to && source.to <= text.length);
			const there = desk.places.traceToOutput(source.file, source.from, home);
			assert.ok(there, text.slice(source.from, source.to));
			const again = desk.places.traceToSource(there.from, home);
			assert.ok(again && again.from <= source.from, 'it is the same place, or what is around it');
		}),
		runs(150, 3)
	);
	assert.ok(led > 50, `${led} places lead somewhere`);
});

test('words of the stage are written where they stand; those that data gives are refused with the reason', () => {
	const desk = opened();
	const written = [...Array(40).keys()].map((element) =>
		desk.places.wordsAt(home, { element, text: 'Kale and', nth: 0 })
	);
	const one = written.find((words) => !('kind' in words));
	assert.ok(one && !('kind' in one));
	assert.equal(one.written, 'Kale and');
	assert.equal(text.slice(one.place.from, one.place.to), 'Kale and');
	const given = [...Array(40).keys()].map((element) =>
		desk.places.wordsAt(home, { element, text: 'Leek', nth: 0 })
	);
	assert.ok(given.every((words) => 'kind' in words && words.sentence.endsWith('.')));
	assert.deepEqual(desk.places.wordsAt(gone, { element: 1, text: 'x', nth: 0 }), {
		kind: 'refused',
		sentence: 'The page is not there any more.'
	});
});

test('a picture has its place at the end of a piece, with the room that it has there at every width', () => {
	const desk = opened();
	const files = [{ path: 'images/pod.svg', bytes: undefined }];
	const at = desk.places.pictureAt(home, { owner: '/', piece: 'intro' }, files);
	assert.ok(!('kind' in at));
	assert.ok(at.room.length > 0);
	const none = desk.places.pictureAt(home, { owner: '/', piece: 'intro' }, [{ path: 'kinds.json', bytes: undefined }]); // prettier-ignore
	assert.ok('kind' in none && none.sentence.endsWith('.'));
	const page = desk.places.pictureAt(gone, { owner: '/', piece: 'intro' }, files);
	assert.ok('kind' in page);
});

test('the outline of a piece and of a part says what stands in it; of what is gone there is none', () => {
	const desk = opened();
	const piece = desk.places.outline(home, { kind: 'piece', layer: '/', piece: 'intro' });
	const labels = JSON.stringify(piece);
	for (const element of ['h1', 'p', 'em']) assert.ok(labels.includes(element), element);
	assert.ok(desk.places.outline(home, { kind: 'part', part: 'card' }));
	assert.equal(desk.places.outline(home, { kind: 'part', part: 'none' }), undefined);
	assert.equal(desk.places.outline(gone, { kind: 'part', part: 'card' }), undefined);
});

test('in a list its member is a name, and outside of it is none', () => {
	const desk = opened();
	const asked = { kind: 'piece', layer: '/', piece: 'list' } as const;
	const inside = desk.places.scopeAt(home, asked, text.indexOf('<p>{x.name}') + 3);
	const outside = desk.places.scopeAt(home, { ...asked, piece: 'intro' }, text.indexOf('Kale and'));
	assert.match(JSON.stringify(inside), /"x\b/);
	assert.ok(!JSON.stringify(outside).includes('"x'));
	assert.deepEqual(desk.places.scopeAt(gone, asked, 3), { lists: [], values: [] });
});
