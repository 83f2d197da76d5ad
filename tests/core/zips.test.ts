import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { zipSync } from 'fflate';
import { takeIn } from '../../src/core/source/intake.ts';
import { IntakeError } from '../../src/core/source/limits.ts';

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
const site =
	'site "Lent" { }\nlayout f at / { region main as main { slot } }\nroute / { title "Home" }\n';

test('a zip with one bit that is another opens as it was packed, or not at all', () => {
	const picture = Uint8Array.from({ length: 400 }, (_, index) => (index * 7919) % 251);
	for (const level of [0, 6] as const) {
		const packed = zipSync(
			{ 'site.eave': bytesOf(site.repeat(1)), 'images/a.png': picture },
			{ level, mtime: '2026-05-01T12:00:00' }
		);
		const whole = takeIn('site.zip', packed);
		let refused = 0;
		fc.assert(
			fc.property(fc.nat(packed.length * 8 - 1), (bit) => {
				const broken = packed.slice();
				const at = Math.floor(bit / 8);
				broken[at] = (broken[at] ?? 0) ^ (1 << (bit % 8));
				try {
					const taken = takeIn('site.zip', broken);
					assert.deepEqual([...taken.texts.values()], [...whole.texts.values()]);
					assert.deepEqual([...taken.assets.values()], [...whole.assets.values()]);
				} catch (failure) {
					if (!(failure instanceof IntakeError)) throw failure;
					assert.match(failure.message, /[.]$/, 'a sentence says why');
					refused++;
				}
			}),
			{ numRuns: 600 }
		);
		assert.ok(refused > 300, 'most bits are of the content, and are seen');
	}
});
