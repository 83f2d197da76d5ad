import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { glossaryDocument } from './lib/glossary-document.ts';
import { root } from './lib/setup.js';

/** Writes the page of the words that are ours. */
await writeFile(join(root, 'docs/glossary.md'), glossaryDocument());
