import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Command, PieceRef } from '../../src/core/model/command.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import {
	fillableElements,
	likeliest,
	samples,
	textsFor,
	type FillableElement
} from '../../src/core/view-models/markup/from-data.ts';
import { testText } from '../../src/core/outline/tag-text.ts';
import { propose } from '../../src/core/edit/propose.ts';
import { bodyOf, sound } from '../lib/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';

/** Elements that data fills: what is in scope, which words are values of a member, and what is written. */

const beds = JSON.stringify({
	where: 'Marrow Lane',
	open: true,
	beds: [
		{ crop: 'Kale', sown: 'May', link: 'kale', rows: 3 },
		{ crop: 'Peas', sown: 'March', link: 'peas', rows: 5 },
		{ crop: 'Leeks', sown: 'April', link: 'leeks', rows: 2 }
	],
	words: ['dig', 'sow']
});

function siteOf(markup: string): CheckedSite {
	return sound(
		`site "Beds" { lang en; bands { narrow 0 } }
data plan from "plan.json"
layout frame at / { region main as main { slot } }
route / {
  title "Home"
  piece words """${markup}"""
}
`,
		{ 'plan.json': beds }
	);
}

const piece: PieceRef = {
	holder: { layer: { kind: 'route', name: '/' }, region: undefined, group: undefined },
	piece: 'words'
};

const list = `
    <h1>Beds</h1>
    <ul>
      <li><a href="/beds/peas">Peas</a>, sown in March</li>
      <li><a href="/beds/kale">Kale</a>, sown in May</li>
    </ul>
  `;

function element(site: CheckedSite, name: string): FillableElement {
	const found = fillableElements(site, piece, 2026).find((one) => one.name === name);
	assert.ok(found, `there is no ${name}`);
	return found;
}

/** The markup after a command, and the page. */
function made(site: CheckedSite, command: Command): { markup: string; body: string; said: string } {
	const proposal = propose(site, command);
	assert.ok(proposal.kind === 'edit', JSON.stringify(proposal));
	const { texts } = applyChanges(site.reading.files, proposal.changes);
	const text = texts.get('site.eave') ?? '';
	const after = sound(text, { 'plan.json': beds });
	const markup = /piece words """([^]*?)"""/.exec(text)?.[1] ?? '';
	return { markup, body: bodyOf(after, '/'), said: proposal.consequences.join(' ') };
}

test('lists and values in scope are found with what they are now', () => {
	const { lists, values, alike, words } = element(siteOf(list), 'li');
	assert.deepEqual(lists.map(({ path, count, name }) => [path, count, name]), [['data.plan.beds', 3, 'bed'], ['data.plan.words', 2, 'word']]); // prettier-ignore
	assert.ok(values.some(({ path, says }) => path === 'data.plan.where' && says === 'Marrow Lane'));
	assert.ok(values.some(({ path, says }) => path === 'page.title' && says === 'Home'));
	assert.equal(alike, 1);
	assert.deepEqual(words, ['/beds/peas', 'Peas', ', sown in March']);
});

test('words that a member says become its values, also within others, and one member decides', () => {
	const { lists, words } = element(siteOf(list), 'li');
	assert.equal(likeliest(element(siteOf(list), 'li'))?.path, 'data.plan.beds');
	assert.equal(likeliest(element(siteOf('<h1>Beds</h1><p>sow</p>'), 'p'))?.path, 'data.plan.words');
	assert.equal(likeliest({ ...element(siteOf(list), 'li'), lists: [] }), undefined);
	const [ofBeds, ofWords] = lists;
	assert.ok(ofBeds && ofWords);
	assert.deepEqual(textsFor(words, ofBeds), [
		'/beds/{bed.link}',
		'{bed.crop}',
		', sown in {bed.sown}'
	]);
	assert.deepEqual(samples(words, textsFor(words, ofBeds), ofBeds).slice(0, 2), [
		'/beds/kale, Kale, , sown in May',
		'/beds/peas, Peas, , sown in March'
	]);
	assert.deepEqual(textsFor(['sow'], ofWords), ['{word}']);
	assert.deepEqual(textsFor(['Kaleidoscope', 'Peas', 'April'], ofBeds), [
		undefined,
		'{bed.crop}',
		undefined
	]);
	assert.deepEqual(
		textsFor(['{page.title} Kale'], ofBeds),
		[undefined],
		'what has a value keeps it'
	);
	assert.deepEqual(textsFor(['Kale'], { members: [] }), [undefined]);
});

test('an element is written once and stands for each member; those like it go', () => {
	const site = siteOf(list);
	const { ref, words, lists } = element(site, 'li');
	const [beds] = lists;
	assert.ok(beds);
	const { markup, body, said } = made(site, {
		kind: 'repeat-element',
		element: ref,
		list: beds.path,
		name: beds.name,
		texts: textsFor(words, beds),
		replacesOthers: true
	});
	assert.equal(
		markup,
		`
    <h1>Beds</h1>
    <ul>
      {for bed in data.plan.beds}
        <li><a href="/beds/{bed.link}">{bed.crop}</a>, sown in {bed.sown}</li>
      {end}
    </ul>
  `
	);
	assert.equal(body.match(/<li>/g)?.length, 3);
	assert.match(body, /href="[^"]*leeks[^"]*">Leeks<\/a>, sown in April/);
	assert.match(said, /1 like it would go/);
});

test('in a line with others it stays in that line, and what is like it can stay', () => {
	const site = siteOf('<h1>Beds</h1><p><b>dig</b> <b>sow</b></p>');
	const { ref, lists } = element(site, 'b');
	const words = lists.find(({ path }) => path === 'data.plan.words');
	assert.ok(words);
	const command = { kind: 'repeat-element', element: ref, list: words.path, name: 'word', texts: ['{word}'], replacesOthers: false } as const; // prettier-ignore
	assert.equal(
		made(site, command).markup,
		'<h1>Beds</h1><p>{for word in data.plan.words}<b>{word}</b>{end} <b>sow</b></p>'
	);
	assert.equal(
		made(site, { ...command, replacesOthers: true }).markup,
		'<h1>Beds</h1><p>{for word in data.plan.words}<b>{word}</b>{end} </p>'
	);
});

test('within a list the members’ own values are in scope, and a condition is put around', () => {
	const site = siteOf(
		'<h1>Beds</h1><ul>{for bed in data.plan.beds}<li>{bed.crop} <i>soon</i></li>{end}</ul>'
	);
	const { ref, values } = element(site, 'i');
	assert.ok(values.some(({ path, says }) => path === 'bed.sown' && says === 'May'));
	const { body } = made(site, { kind: 'show-element-if', element: ref, test: 'bed.sown is "May"' });
	assert.equal(body.match(/<i>soon<\/i>/g)?.length, 1);
	const quoted = made(site, {
		kind: 'show-element-if',
		element: ref,
		test: testText({ path: 'bed.sown', how: 'is', text: '"May"' })
	});
	assert.ok(!quoted.body.includes('soon'), 'quotes in a text are a part of it');
	const { markup } = made(site, {
		kind: 'set-element-texts',
		element: ref,
		texts: ['{bed.rows} rows']
	});
	assert.match(markup, /<i>\{bed\.rows\} rows<\/i>/);
});

test('lines of a pre stay as they are where a tag is put around it', () => {
	const site = siteOf('\n    <h1>Beds</h1>\n    <pre>one\n  two</pre>\n  ');
	const { ref } = element(site, 'pre');
	const { markup, body } = made(site, {
		kind: 'show-element-if',
		element: ref,
		test: 'data.plan.open'
	});
	assert.ok(markup.includes('<pre>one\n  two</pre>'), markup);
	assert.match(body, /two<\/pre>/);
});

test('what has changed meanwhile, or is cut by a list, is refused', () => {
	const site = siteOf('<h1>Beds</h1><p>dig</p>');
	const { ref } = element(site, 'p');
	const stale = propose(site, { kind: 'show-element-if', element: { ...ref, markup: '<p>x</p>' }, test: 'data.plan.open' }); // prettier-ignore
	assert.match(stale.kind === 'refused' ? stale.sentence : '', /has changed meanwhile/);
	const nowhere = propose(site, { kind: 'repeat-element', element: ref, list: 'data.plan.nowhere', name: 'one', texts: [], replacesOthers: false }); // prettier-ignore
	assert.equal(nowhere.kind, 'refused', 'a list that is nowhere');
});
