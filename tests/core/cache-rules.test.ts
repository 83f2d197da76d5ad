import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import CachePolicy from 'http-cache-semantics';
import { currentAge, freshnessLifetime } from '../../src/core/data/copy.ts';

/**
 * How old copies are and how long they are fresh, held against a library for caches. Where the library says more or less
 * than RFC 9111 (it takes no delay and no Date into an age, reads names of directives in small letters only, and guesses a lifetime where nobody
 * says one), it is not asked.
 */
const received = Date.UTC(2026, 10, 30, 9, 30, 15);

/** The library with a clock of the test's own. */
class PolicyAt extends CachePolicy {
	static at = received;

	now(): number {
		return PolicyAt.at;
	}
}

const httpDate = (ms: number): string => new Date(ms).toUTCString();
const age = fc.integer({ min: 0, max: 90_000 });
const directive = fc.oneof(
	age.map((seconds) => `max-age=${seconds}`),
	age.map((seconds) => `max-age="${seconds}"`),
	age.map((seconds) => `s-maxage=${seconds}`),
	fc.constantFrom('private', 'public', 'must-revalidate', 'immutable', 'no-transform', 'x-other=1')
);
const headersOf = fc.record(
	{
		'cache-control': fc.uniqueArray(directive, { maxLength: 4, selector: (one) => one.split('=')[0]?.toLowerCase() }).map((all) => all.join(', ')),
		age: age.map(String),
		expires: fc.oneof(fc.integer({ min: -9e4, max: 9e4 }).map((seconds) => httpDate(received + seconds * 1000)), fc.constantFrom('0', 'soon')),
		date: fc.constant(httpDate(received))
	},
	{ requiredKeys: ['date'] }
); // prettier-ignore

test('copies are as old, and fresh as long, as a library for caches has it', () => {
	fc.assert(
		fc.property(headersOf, age, (headers, later) => {
			PolicyAt.at = received;
			const request = { url: '/kinds.json', method: 'GET', headers: {} };
			const policy = new PolicyAt(request, { status: 200, headers }, { shared: false, cacheHeuristic: 0, immutableMinTimeToLive: 0 }); // prettier-ignore
			PolicyAt.at = received + later * 1000;
			const copy = { value: 1, headers, requested: received, received };
			assert.equal(currentAge(copy, PolicyAt.at), policy.age());
			assert.equal(freshnessLifetime(copy), policy.maxAge());
		}),
		{ numRuns: 400 }
	);
});
