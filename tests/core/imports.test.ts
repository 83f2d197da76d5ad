import assert from 'node:assert/strict';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { test } from 'node:test';
import { build, type Plugin } from 'esbuild';
import { root } from '../../scripts/lib/setup.js';

/** How the rooms of the house are connected: imports go one way, and never in a circle. */

/** What a component's scripts import, for whoever knows no components. */
const components: Plugin = {
	name: 'components',
	setup({ onLoad }) {
		onLoad({ filter: /\.svelte$/ }, async ({ path }) => {
			const text = await readFile(path, 'utf8');
			const scripts = [...text.matchAll(/<script[^>]*>([^]*?)<\/script>/g)].map(([, code]) => code);
			// An import that only the markup uses is one, too.
			const code = scripts.join('\n').replaceAll(/^(\s*import )(?!type\b)(?=[^'"]+ from )/gm, '$1');
			return { contents: code, loader: 'ts' };
		});
	}
};

async function importsOf(): Promise<Map<string, readonly string[]>> {
	const all = await readdir(join(root, 'src'), { recursive: true });
	const entries = all.filter((path) => /\.(ts|svelte)$/.test(path) && !path.endsWith('.d.ts'));
	const { metafile } = await build({
		stdin: {
			contents: entries.map((path) => `import ${JSON.stringify(`./${path}`)};`).join('\n'),
			resolveDir: join(root, 'src')
		},
		absWorkingDir: root,
		bundle: true,
		write: false,
		metafile: true,
		format: 'esm',
		logLevel: 'silent',
		packages: 'external',
		external: ['./$types', '*.css'],
		alias: {
			$core: join(root, 'src/core'),
			$store: join(root, 'src/store'),
			$views: join(root, 'src/views'),
			$workers: join(root, 'src/workers')
		},
		tsconfigRaw: { compilerOptions: { verbatimModuleSyntax: true } },
		plugins: [components]
	});
	return new Map(
		Object.entries(metafile.inputs).map(([path, { imports }]) => [
			path,
			imports.filter(({ external }) => !external).map((one) => one.path)
		])
	);
}

/** A way from a file back to itself; undefined where there is none anywhere. */
function circleIn(imports: ReadonlyMap<string, readonly string[]>): string[] | undefined {
	const done = new Set<string>();
	const way: string[] = [];
	const visit = (path: string): string[] | undefined => {
		if (way.includes(path)) return [...way.slice(way.indexOf(path)), path];
		if (done.has(path)) return undefined;
		way.push(path);
		for (const next of imports.get(path) ?? []) {
			const found = visit(next);
			if (found) return found;
		}
		way.pop();
		done.add(path);
		return undefined;
	};
	for (const path of imports.keys()) {
		const found = visit(path);
		if (found) return found;
	}
	return undefined;
}

test('no imports go in a circle', async () => {
	const imports = await importsOf();
	assert.ok(imports.size > 500, `${imports.size} files are all of them`);
	assert.ok([...imports.values()].flat().length > 2000, 'they import each other');
	assert.deepEqual(circleIn(imports), undefined);
	assert.deepEqual(circleIn(new Map([['a', ['b']], ['b', ['c']], ['c', ['b']]])), ['b', 'c', 'b']); // prettier-ignore
});
