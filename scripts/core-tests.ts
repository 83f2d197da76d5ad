// Runs the core tests in one process: reading the core anew for each file took longer than most tests.
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { root } from './lib/setup.js';

const folder = join(root, 'tests/core');
const names = readdirSync(folder).filter((name) => name.endsWith('.test.ts'));
for (const name of names) await import(pathToFileURL(join(folder, name)).href);
