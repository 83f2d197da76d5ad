import { writeFile } from 'node:fs/promises';
import { findingsDocument } from './lib/findings-document.ts';

/** Writes the document of all findings. */
await writeFile('docs/findings.md', findingsDocument());
