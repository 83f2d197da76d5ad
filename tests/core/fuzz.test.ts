import { test } from 'node:test';
import { fuzzThousand } from '../lib/fuzz.ts';

test('the first 1,000 mutated sites go through everything that the core does', () =>
	fuzzThousand(0));
