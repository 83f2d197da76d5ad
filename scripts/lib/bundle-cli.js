// The command line as it is handed over: a few files that load no more than what a command needs; beside it the
// thread in which the server reads previews.
import {
	cpSync,
	existsSync,
	mkdirSync,
	renameSync,
	rmSync,
	statSync,
	writeFileSync
} from 'node:fs';
import { join } from 'node:path';
import { newestIn, root } from './tree.js';

/** Where the bundle is; the measuring code and the theme's colours lie beside it. */
const bundle = join(root, 'dist/cli/main.js');

/** Some libraries ask for what Node has in the older way. */
const requiring = { js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);" }; // prettier-ignore

/** Bundles the command line where nothing is bundled, or something it is made from is newer. */
export async function bundleCli() {
	const sources = ['src/cli', 'src/core', 'src/sources', 'src/server', 'src/browser', 'src/theme', 'src/package', 'package-lock.json']; // prettier-ignore
	const newest = Math.max(...sources.map((path) => newestIn(join(root, path))));
	if (existsSync(bundle) && statSync(bundle).mtimeMs >= newest) return;
	// Asked for late: every command comes by here, and nearly none has anything to bundle.
	const { build } = await import('esbuild');
	const { packageTypes } = await import('./package-types.js');
	// Beside what is there, so that a command that runs meanwhile finds its files.
	const fresh = join(root, `dist-${process.pid}`);
	// As in the application: what html-validate comes with is the same in each build, and the tests check it as it is.
	const instead = (name) => join(root, 'src/workers/instead', name);
	const common = {
		absWorkingDir: root,
		bundle: true,
		logLevel: 'warning',
		sourcemap: true,
		alias: {
			ajv: instead('schemas.ts'),
			'@sidvind/better-ajv-errors': instead('schema-errors.ts')
		}
	};
	await build({
		...common,
		entryPoints: [
			{ in: 'src/cli/main.ts', out: 'cli/main' },
			{ in: 'src/package/index.ts', out: 'package/index' }
		],
		outdir: fresh,
		platform: 'node',
		mainFields: ['module', 'main'],
		format: 'esm',
		target: 'node20',
		splitting: true,
		minify: true,
		// It has a browser's protocol in it, and is asked for only to measure.
		external: ['puppeteer-core', 'esbuild'],
		// What both need lies beside the command line, which finds its other files from there.
		chunkNames: 'cli/[name]-[hash]',
		banner: requiring
	});
	for (const [name, text] of packageTypes()) writeFileSync(join(fresh, 'package', name), text);
	await build({
		...common,
		sourcemap: false,
		entryPoints: ['src/browser/measuring.ts'],
		outfile: join(fresh, 'measuring.js'),
		alias: { $core: join(root, 'src/core') },
		format: 'iife',
		globalName: 'measuring'
	});
	await build({
		...common,
		entryPoints: ['src/server/previews/room-worker.ts'],
		outfile: join(fresh, 'preview-room.mjs'),
		platform: 'node',
		mainFields: ['module', 'main'],
		format: 'esm',
		target: 'node20',
		minify: true,
		banner: requiring
	});
	mkdirSync(join(fresh, 'theme'), { recursive: true });
	cpSync(join(root, 'node_modules/axe-core/axe.min.js'), join(fresh, 'axe.js'));
	cpSync(join(root, 'src/theme/tokens.css'), join(fresh, 'theme/tokens.css'));
	rmSync(join(root, 'dist'), { recursive: true, force: true });
	renameSync(fresh, join(root, 'dist'));
}
