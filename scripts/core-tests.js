// Runs the core tests in one process.
import { pathToFileURL } from 'node:url';
import { bundleTests } from './lib/bundle-tests.js';

process.setSourceMapsEnabled(true);
// A file that cannot be read would end the run early, and what is left of it would not be missed.
let isWhole = false;
process.on('exit', () => {
	if (!isWhole) process.exitCode = 1;
});
for (const file of (await bundleTests('core')).values()) await import(pathToFileURL(file).href);
isWhole = true;
