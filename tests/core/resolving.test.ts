import assert from 'node:assert/strict';
import { test } from 'node:test';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { roofline } from '../../src/core/view-models/roofline.ts';
import { routeFor } from '../../src/core/resolve/instance.ts';
import { nearestState } from '../../src/core/resolve/structure.ts';
import { around, codes, lands, marked, only, pageNamed, resolve, sound } from '../lib/site.ts';

const nested = around(`
layout shop at /shop {
  region left as nav { piece list """<p>list</p>""" }
  region shelf as div { slot }
  region foot as footer { piece till """<p>till</p>""" }
  fill head after { piece basket """<p>basket</p>""" }
  title "{page.title} in the shop"
}
layout item at /shop/:item { region card as article { slot } }
layout wide at / on-request { region big as div { slot; piece none """<p>nothing</p>""" } }
layout desk at /desk { under none; region work as main { slot } }
route /shop { title "Shop"; piece body """<p>shop</p>""" }
route /shop/:item { samples "pen", "ink"; piece body """<p>item</p>"""; fill left empty }
route /shop/sale { under wide; piece body """<p>sale</p>""" }
route /shop/print { under none; piece body """<p>print</p>""" }
route /shop/plain { under outer; piece body """<p>plain</p>""" }
route /desk/list { piece body """<p>desk</p>""" }
route /empty { under wide }
state not-found at / { piece sorry """<p>sorry</p>""" }
state loading at /shop { piece wait """<p>wait</p>""" }
`);

function chain(name: string): string[] {
	const resolved = sound(nested);
	return resolved.structure.chainOf(pageNamed(resolved, name)).map((layout) => layout.name.text);
}

test('a page sits under the nearest layout that covers it, a named one, or none', () => {
	assert.deepEqual(chain('/'), ['outer']);
	assert.deepEqual(chain('/shop'), ['outer', 'shop']);
	assert.deepEqual(chain('/shop/:item'), ['outer', 'shop', 'item']);
	assert.deepEqual(chain('/shop/plain'), ['outer']);
	assert.deepEqual(chain('/shop/print'), []);
	assert.deepEqual(chain('/desk/list'), ['desk'], 'a shell of its own stops the chain');
	assert.deepEqual(
		chain('/shop/sale'),
		['outer', 'wide'],
		'on request: under what covers its route'
	);
	assert.deepEqual(chain('not-found at /'), ['outer']);
	assert.deepEqual(chain('loading at /shop'), ['outer', 'shop']);
});

test('a state sits under what it names, and one for those kept out under what is open to everyone', () => {
	const of = (state: string, layouts = ''): string[] => {
		const resolved = sound(
			`site "S" { lang en; roles { visitor; keeper } }
layout commons at / { region main as main { slot } }
layout desk at /desk { admit keeper; region work as div { slot } }
layout loans at /desk/loans { region list as div { slot } }
layout wide at / on-request { region big as div { slot } }
${layouts}
route /desk/loans { title "Loans"; piece t """<h1>x</h1>""" }
state ${state.replace('{', '{ title "T"; piece s """<h1>x</h1>""";')}`
		);
		const [page] = resolved.site.states;
		assert.ok(page);
		return resolved.structure.chainOf(page).map((layout) => layout.name.text);
	};
	assert.deepEqual(of('denied at /desk {}'), ['commons']);
	assert.deepEqual(of('denied at /desk/loans {}'), ['commons'], 'what lies in what is closed is closed');
	assert.deepEqual(of('denied at /desk { under desk }'), ['commons', 'desk']);
	assert.deepEqual(of('denied at /desk { under wide }'), ['commons', 'wide']);
	assert.deepEqual(of('denied at /desk { under none }'), []);
	assert.deepEqual(of('loading at /desk {}'), ['commons', 'desk'], 'who waits is let in');
	assert.deepEqual(of('not-found at /desk { under commons }'), ['commons']);
	const below = 'layout inner at /club/room { region r as div { slot } }\nroute /club { title "Club"; admit keeper; piece t """<h1>x</h1>""" }';
	assert.deepEqual(of('denied at /club/room {}', below), ['commons'], 'a route closes its branch, too');
}); // prettier-ignore

test('content lands in the slot of the innermost layout, inner layouts in the outer slot', () => {
	const resolved = sound(nested);
	assert.deepEqual(lands(resolved, '/shop', 'main'), ['shop']);
	assert.deepEqual(lands(resolved, '/shop', 'shelf'), ['/shop:body']);
	assert.deepEqual(lands(resolved, '/shop/:item', 'card'), ['/shop/:item:body']);
	assert.deepEqual(lands(resolved, '/empty', 'big'), ['wide:none'], 'the slot’s own pieces');
	const bare = resolved.page(pageNamed(resolved, '/shop/print'));
	assert.deepEqual(
		bare.bare.map((one) => one.piece.name.text),
		['body']
	);
});

test('fills apply from the outermost layer inward, and each layer’s step is told', () => {
	const resolved = sound(
		around(`
layout mid at /m {
  region s as div { slot }
  fill head before { piece m1 """1""" }
}
layout low at /m/l { region t as div { slot }; fill head instead { piece l1 """2""" } }
route /m { piece body """x"""; fill head after { piece p1 """3""" } }
route /m/l { piece body """x"""; fill head after { piece p2 """4""" }; fill head before { piece p3 """5""" } }
route /m/l/e { piece body """x"""; fill head empty }
route /m/s { piece body """x"""; fill s before { piece top """6""" }; fill main after { piece under """7""" } }
`)
	);
	assert.deepEqual(lands(resolved, '/m', 'head'), ['mid:m1', 'outer:name', '/m:p1']);
	assert.deepEqual(lands(resolved, '/m/l', 'head'), ['/m/l:p3', 'low:l1', '/m/l:p2']);
	assert.deepEqual(lands(resolved, '/m/l/e', 'head'), []);
	assert.deepEqual(lands(resolved, '/m/s', 's'), ['/m/s:top', '/m/s:body']);
	assert.deepEqual(lands(resolved, '/m/s', 'main'), ['mid', '/m/s:under']);
	const [head] = resolved.page(pageNamed(resolved, '/m/l')).regions;
	assert.deepEqual(
		head?.steps.map((step) => step.action),
		['gave', 'before', 'instead', 'after', 'before']
	);
	const foot = resolved.page(pageNamed(resolved, '/m/l')).regions.find((one) => one.region.locked);
	assert.deepEqual(
		foot?.steps.map((step) => step.action),
		['gave', 'passed', 'passed', 'passed']
	);
});

test('of regions with one name the nearest is meant; the other is reached by its layout', () => {
	const resolved = sound(
		nested +
			`
route /shop/a { piece body """a"""; fill foot instead { piece mine """x""" } }
route /shop/b { piece body """b"""; fill outer.head empty; fill shop.foot after { piece more """x""" } }
`
	);
	assert.deepEqual(lands(resolved, '/shop/a', 'shop.foot'), ['/shop/a:mine']);
	assert.deepEqual(lands(resolved, '/shop/a', 'outer.foot'), ['outer:small']);
	assert.deepEqual(lands(resolved, '/shop/b', 'head'), []);
	assert.deepEqual(lands(resolved, '/shop/b', 'shop.foot'), ['shop:till', '/shop/b:more']);
});

test('a required region needs something from each page', () => {
	const text = around(`
layout must at /r { region box as div { required }; region s as div { slot; required; piece own """o""" } }
route /r { piece body """x"""; fill box instead { piece b """b""" } }
route /r/no-box { piece body """x""" }
route /r/no-content { fill box instead { piece b """b""" } }
`);
	const resolved = resolve(text);
	assert.deepEqual(resolved.problems.map(sentenceOf), [
		'The page /r/no-box leaves box empty, but the layout must requires content there.',
		'The page /r/no-content leaves s empty, but the layout must requires content there.'
	]);
});

test('each mistake of inheritance is an error at its place, in a whole sentence', () => {
	const cases: [string, string, string, RegExp][] = [
		['layout a at /x { under b; region s as main { slot } }\nlayout b at /x on-request { under a; region s as main { slot } }',
			'under-cycle', 'b', /circle: a under b under a/],
		['route /x { under nobody; piece p """x""" }', 'under-unknown', 'nobody', /outer/],
		['layout in at /in { region s as main { slot } }\nroute /out { under in; piece p """x""" }',
			'under-out-of-scope', 'in', /\/out \(at site.eave, line \d+\) cannot sit under in.*\/in \(site.eave, line \d+\)/],
		['layout twin at / { region s as main { slot } }', 'covers-twice', '/', /twin and outer both cover/],
		['layout hole at /h { region r as div { } }\nroute /h/:slug { piece p """x""" }',
			'layout-no-slot', 'hole', /^The layout hole has no slot, so \/h\/:slug does not show\.$/],
		['layout two at /t { region r as div { slot }; region q as div { slot } }', 'layout-two-slots', 'q', /r and in q/],
		['route /x { piece p """x"""; fill nose { piece a """x""" } }', 'fill-no-region', 'nose', /head and main/],
		['route /x { piece p """x"""; fill foot after { piece a """x""" } }', 'fill-locked', 'foot', /outer has locked it/],
		['route /x { piece p """x"""; fill inner.head { piece a """x""" } }', 'fill-no-layout', 'inner.head', /inner/],
		['route /x { piece p """x"""; fill main { piece a """x""" } }', 'fill-slot', 'main', /before and after, not instead/],
		['route /x { piece p """x""" }\nroute /x { }', 'route-twice', '/x', /the other is at site.eave:/],
		['route /x/:a { }\nroute /x/:b { }', 'route-twice', '/x/:b', /twice/],
		['layout outer at /o { region s as main { slot } }', 'layout-twice', 'outer', /two layouts named outer/],
		['state denied at / { piece a """x""" }\nstate denied at / { piece a """x""" }', 'state-twice', 'denied', /twice/]
	]; // prettier-ignore
	for (const [text, code, words, sentence] of cases) {
		const resolved = resolve(around(text));
		assert.equal(marked(resolved, code), words, text);
		assert.match(only(resolved.problems, code).sentence, sentence);
	}
});

test('a layout’s own mistake is reported once, however many pages have it', () => {
	const resolved = resolve(
		around(
			'layout bad at /b { region s as div { slot }; fill nose { piece a """x""" } }\n' +
				'route /b { piece p """x""" }\nroute /b/c { piece p """x""" }'
		)
	);
	assert.deepEqual(codes(resolved), ['site.eave:8:51 fill-no-region']);
});

test('pages of a route with parameters: samples, each, and their mistakes', () => {
	const list = JSON.stringify([
		{ slug: 'kale', name: 'Kale' },
		{ slug: 'pea', name: 'Pea & pod' }
	]);
	const resolved = sound(
		around(
			'data plants from "plants.json"\nroute /p/:slug { each data.plants by slug; title "{item.name}"; piece b """{route.slug}""" }\n' +
				'route /s/:n { samples "a b", "ü"; piece b """x""" }\nroute /f/* { piece b """x""" }\nroute /one/:it { piece b """x""" }'
		),
		{ 'plants.json': list }
	);
	const addresses = (name: string): string[] =>
		resolved.instances(pageNamed(resolved, name)).map((one) => one.address);
	assert.deepEqual(addresses('/p/:slug'), ['/p/kale', '/p/pea']);
	assert.deepEqual(addresses('/s/:n'), ['/s/a%20b', '/s/%C3%BC']);
	assert.deepEqual(addresses('/f/*'), ['/f/rest']);
	assert.deepEqual(addresses('/one/:it'), ['/one/it']);

	const wrong = (declaration: string, json: string): string[] =>
		resolve(around(`data d from "d.json"\n${declaration}`), { 'd.json': json }).problems.map(
			(problem) => problem.code
		);
	assert.deepEqual(wrong('route /p/:a { each data.e by slug; piece b """x""" }', '[]'), ['each-unknown']);
	assert.deepEqual(wrong('route /p/:a { each data.d by slug; piece b """x""" }', '{}'), ['each-not-list']);
	assert.deepEqual(wrong('route /p/:a { each data.d by slug; piece b """x""" }', '[{"slug":"a"},{}]'), ['each-field']);
	assert.deepEqual(wrong('route /p/:a { each data.d by slug; piece b """x""" }', '[{"slug":"a"},{"slug":"a"}]'), ['each-same']);
	assert.deepEqual(wrong('route /p { each data.d by slug; piece b """x""" }', '[]'), ['pages-no-parameter']);
	assert.deepEqual(wrong('route /p/:a/:b { samples "x"; piece b """x""" }', '[]'), ['pages-two-parameters']);
	assert.deepEqual(wrong('route /p { piece b """{data.d.x}""" }', '{"y":1}'), ['expression-unknown']);
	assert.deepEqual(wrong('route /p { piece b """{item.x}""" }', '[]'), ['expression-unknown']);
	assert.deepEqual(
		wrong('route /p/:a { each data.d by slug; piece b """{item.name}""" }', '[{"slug":"a","name":"A"},{"slug":"b"}]'),
		['expression-no-value']
	);
	assert.deepEqual(wrong('', '{ no json'), ['data-not-json']);
}); // prettier-ignore

test('a more specific route wins over a parameter, that over the rest', () => {
	const { site } = resolve(
		around('route /a/* { }\nroute /a/:b { }\nroute /a/c { }\nroute /a/:b/d { }')
	);
	const serves = (address: string): string | undefined =>
		routeFor(site.routes, address)?.pattern.text;
	assert.equal(serves('/a/c'), '/a/c');
	assert.equal(serves('/a/x'), '/a/:b');
	assert.equal(serves('/a/x/d'), '/a/:b/d');
	assert.equal(serves('/a/x/y'), '/a/*');
	assert.equal(serves('/a'), undefined);
	assert.equal(serves('/'), '/');
});

test('the nearest state up the route tree serves a missing page', () => {
	const { site } = sound(nested + '\nstate not-found at /shop/:item { piece gone """x""" }');
	const served = (address: string): string | undefined => {
		const state = nearestState(site, address, 'not-found');
		return state?.at.text;
	};
	assert.equal(served('/nowhere/at/all'), '/');
	assert.equal(served('/shop'), '/');
	assert.equal(served('/shop/pen/blue'), '/shop/:item');
	assert.equal(nearestState(site, '/', 'denied'), undefined);
});

test('roles are read and marked; who is unknown is an error, and so is letting in more than what is around', () => {
	const admits = (text: string): string[] => {
		const resolved = resolve(text.replace('lang en;', 'lang en; roles { visitor; keeper; member };'));
		const told = resolved.problems.map((problem) => problem.code);
		const rows = roofline(resolved).rows.map((row) => `${row.page} ${row.admits.join('+')}`);
		return [...rows, ...told];
	};
	const text = around(
		'layout desk at /desk { under none; admit keeper; region s as main { slot } }\n' +
			'route /desk { piece b """x""" }\nroute /desk/open { admit keeper member; piece b """x""" }'
	);
	assert.deepEqual(admits(text), [
		'/ ', '/desk keeper', '/desk/open keeper', 'admit-wider'
	]);
	assert.ok(admits(around('route /x { admit ghost; piece b """x""" }')).includes('role-unknown'));
}); // prettier-ignore
