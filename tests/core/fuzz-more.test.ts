import { test } from 'node:test';
import { fuzzThousand } from '../lib/fuzz.ts';

test('1,000 more mutated sites go through everything that the core does', () => fuzzThousand(1000));
