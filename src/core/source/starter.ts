/** A region the user wants on the pages of a new site. */
export interface StarterRegion {
	readonly name: string;
	readonly role: StarterRole;
}

export type StarterRole = 'head' | 'menu' | 'content' | 'side' | 'foot';

/** What a region is for, and the element that says so (HTML standard, section 4.3). */
export const starterElements: Readonly<Record<StarterRole, string>> = {
	head: 'header',
	menu: 'nav',
	content: 'main',
	side: 'aside',
	foot: 'footer'
};

/** Reads the answer to "What regions does your page have?": known words keep their role, others go above the foot. */
export function readStarterRegions(words: readonly string[]): StarterRegion[] {
	const roles = new Map(Object.entries<StarterRole>({
		head: 'head', header: 'head', top: 'head', banner: 'head',
		menu: 'menu', nav: 'menu', navigation: 'menu',
		content: 'content', main: 'content', body: 'content',
		side: 'side', aside: 'side', sidebar: 'side', panel: 'side',
		foot: 'foot', footer: 'foot', bottom: 'foot'
	})); // prettier-ignore
	const names = words.map(toName).filter((name) => name !== '');
	const regions = [...new Set(names)].map((name) => ({ name, role: roles.get(name) ?? 'side' }));
	const hasContent = regions.some((region) => region.role === 'content');
	return hasContent ? regions : [...regions, { name: 'content', role: 'content' }];
}

function toName(word: string): string {
	return word
		.trim()
		.toLowerCase()
		.replace(/[^a-z0-9]+/g, '-')
		.replace(/^[^a-z]+|-+$/g, '');
}

/** The text of a new site: one layout with the regions, and a first page in it. */
export function starterText(siteName: string, regions: readonly StarterRegion[]): string {
	const quoted = siteName.replaceAll('\\', '\\\\').replaceAll('"', '\\"');
	const content = regions.find((region) => region.role === 'content');
	return [
		`site "${quoted}" {`,
		'  lang en',
		'  bands { narrow 0; medium 640; wide 1024 }',
		'}',
		'',
		'layout frame at / {',
		'  height screen',
		...arrangeLines(regions),
		...regions.flatMap((region) => regionLines(region, region === content)),
		'  title "{page.title} | {site.name}"',
		'}',
		'',
		'route / {',
		'  title "Home"',
		'  piece body """',
		'    <h1>Home</h1>',
		'    <p>Write here what is only on this page.</p>',
		'  """',
		'}',
		'',
		'route /about {',
		'  title "About"',
		'  piece body """',
		'    <h1>About</h1>',
		'    <p>What this site is for.</p>',
		'  """',
		'}',
		''
	].join('\n');
}

/** Stacked where narrow; beside each other from the band where they fit. */
function arrangeLines(regions: readonly StarterRegion[]): string[] {
	const named = (role: StarterRole): StarterRegion[] =>
		regions.filter((region) => region.role === role);
	const [head, foot] = [named('head'), named('foot')];
	const [menu, content, side] = [named('menu'), named('content'), named('side')];
	const row = (names: readonly string[], size: string): string =>
		`    "${names.join(' ')}" ${size}`;
	const namesOf = (list: readonly StarterRegion[]): string[] => list.map(({ name }) => name);
	const stacked = [...head, ...menu, ...content, ...side, ...foot].map((region) =>
		row([region.name], region.role === 'content' ? '1fr' : 'auto')
	);
	const beside = (
		middle: readonly StarterRegion[],
		below: readonly StarterRegion[],
		band: string
	): string[] => {
		const across = (region: StarterRegion): string =>
			row(
				middle.map(() => region.name),
				'auto'
			);
		const columns = middle.map(({ role }) => (role === 'content' ? 'minmax(0, 1fr)' : '200px'));
		return [
			`  arrange areas @${band} {`,
			...head.map(across),
			row(namesOf(middle), '1fr'),
			...below.map(across),
			...foot.map(across),
			`    columns ${columns.join(' ')}`,
			'  }'
		];
	};
	const two = [...menu, ...content];
	const three = [...two, ...side];
	return [
		'  arrange areas {',
		...stacked,
		'  }',
		...(menu.length > 0 && two.length > 1 ? beside(two, side, 'medium') : []),
		...(side.length > 0 && three.length > 1 ? beside(three, [], 'wide') : [])
	];
}

/** Space around the words, less where there is little. */
const padding = ['    pad 12px 16px', '    pad 16px 24px @medium'];

function regionLines(region: StarterRegion, isSlot: boolean): string[] {
	const start = `  region ${region.name} as ${starterElements[region.role]} {`;
	const piece: Record<StarterRole, string[]> = {
		head: ['    piece name """', '      <p><a href="/">{site.name}</a></p>', '    """'],
		menu: ['    piece links nav from / depth 1'],
		content: [],
		side: ['    piece note """', `      <p>${region.name}</p>`, '    """'],
		foot: ['    piece small """', '      <p>&copy; {year} {site.name}</p>', '    """']
	};
	return [start, ...padding, ...(isSlot ? ['    slot'] : piece[region.role]), '  }'];
}
