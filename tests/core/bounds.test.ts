import assert from 'node:assert/strict';
import { test } from 'node:test';
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
