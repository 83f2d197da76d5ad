import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

let code: Promise<string> | undefined;

/** The code of the application that measures in a frame, as one script. */
export function measuringCode(): Promise<string> {
	code ??= readOrBundle();
	return code;
}

/** It lies beside the bundle of the command line; where that runs from its sources, it is put together. */
function readOrBundle(): Promise<string> {
	const beside = new URL('../measuring.js', import.meta.url);
	return existsSync(beside) ? readFile(beside, 'utf8') : bundled();
}

async function bundled(): Promise<string> {
	const { build } = await import('esbuild');
	const root = fileURLToPath(new URL('../../..', import.meta.url));
	const { outputFiles } = await build({
		entryPoints: [join(root, 'src/browser/measuring.ts')],
		alias: { $core: join(root, 'src/core') },
		absWorkingDir: root,
		bundle: true,
		format: 'iife',
		globalName: 'measuring',
		write: false,
		logLevel: 'silent'
	});
	const [file] = outputFiles;
	if (!file) throw new Error('The code that measures could not be put together.');
	return file.text;
}
