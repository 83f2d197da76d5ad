export const lookIds = ['plain', 'text', 'tool', 'bare'] as const;
export type LookId = (typeof lookIds)[number];

/** A style that a new site begins with, to be changed like any other. */
export interface StarterLook {
	readonly id: LookId;
	readonly label: string;
	readonly says: string;
	/** Tokens of the site, as they are written. */
	readonly tokens: readonly string[];
	/** Rules for all that stands on pages. */
	readonly global: readonly string[];
	/** How regions stand apart from the ground: 'none',
		content: not at all, by a ground of their own, or by lines, too. */
	readonly ground: 'none' | 'raised' | 'lined';
	/** Settings of what holds the pages, beside its padding. */
	readonly content: readonly string[];
}

/** The colours of a look, by day and by night. */
type Colours = Readonly<
	Record<
		'paper' | 'raised' | 'ink' | 'soft' | 'line' | 'accent' | 'on-accent',
		readonly [string, string]
	>
>;

function colourTokens(colours: Colours): string[] {
	return Object.entries(colours).flatMap(([name, [day, night]]) => [
		`--${name}: ${day}`,
		`--${name} @night: ${night}`
	]);
}

/** What every look says, in its own tokens. */
const common = [
	'a { color: var(--accent); }',
	'a:hover { text-decoration-thickness: 2px; }',
	':focus-visible { outline: 2px solid var(--accent); outline-offset: 2px; }',
	'h1, h2, h3 { margin: 0 0 0.5em; line-height: 1.2; text-wrap: balance; }',
	'p, ul, ol, dl, table, figure { margin: 0 0 1em; }',
	'img, video { max-width: 100%; height: auto; }',
	'pre { overflow-x: auto; padding: 0.8em; background: var(--raised); }',
	'th, td { padding: 0.4em 0.6em; border-bottom: 1px solid var(--line); text-align: start; }',
	'button, input, select, textarea { font: inherit; color: inherit; }',
	'input, select, textarea { padding: 0.35em 0.6em; border: 1px solid var(--soft); border-radius: var(--radius); background: var(--paper); }',
	'button { padding: 0.4em 0.9em; border: 0; border-radius: var(--radius); background: var(--accent); color: var(--on-accent); }'
];

const looks: Readonly<Record<LookId, Omit<StarterLook, 'id'>>> = {
	plain: {
		label: 'plain',
		says: 'A quiet sans serif, white and dark blue.',
		tokens: [
			...colourTokens({
				paper: ['#ffffff', '#15191f'],
				raised: ['#f2f5f8', '#1e242c'],
				ink: ['#1c2530', '#e4e9ef'],
				soft: ['#56626f', '#a3afbc'],
				line: ['#d5dde5', '#36404b'],
				accent: ['#1f5a8c', '#86bdec'],
				'on-accent': ['#ffffff', '#0f1b27']
			}),
			'--type: 16px/1.55 system-ui, sans-serif',
			'--radius: 4px',
			'--space: 12px',
			'--space @medium: 16px',
			'--space @wide: 24px'
		],
		global: [
			...common,
			'h1 { font-size: 1.9em; }',
			'h2 { font-size: 1.3em; }',
			'h3 { font-size: 1.1em; }',
			'p, li, dd { max-width: 42em; }'
		],
		ground: 'raised',
		content: []
	},
	text: {
		label: 'text',
		says: 'A serif for long reading, on warm paper.',
		tokens: [
			...colourTokens({
				paper: ['#fdfbf5', '#1b1916'],
				raised: ['#f4efe2', '#26231e'],
				ink: ['#2a2520', '#e9e3d8'],
				soft: ['#665c50', '#b3a999'],
				line: ['#ddd4c1', '#443e35'],
				accent: ['#7a3420', '#e3a184'],
				'on-accent': ['#fdfbf5', '#241610']
			}),
			'--type: 18px/1.65 Georgia, "Times New Roman", serif',
			'--radius: 2px',
			'--space: 14px',
			'--space @medium: 20px',
			'--space @wide: 32px'
		],
		global: [
			...common,
			'h1 { font-size: 2.2em; font-weight: 400; }',
			'h2 { font-size: 1.4em; font-weight: 400; }',
			'h3 { font-size: 1.1em; font-style: italic; }',
			'p { hyphens: auto; }'
		],
		ground: 'none',
		content: ['contain 44rem']
	},
	tool: {
		label: 'tool',
		says: 'Small and dense, with lines between regions.',
		tokens: [
			...colourTokens({
				paper: ['#fcfcfd', '#17171c'],
				raised: ['#f0f0f4', '#202027'],
				ink: ['#22222a', '#e6e6ec'],
				soft: ['#5d5d6a', '#a8a8b5'],
				line: ['#d3d3dc', '#3a3a45'],
				accent: ['#4a3f9f', '#b3aaf5'],
				'on-accent': ['#ffffff', '#171433']
			}),
			'--type: 14px/1.45 system-ui, sans-serif',
			'--radius: 3px',
			'--space: 8px',
			'--space @medium: 10px',
			'--space @wide: 14px'
		],
		global: [
			...common,
			'h1 { font-size: 1.5em; }',
			'h2 { font-size: 1.2em; }',
			'h3 { font-size: 1em; }',
			'table { border-collapse: collapse; font-variant-numeric: tabular-nums; }'
		],
		ground: 'lined',
		content: []
	},
	bare: {
		label: 'none',
		says: 'No style: only the boxes, and what browsers bring.',
		tokens: [],
		global: [],
		ground: 'none',
		content: []
	}
};

/** The look of that name. */
export function lookOf(id: LookId): StarterLook {
	return { id, ...looks[id] };
}

/** All of them, to choose from. */
export const starterLooks: readonly StarterLook[] = lookIds.map(lookOf);

/** The tokens of a look where the page is narrow, by day or by night, as CSS declares custom properties. */
export function tokensAt({ tokens }: StarterLook, isNight: boolean): string {
	const always = tokens.filter((token) => !token.includes(' @'));
	const night = tokens.filter((token) => token.includes(' @night:'));
	const said = isNight ? night.map((token) => token.replace(' @night', '')) : [];
	return [...always, ...said].join('; ');
}
