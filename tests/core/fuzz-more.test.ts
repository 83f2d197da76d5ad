import { test } from 'node:test';
import { fuzzed, fuzzSome } from '../lib/fuzz.ts';

test('more mutated sites go through everything that the core does', () => fuzzSome(fuzzed));
