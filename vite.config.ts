import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const inWorkers = (path: string): string =>
	fileURLToPath(new URL(`./src/workers/instead/${path}`, import.meta.url));

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	resolve: {
		alias: [
			{ find: /^ajv$/, replacement: inWorkers('schemas.ts') },
			{ find: /^@sidvind\/better-ajv-errors$/, replacement: inWorkers('schema-errors.ts') }
		]
	},
	worker: { format: 'es' }
});
