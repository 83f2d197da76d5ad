import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { WrittenPage } from '../../src/core/check/subject/written-page.ts';
import { CommandRefused } from '../../src/core/edit/proposal.ts';
import { layerName, pagesOf } from '../../src/core/model/site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { seenAs, type ResolvedSite } from '../../src/core/resolve/site.ts';
import { writtenWords } from '../../src/core/view-models/markup/written-words.ts';
import { noTrial, type Trial } from '../../src/core/model/trial.ts';
import { makeOn, refusal } from '../lib/edits.ts';
import { runs } from '../lib/runs.ts';
import { pageNamed, sound } from '../lib/site.ts';

/** Each element of a page, and the words on it, lead to where they are written. */

function written(site: ResolvedSite, name: string): WrittenPage {
	const declared = pagesOf(site.site).find((one) => layerName(one) === name);
	const [instance] = declared ? site.instances(declared) : [];
	assert.ok(instance);
	return new WrittenPage(instance, site, 2026);
}

/** The text from where an element is written on, up to the end of its line. */
function lineAt(page: WrittenPage, at: number): string {
	const element = page.elements[at];
	assert.ok(element);
	const { file, from } = page.placeOf(element);
	const text = page.resolved.reading.files.texts.get(file) ?? '';
	return text.slice(from).split('\n', 1)[0] ?? '';
}

/** Where all elements of a name are written. */
function linesOf(site: CheckedSite, name: string, element: string): string[] {
	const page = written(site, name);
	return page.elements.flatMap((one, at) => (one.name === element ? [lineAt(page, at)] : []));
}

/** An edit of the words that read so on the page at `/`; of those that read alike the one with a number. */
function words(text: string, before: string, after: string, nth = 0, trial?: Trial['content']) {
	const whole = sound(text);
	const page = written(trial ? seenAs(whole, { role: undefined, trial: { ...noTrial, content: trial } }) : whole, '/'); // prettier-ignore
	const element = page.elements.findLastIndex(
		(one) =>
		one.children.some((child) => child.type === 'text' && child.data.trim().replace(/\s+/g, ' ') === before) // prettier-ignore
	);
	const { place, written: as, of } = writtenWords(page, { element, text: before, nth });
	return { kind: 'edit-words', name: of.name, place, before: as, after } as const;
}

function refused(text: string, before: string, trial?: Trial['content']): string {
	try {
		words(text, before, 'other', 0, trial);
	} catch (reason) {
		if (reason instanceof CommandRefused) return reason.message;
		throw reason;
	}
	assert.fail('it is not refused');
}

test('elements that look alike lead each to its own tag: through conditions, lists and parts', () => {
	const site = sound(
		`site "Test" { bands { narrow 0 } }
data seeds from "data/seeds.json"
part card """<li><b>{content}</b></li>"""
layout frame at / { region main as main { slot } }
route / {
  piece body """
    <!-- <img src="a.svg"> was here -->
    <p>first</p>
    {if page.description}<p>never</p>{else}<p>second</p>{end}
    <table><tr><td>cell \\{ }</td><td>{data.seeds.0.name}</td></tr></table>
    <ul>{for seed in data.seeds}{if seed.old}<li>old</li>{else}
      <li>new {seed.name}</li>{end}{end}
    </ul>
    <ul>{use card}<i>one</i>{end}
    {use card}<i>two</i>{end}</ul>
    <p>last</p>
  """
}
`,
		{
			'data/seeds.json':
				'[{"name": "kale", "old": true}, {"name": "pea", "old": false}, {"name": "bean", "old": false}]'
		}
	);
	assert.deepEqual(linesOf(site, '/', 'p'), ['<p>first</p>', '<p>second</p>{end}', '<p>last</p>']);
	assert.deepEqual(linesOf(site, '/', 'li'), [
		'<li>old</li>{else}',
		'<li>new {seed.name}</li>{end}{end}',
		'<li>new {seed.name}</li>{end}{end}',
		'<li><b>{content}</b></li>"""',
		'<li><b>{content}</b></li>"""'
	]);
	assert.deepEqual(linesOf(site, '/', 'i'), ['<i>one</i>{end}', '<i>two</i>{end}</ul>']);
	const cells = linesOf(site, '/', 'td');
	assert.deepEqual(cells, [
		'<td>cell \\{ }</td><td>{data.seeds.0.name}</td></tr></table>',
		'<td>{data.seeds.0.name}</td></tr></table>'
	]);
	assert.match(
		linesOf(site, '/', 'tbody').join(),
		/^<table>/,
		'what nobody wrote is at what it is in'
	);
});

test('each element of the demo that has an origin begins there', async () => {
	const site = checkSite(readSiteFiles(await readSitePath('demo')));
	let looked = 0;
	for (const declared of pagesOf(site.site)) {
		for (const instance of site.instances(declared)) {
			const page = new WrittenPage(instance, site, 2026);
			for (const [element, { file, from, to }] of page.tree.origins) {
				const text = site.reading.files.texts.get(file)?.slice(from, to).toLowerCase();
				assert.equal(text, `<${element.name}`);
				looked++;
			}
		}
	}
	assert.ok(looked > 300, `${looked} elements were looked at`);
});

test('any markup: where an element says it is written, its tag is', () => {
	const bits = ['<p>', '</p>', '<b class="x{y}">', '</b>', ' a \\{ ', '\n      ', '<tr><td>', '{site.name}', '{if site.name}', '{else}', '{end}', '<!-- <p> -->', '<ul><li>', '</ul>', '{use box}', '<svg><g/>', '</svg>', '<img alt="<p>">']; // prettier-ignore
	let looked = 0;
	fc.assert(
		fc.property(fc.array(fc.constantFrom(...bits), { maxLength: 16 }), (list) => {
			const text = `site "T" { bands { narrow 0 } }\npart box """<p>{site.name}</p>"""\nroute / {\n  piece body """\n    ${list.join('')}\n    """\n}\n`;
			const site = checkSite(readSiteFiles({ texts: new Map([['site.eave', text]]), assets: new Map() }));
			const [instance] = site.instances(pageNamed(site, '/'));
			if (!instance) return;
			for (const [element, { from, to }] of new WrittenPage(instance, site, 2026).tree.origins) {
				assert.equal(text.slice(from, to).toLowerCase(), `<${element.name.toLowerCase()}`);
				looked++;
			}
		}),
		runs(41, 200)
	);
	assert.ok(looked > 0);
}); // prettier-ignore

const text = `site "Test" { bands { narrow 0 } }
part note """<aside>Keep dry. <em>Always</em></aside>"""
layout frame at / {
  region menu as nav { piece links nav from / depth 1 }
  region main as main { slot }
}
route / {
  title "Home"
  piece body """<p>One <i>two</i> {site.name}, one</p><p>One</p><ul>{if site.name}<li>Seed</li>{end}</ul>{use note}"""
  piece plain { pad 4px } """Only words"""
  piece long """<p>Short.</p>""" long """<p>Long one.</p><p>Long one.</p>"""
}
route /seeds { title "Seeds" }
`;

test('words are edited where they are written: in a condition, in a part, outermost, and in what stands in', () => {
	const after = (before: string, to: string, nth = 0): string =>
		makeOn(text, words(text, before, to, nth)).text;
	assert.match(after('two', 'a < b {c}'), /<i>a &lt; b \\\{c\\?\}<\/i>/);
	assert.match(after('Seed', 'Bean'), /\{if site\.name\}<li>Bean<\/li>\{end\}/);
	assert.match(after('Keep dry.', 'Keep cool.'), /part note """<aside>Keep cool\. <em>Always/);
	assert.match(after('Only words', 'Other words'), /4px \} """Other words"""/);
	const long = words(text, 'Long one.', 'Longer.', 0, 'long');
	assert.match(makeOn(text, long).text, /long """<p>Long one\.<\/p><p>Longer\.<\/p>"""/);
	const twice = text.replace('Keep dry. <em>Always</em>', 'Dry <em>always</em> Dry');
	assert.match(makeOn(twice, words(twice, 'Dry', 'Cool', 1)).text, /Dry <em>always<\/em> Cool/);
	assert.equal(words(text, 'Keep dry.', '').name, 'note');
});

test('what is written nowhere as it stands on the page says why', () => {
	assert.match(refused(text, 'Test, one'), /"Test, one" comes from \{site.name\}, one: .*markup of body/);
	assert.match(refused(text, 'Seeds'), /links of links are made from the routes/);
	assert.match(refused(text, 'two', 'short'), /made longer or shorter/);
	const moved = words(text, 'two', 'three');
	assert.match(refusal(text.replace('One <i>', 'Ones <i>'), moved), /has changed there meanwhile/);
}); // prettier-ignore
