import assert from 'node:assert/strict';
import { test } from 'node:test';
import { PagePaint } from '../../src/core/author-styles/paint.ts';
import { isColour } from '../../src/core/size/colour.ts';
import { pageNamed, sound } from '../lib/site.ts';

/** The colours that styles give to boxes of a page: which rule wins, at which width, by day and by night. */

const site = sound(
	`site "T" { bands { narrow 0; wide 900 }; tokens { --ink: #111; --ink @night: #eee; --bar: #abcdef; --bar @wide: #123456 } }
layout shell at / {
  region head as header { style """:scope { background: var(--bar) }"""; piece name """<b>T</b>""" }
  region main as main { slot }
  region foot as footer { style """:scope { background: linear-gradient(red, blue) } @media (prefers-color-scheme: dark) { :scope { background-color: #222 } }"""; piece small """<p>foot</p>""" }
  style """
    :scope { color: var(--ink); background: white }
    header { background: #000 }
    main { background: none }
    footer:hover { color: lime }
    @media print { main { background: #999 } }
    @media (max-width: 500px) { main { background: rgb(1 2 3) } }
  """
}
layout inner at /in { region shelf as div { slot } style """:scope { background: #fedcba; color: navy }""" }
route / { title "Home"; piece body """<p>a</p>""" }
route /in { title "In"; piece body """<p>a</p>""" }
`.replace('{ region shelf as div { slot } style', '{ region shelf as div { slot }; style')
);

function paintOf(route: string): PagePaint {
	const [instance] = site.instances(pageNamed(site, route));
	assert.ok(instance);
	return new PagePaint(instance, site, 2026);
}

const day = { width: 600, night: false };

test('of two rules the nearer or later one wins, tokens go with the band and the night, states do not count', () => {
	const page = paintOf('/');
	assert.deepEqual(page.of('shell', undefined, day), { ground: 'white', ink: '#111' });
	assert.deepEqual(page.of('shell', 'head', day), { ground: '#abcdef', ink: '#111' });
	assert.equal(page.of('shell', 'head', { ...day, width: 1000 }).ground, '#123456');
	assert.equal(page.of('shell', 'head', { ...day, night: true }).ink, '#eee', 'it is inherited');
	assert.equal(page.of('shell', 'foot', day).ink, '#111', 'nobody points at it');
});

test('queries hold where they do, and what is no plain colour is seen through', () => {
	const page = paintOf('/');
	assert.equal(page.of('shell', 'main', day).ground, undefined);
	assert.equal(page.of('shell', 'main', { ...day, width: 400 }).ground, 'rgb(1 2 3)');
	assert.equal(page.of('shell', 'foot', { ...day, night: true }).ground, '#222');
});

test('an inner layout has its own colours, and the canvas is dark only where the site has a night', () => {
	const page = paintOf('/in');
	assert.deepEqual(page.of('inner', undefined, day), { ground: '#fedcba', ink: 'navy' });
	assert.deepEqual(page.of('inner', 'shelf', day), { ground: undefined, ink: 'navy' });
	const [instance] = plain.instances(pageNamed(plain, '/'));
	assert.ok(instance);
	const bare = new PagePaint(instance, plain, 2026);
	assert.equal(bare.of(undefined, undefined, { width: 600, night: true }).ground, '#ffffff');
});

const plain = sound('site "T" { }\nlayout f at / { region main as main { slot } }\nroute / { title "A"; piece a """<p>x</p>""" }'); // prettier-ignore

const painted =
	sound(`site "T" { bands { narrow 0; wide 900 }; tokens { --bar: #abcdef; --bar @wide: #123456 } }
layout shell at / {
  background #fffdf7
  region head as header { background var(--bar); piece name """<b>T</b>""" }
  region menu as nav { label "Menu"; background #eef; background none @wide; piece list """<a href="/">Home</a>""" }
  region main as main { slot; background #fff; style """:scope { background: #000 }""" }
}
route / { title "Home"; piece body """<p>a</p>""" }
`);

test('a box is painted as its setting says, in each band, and a style has the last word', () => {
	const [instance] = painted.instances(pageNamed(painted, '/'));
	assert.ok(instance);
	const page = new PagePaint(instance, painted, 2026);
	const ground = (member: string | undefined, width: number): string | undefined =>
		page.of('shell', member, { width, night: false }).ground;
	assert.deepEqual(
		[undefined, 'head', 'menu', 'main'].map((member) => [ground(member, 600), ground(member, 900)]),
		[
			['#fffdf7', '#fffdf7'],
			['#abcdef', '#123456'],
			['#eef', undefined],
			['#000', '#000']
		]
	);
});

test('colours are read as CSS has them', () => {
	const good = ['#f4f1ea', 'white', 'Canvas', 'rgb(0 0 0 / 0.5)', 'oklch(0.7 0.1 200)', 'color-mix(in oklab, red, blue 20%)', 'light-dark(#fff, #000)', 'rgb(from red r g b / 50%)', 'transparent']; // prettier-ignore
	const bad = ['', '#12', 'paper', 'rgb(1 2', 'color-mix(in oklab, red) blue', 'url(a.png)', '12px', 'red blue']; // prettier-ignore
	assert.deepEqual(
		[...good, ...bad].filter((one) => isColour(one)),
		good
	);
});
