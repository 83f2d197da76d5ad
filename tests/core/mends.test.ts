import assert from 'node:assert/strict';
import { test } from 'node:test';
import { mendOf } from '../../src/core/check/mend.ts';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { prepare } from '../../src/core/edit/propose.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { judgeMends } from '../judge/mends.ts';
import { findingsOf, lookOver } from '../lib/findings.ts';
import { around, resolve } from '../lib/site.ts';

/** A mend takes its problem away, brings no other, and changes nothing else of the text. */

const sites: Readonly<Record<string, readonly { text: string; mended: string }[]>> = {
	'setting-idle': [
		{
			text: 'layout x at /x { region main as main { slot; span 2 @wide } }',
			mended: 'layout x at /x { region main as main { slot } }'
		},
		{
			text: 'layout x at /x { gap 8px; region main as main { slot } }',
			mended: 'layout x at /x { region main as main { slot } }'
		},
		{
			text: 'layout x at /x { region main as main { slot } }\nroute /x { piece b """b"""; fill head after { piece c { span 2; pad 4px } """c""" } }',
			mended:
				'layout x at /x { region main as main { slot } }\nroute /x { piece b """b"""; fill head after { piece c { pad 4px } """c""" } }'
		},
		// What sticks and scrolls by itself ends with the screen, so its height follows nothing else.
		{
			text: 'layout x at /x { region main as main { slot; aspect 2 / 1; stick top; scroll own } }',
			mended: 'layout x at /x { region main as main { slot; stick top; scroll own } }'
		}
	],
	'span-too-wide': [
		{
			text: 'layout x at /x { arrange columns 4; region main as main { slot; offset 1; span 6 } }',
			mended: 'layout x at /x { arrange columns 4; region main as main { slot; offset 1; span 3 } }'
		}
	],
	'row-not-full': [
		{
			text: 'layout x at /x { arrange columns 1; region main as main { slot; arrange columns 5 } }\nroute /x { piece b { span 2 } """b"""; piece c { span 4 } """c""" }',
			mended:
				'layout x at /x { arrange columns 1; region main as main { slot; arrange columns 5 } }\nroute /x { piece b { span 2 } """b"""; piece c { span 4; new-row } """c""" }'
		},
		{
			text: 'layout x at /x { arrange columns 5; region main as main { slot; span 2 }; region side as aside { locked; span 4 @wide } }',
			mended:
				'layout x at /x { arrange columns 5; region main as main { slot; span 2 }; region side as aside { locked; span 4 @wide; new-row @wide } }'
		}
	],
	'rows-more': [
		{
			text: 'layout x at /x { arrange columns 2 rows 1 { gap 8px }; region main as main { slot }; region side as aside { locked } }',
			mended:
				'layout x at /x { arrange columns 2 rows 2 { gap 8px }; region main as main { slot }; region side as aside { locked } }'
		}
	],
	'strip-gap': [
		{
			text: 'layout x at /x { region main as main { slot }; region side as aside { locked; show strip @wide; arrange row { gap 20px } } }',
			mended:
				'layout x at /x { region main as main { slot }; region side as aside { locked; show strip @wide; gap 20px @wide; arrange row { gap 20px } } }'
		}
	],
	'nav-empty': [
		{
			text: 'layout x at /x { region main as main { slot }; region side as nav { piece more nav from /nothing/here; piece a """a""" } }',
			mended:
				'layout x at /x { region main as main { slot }; region side as nav { piece a """a""" } }'
		},
		{
			text: 'route /x { piece b """b"""; fill head after { piece more nav from /nothing/here; piece a """a""" } }',
			mended: 'route /x { piece b """b"""; fill head after { piece a """a""" } }'
		},
		{
			text: 'route /x { piece b """b"""; piece more nav from /nothing/here }',
			mended: 'route /x { piece b """b""" }'
		}
	],
	'style-of-box': [
		{
			text: 'layout x at /x { region main as main { slot }; region side as aside { locked }; style """aside { padding: 4px 8px; color: red }""" }\nroute /x { piece b """b""" }',
			mended:
				'layout x at /x { region main as main { slot }; region side as aside { locked; pad 4px 8px }; style """aside { color: red }""" }\nroute /x { piece b """b""" }'
		}
	]
};

const plain = (text: string): string => text.replace(/[\s;]+/g, ' ');

for (const [code, cases] of Object.entries(sites)) {
	test(`${code}: the mend takes it away and nothing else`, () => {
		for (const { text, mended } of cases) {
			const written = around(text);
			const before = resolve(written);
			const found = findingsOf(before).findings;
			const problem = found.find((one) => one.problem.code === code)?.problem;
			assert.ok(problem, text);
			const command = mendOf(problem, before);
			assert.ok(command, text);
			const { proposal, after } = prepare(before, command);
			assert.ok(proposal.kind === 'edit', text);
			assert.ok(after);
			assert.equal(findingsOf(after).findings.length, found.length - 1, text);
			const { texts } = applyChanges(before.reading.files, proposal.changes);
			assert.equal(plain(texts.get('site.eave') ?? ''), plain(around(mended)));
		}
	});
}

/** What is written where something is wrong in the markup of a page, and what the mend of its finding makes of that. */
const inMarkup: readonly (readonly [code: string, wrong: string, mended: string])[] = [
	[
		'heading-skips',
		'<h1>Seed</h1><h3 class="x">Be <i>ans</i></h3>',
		'<h1>Seed</h1><h2 class="x">Be <i>ans</i></h2>'
	],
	[
		'id-twice',
		'<h1 id="seed">Seed</h1><p id="seed-2">a</p><p class="b" id="seed">b</p>',
		'<h1 id="seed">Seed</h1><p id="seed-2">a</p><p class="b" id="seed-3">b</p>'
	],
	[
		'reference-nowhere',
		'<h1 id="seed">Seed</h1><section aria-labelledby="sead"></section>',
		'<h1 id="seed">Seed</h1><section aria-labelledby="seed"></section>'
	],
	[
		'link-nowhere',
		'<h1>Seed</h1><a href="/visti?a=1#top">Visit</a>',
		'<h1>Seed</h1><a href="/visit?a=1#top">Visit</a>'
	],
	[
		'label-missing',
		'<h1>Seed</h1><input type="text" placeholder="Kind &amp; year">',
		'<h1>Seed</h1><input aria-label="Kind &amp; year" type="text" placeholder="Kind &amp; year">'
	],
	[
		'image-no-alt',
		'<h1>Seed</h1><img src="pod.svg" width="8" height="8">',
		'<h1>Seed</h1><img alt="" src="pod.svg" width="8" height="8">'
	],
	[
		'markup-table-heads',
		'<h1>Seed</h1><table class="a"><caption>b</caption><tbody><tr><td>Kind</td><td class="n">Years</td></tr><tr><td>Bean</td><td>3</td></tr></tbody></table>',
		'<h1>Seed</h1><table class="a"><caption>b</caption><tbody><tr><th scope="col">Kind</th><th scope="col" class="n">Years</th></tr><tr><td>Bean</td><td>3</td></tr></tbody></table>'
	],
	// In a list each element leads to the one tag that all of them have.
	[
		'image-no-size',
		'<h1>Seed</h1>{for kind in data.kinds}<img src="pod.svg" alt="{kind}">{end}',
		'<h1>Seed</h1>{for kind in data.kinds}<img width="8" height="8" src="pod.svg" alt="{kind}">{end}'
	]
];
const others = {
	'pod.svg': '<svg xmlns="http://www.w3.org/2000/svg" width="8" height="8"/>',
	'data/kinds.json': '["Bean", "Pea"]'
};

for (const [code, wrong, mended] of inMarkup) {
	test(`${code}: its mend writes what is meant, and nothing else`, () => {
		const text = (markup: string): string =>
			`site "Seed" { lang en; bands { narrow 0 } }\ndata kinds from "data/kinds.json"\nlayout frame at / { description "Seed."; region main as main { slot } }\nroute / { title "Home"; piece a """${markup}""" }\nroute /visit { title "Visit"; piece a """<h1>Visit</h1>""" }\n`;
		const found = lookOver(text(wrong), others).findings.filter(
			({ problem }) => problem.code === code
		);
		const [one] = found;
		assert.ok(one && found.length === 1, `${found.length} were found`);
		const site = resolve(text(wrong), others);
		const command = mendOf(one.problem, site);
		assert.ok(command, 'there is a mend');
		const { proposal } = prepare(site, command);
		assert.ok(proposal.kind === 'edit', JSON.stringify(proposal));
		const { texts } = applyChanges(site.reading.files, proposal.changes);
		assert.equal(texts.get('site.eave'), text(mended));
	});
}

test('a heading skipped between two layers names the other one', () => {
	const text = `site "Seed" { lang en; bands { narrow 0 } }\nlayout frame at / { description "Seed."; region main as main { slot }; region side as aside { piece top """<h2>Seed</h2>""" } }\nroute / { title "Home"; piece a """<h1>Lent</h1>"""; fill side after { piece b """<h4>a</h4><h6>b</h6>""" } }\n`;
	const said = lookOver(text).findings.flatMap(({ problem }) => (problem.code === 'heading-skips' ? [sentenceOf(problem)] : []));
	assert.equal(said.length, 2);
	assert.match(said[0] ?? '', /level 4 follows one of level 2 that frame brings:/);
	assert.match(said[1] ?? '', /level 6 follows one of level 4: a level/);
}); // prettier-ignore

test('text that can hardly be read gets the nearest colour of the tokens that is enough', () => {
	const text = (ink: string, tokens = '--paper: #fffdf7; --leaf: #2f6b3a; --ink: #111; --mist: #a9c3ad; --dusk: #2a5e33; --dusk @night: #fff'): string =>
		`site "Seed" { lang en; bands { narrow 0 }; tokens { ${tokens} } }\nlayout frame at / { description "Seed."; style """:scope { background: var(--paper); color: var(--ink) } a { outline: 1px solid var(--leaf) var(--mist) var(--dusk) }"""; region main as main { slot } }\nroute / { title "Home"; piece a """<h1>Seed</h1><p>Lent</p>"""; style """p { color: ${ink}; margin: 0 }""" }\n`;
	const mendIn = (from: string): string | undefined => {
		const one = lookOver(from).findings.find(({ problem }) => problem.code === 'contrast-low');
		const command = one && mendOf(one.problem, resolve(from));
		if (!command) return undefined;
		const { proposal } = prepare(resolve(from), command);
		assert.ok(proposal.kind === 'edit');
		return applyChanges(resolve(from).reading.files, proposal.changes).texts.get('site.eave');
	};
	// A token that is another by night is nearer, and is not known to be enough there.
	assert.equal(mendIn(text('#8fb596')), text('var(--leaf)'));
	assert.equal(mendIn(text('#b9b2a0', '--paper: #fffdf7; --ink: #111 ; --mist: #a9c3ad; --leaf: #c0d0c0; --dusk: #fff')), text('var(--ink)', '--paper: #fffdf7; --ink: #111 ; --mist: #a9c3ad; --leaf: #c0d0c0; --dusk: #fff'));
	assert.equal(mendIn(text('#b9b2a0', '--paper: #fffdf7; --ink: #222; --ink @night: #eee; --mist: #a9c3ad; --leaf: #c0d0c0; --dusk: #fff')), undefined);
}); // prettier-ignore

test('what is meant is not guessed where it is in braces, or where nothing is near', () => {
	const text = `site "Seed" { lang en; bands { narrow 0 } }\npart row """<li id="row">a</li>"""\nlayout frame at / { description "Seed."; region main as main { slot } }\nroute / { title "Home"; piece a """<h1 id="a">Seed</h1><p id="{site.lang}"></p><p id="{site.lang}"></p><ul>{if site.name}{use row}{use row}{end}</ul><a href="/nothing/like/it">x</a><input type="text">""" }\n`;
	const { findings } = lookOver(text);
	const wanted = ['id-twice', 'id-twice', 'link-nowhere', 'label-missing'];
	const found = findings.filter(({ problem }) => wanted.includes(problem.code));
	assert.deepEqual(found.map(({ problem }) => problem.code).sort(), [...wanted].sort());
	for (const { problem } of found)
		assert.equal(mendOf(problem, resolve(text)), undefined, problem.code);
});

test('on sites that were broken a little, each mend leaves a sound site and can be taken back', async () => {
	const { failure, made } = await judgeMends(8, 5);
	assert.equal(failure?.text, undefined, failure?.says);
	assert.ok(made > 3, `${made} mends were made`);
});
