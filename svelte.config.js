import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
	preprocess: vitePreprocess(),
	kit: {
		adapter: adapter(),
		alias: { $core: 'src/core', $store: 'src/store', $views: 'src/views', $workers: 'src/workers' },
		typescript: {
			config: (config) => ({
				...config,
				include: [...config.include, '../scripts/**/*.ts', '../tests/**/*.ts', '../bin/**/*.js']
			})
		}
	}
};
