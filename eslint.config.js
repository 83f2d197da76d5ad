import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/** The way data flows: each part of the core knows those before it, and none behind it. */
const coreOrder = [
	'lib',
	'model',
	'messages',
	'size',
	'data',
	'design-tokens',
	'settings',
	'source',
	'in-step',
	'format',
	'resolve',
	'box-styles',
	'geometry',
	'emit',
	'author-styles',
	'measure',
	'laid',
	'check',
	'findings',
	'outline',
	'edit',
	'answer',
	'view-models',
	'starter',
	'bring-in',
	'pictures',
	'scroll',
	'sweep',
	'sheet',
	'changes',
	'arranging',
	'shells'
];

/** Pure libraries that the core may use. */
const coreLibraries = [
	'@lezer/lr',
	'@lezer/common',
	'parse5',
	'css-tree/parser',
	'css-tree/generator',
	'css-tree/walker',
	'css-tree/tokenizer',
	'css-tree/utils',
	'css-tree',
	'css-select',
	'html-tag-names',
	'domhandler',
	'image-size',
	'crc-32',
	'parse5-htmlparser2-tree-adapter',
	'fflate',
	'jsonc-parser',
	'papaparse',
	'entities',
	'mime',
	'culori',
	'diff',
	'html-validate/browser',
	'aria-query',
	'fastest-levenshtein',
	'franc-min',
	'zod'
];

/** Without functions: what was found is kept by what the rules are, and those cannot be written down. */
const plainConfig = JSON.parse(JSON.stringify(svelteConfig));

const coreRules = coreOrder.map((part, index) => ({
	files: [`src/core/${part}/**/*.ts`],
	rules: {
		'no-restricted-imports': [
			'error',
			{
				patterns: [
					{
						regex: `^(?!\\.|(${coreLibraries.map((name) => name.replaceAll('/', '\\/')).join('|')})$)`,
						message: 'The core imports nothing outside itself but pure libraries.'
					},
					{
						regex:
							'(^|/)(\\.\\./){4}|/(workers|store|views|routes|cli|server|sources|service|browser|asking)/',
						message: 'The core knows nothing of what is built on it.'
					},
					...coreOrder.slice(index + 1).map((later) => ({
						regex: `/${later}/`,
						message: `Data flows one way: ${part} comes before ${later}.`
					}))
				]
			}
		],
		'no-restricted-syntax': [
			'error',
			{
				selector:
					"VariableDeclarator > Identifier > TSTypeAnnotation TSTypeReference[typeName.name='Record'] > TSTypeParameterInstantiation > TSStringKeyword:first-child",
				message:
					'A table that is asked for by words is a Map: a record has a "constructor", whoever asks.'
			}
		],
		'no-restricted-globals': [
			'error',
			...[
				'window',
				'document',
				'navigator',
				'process',
				'Buffer',
				'console',
				'fetch',
				'performance'
			],
			{ name: 'Date', message: 'What the core says depends on no clock.' }
		]
	}
}));

export default ts.config(
	{
		ignores: [
			'build/',
			'dist/',
			'.cache/',
			'.svelte-kit/',
			'node_modules/',
			'src/core/source/grammar/parser*.ts'
		]
	},
	...ts.configs.recommended,
	...svelte.configs.recommended,
	{
		languageOptions: { globals: { ...globals.browser, ...globals.node } },
		rules: {
			// That no imports go in a circle is a test of its own: it takes a fortieth of the time.
			'no-console': ['error', { allow: ['error', 'log'] }],
			'no-undef': 'off',
			'no-control-regex': 'off',
			'@typescript-eslint/consistent-type-assertions': ['error', { assertionStyle: 'never' }],
			'@typescript-eslint/consistent-type-imports': ['error', { disallowTypeAnnotations: false }],
			'@typescript-eslint/no-non-null-assertion': 'error',
			'@typescript-eslint/no-unused-vars': [
				'error',
				{ argsIgnorePattern: '^_', varsIgnorePattern: '^_' }
			],
			// Addresses of this application are at its root, and most carry a query.
			'svelte/no-navigation-without-resolve': 'off',
			// Maps and sets here are values that are replaced, not changed.
			'svelte/prefer-svelte-reactivity': 'off'
		}
	},
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: {
			parserOptions: {
				parser: ts.parser,
				extraFileExtensions: ['.svelte'],
				svelteConfig: plainConfig
			}
		}
	},
	...coreRules
);
