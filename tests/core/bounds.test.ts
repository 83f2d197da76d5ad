import assert from 'node:assert/strict';
import { test } from 'node:test';
import { fixedSize } from '../../src/core/geometry/pieces/piece-size.ts';
import { Guesses } from '../../src/core/laid/guesses.ts';
import { layoutBy } from '../../src/core/laid/laid-page.ts';
import { fillKinds, fillKindsOf } from '../../src/core/model/site.ts';
import { breakpointNear } from '../../src/core/resolve/bands.ts';
import { around, codes, resolve } from '../lib/site.ts';

test('a breakpoint stays between its neighbours, in whole px', () => {
	const bands = [{ from: 0 }, { from: 600 }, { from: 1000 }];
	assert.equal(breakpointNear(bands, 1, 700.4), 700);
	assert.equal(breakpointNear(bands, 1, -20), 1);
	assert.equal(breakpointNear(bands, 1, 1200), 999);
	assert.equal(breakpointNear(bands, 2, 100), 601);
	assert.equal(breakpointNear(bands, 2, Infinity), 9999);
});

test('what a region says of fills is what the language takes and refuses', () => {
	for (const slot of [true, false]) {
		for (const locked of [true, false]) {
			const kinds = fillKindsOf({ slot, locked });
			for (const kind of fillKinds) {
				const name = slot ? 'r' : 's';
				const pieces = kind === 'empty' ? '' : '{ piece a """a""" }';
				const text = around(
					`layout x at /x { region r as div { slot${slot && locked ? '; locked' : ''} }; region s as div { ${!slot && locked ? 'locked' : ''} } }\n` +
						`route /x { piece b """b"""; fill ${name} ${kind} ${pieces} }`
				);
				const refused = codes(resolve(text)).filter((one) => /fill-(locked|slot)/.test(one));
				assert.equal(
					refused.length === 0,
					kinds.includes(kind),
					`${name} ${kind} ${String(locked)}`
				);
			}
		}
	}
});

test('words that every object knows are words like any other', () => {
	const site = resolve(`site "Odd" { lang en; bands { narrow 0 }; tokens { --constructor: 4px } }
part constructor { } """<b class="__proto__">{content}</b>"""
layout constructor at / {
	region head as header { piece constructor """<constructor valueOf="x"><p>Odd</p></constructor>""" }
	region main as main { slot; style """constructor { constructor: 1px; toString: 3; width: 4constructor }""" }
}
route /:constructor { title "{route.constructor}"; piece a """<__proto__>{use constructor}x{end}</__proto__>""" }`);
	assert.deepEqual(site.problems.filter(({ severity }) => severity === 'error'), []); // prettier-ignore
	const [instance] = site.routes.flatMap((route) => site.instances(route));
	assert.equal(instance?.address, '/constructor');
	assert.ok(instance);
	const guesses = new Guesses(instance, site, 2026);
	const pieces = [{ piece: 'constructor', owner: 'constructor' }];
	const size = guesses.of({ layout: 'constructor', region: 'head', pieces, opener: false });
	assert.ok(size.heightAt(300, { width: 300, height: 600 }) > 10);
	for (const path of ['site.constructor', 'page.toString', 'route.valueOf']) {
		const wrong = resolve(around(`route /x { piece a """{${path}}""" }`));
		assert.ok(
			wrong.problems.some(({ code }) => code === 'expression-unknown'),
			path
		);
	}
});

test('layouts in each other beyond what can be worked out are refused at their place', () => {
	const deep = Array.from(
		{ length: 500 },
		(_, index) =>
			`layout l${index} at / ${index > 0 ? 'on-request ' : ''}{ ${index > 0 ? `under l${index - 1}; ` : ''}region r as div { slot } }`
	);
	const site = resolve(
		['site "Deep" { bands { narrow 0 } }', ...deep, 'route / { under l499; piece a """a""" }'].join('\n') // prettier-ignore
	);
	const found = site.problems.filter(({ code }) => code === 'under-too-deep');
	assert.ok(found.length > 0);
	const [instance] = site.routes.flatMap((route) => site.instances(route));
	assert.ok(instance);
	const boxes = layoutBy(() => fixedSize(4, 4), instance, site, 0).boxesAt({ width: 900, height: 600 }); // prettier-ignore
	assert.ok(boxes.length < 200);
});
