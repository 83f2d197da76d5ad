import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import type { Setting } from '../../src/core/model/setting.ts';
import type { Band } from '../../src/core/model/site.ts';
import type { Named, Span } from '../../src/core/model/span.ts';
import { settingHolding, settingsAt } from '../../src/core/resolve/bands.ts';

/** What holds in a band is what was said last for it or for a narrower one, however often it is asked. */

const span: Span = { file: 'site.eave', from: 0, to: 0 };
const named = (text: string): Named => ({ text, span });
const bandNames = ['tiny', 'narrow', 'wide'];
const bandsOf = (names: readonly string[]): Band[] =>
	names.map((name, index) => ({ name: named(name), from: index * 400, span }));

const setting = fc
	.record({
		kind: fc.constantFrom('label' as const, 'skip' as const, 'contain' as const),
		value: fc.constantFrom('a', 'b', 'c'),
		band: fc.option(fc.constantFrom(...bandNames, 'unknown'), { nil: undefined })
	})
	.map(({ band, ...one }): Setting => {
		return { ...one, band: band === undefined ? undefined : named(band), valueSpan: span, span };
	});

/** The rule in other words: of all that name the nearest band at or below, the last that is written. */
function expected(settings: readonly Setting[], names: readonly string[], band: number): object {
	const found: Record<string, unknown> = {};
	for (let at = 0; at <= band; at++) {
		for (const { kind, value, band: said } of settings) {
			if ((said === undefined ? 0 : names.indexOf(said.text)) === at) found[kind] = value;
		}
	}
	return found;
}

test('the settings of a band are the nearest at or below it, by whatever bands and in whatever order they are asked (property)', () => {
	const question = fc.record({ names: fc.subarray(bandNames), band: fc.nat(2) });
	fc.assert(
		fc.property(
			fc.array(setting, { maxLength: 6 }),
			fc.array(question, { minLength: 1, maxLength: 6 }),
			(settings, questions) => {
				for (const { names, band } of questions) {
					const bands = bandsOf(names);
					const at = Math.min(band, Math.max(0, names.length - 1));
					const wanted = expected(settings, names, at);
					assert.deepEqual({ ...settingsAt(settings, bands, at) }, wanted);
					assert.deepEqual({ ...settingsAt(settings, bands, at) }, wanted);
					for (const kind of ['label', 'skip', 'contain'] as const) {
						const holding = settingHolding(settings, kind, bands, at)?.value;
						assert.equal(holding, settingsAt(settings, bands, at)[kind]);
					}
				}
			}
		)
	);
});

test('the same settings are worked out once for a band, and anew for other bands', () => {
	const settings: Setting[] = [
		{ kind: 'label', value: 'Menu', valueSpan: span, band: named('wide'), span }
	];
	const bands = bandsOf(['narrow', 'wide']);
	assert.equal(settingsAt(settings, bands, 1), settingsAt(settings, bands, 1));
	assert.deepEqual(settingsAt(settings, bands, 1), { label: 'Menu' });
	assert.deepEqual(settingsAt(settings, bandsOf(['narrow']), 0), {});
	assert.deepEqual(settingsAt(settings, bands, 1), { label: 'Menu' });
});
