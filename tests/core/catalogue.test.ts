import assert from 'node:assert/strict';
import { test } from 'node:test';
import { deliveryProblems } from '../../src/core/check/delivery.ts';
import { wholeExample } from '../../src/core/check/example.ts';
import { checks } from '../../src/core/check/list.ts';
import { foundElsewhere } from '../../src/core/check/elsewhere.ts';
import { catalogue, type Code } from '../../src/core/messages/catalogue.ts';
import { severities } from '../../src/core/messages/severity.ts';
import type { Problem } from '../../src/core/messages/problem.ts';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { lookOver } from '../lib/findings.ts';
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
const framed = (markup: string, more: string): Case => ({
	text: `layout x at /x { frame """${markup}"""; ${more} }`
});
const withList = (text: string): Case => ({
	text: `data list from "list.json"\n${text}`,
	files: list
});

const cases: Readonly<Partial<Record<Code, Case>>> = {
	'moved-parameters': page('moved "/y/:id"'),
	'reason-missing': page('allow style-unused ""'),
	'missing-brace': { text: 'route /x { title "a"' },
	'stray-brace': { text: 'route /x { } }' },
	'unexpected-text': page('title "a" "b"'),
	'unclosed-text': page('title "a'),
	'unclosed-block': page('piece a """a'),
	'unclosed-parenthesis': box('width calc(1px'),
	'line-too-long': page(`title "${'a'.repeat(21_000)}"`),
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
	'name-missing': page('piece """a"""'),
	'name-invalid': page('piece Big """a"""'),
	'block-missing': { text: 'layout x at /x' },
	'block-unwanted': page('title "x" { a }'),
	'markup-missing': page('piece a'),
	'text-missing': page('title'),
	'value-missing': page('each'),
	'value-form': box('width'),
	'number-missing': layout('arrange columns 3 rows'),
	'word-missing': { text: 'data list "list.json"', files: list },
	'route-missing': page('piece a nav from'),
	'route-invalid': { text: 'route /a//b { }' },
	'choice-invalid': box('stick left'),
	'element-invalid': {
		text: 'layout x at /x { region main as main { slot }; region r as br { } }'
	},
	'too-many-sizes': box('gap 1px 2px 3px'),
	'margin-auto': box('margin auto'),
	'count-zero': box('span 0'),
	'site-address-invalid': site('address "seeds"'),
	'aspect-invalid': box('aspect 0'),
	'shrink-invalid': box('shrink 20px'),
	'fill-share-invalid': layout('arrange row { }; region s as div { size fill 0 }'),
	'expression-unclosed': page('title "{site.name"'),
	'expression-invalid': page('title "{1 + 2}"'),
	'frame-arranged': framed('{slot}', 'gap 8px'),
	'frame-style': framed('{slot}', 'style """p { color: green }"""'),
	'frame-no-place': framed('{slot}', 'region side { locked }'),
	'frame-place-repeated': {
		text: `data list from "list.json"\n${framed('{for x in data.list}{region r}{end}{end}{slot}', '').text}`,
		files: list
	},
	'frame-place-inside': framed('{region r}{slot}{end}', ''),
	'attributes-invalid': page('attributes body """class="a"><b"""'),
	'tag-invalid': page('piece a """{for x of y}"""'),
	'loop-name-taken': withList('route /x { piece a """{for item in data.list}{end}""" }'),
	'format-unknown': page('title "{year as money}"'),
	'parameter-invalid': { text: 'part card(title = = ) """a"""' },
	'part-twice': { text: 'part card """a"""\npart card """b"""' },
	'no-site': whole('layout f at / { region main as main { slot } }\nroute / { }'),
	'no-route': whole('site "T" { }\nlayout f at / { region main as main { slot } }'),
	'site-twice': { text: 'site "Again" { }' },
	'layout-twice': { text: 'layout outer at /x { region main as main { slot } }' },
	'route-twice': { text: 'route / { }' },
	'state-twice': { text: 'state not-found at / { }\nstate not-found at / { }' },
	'data-twice': withList('data list from "list.json"'),
	'band-twice': site('bands { a 0; a 100 }'),
	'band-night': site('bands { a 0; night 200 }'),
	'night-size': site('tokens { --a: 1px; --a @night: 2px }'),
	'band-first': site('bands { a 100 }'),
	'fill-nothing': page('fill head after { }'),
	'fill-empty-pieces': page('fill head empty { piece a """a""" }'),
	'areas-empty': layout('arrange areas { }'),
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
	'data-url': { text: 'data list from "ftp://seeds.example/list"' },
	'fresh-invalid': { text: 'data list from "https://seeds.example/list" { fresh 5 }' },
	'pages-not-given': {
		text: 'data list from "https://seeds.example/list"\nroute /x/:slug { each data.list by slug }',
		files: { 'copies/list.json': '{}' }
	},
	'semicolon-missing': { text: 'route /x { title "X" piece p """<p>x</p>""" }' },
	'data-no-copy': { text: 'data list from "https://seeds.example/list"' }
};

function problemsOf({ text, whole: isWhole, files, delivering }: Case): readonly Problem[] {
	const resolved = resolve(isWhole ? text : around(text), files);
	return delivering
		? [...resolved.problems, ...deliveryProblems(resolved, 2026)]
		: resolved.problems;
}

/** What shows in a browser alone is come to in one, where a test opens pages. */
const shown = new Set<string>(
	foundElsewhere.flatMap((check) => (check.inBrowser ? check.codes : []))
);

/** Those of checks have an example. */
const examples = new Map(
	[...foundElsewhere, ...checks].flatMap((check) => Object.entries(check.examples))
);

for (const severity of severities) {
	for (const code of Object.keys(catalogue[severity])) {
		if (code === 'work-failed' || shown.has(code)) continue;
		test(`${code} is come to, and is a whole sentence`, () => {
			const found = Object.entries(cases).find(([name]) => name === code)?.[1];
			const example = examples.get(code);
			assert.ok(found ?? example, 'there is a case for it');
			const problems = found
				? problemsOf(found)
				: lookOver(wholeExample(example?.wrong ?? ''), example?.files).findings.map(
						(one) => one.problem
					);
			const problem = problems.find((one) => one.code === code);
			assert.ok(problem, `only ${problems.map((one) => one.code).join(', ')}`);
			const sentence = sentenceOf(problem);
			assert.match(sentence, /^["{A-Z\d/<-]?.*[.!?]$/su);
			assert.doesNotMatch(sentence, /undefined|NaN|\[object/);
			assert.match(problem.span.file, /\.(eave|css)$/, 'it has a place in the text');
			assert.equal(problem.severity, severity);
		});
	}
}
