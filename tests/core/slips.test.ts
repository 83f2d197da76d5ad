import assert from 'node:assert/strict';
import { test } from 'node:test';
import { deliver } from '../../src/core/emit/delivery.ts';
import { roofline } from '../../src/core/view-models/roofline.ts';
import { openersOf } from '../../src/core/resolve/boxes/drawers.ts';
import { applyChanges, placeAfter, placeBefore } from '../../src/core/source/change.ts';
import { settings, settingsOn } from '../../src/core/settings/list.ts';
import { Desk } from '../../src/workers/desk/desk.ts';
import { filesOf } from '../lib/desk.ts';
import { around, codes, marked, only, resolve, sound } from '../lib/site.ts';

/** Slips of the hand: each is a problem at its place, and what stands around it goes on. */

const home = { page: '/', address: undefined };

/** Values of settings that are no size and have none to begin with. */
const examples: Readonly<Record<string, string>> = {
	shrink: '80px to 40px',
	label: '"Main menu"'
};

test('a colon behind a setting’s name is an error with a mend, whatever the setting', () => {
	for (const kind of settingsOn('region')) {
		const value = settings[kind].first ?? examples[kind] ?? '200px';
		const text = around(
			`layout x at /x { region main as main { slot }; region r as div {\n${kind}: ${value}\n} }`
		);
		const resolved = resolve(text);
		const problem = only(resolved.problems, 'said-with-colon');
		assert.ok(problem.mend, kind);
		const { span, insert } = problem.mend;
		const { texts } = applyChanges(resolved.reading.files, [
			{ kind: 'edit', file: span.file, from: span.from, to: span.to, insert }
		]);
		const mended = resolve(texts.get('site.eave') ?? '');
		assert.deepEqual(
			mended.problems.filter((one) => one.severity === 'error'),
			[],
			kind
		);
		assert.match(
			texts.get('site.eave') ?? '',
			new RegExp(`\n${kind}( ${value.replaceAll(/[()/]/g, '.')})?\n`)
		);
	}
	assert.equal(
		only(
			resolve(around('layout x at /x { region main as main { slot; width: 200px } }')).problems,
			'said-with-colon'
		).sentence,
		'"width" has no colon here: write width 200px.'
	);
});

const deepMarkup = `route /deep { piece a """
${'<b>\n'.repeat(20_000)}x
""" }`;

for (const [name, text, code] of [
	[
		'a mark that is no size',
		'layout x at /x { region main as main { slot; gap > } }',
		'size-invalid'
	],
	['a block begun in the route', 'layout t at/{gap>', 'size-invalid'],
	[
		'a parenthesis that stays open',
		'layout x at /x { pad var(--gutter; region main as main { slot } }',
		'unclosed-parenthesis'
	],
	[
		'2,000 calculations inside each other',
		`layout x at /x { width ${'calc('.repeat(2000)}1px${')'.repeat(2000)}; region main as main { slot } }`,
		'size-invalid'
	],
	['20,000 elements inside each other', deepMarkup, 'markup-too-deep'],
	[
		'40 calculations inside each other',
		`layout x at /x { width ${'calc('.repeat(40)}1px${')'.repeat(40)}; region main as main { slot } }`,
		'size-invalid'
	],
	[
		'nothing in a sum without its unit',
		'layout x at /x { width calc(0 + 10px); region main as main { slot } }',
		'size-invalid'
	],
	[
		'nothing in max() without its unit',
		'layout x at /x { width max(0, 10px); region main as main { slot } }',
		'size-invalid'
	],
	[
		'rows without end',
		'layout x at /x { region main as main { slot; arrange columns 4; piece p { span 2 by 99999999 } """x""" } }',
		'number-too-large'
	],
	[
		'more columns than any page has',
		'layout x at /x { arrange columns 99999999; region main as main { slot } }',
		'number-too-large'
	],
	[
		'a style that never closes',
		`layout x at /x { region main as main { slot }; style """${'a{'.repeat(3000)}""" }`,
		'style-invalid'
	]
] as const) {
	test(`${name} is a problem at its place, and the rest goes on`, () => {
		const resolved = resolve(around(text));
		assert.ok(
			codes(resolved).some((one) => one.endsWith(` ${code}`)),
			codes(resolved).join('\n')
		);
		assert.ok(roofline(resolved).rows.length > 0);
		deliver(resolved, 2000);
	});
}

test('a token that is no value, and a half of a character in data, are problems too', () => {
	for (const value of ['.', '#', ',', '(']) {
		const text = `site "T" { tokens { --a: ${value} } }\nlayout f at / { width var(--a); region main as main { slot } }\nroute / { }`;
		assert.ok(
			resolve(text).problems.some((one) => one.severity === 'error'),
			value
		);
	}
	const data = { 'list.json': '[{"slug": "\\ud800"}, {"slug": "kale"}]' };
	const resolved = resolve(
		around('data list from "list.json"\nroute /x/:slug { each data.list by slug }'),
		data
	);
	assert.match(only(resolved.problems, 'address-value').sentence, /half a character/);
});

test('a number of bands, of lines with errors and of layers is bounded or no more than its share of work', () => {
	const bands = Array.from({ length: 500 }, (_, at) => `b${at} ${at * 10}`).join('; ');
	assert.equal(
		only(
			resolve(around('').replace('bands { narrow 0; wide 1000 }', `bands { ${bands} }`)).problems,
			'too-many'
		).severity,
		'error'
	);
	// A square of this would be minutes.
	assert.ok(resolve(around('nonsense here 5 }\n'.repeat(40_000))).problems.length > 0);
	const many = resolve(around('nonsense here 5 }\n'.repeat(3000))).problems;
	assert.equal(many.length, 501);
	assert.match(only(many, 'more-errors').sentence, /more errors are not listed/);
});

test('what fails in spite of all names the declaration, and the drawings stay', () => {
	const desk = new Desk(2026);
	const text = around(
		'data opening from "o.json"\nroute /a { piece p """<p>{data.opening.x}</p>""" }'
	);
	const opened = desk.open({ texts: new Map([['site.eave', text]]), assets: new Map() }, home, 0);
	assert.match(opened.page?.html ?? '', /home/);
	// A file whose bytes cannot even be asked for, as nothing that is read by the application is.
	const broken = new Map([
		[
			'o.json',
			new Proxy(new Uint8Array(2), {
				get: () => {
					throw new Error('gone');
				}
			})
		]
	]);
	const shown = desk.open({ texts: new Map([['site.eave', text]]), assets: broken }, home, 0);
	assert.ok(
		shown.site.problems.some((one) => one.code === 'work-failed' || one.code === 'data-not-json')
	);
});

test('places lead to the text as it is while it has errors', () => {
	const text = around('route /a { piece p """<p>a</p>""" }');
	const desk = new Desk(2026);
	desk.open(filesOf(text), home, 0);
	const at = text.indexOf('layout outer');
	const insert = '// one\n// two\n} {\n';
	desk.change([{ kind: 'edit', file: 'site.eave', from: at, to: at, insert }], home, 0);
	const place = desk.places.placeOf({
		kind: 'route',
		layer: '/a',
		region: undefined,
		piece: undefined
	});
	const now = text.slice(0, at) + insert + text.slice(at);
	assert.equal(place?.at, now.indexOf('route /a'));
	assert.equal(place?.line, now.slice(0, place?.at).split('\n').length);
	const change = { kind: 'edit', file: 'f', from: 4, to: 6, insert: 'xyz' } as const;
	assert.deepEqual(
		[3, 4, 5, 6, 9].map((one) => placeAfter('f', one, [change])),
		[3, 4, 4, 7, 10]
	);
	assert.deepEqual(
		[3, 4, 6, 7, 10].map((one) => placeBefore('f', one, [change])),
		[3, 4, 4, 6, 9]
	);
});

test('what has no effect is said where it stands', () => {
	const areas = 'region side as aside { arrange areas { "note" auto } ; piece note """n""" }';
	const layout = (inside: string): string =>
		around(`layout in at /in { region body as div { slot }; ${inside} }`);
	const landing = (route: string, inside = areas): ReturnType<typeof resolve> =>
		resolve(layout(inside) + `\nroute /in/a { ${route} }`);
	assert.match(
		only(
			landing('piece b """x"""; fill side after { piece other """o""" }').problems,
			'piece-not-arranged'
		).sentence,
		/^other of \/in\/a lands in side, which in arranges in areas/
	);
	assert.deepEqual(landing('piece b """x"""; fill side after { piece note """o""" }').problems, []);
	const columns = 'region side as aside { arrange columns 4 }';
	assert.equal(
		marked(
			landing('piece b """x"""; fill side { piece wide { span 9 } """o""" }', columns),
			'span-too-wide'
		),
		'span 9'
	);
	assert.equal(marked(landing('piece b { size fill } """x"""'), 'setting-idle'), 'size fill');
	const head = (row: string): ReturnType<typeof resolve> =>
		resolve(
			around(
				`layout in at /in { arrange areas { "top" ${row}; "body" 1fr }; region top as header { shrink 120px to 60px; piece p """x""" }; region body as div { slot } }`
			)
		);
	assert.match(
		only(head('64px').problems, 'track-overrun').sentence,
		/^top is 120px tall, but its row is 64px/
	);
	for (const row of ['120px', 'auto', '1fr', '10vh']) assert.deepEqual(head(row).problems, [], row);
});

test('a required slot is required behind inner layouts too', () => {
	const text = (content: string): string =>
		['site "T" { }', 'layout outer at / { region main as main { slot; required } }',
			'layout inner at /in { region body as div { slot; piece own """own""" } }', 'route / { piece b """x""" }', `route /in/a { ${content} }`].join('\n'); // prettier-ignore
	assert.equal(marked(resolve(text('')), 'required-unfilled'), '/in/a');
	sound(text('piece b """x"""'));
	sound(text('fill body after { piece b """x""" }'));
});

test('a drawer’s opener stands where it shows', () => {
	const drawer = 'region menu as nav { show drawer left 200px "Menu"; piece m """m""" }';
	const resolved = resolve(
		around(
			`layout x at /x { wrapper w { show hidden; region one as div { } }; ${drawer}; region body as div { slot } }`
		)
	);
	const layout = resolved.site.layouts.find((one) => one.name.text === 'x');
	assert.ok(layout);
	const [opener] = openersOf(layout, resolved.site.settings.bands);
	assert.equal(opener?.host.name.text, 'body');
	const nowhere = resolve(
		around(
			`layout x at /x { arrange areas { "body" 1fr }; ${drawer}; region one as div { }; region body as div { slot; arrange areas { "b" auto } } }`
		)
	);
	only(nowhere.problems, 'drawer-no-place');
});

test('“none” and “auto” bound nothing: a region with a scroll of its own fills the screen', () => {
	for (const setting of ['', 'stick none;', 'height auto;', 'max none none;']) {
		const resolved = sound(
			around(
				`layout x at /x { height screen; region body as div { slot; scroll own; ${setting} } }\nroute /x { piece b """x""" }`
			)
		);
		const sheet = deliver(resolved, 2000).find((file) => file.path === 'styles/layouts/x.css');
		assert.match(String(sheet?.content), /(^|\s)height: 100dvh/, setting);
	}
});

test('what is said twice, or is no text, is reported', () => {
	const site = (inside: string): ReturnType<typeof resolve> =>
		resolve(`site "T" { ${inside} }\nlayout f at / { region main as main { slot } }\nroute / { }`);
	assert.equal(marked(site('bands { a 0 }; bands { b 0 }'), 'said-twice'), 'bands');
	assert.equal(marked(site('roles { one; one }'), 'listed-twice'), 'one');
	assert.equal(marked(site('roles { 9z }'), 'name-invalid'), '9z');
	assert.match(
		only(site('bands { a 0 }; tokens { --a: 1px; --a: 2px; --a @a: 3px }').problems, 'listed-twice')
			.sentence,
		/--a is listed twice/
	);
	assert.equal(
		marked(resolve(around('route /x/:y { samples "a", "b", "a" }')), 'listed-twice'),
		'"a"'
	);
	assert.equal(
		marked(
			resolve(
				around('layout x at /x { region a as div { open; locked }; region b as div { slot } }')
			),
			'open-and-locked'
		),
		'locked'
	);
	const data = { 'd.json': '{"list": [1], "group": {"a": 1}, "text": "t"}' };
	const said = (path: string): ReturnType<typeof resolve> =>
		resolve(around(`data d from "d.json"\nroute /x { piece p """{${path}}""" }`), data);
	assert.match(only(said('data.d').problems, 'expression-no-text').sentence, /a group of values/);
	assert.match(only(said('data.d.list').problems, 'expression-no-text').sentence, /a list/);
	assert.deepEqual(said('data.d.text').problems, []);
});

test('the likely slips are said once, with what to write, and nothing that follows from them', () => {
	const site = 'site "Lent" { lang en; bands { narrow 0 }; tokens { --a: 1px } }';
	const frame =
		'layout f at / { description "S"; arrange stack { gap 4px }; region main as main { slot; width 300px }; region side as aside { piece b """<p>x</p>"""; stick top } }';
	const page = 'route / { title "Home"; piece a """<h1>Seed</h1>"""; piece b """<p>x</p>""" }';
	const whole = [site, frame, page].join('\n');
	assert.deepEqual(resolve(whole).problems.filter(({ severity }) => severity === 'error'), []);
	const slips: [right: string, wrong: string, code: string][] = [
		['}; tokens', '} tokens', 'semicolon-missing'],
		['}; region main', '} region main', 'semicolon-missing'],
		['}; region side', '} region side', 'semicolon-missing'],
		['"S"; arrange', '"S" arrange', 'semicolon-missing'],
		['"""; stick', '""" stick', 'semicolon-missing'],
		['"""; piece b', '""" piece b', 'semicolon-missing'],
		['region main', 'regoin main', 'unknown-statement'],
		['piece a', 'peice a', 'unknown-statement'],
		['width 300px', 'widht 300px', 'unknown-statement'],
		['stick top', 'stick topp', 'choice-invalid'],
		['title "Home"', 'titel "Home"', 'unknown-statement']
	];
	for (const [right, wrong, code] of slips) {
		const text = whole.replace(right, wrong);
		assert.notEqual(text, whole, right);
		const problems = resolve(text).problems.filter(({ severity }) => severity === 'error');
		assert.deepEqual(problems.map((one) => one.code), [code], wrong);
		const mend = problems[0]?.mend;
		assert.ok(mend, wrong);
		const after = text.slice(0, mend.span.from) + mend.insert + text.slice(mend.span.to);
		assert.equal(after, whole, wrong);
	}
	const swallowed = resolve(whole.replace('"S"; ', '"S\n')).problems.filter(({ severity }) => severity === 'error');
	assert.deepEqual(swallowed.map(({ code }) => code), ['unclosed-text']);
	const open = resolve(whole.replace('top } }', 'top }')).problems.filter(({ severity }) => severity === 'error');
	assert.deepEqual(open.map(({ code }) => code), ['missing-brace']);
}); // prettier-ignore
