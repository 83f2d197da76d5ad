import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { packageDocument } from './lib/package-document.ts';
import { root } from './lib/setup.js';

/** Writes the page of documentation of the package. */
await writeFile(join(root, 'docs/package.md'), packageDocument());
