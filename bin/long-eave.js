#!/usr/bin/env node
// Registers the TypeScript loader, so that the command runs from the sources as they are.
import { register } from 'tsx/esm/api';

register();
const { run } = await import('../src/cli/main.ts');
process.exitCode = await run(process.argv.slice(2));
