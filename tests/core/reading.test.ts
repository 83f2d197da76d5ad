import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { readFile } from '../../src/core/source/read/file.ts';
import { around, codes, marked, only, resolve, sound } from '../lib/site.ts';
import { runs } from '../lib/runs.ts';

test('a site, its bands, tokens, layouts, regions and routes are read with their places', () => {
	const text = [
		'site "Seeds \\"&\\" more" {',
		'  lang en-GB',
		'  bands { narrow 0; wide 900 }',
		'  tokens {',
		'    --gutter: 16px          // a comment',
		'    --gutter @wide: clamp(16px, 2vw, 40px)',
		'  }',
		'}',
		'layout frame at / {',
		'  height screen',
		'  arrange areas {',
		'    "head head" auto',
		'    "main side" minmax(0, 1fr)',
		'    columns 1fr 200px; gap 8px var(--gutter)',
		'  }',
		'  region head as header { locked; piece a """<p>one</p>""" }',
		'  region main as main { required; slot }',
		'  region side as aside { open; piece links nav from / depth 2 }',
		'}',
		'route / { title "Home"; piece body """',
		'    <h1>Two</h1>',
		'      <p>lines</p>',
		'  """ }',
		'route /a/:b/* { }'
	].join('\n');
	const { site } = resolve(text);
	assert.equal(site.settings.name.text, 'Seeds "&" more');
	assert.equal(site.settings.lang, 'en-GB');
	assert.deepEqual(
		site.settings.bands.map((band) => [band.name.text, band.from]),
		[
			['narrow', 0],
			['wide', 900]
		]
	);
	assert.deepEqual(
		site.settings.tokens.map((token) => [token.name.text, token.band?.text, token.value.text]),
		[
			['--gutter', undefined, '16px'],
			['--gutter', 'wide', 'clamp(16px, 2vw, 40px)']
		]
	);
	const [layout] = site.layouts;
	const [arrangement] = layout?.arrangements ?? [];
	assert.ok(layout && arrangement?.kind === 'areas');
	assert.deepEqual(
		arrangement.rows.map((row) => [row.cells.join('+'), row.size]),
		[
			['head+head', 'auto'],
			['main+side', 'minmax(0, 1fr)']
		]
	);
	assert.equal(arrangement.gap?.text, '8px var(--gutter)');
	assert.equal(text.slice(layout.name.span.from, layout.name.span.to), 'frame');
	assert.deepEqual(
		layout.regions.map((one) => [one.name.text, one.locked, one.required, one.slot]),
		[
			['head', true, false, false],
			['main', false, true, true],
			['side', false, false, false]
		]
	);
	const [body] = site.routes[0]?.pieces ?? [];
	assert.ok(body?.kind === 'markup');
	assert.deepEqual(body.markup.parts, ['<h1>Two</h1>\n  <p>lines</p>']);
	assert.equal(site.routes[1]?.pattern.key, '/a/:/*');
});

test('every mistake is reported at its place, and what stands around it is still read', () => {
	const resolved = resolve(
		[
			'site "Test" { lang en }',
			'layout one at / {',
			'  colour red',
			'  region main as main { slot }',
			'  region Side as aside { }',
			'  region side { }',
			'}',
			'route visit { }',
			'route / { title "open',
			'  piece body """<p>still here</p>"""',
			'}',
			'route /next { piece body """ok""" } }'
		].join('\n')
	);
	assert.deepEqual(codes(resolved), [
		'site.eave:3:3 unknown-statement',
		'site.eave:5:10 name-invalid',
		'site.eave:6:15 word-missing',
		'site.eave:8:7 route-missing',
		'site.eave:9:17 unclosed-text',
		'site.eave:12:37 stray-brace'
	]);
	assert.deepEqual(
		resolved.site.routes.map((route) => [route.pattern.text, route.pieces.length]),
		[
			['/', 1],
			['/next', 1]
		]
	);
	assert.equal(marked(resolved, 'stray-brace'), '}');
});

test('a brace that is never closed costs only its own declaration', () => {
	const resolved = resolve(
		[
			'site "Test" { lang en }',
			'layout one at / {',
			'  region main as main { slot',
			'  region side as aside { piece note """<p>x</p>""" }',
			'',
			'route / { piece body """<p>home</p>""" }',
			'route /visit { piece body """<p>visit</p>""" }'
		].join('\n')
	);
	assert.deepEqual(
		resolved.site.routes.map((route) => route.pattern.text),
		['/', '/visit']
	);
	const missing = resolved.problems.filter((problem) => problem.code === 'missing-brace');
	assert.equal(missing.length, 2, 'the region’s and the layout’s');
});

test('a block that is never closed ends with its indentation, and the rest is read', () => {
	const resolved = resolve(
		around(
			[
				'route /a {',
				'  piece body """',
				'    <p>never closed</p>',
				'  title "after"',
				'}',
				'route /b { piece body """',
				'    <p>closed</p>',
				'  """ }'
			].join('\n')
		)
	);
	assert.equal(marked(resolved, 'unclosed-block'), '"""');
	const [, a, b] = resolved.site.routes;
	assert.deepEqual(a?.title?.parts, ['after']);
	assert.equal(b?.pieces.length, 1);
});

test('expressions in text: paths, escapes, and mistakes at their own place', () => {
	const resolved = resolve(
		around('route /a {\n  piece body """\n    <p>\\{ {site.name} { x</p>\n    {3}\n  """\n}')
	);
	const [piece] = resolved.site.routes[1]?.pieces ?? [];
	assert.ok(piece?.kind === 'markup');
	assert.equal(piece.markup.parts[0], '<p>{ ');
	assert.deepEqual(codes(resolved), [
		'site.eave:10:23 expression-unclosed',
		'site.eave:11:5 expression-invalid'
	]);
});

test('names, places and orders that cannot be', () => {
	const cases: [string, string][] = [
		['route /x { piece a """1"""; piece a """2""" }', 'piece-twice'],
		['layout x at /x { region a as main { slot }; region a as div { } }', 'region-twice'],
		['layout x at /x { region a as blink { slot } }', 'element-invalid'],
		['route /x/ { }', 'route-invalid'],
		['route /x/*/y { }', 'route-invalid'],
		['route /x { title "a"; title "b" }', 'said-twice'],
		['route /x { fill head sideways { piece a """1""" } }', 'choice-invalid'],
		['route /x { fill head { } }', 'fill-nothing'],
		['route /x { piece a nav from / depth few }', 'number-missing'],
		['route /x { piece a }', 'markup-missing'],
		['route /x { style """p { color: red """ }', 'style-invalid'],
		['route /x { style """p { color: red } }""" }', 'style-invalid'],
		['layout x at /x { arrange areas { "a b" auto; "a" auto }; region a as main { slot } }', 'areas-uneven'],
		['layout x at /x { arrange areas { "a b"; "b a" }; region a as main { slot }; region b as div { } }', 'areas-not-rectangle'],
		['layout x at /x { arrange areas { "a z" }; region a as main { slot } }', 'area-unknown'],
		['layout x at /x { arrange areas { "b" }; region a as main { slot }; region b as div { } }', 'slot-not-arranged'],
		['data d from "no.json"', 'data-missing'],
		['state gone at / { piece a """x""" }', 'choice-invalid']
	]; // prettier-ignore
	for (const [declaration, code] of cases) {
		const problems = resolve(around(declaration)).problems;
		assert.ok(
			problems.some((problem) => problem.code === code),
			`${declaration}: ${problems.map((problem) => problem.code).join(' ') || 'no problem'}`
		);
	}
	const bands = (list: string): string => `site "T" { bands { ${list} } }`;
	assert.ok(only(resolve(bands('a 0; b 600; c 600')).problems, 'band-order'));
	assert.ok(only(resolve(bands('a 10; b 600')).problems, 'band-first'));
	assert.ok(only(resolve(bands('a 0; a 600')).problems, 'band-twice'));
	const token = 'site "T" { tokens { --a @huge: 1px }; bands { a 0; b 600 } }';
	assert.equal(marked(resolve(token), 'band-unknown'), '@huge');
});

test('a site without a name, a layout or a route says so', () => {
	const names = resolve('// nothing').problems.map((problem) => problem.code);
	assert.deepEqual(names, ['no-site', 'no-route']);
});

test('declarations may stand in any file and order', () => {
	const split = sound('route /b { piece body """<p>b</p>""" }', {
		'a/layouts.eave': 'layout one at / { region main as main { slot } }',
		'z.eave':
			'site "Split" { lang de }\r\nroute / {\r\n  piece body """\r\n    <p>home</p>\r\n  """\r\n}\r\n'
	});
	assert.equal(split.site.routes.length, 2);
	const [piece] = split.site.routes[1]?.pieces ?? [];
	assert.ok(piece?.kind === 'markup');
	assert.deepEqual(piece.markup.parts, ['<p>home</p>'], 'without the carriage return');
});

test('reading never throws, and its places lie inside the text', () => {
	const words = fc.constantFrom(
		'site "A" {', 'layout a at / {', 'region b as main {', 'slot', 'route /x {', 'piece p """',
		'"""', '}', '{', '(', ')', '"', '\n', ';', ' ', 'fill b after', '{site.name}', '//', '@', 'é', '\0'
	); // prettier-ignore
	fc.assert(
		fc.property(fc.array(words, { maxLength: 60 }), (parts) => {
			const text = parts.join(' ');
			const { problems } = readFile('site.eave', text);
			for (const { span } of problems) {
				assert.ok(span.from >= 0 && span.from <= span.to && span.to <= text.length + 1);
			}
		}),
		runs(200, 7)
	);
});

test('a file read again after an edit says what it says when read anew', () => {
	const base = [
		'site "A" { lang en }',
		'layout f at / {',
		'  region main as main { slot }',
		'  region side as aside {',
		'    piece note """',
		'      <p>one</p>',
		'    """',
		'  }',
		'}',
		'route / { piece body """<p>home</p>""" }',
		'route /a { title "A" } // end'
	].join('\n');
	const insert = fc.constantFrom(
		'',
		'"""',
		'\n',
		'}',
		'{',
		'x',
		'\nroute /b { }\n',
		'"',
		'  ',
		'//',
		';'
	);
	const edit = fc.record({ at: fc.nat(base.length), length: fc.nat(12), insert });
	fc.assert(
		fc.property(fc.array(edit, { minLength: 1, maxLength: 8 }), (edits) => {
			let reading = readFile('site.eave', base);
			for (const { at, length, insert } of edits) {
				const text = reading.text.slice(0, at) + insert + reading.text.slice(at + length);
				reading = readFile('site.eave', text, reading);
				const fresh = readFile('site.eave', text);
				assert.deepEqual(reading.declarations, fresh.declarations, text);
				assert.deepEqual(reading.problems, fresh.problems, text);
			}
		}),
		{ ...runs(150, 9), includeErrorInReport: true }
	);
});
