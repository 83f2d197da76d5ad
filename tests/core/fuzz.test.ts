import { test } from 'node:test';
import { fuzzSome } from '../lib/fuzz.ts';

test('the first mutated sites go through everything that the core does', () => fuzzSome(0));
