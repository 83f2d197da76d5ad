import assert from 'node:assert/strict';
import { test } from 'node:test';
import { deliveryProblems } from '../../src/core/check/delivery.ts';
import {
	errors,
	warnings,
	type ErrorCode,
	type WarningCode
} from '../../src/core/messages/catalogue.ts';
import { sentenceOf, type Problem } from '../../src/core/messages/problem.ts';
import { around, resolve } from '../lib/site.ts';

/** Every message can be come to, by something that one might write, and is a whole sentence at its place. */

interface Case {
	/** The declarations around which there is a site; or all of the text, where `whole`. */
	readonly text: string;
	readonly whole?: true;
	readonly files?: Readonly<Record<string, string>>;
	/** It is found where the site is delivered. */
	readonly delivering?: true;
}

const box = (inner: string): Case => ({
	text: `layout x at /x { region main as main { slot }; region r as div { ${inner} } }`
});
const layout = (inner: string): Case => ({
	text: `layout x at /x { region main as main { slot }; ${inner} }`
});
const page = (inner: string, files?: Case['files']): Case => ({
	text: `route /x { ${inner} }`,
	...(files && { files })
});
const site = (inner: string): Case => ({
	whole: true,
	text: `site "T" { ${inner} }\nlayout f at / { region main as main { slot } }\nroute / { piece b """b""" }`
});
const whole = (text: string): Case => ({ whole: true, text });
const list = { 'list.json': '[{"slug": "kale", "no": {}}, {"slug": "bean"}]' };
const withList = (text: string): Case => ({
	text: `data list from "list.json"\n${text}`,
	files: list
});

const cases: Readonly<Record<ErrorCode | WarningCode, Case>> = {
	'missing-brace': { text: 'route /x { title "a"' },
	'stray-brace': { text: 'route /x { } }' },
	'unexpected-text': page('title "a" "b"'),
	'unclosed-text': page('title "a'),
	'unclosed-block': page('piece a """a'),
	'unclosed-parenthesis': box('width calc(1px'),
	'line-too-long': page(`title "${'a'.repeat(21_000)}"`),
	'nested-too-deep': page('a { '.repeat(60)),
	'more-errors': { text: 'route /x { bad }\n'.repeat(600) },
	// Nothing that one can write should come to it: it is the edge around what no one foresaw.
	'work-failed': { text: '' },
	'said-with-colon': box('width: 20px'),
	'number-too-large': layout('arrange columns 99999'),
	'too-many': site(
		`bands { ${Array.from({ length: 60 }, (_, n) => `b${n} ${n * 10}`).join('; ')} }`
	),
	'open-and-locked': box('open; locked'),
	'listed-twice': site('roles { visitor; visitor }'),
	'unknown-statement': page('hight 20px'),
	'not-yet': layout('sheet "css/own.css"'),
	'name-missing': page('piece """a"""'),
	'name-invalid': page('piece Big """a"""'),
	'block-missing': { text: 'layout x at /x' },
	'block-unwanted': page('title "x" { a }'),
	'markup-missing': page('piece a'),
	'text-missing': page('title'),
	'value-missing': page('each'),
	'value-form': box('width'),
	'end-tag-stray': page('piece a """<p>a</p></div>"""'),
	'token-not-here': {
		whole: true,
		text: `site "T" { bands { narrow 0; wide 900 }; tokens { --a @wide: 1px } }\nlayout f at / { pad var(--a); region main as main { slot } }\nroute / { piece b """b""" }`
	},
	'number-missing': layout('arrange columns'),
	'word-missing': { text: 'data list "list.json"', files: list },
	'route-missing': page('piece a nav from'),
	'route-invalid': { text: 'route /a//b { }' },
	'choice-invalid': box('stick left'),
	'said-twice': page('title "a"; title "b"'),
	'element-invalid': {
		text: 'layout x at /x { region main as main { slot }; region r as br { } }'
	},
	'too-many-sizes': box('gap 1px 2px 3px'),
	'count-zero': box('span 0'),
	'site-address-invalid': site('address "seeds"'),
	'aspect-invalid': box('aspect 0'),
	'shrink-invalid': box('shrink 20px'),
	'fill-share-invalid': layout('arrange row { }; region s as div { size fill 0 }'),
	'expression-unclosed': page('title "{site.name"'),
	'expression-invalid': page('title "{1 + 2}"'),
	'expression-no-text': withList('route /x { title "{data.list}" }'),
	'expression-unknown': page('title "{nothing.here}"'),
	'expression-no-value': withList(
		'route /x/:slug { each data.list by slug; title "{item.colour}" }'
	),
	'tag-invalid': page('piece a """{for x of y}"""'),
	'tag-unclosed': page('piece a """{if site.name}<p>a</p>"""'),
	'tag-stray': page('piece a """<p>a</p>{end}"""'),
	'tag-crossed': page('piece a """<b>{if site.name}</b>{end}"""'),
	'tag-not-here': page('piece a """<p {if site.name}class="a"{end}>a</p>"""'),
	'content-outside': page('piece a """{content}"""'),
	'content-twice': { text: 'part card """{content}{content}"""' },
	'loop-name-taken': withList('route /x { piece a """{for item in data.list}{end}""" }'),
	'loop-not-list': page(
		'piece a """{for x in data.one.slug}{end}""" }\ndata one from "one.json"\nroute /y {',
		{ 'one.json': '{"slug": "a"}' }
	),
	'format-unknown': page('title "{year as money}"'),
	'format-value': withList('route /x { piece a """{for x in data.list}{x.slug as date}{end}""" }'),
	'text-too-long': {
		text: 'data list from "list.json"\nroute /x { piece a """{for x in data.list}{for y in data.list}{y}{end}{end}""" }',
		files: { 'list.json': JSON.stringify(Array.from({ length: 200 }, (_, at) => at)) }
	},
	'condition-never': withList('route /x { piece a """{if data.list.0.colour}a{end}""" }'),
	'parameter-invalid': { text: 'part card(title = = ) """a"""' },
	'part-twice': { text: 'part card """a"""\npart card """b"""' },
	'part-unknown': page('piece a """{use nothing}"""'),
	'part-cycle': { text: 'part one """{use two}"""\npart two """{use one}"""' },
	'parameter-unknown': {
		text: 'part card """a"""\nroute /x { piece a """{use card size="2"}""" }'
	},
	'parameter-missing': {
		text: 'part card(title) """a"""\nroute /x { piece a """{use card}""" }'
	},
	'parameter-value': {
		text: 'part card(tone = plain | ripe) """a"""\nroute /x { piece a """{use card tone="wild"}""" }'
	},
	'expression-place': page('piece a """<script>{site.name}</script>"""'),
	'markup-too-deep': page(`piece a """${'<b>'.repeat(300)}"""`),
	'no-site': whole('layout f at / { region main as main { slot } }\nroute / { }'),
	'no-layout': whole('site "T" { }\nroute / { }'),
	'no-route': whole('site "T" { }\nlayout f at / { region main as main { slot } }'),
	'site-twice': { text: 'site "Again" { }' },
	'layout-twice': { text: 'layout outer at /x { region main as main { slot } }' },
	'route-twice': { text: 'route / { }' },
	'state-twice': { text: 'state not-found at / { }\nstate not-found at / { }' },
	'data-twice': withList('data list from "list.json"'),
	'region-twice': layout('region main as div { }'),
	'piece-twice': page('piece a """a"""; piece a """b"""'),
	'band-twice': site('bands { a 0; a 100 }'),
	'band-order': site('bands { a 0; b 200; c 100 }'),
	'band-first': site('bands { a 100 }'),
	'band-unknown': box('width 20px @huge'),
	'covers-twice': { text: 'layout x at / { region main as main { slot } }' },
	'under-unknown': page('under nobody'),
	'under-out-of-scope': {
		text: 'layout x at /x { region main as main { slot } }\nroute /y { under x }'
	},
	'under-cycle': {
		text: 'layout a at /x on-request { under b; region main as main { slot } }\nlayout b at /x on-request { under a; region main as main { slot } }'
	},
	'layout-no-slot': {
		text: 'layout x at /x { region main as main { } }\nroute /x { piece a """a""" }'
	},
	'layout-two-slots': layout('region other as div { slot }'),
	'role-unknown': page('admit nobody'),
	'fill-no-region': page('fill nothing after { piece a """a""" }'),
	'fill-no-layout': page('fill nobody.head after { piece a """a""" }'),
	'fill-locked': page('fill foot after { piece a """a""" }'),
	'fill-slot': page('fill main instead { piece a """a""" }'),
	'fill-nothing': page('fill head after { }'),
	'fill-empty-pieces': page('fill head empty { piece a """a""" }'),
	'required-unfilled': {
		text: 'layout x at /x { region main as main { slot }; region r as div { required } }\nroute /x { piece a """a""" }'
	},
	'area-unknown': layout('arrange areas { "main other" auto }'),
	'areas-not-rectangle': layout('arrange areas { "main main" auto; "main ." auto }'),
	'areas-uneven': layout('arrange areas { "main main" auto; "main" auto }'),
	'areas-empty': layout('arrange areas { }'),
	'slot-not-arranged': layout('arrange areas { "r" auto }; region r as div { }'),
	'slot-in-areas': {
		text: 'layout x at /x { region main as main { slot; arrange areas { "a" auto } } }'
	},
	'slot-hidden': { text: 'layout x at /x { region main as main { slot; show hidden } }' },
	'show-not-here': page('piece a { show drawer left 20px "Open" } """a"""'),
	'drawer-no-place': {
		text: 'layout x at /x { region r as div { show drawer left 20px "Open" } }'
	},
	'span-too-wide': layout('arrange columns 4; region s as div { span 5 }'),
	'size-invalid': box('width 20'),
	'size-negative': box('width -20px'),
	'share-of-nothing': box('height 50%'),
	'tracks-invalid': layout('arrange areas { "main" auto; columns 1fr 2 }'),
	'token-unknown': box('width var(--nothing)'),
	'data-missing': { text: 'data list from "nothing.json"' },
	'data-not-json': { text: 'data list from "list.json"', files: { 'list.json': '{' } },
	'each-unknown': { text: 'route /x/:slug { each data.nothing by slug }' },
	'each-not-list': {
		text: 'data one from "one.json"\nroute /x/:slug { each data.one by slug }',
		files: { 'one.json': '{}' }
	},
	'each-field': withList('route /x/:slug { each data.list by colour }'),
	'each-same': {
		text: 'data list from "list.json"\nroute /x/:slug { each data.list by slug }',
		files: { 'list.json': '[{"slug": "a"}, {"slug": "a"}]' }
	},
	'address-value': { text: 'route /x/:slug { samples ".." }' },
	'address-twice': { text: 'route /x/:slug { samples "a" }\nroute /x/a { }' },
	'path-twice': {
		text: 'route /x { piece a """<a href="/x/index.html">a</a>""" }',
		files: { 'x/index.html': 'x' },
		delivering: true
	},
	'path-in-file': {
		text: 'route /images/pod.svg { }',
		files: { 'images/pod.svg': '<svg/>' },
		delivering: true
	},
	'pages-no-parameter': page('samples "a"'),
	'pages-two-parameters': { text: 'route /x/:a/:b { samples "a" }' },
	'style-invalid': page('style """a { """'),
	'more-warnings': {
		text: `route /x { ${Array.from({ length: 600 }, (_, n) => `piece p${n} { span 2 } """a"""`).join('; ')} }`
	},
	'region-not-arranged': layout('arrange areas { "main" auto }; region r as div { }'),
	'piece-not-arranged': {
		text: 'layout x at /x { region main as main { slot }; region r as div { arrange areas { "a" auto }; piece a """a""" } }\nroute /x { fill r after { piece b """b""" } }'
	},
	'track-overrun': {
		text: 'layout x at /x { arrange areas { "main" 64px }; region main as main { slot; height 120px } }'
	},
	'area-no-piece': box('arrange areas { "nothing" auto }'),
	'setting-idle': box('span 2'),
	'size-absurd': box('width 99999px'),
	'admit-wider': {
		whole: true,
		text: 'site "T" { roles { visitor; keeper } }\nlayout f at / { admit keeper; region main as main { slot } }\nroute / { admit visitor; piece b """b""" }'
	},
	'seen-by-none': {
		whole: true,
		text: 'site "T" { roles { visitor; keeper } }\nlayout f at / { admit keeper; region main as main { slot } }\nroute / { piece b for visitor """b""" }'
	},
	'required-unfilled-for': {
		whole: true,
		text: 'site "T" { roles { visitor; keeper } }\nlayout f at / { region main as main { slot; required } }\nroute / { piece b for keeper """b""" }'
	},
	'data-url': { text: 'data list from "ftp://seeds.example/list"' },
	'fresh-invalid': { text: 'data list from "https://seeds.example/list" { fresh 5 }' },
	'value-not-given': {
		text: 'data list from "https://seeds.example/list"\nroute /x { title "{data.list.no.such}" }',
		files: { 'copies/list.json': '{}' }
	},
	'pages-not-given': {
		text: 'data list from "https://seeds.example/list"\nroute /x/:slug { each data.list by slug }',
		files: { 'copies/list.json': '{}' }
	},
	'data-no-copy': { text: 'data list from "https://seeds.example/list"' },
	'data-fresh-file': withList('data again from "list.json" { fresh 60s }'),
	'shape-missing': {
		text: 'data list from "list.json" { shape "shape.json" }',
		files: list
	},
	'shape-invalid': {
		text: 'data list from "list.json" { shape "shape.json" }',
		files: { ...list, 'shape.json': '[]' }
	},
	'data-shape': {
		text: 'data list from "list.json" { shape "shape.json" }',
		files: { ...list, 'shape.json': '{"type": "array", "items": {"type": "string"}}' }
	},
	'copy-shape': {
		text: 'data list from "https://seeds.example/list" { shape "shape.json" }',
		files: { 'copies/list.json': '{}', 'shape.json': '{"type": "array"}' }
	},
	'style-of-box': { text: 'layout x at /x { region main as main { slot }; style """:scope { width: 20px }""" }\nroute /x { piece p """x""" }' }, // prettier-ignore
	'nav-empty': page('piece a nav from /nothing')
};

function problemsOf({ text, whole: isWhole, files, delivering }: Case): readonly Problem[] {
	const resolved = resolve(isWhole ? text : around(text), files);
	return delivering
		? [...resolved.problems, ...deliveryProblems(resolved, 2026)]
		: resolved.problems;
}

for (const code of [...Object.keys(errors), ...Object.keys(warnings)]) {
	if (code === 'work-failed') continue;
	test(`${code} is come to, and is a whole sentence`, () => {
		const found = Object.entries(cases).find(([name]) => name === code)?.[1];
		assert.ok(found, 'there is a case for it');
		const problems = problemsOf(found);
		const problem = problems.find((one) => one.code === code);
		assert.ok(problem, `only ${problems.map((one) => one.code).join(', ')}`);
		const sentence = sentenceOf(problem);
		assert.match(sentence, /^["{A-Z\d/]?.*[.!?]$/su);
		assert.doesNotMatch(sentence, /undefined|NaN|\[object/);
		assert.ok(problem.span.file.endsWith('.eave'), 'it has a place in the text');
		assert.equal(problem.severity, code in errors ? 'error' : 'warning');
	});
}
