import assert from 'node:assert/strict';
import { test } from 'node:test';
import { shownOccurrences, type ShownFault } from '../../src/core/check/html/shown-faults.ts';
import type { Occurrence } from '../../src/core/check/subject/occurrence.ts';
import { WrittenPage } from '../../src/core/check/subject/written-page.ts';
import { warning } from '../../src/core/messages/problem.ts';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { pageNamed, sound } from '../lib/site.ts';

/** What a browser shows to be wrong on a page is led back to the text that wrote it, once, and not where it is known. */

const text = `site "Test" { lang en; bands { narrow 0; wide 900 } }
layout shell at / {
  region head as header { piece name """<b class="pale">Seeds</b>""" }
  region main as main { slot }
}
part card """<article><button>Lend</button></article>"""
route / {
  title "Home"
  piece words """<h1>Seed</h1><p class="pale">Beans</p>"""
  piece cards """{use card}"""
}
`;
const site = sound(text);

function page(): WrittenPage {
	const [instance] = site.instances(pageNamed(site, '/'));
	assert.ok(instance);
	return new WrittenPage(instance, site, 2026);
}

/** The place of the first element with a name, or the one after it, among all of the body. */
function placeOf(written: WrittenPage, name: string): number {
	const at = written.elements.findIndex((element) => element.name === name);
	assert.notEqual(at, -1, name);
	return at;
}

const fault = (rule: string, element: number, more: Partial<ShownFault> = {}): ShownFault => ({
	rule,
	help: 'It is wrong.',
	element,
	widths: [360],
	...more
});

/** The text that an occurrence is at, up to the end of its line. */
function wordsAt({ problem: { span } }: Occurrence): string {
	return text.slice(span.from, text.indexOf('\n', span.from));
}

test('each kind of fault has its code and its numbers', () => {
	const written = page();
	const p = placeOf(written, 'p');
	const seen = shownOccurrences(
		[
			fault('color-contrast', p, { contrast: { is: 2.1, needs: 4.5 } }),
			fault('region', p),
			fault('scrollable-region-focusable', p),
			fault('something-else', p, { help: 'No such role.' }),
			fault('target-size', placeOf(written, 'button'), { size: { width: 20, height: 12 } })
		],
		written,
		[]
	);
	assert.deepEqual(
		seen.map(({ problem }) => [problem.code, problem.severity]),
		[
			['contrast-shown', 'warning'],
			['outside-landmarks', 'hint'],
			['scroller-no-keyboard', 'warning'],
			['shown-wrong', 'warning'],
			['target-small', 'warning']
		]
	);
	const [contrast, , , other, target] = seen.map(({ problem }) => sentenceOf(problem));
	assert.match(contrast ?? '', /2\.1.*4\.5/);
	assert.match(other ?? '', /No such role/);
	assert.match(target ?? '', /20.*12/);
});

test('a fault stands where its element is written: in a layout, a page, or a part', () => {
	const written = page();
	const seen = shownOccurrences(
		['b', 'p', 'button'].map((name) => fault('something', placeOf(written, name))),
		written,
		[]
	);
	assert.deepEqual(
		seen.map((one) => wordsAt(one).slice(0, 16)),
		['<b class="pale">', '<p class="pale">', '<button>Lend</bu']
	);
	assert.deepEqual(
		seen.map(({ box }) => box),
		[
			{ layout: 'shell', region: 'head' },
			{ layout: 'shell', region: 'main' },
			{ layout: 'shell', region: 'main' }
		]
	);
});

test('the widths of the screens that it was seen on are told one by one', () => {
	const written = page();
	const [seen] = shownOccurrences([fault('x', placeOf(written, 'p'), { widths: [360, 1280] })], written, []); // prettier-ignore
	assert.deepEqual(seen?.widths, [
		{ from: 360, to: 360 },
		{ from: 1280, to: 1280 }
	]);
});

test('what a check has found at the same place is not told again; at another place, or for another reason, it is', () => {
	const written = page();
	const p = placeOf(written, 'p');
	const [at] = shownOccurrences([fault('x', p)], written, []).map(({ problem }) => problem.span);
	assert.ok(at);
	const contrast = fault('color-contrast', p, { contrast: { is: 2, needs: 4.5 } });
	const low = (from: number): Occurrence => ({
		problem: warning('contrast-low', { ...at, from }, '#999', '#fff', 2, 4.5, 100)
	});
	const codes = (known: readonly Occurrence[], of = contrast): string[] =>
		shownOccurrences([of], written, known).map(({ problem }) => problem.code);
	assert.deepEqual(codes([low(at.from)]), []);
	assert.deepEqual(codes([low(at.from + 1)]), ['contrast-shown']);
	assert.deepEqual(codes([{ problem: warning('skip-missing', at, 'shell', 9) }]), [
		'contrast-shown'
	]);
	// Two rules that one check of ours speaks for.
	const list = { problem: warning('markup-misplaced', at, 'p', '', 'ul') };
	for (const rule of ['list', 'listitem', 'dlitem', 'nested-interactive']) {
		assert.deepEqual(codes([list], fault(rule, p)), [], rule);
	}
});

test('what is about the whole page is known wherever on it the check has told it', () => {
	const written = page();
	const body = written.elements.findIndex(({ name }) => name === 'body');
	const elsewhere = { file: 'site.eave', from: 3, to: 4 };
	const known: Occurrence[] = [{ problem: warning('skip-missing', elsewhere, 'shell', 9) }];
	assert.deepEqual(shownOccurrences([fault('bypass', body)], written, known), []);
	assert.equal(shownOccurrences([fault('bypass', body)], written, []).length, 1);
	assert.equal(shownOccurrences([fault('bypass', placeOf(written, 'p'))], written, known).length, 1); // prettier-ignore
});

test('an element that is not there is told nowhere', () => {
	const written = page();
	assert.deepEqual(shownOccurrences([fault('x', 9999)], written, []), []);
});
