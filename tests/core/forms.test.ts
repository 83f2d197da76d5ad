import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { allSettings } from '../../src/core/settings/list.ts';
import {
	controlOf,
	neededBy,
	readForm,
	startingValue,
	stepped,
	valueWords,
	wayOf
} from '../../src/core/settings/form.ts';
import { severityOf } from '../../src/core/messages/catalogue.ts';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { painted, sideAt } from '../../src/core/view-models/track-gestures.ts';
import { resolve } from '../lib/site.ts';

/** The form of a value decides how it is chosen by hand, and what a sentence says is missing. */

const formOf = (kind: string): string => allSettings.find((one) => one.kind === kind)?.form ?? '';

test('every setting has a control: words to choose from, a field, or several ways', () => {
	const kinds = Object.fromEntries(allSettings.map(({ kind, form }) => [kind, controlOf(form).kind]));
	assert.deepEqual(
		Object.keys(kinds).filter((kind) => kinds[kind] === 'choice'),
		['scroll', 'stick', 'shadow', 'new-row']
	);
	assert.deepEqual(
		Object.keys(kinds).filter((kind) => kinds[kind] === 'ways'),
		['show', 'size', 'place-self', 'label', 'skip']
	);
	const stick = controlOf(formOf('stick'));
	assert.ok(stick.kind === 'choice');
	assert.deepEqual(stick.choices.map(({ value }) => value), ['top', 'top behind', 'bottom', 'bottom behind', 'none']);
	const row = controlOf(formOf('new-row'));
	assert.ok(row.kind === 'choice');
	assert.deepEqual(row.choices.map(({ name, value }) => `${name}:${value}`), ['on:', 'off:off']);
	const width = controlOf(formOf('width'));
	assert.ok(width.kind === 'typed' && width.sizes && width.words.includes('fit-content'));
	assert.ok(!('sizes' in controlOf(formOf('order')) && controlOf(formOf('order')).kind !== 'typed'));
}); // prettier-ignore

test('a value finds its way in a form, and nothing else does', () => {
	const show = readForm(formOf('show'));
	assert.equal(wayOf(show, 'in-place'), 0);
	assert.equal(wayOf(show, 'drawer left 280px "Main menu"'), 3);
	assert.equal(wayOf(show, 'drawer left 280px "Main menu" close "Shut"'), 3);
	assert.equal(wayOf(show, 'drawer left'), undefined);
	assert.equal(wayOf(show, ''), undefined);
	assert.equal(wayOf(show, 'drawer middle 280px "x"'), undefined);
	assert.deepEqual(valueWords('left calc(10px + (2 * 3px)) "a \\"b\\" c" 4'), ['left', 'calc(10px + (2 * 3px))', '"a \\"b\\" c"', '4']); // prettier-ignore
});

test('what is missing is said in words, with something that would do', () => {
	assert.deepEqual(neededBy(formOf('show'), ['drawer']), {
		needs: 'a side, a size and a label',
		example: 'left 280px "Menu"'
	});
	assert.deepEqual(neededBy(formOf('width'), []).example, '280px');
	assert.match(neededBy(formOf('scroll'), []).needs, /"page" or "own"/);
	for (const { kind, form } of allSettings) {
		if (kind !== 'new-row') assert.notEqual(neededBy(form, []).example, '', form);
	}
});

test('arrow keys step the number at the caret and leave the rest', () => {
	assert.equal(stepped('24px', 1, 1), '25px');
	assert.equal(stepped('0 var(--gutter) 8px', 18, -10), '0 var(--gutter) -2px');
	assert.equal(stepped('1.5rem', 0, 1), '2.5rem');
	assert.equal(stepped('auto', 0, 1), 'auto');
	fc.assert(
		fc.property(
			fc.integer({ min: -999, max: 999 }),
			fc.integer({ min: -20, max: 20 }),
			(from, by) => {
				assert.equal(stepped(`${from}px`, 0, by), `${from + by}px`);
				assert.equal(stepped(stepped(`${from}px`, 0, by), 0, -by), `${from}px`);
			}
		)
	);
});

test('painting over a whole area moves what lay there to where the painter was', () => {
	const cells = [['head', 'head'], ['menu', 'main']]; // prettier-ignore
	assert.deepEqual(painted(cells, 'menu', [1, 1], [1, 1]), [['head', 'head'], ['main', 'menu']]); // prettier-ignore
	assert.deepEqual(painted(cells, 'menu', [0, 0], [1, 1]), [['menu', 'menu'], ['menu', 'menu']]); // prettier-ignore
	assert.deepEqual(painted([['a', '.'], ['b', 'c']], 'a', [0, 0], [1, 0]), [['a', 'a'], ['b', 'c']]); // prettier-ignore
	// Whatever is painted, what can be kept is: at most one area is given up for another's place.
	const grid = fc.array(fc.array(fc.constantFrom('a', 'b', 'c', '.'), { minLength: 3, maxLength: 3 }), { minLength: 2, maxLength: 3 }); // prettier-ignore
	const cell = fc.tuple(fc.nat(2), fc.nat(1));
	fc.assert(
		fc.property(grid, cell, cell, (rows, one, other) => {
			const next = painted(rows, 'a', one, other);
			assert.equal(next[one[1]]?.[one[0]], 'a');
			assert.equal(next[other[1]]?.[other[0]], 'a');
			assert.equal(next.flat().length, rows.flat().length);
		})
	);
});

test('what is dropped on a box goes to the nearest side, or into its place', () => {
	const box = { x: 100, y: 100, width: 200, height: 100 };
	assert.equal(sideAt(box, { x: 110, y: 150 }), 'left');
	assert.equal(sideAt(box, { x: 290, y: 150 }), 'right');
	assert.equal(sideAt(box, { x: 200, y: 105 }), 'above');
	assert.equal(sideAt(box, { x: 200, y: 195 }), 'below');
	assert.equal(sideAt(box, { x: 200, y: 150 }), 'swap');
});

test('each way to say a setting begins with a whole value that reads', () => {
	for (const { kind, form, on, first } of allSettings) {
		const ways = readForm(form);
		for (const [index, way] of ways.entries()) {
			const value = startingValue(way);
			// Of a tall head that shrinks the two sizes are not the same: it says a whole value itself.
			const written = wayOf(ways, first ?? '') === index ? (first ?? value) : value;
			const { problems } = resolve(siteWith(kind, written, on));
			const wrong = problems.filter(({ code }) => severityOf(code) === 'error');
			assert.deepEqual(wrong.map(sentenceOf), [], `${kind} ${written}`);
		}
	}
});

/** A site in which some box says a setting. */
function siteWith(kind: string, value: string, on: readonly string[]): string {
	const said = `${kind} ${value}`;
	const layout = on.includes('layout') ? said : '';
	const region = on.includes('region') ? said : '';
	const piece = !on.includes('layout') && !on.includes('region') ? said : '';
	return `site "T" { }\nlayout f at / { ${layout}; region side as aside { ${layout === '' ? region : ''}; piece a { ${piece} } """<p>x</p>""" }; region main as main { slot } }\nroute / { piece b """<h1>x</h1>""" }`;
}
