import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { PagePaint, type WrittenPaint } from '../../src/core/author-styles/paint.ts';
import { inward, pageTree, type Element } from '../../src/core/author-styles/page-tree.ts';
import { isTag } from 'domhandler';
import { pageNamed, resolve } from '../lib/site.ts';

/** The colours of texts and what is behind them: which of several declarations wins, when, and what is not known. */

interface Page {
	readonly paint: PagePaint;
	/** The first element with a class. */
	readonly find: (word: string) => Element;
	/** Where a declaration stands: what follows there in the style, up to its end. */
	readonly wordsOf: (written: WrittenPaint | undefined) => string | undefined;
}

const head = 'site "Paint" { lang en; bands { narrow 0; wide 900 }; tokens { --ink: #111111; --ink @wide: #222222; --ground: #fefefe; --ink @night: #eeeeee } }'; // prettier-ignore

function pageOf(layout: string, own: string): Page {
	const resolved = resolve(`${head}
layout shell at / { region head as header { piece name """<b class="name">Seeds</b>""" }; region main as main { slot }; ${layout} }
route / { title "Home"; piece body """<section class="out"><p class="in">Beans</p></section>"""; ${own} }
`);
	assert.deepEqual(resolved.problems.filter(({ severity }) => severity === 'error'), []); // prettier-ignore
	const [instance] = resolved.instances(pageNamed(resolved, '/'));
	assert.ok(instance);
	const tree = pageTree(instance, resolved, 2026);
	const all = tree.document.children.flatMap((node) => (isTag(node) ? [...inward(node)] : []));
	return {
		paint: new PagePaint(instance, resolved, 2026, tree),
		find(word) {
			const found = all.find(({ attribs }) => (attribs['class'] ?? '').split(' ').includes(word));
			assert.ok(found, word);
			return found;
		},
		wordsOf: (written) => written && written.rule.style.css.slice(written.at).split(/[;}]/)[0]?.trim()
	}; // prettier-ignore
}

const day = { width: 1000, night: false };
const style = (css: string): string => `style """${css}"""`;

/** Ink and ground of the words in the page. */
function coloursOf(layout: string, own: string, when = day): readonly (string | undefined)[] {
	const page = pageOf(layout, own);
	const written = page.paint.written(page.find('in'), when);
	return [written?.ink, written?.ground];
}

test('ink is inherited from around, the ground is that of the nearest box that has one', () => {
	assert.deepEqual(
		coloursOf('', style('.out { color: #123456; background: #ffffff } .in { margin: 0 }')),
		['#123456', '#ffffff']
	);
	assert.deepEqual(
		coloursOf('', style('.out { color: #123456; background: #ffffff } .in { color: #654321; background-color: #eeeeee }')), // prettier-ignore
		['#654321', '#eeeeee']
	);
});

test('of several that say it the page wins over its layout, then the more specific, then the later', () => {
	const ground = style(':scope { background: #ffffff }');
	const paints = (layout: string, own: string): string | undefined =>
		coloursOf(`${ground}; ${layout}`, own)[0];
	const wide = 'style global """.in { color: #aa0000 }"""';
	assert.equal(paints(wide, ''), '#aa0000');
	assert.equal(paints(wide, style('.in { color: #00aa00 }')), '#00aa00');
	assert.equal(paints('', style('p.in { color: #00aa00 } .in { color: #aa0000 }')), '#00aa00');
	assert.equal(paints('', style('.in { color: #00aa00 } .in { color: #aa0000 }')), '#aa0000');
	assert.equal(paints('', `${style('.in { color: #00aa00 }')}; ${style('.in { color: #aa0000 }')}`), '#aa0000'); // prettier-ignore
});

test('tokens are put in as they are at a width, by day and by night', () => {
	const own = style('.in { color: var(--ink); background: var(--ground) }');
	assert.deepEqual(coloursOf('', own), ['#222222', '#fefefe']);
	assert.deepEqual(coloursOf('', own, { width: 500, night: false }), ['#111111', '#fefefe']);
	assert.deepEqual(coloursOf('', own, { width: 1000, night: true }), ['#eeeeee', '#fefefe']);
	// One that nobody gives is no colour, and what stands in for it is.
	assert.deepEqual(coloursOf('', style('.in { color: var(--none); background: #ffffff }')), [undefined, undefined]); // prettier-ignore
	assert.deepEqual(coloursOf('', style('.in { color: var(--none, #0000aa); background: #ffffff }')), ['#0000aa', '#ffffff']); // prettier-ignore
});

test('a rule in a question holds where the screen is as it asks, and one for paper never does', () => {
	const own = style('.in { color: #111111; background: #ffffff } @media (min-width: 700px) { .in { color: #777777 } } @media print { .in { color: #000000 } } @media (prefers-color-scheme: dark) { .in { color: #dddddd } }'); // prettier-ignore
	const at = (width: number, night = false): unknown => coloursOf('', own, { width, night })[0];
	assert.deepEqual([at(699), at(700), at(1000), at(1000, true)], ['#111111', '#777777', '#777777', '#dddddd']); // prettier-ignore
});

test('a style of one band holds from there on', () => {
	const own = `${style('.in { color: #111111; background: #ffffff }')}; style @wide """.in { color: #777777 }"""`;
	assert.equal(coloursOf('', own, { width: 899, night: false })[0], '#111111');
	assert.equal(coloursOf('', own, { width: 900, night: false })[0], '#777777');
});

test('what only holds while one points, or is of a box of the style, is not the colour of a text', () => {
	const own = style('.in { color: #111111; background: #ffffff } .in:hover { color: #777777 } .in::before { color: #888888 }'); // prettier-ignore
	assert.equal(coloursOf('', own)[0], '#111111');
});

test('a picture with a colour beneath has that colour behind it, one without has none, and of a gradient nothing is known', () => {
	const behind = (background: string): readonly (string | undefined)[] =>
		coloursOf('', style(`.in { color: #111111; background: ${background} }`));
	assert.deepEqual(behind('#fafafa url(x.png)'), ['#111111', '#fafafa']);
	assert.deepEqual(behind('url(x.png)'), ['#111111', undefined]);
	assert.deepEqual(behind('linear-gradient(#fff, #000)'), [undefined, undefined]);
	// What is clear lets what is around show.
	assert.deepEqual(coloursOf('', style('.out { background: #cccccc } .in { color: #111111; background: none }')), ['#111111', '#cccccc']); // prettier-ignore
});

test('what lets the ground through between text and ground is told with its share, the strongest by its place', () => {
	const page = pageOf('', style('.out { background: #ffffff } .in { color: #111111; opacity: 50% }')); // prettier-ignore
	const written = page.paint.written(page.find('in'), day);
	assert.equal(written?.veil?.share, 0.5);
	assert.equal(page.wordsOf(written), 'color: #111111');
	// Where ground and text fade together, what is behind both shows: that is not known.
	const both = pageOf(
		'',
		style('.out { background: #ffffff; opacity: 0.5 } .in { color: #111111 }')
	);
	assert.equal(both.paint.written(both.find('in'), day), undefined);
});

test('asked in any order and as often as one likes, it is the same (property)', () => {
	const own = `${style('.out { background: var(--ground) } .in { color: var(--ink) } @media (min-width: 700px) { .in { color: #777777 } }')}; style @wide """.out { background: #cccccc }"""`; // prettier-ignore
	const once = pageOf('', own);
	const question = fc.record({
		word: fc.constantFrom('in', 'out', 'name'),
		width: fc.constantFrom(320, 699, 700, 899, 900, 1400),
		night: fc.boolean()
	});
	fc.assert(
		fc.property(fc.array(question, { minLength: 1, maxLength: 8 }), (questions) => {
			for (const { word, ...when } of questions) {
				const fresh = pageOf('', own);
				const [said, wanted] = [once, fresh].map(({ paint, find }) => {
					const { ink, ground, veil } = paint.written(find(word), when) ?? {};
					return [ink, ground, veil?.share];
				});
				assert.deepEqual(said, wanted);
			}
		}),
		{ numRuns: 40 }
	);
});
