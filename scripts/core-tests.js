// Runs the core tests in one process: all of them, or of each five files those at the places that are named.
import { pathToFileURL } from 'node:url';
import { bundleTests } from './lib/bundle-tests.js';

process.setSourceMapsEnabled(true);
// A file that cannot be read would end the run early, and what is left of it would not be missed.
let isWhole = false;
process.on('exit', () => {
	if (!isWhole) process.exitCode = 1;
});
const places = process.argv.slice(2).map(Number);
const files = await bundleTests('core', places.length > 0 ? places : undefined);
for (const file of files.values()) await import(pathToFileURL(file).href);
isWhole = true;
