// Tests as plain JavaScript, put together once with what they test: reading it all anew for each file took most of their time.
import { readFile, rm } from 'node:fs/promises';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build, transform } from 'esbuild';
import { compileModule } from 'svelte/compiler';
import { root } from './tree.js';

const out = join(root, '.cache/tests');

/** Where a file of this project is stays what it says of itself. */
const places = {
	name: 'places',
	setup({ onResolve, onLoad }) {
		onResolve({ filter: /\/tree\.js$/ }, ({ path, resolveDir }) => ({
			path: join(resolveDir, path),
			external: true
		}));
		// All of this library finds its own data; parts of it can be put in.
		onResolve({ filter: /^css-tree$/ }, ({ path }) => ({ path, external: true }));
		onLoad({ filter: /\/(src|tests|scripts)\/.*\.ts$/ }, async ({ path }) => {
			const text = await readFile(path, 'utf8');
			if (!text.includes('import.meta.url')) return undefined;
			const url = JSON.stringify(pathToFileURL(path).href);
			return { contents: text.replaceAll('import.meta.url', url), loader: 'ts' };
		});
	}
};

/** Modules with runes, as a server runs them: what they keep are plain fields, so that their rules can be tested without a browser. */
const runes = {
	name: 'runes',
	setup({ onLoad }) {
		onLoad({ filter: /\.svelte\.ts$/ }, async ({ path }) => {
			const { code } = await transform(await readFile(path, 'utf8'), {
				loader: 'ts',
				target: 'esnext'
			});
			const { js } = compileModule(code, { filename: path, generate: 'server' });
			return { contents: js.code, loader: 'js' };
		});
	}
};

/**
 * Bundles the tests of a folder; gives the files to run, by the names of the tests. `share`: of each five files those at
 * these places, so that two processes have tests of their own.
 */
export async function bundleTests(folder, share = [0, 1, 2, 3, 4]) {
	const names = readdirSync(join(root, 'tests', folder))
		.filter((name) => name.endsWith('.test.ts'))
		.filter((_, at) => share.includes(at % 5));
	const to = join(out, `${folder}-${share.join('')}`);
	await rm(to, { recursive: true, force: true });
	await build({
		absWorkingDir: root,
		entryPoints: names.map((name) => join(root, 'tests', folder, name)),
		outdir: to,
		bundle: true,
		splitting: true,
		format: 'esm',
		platform: 'node',
		target: 'node20',
		mainFields: ['module', 'main'],
		sourcemap: 'linked',
		logLevel: 'warning',
		// What is large, or finds its own files, stays where it is.
		external: [
			'puppeteer-core',
			'esbuild',
			'html-validate',
			'axe-core',
			'ajv',
			'fake-indexeddb',
			'fast-check',
			'chokidar',
			'typescript'
		],
		banner: {
			js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);"
		},
		plugins: [runes, places]
	});
	return new Map(names.map((name) => [name, join(to, name.replace(/\.ts$/, '.js'))]));
}
