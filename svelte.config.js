import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
	preprocess: vitePreprocess(),
	kit: {
		adapter: adapter(),
		alias: {
			$browser: 'src/browser',
			$core: 'src/core',
			$store: 'src/store',
			$views: 'src/views',
			$workers: 'src/workers'
		},
		// Of the application's own pages; that of the frames for pages of a site is in src/routes/stage.
		csp: {
			mode: 'nonce',
			directives: {
				'default-src': ['self'],
				'script-src': ['self'],
				'style-src': ['self', 'unsafe-inline'],
				'img-src': ['self', 'data:', 'blob:'],
				'font-src': ['self', 'data:'],
				'object-src': ['none'],
				'base-uri': ['none'],
				'form-action': ['none'],
				'frame-ancestors': ['none']
			}
		},
		typescript: {
			config: (config) => ({
				...config,
				include: [
					...config.include,
					'../scripts/**/*.ts',
					'../tests/**/*.ts',
					'../bin/**/*.js',
					'../server/**/*.js'
				]
			})
		}
	}
};
