import { besideFrame, besideFrom, readingOrder, stackedFrame, type StarterFrame } from './frame.ts';
import type { StarterLook } from './looks.ts';
import type { StarterRegion } from './regions.ts';

/** The text of a new site: one layout with the regions, and two pages in it. */
export function starterText(
	siteName: string,
	regions: readonly StarterRegion[],
	look: StarterLook
): string {
	const quoted = siteName.replaceAll('\\', '\\\\').replaceAll('"', '\\"');
	const ordered = readingOrder(regions);
	return [
		`site "${quoted}" {`,
		'  lang en',
		'  bands { narrow 0; medium 640; wide 1024 }',
		...block('tokens', look.tokens),
		'}',
		'',
		'layout frame at / {',
		'  height screen',
		...arrangeLines(regions),
		...ordered.flatMap((region) => regionLines(region, ordered, look)),
		'  title "{page.title} | {site.name}"',
		...styleLines(look),
		'}',
		'',
		'route / {',
		'  title "Home"',
		'  piece body """',
		'    <h1>Home</h1>',
		'    <p>Write here what is only on this page.</p>',
		// A page that no link leads to is one that nobody finds.
		...(regions.some(({ element }) => element === 'nav')
			? []
			: ['    <p><a href="/about">About this site</a></p>']),
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
		'',
		'state not-found at / {',
		'  title "Not found"',
		'  piece body """',
		'    <h1>There is no such page</h1>',
		'    <p><a href="/">To the first page</a></p>',
		'  """',
		'}',
		''
	].join('\n');
}

function block(name: string, lines: readonly string[]): string[] {
	return lines.length === 0 ? [] : [`  ${name} {`, ...lines.map((line) => `    ${line}`), '  }'];
}

function styleLines({ global }: StarterLook): string[] {
	if (global.length === 0) return [];
	const rules = (lines: readonly string[]): string[] => lines.map((line) => `    ${line}`);
	return [
		'  style """',
		...rules([':scope { font: var(--type); color: var(--ink); background: var(--paper); }']),
		'  """',
		'  style global """',
		...rules(global),
		'  """'
	];
}

/** Stacked where narrow; beside each other from the band where they fit. */
function arrangeLines(regions: readonly StarterRegion[]): string[] {
	const from = besideFrom(regions);
	return [
		...frameLines(stackedFrame(regions), ''),
		...(from.medium ? frameLines(besideFrame(regions, false), ' @medium') : []),
		...(from.wide ? frameLines(besideFrame(regions), ' @wide') : [])
	];
}

function frameLines({ rows, filling, left, right }: StarterFrame, band: string): string[] {
	// More than two take shares, so that they fit where their band begins.
	const isMany = left + right > 2;
	const sides = (count: number): string => (isMany ? ' minmax(0, 1fr)' : ' 200px').repeat(count);
	const columns = `${sides(left)} minmax(0, ${isMany ? 3 : 1}fr)${sides(right)}`.trim();
	return [
		`  arrange areas${band} {`,
		...rows.map((names, index) => `    "${names.join(' ')}" ${index === filling ? '1fr' : 'auto'}`),
		...(left + right > 0 ? [`    columns ${columns}`] : []),
		'  }'
	];
}

function regionLines(
	region: StarterRegion,
	regions: readonly StarterRegion[],
	look: StarterLook
): string[] {
	const { name, element } = region;
	return [
		`  region ${name} as ${element} {`,
		...labelLines(region, regions),
		...padLines(look),
		...(element === 'main' ? look.content.map((line) => `    ${line}`) : []),
		...groundLines(region, look),
		...regionStyle(region, regions, look),
		...contentOf(region, regions),
		'  }'
	];
}

/** Of two of a kind each has a name, so that one can tell them apart by ear; a `nav` brings its own. */
function labelLines({ name, element }: StarterRegion, regions: readonly StarterRegion[]): string[] {
	const isOneOfMany = regions.filter((one) => one.element === element).length > 1;
	const isLandmark = element === 'aside' || element === 'header' || element === 'footer';
	return isOneOfMany && isLandmark ? [`    label "${wordsOf(name)}"`] : [];
}

/** Space around the words, less where there is little. */
function padLines({ tokens }: StarterLook): string[] {
	return tokens.length > 0
		? ['    pad var(--space)']
		: ['    pad 12px 16px', '    pad 16px 24px @medium', '    pad 20px 32px @wide'];
}

/** What is no content stands apart by its ground, or by a line towards the content. */
function groundLines({ place, element }: StarterRegion, { ground }: StarterLook): string[] {
	if (element === 'main' || ground === 'none') return [];
	const edge = { top: '0 0 1px', right: '0 0 0 1px', bottom: '1px 0 0', left: '0 1px 0 0' };
	return [
		'    background var(--raised)',
		...(ground === 'lined' && place !== 'middle' ? [`    border ${edge[place]}`] : [])
	];
}

/** Links in a row where they lie across the page; what is said once needs no space below it. */
function regionStyle(
	region: StarterRegion,
	regions: readonly StarterRegion[],
	look: StarterLook
): string[] {
	const { place, element } = region;
	const hasLinks = element === 'nav' && isFirstOf(region, regions);
	const isAcross = place === 'top' || place === 'bottom';
	const isStyled = look.tokens.length > 0;
	const rules = [
		...(isStyled && look.ground === 'lined' && element !== 'main' && place !== 'middle'
			? [':scope { border-color: var(--line); }']
			: []),
		...(hasLinks && isAcross ? ['ul { display: flex; flex-wrap: wrap; gap: 4px 20px; }'] : []),
		...(hasLinks && isStyled
			? ['[aria-current] { font-weight: 700; text-decoration: none; }', 'ul { margin: 0; }']
			: []),
		...(isStyled && element !== 'main' && !hasLinks ? ['p { margin: 0; }'] : [])
	];
	if (rules.length === 0) return [];
	return ['    style """', ...rules.map((rule) => `      ${rule}`), '    """'];
}

function isFirstOf(region: StarterRegion, regions: readonly StarterRegion[]): boolean {
	return regions.find(({ element }) => element === region.element) === region;
}

/** What stands in a region at first. Each kind of thing is there once: the name of the site, the links, the small print. */
function contentOf(region: StarterRegion, regions: readonly StarterRegion[]): string[] {
	const kind = isFirstOf(region, regions) ? region.element : 'div';
	const piece = (name: string, markup: string): string[] => [
		`    piece ${name} """`,
		`      ${markup}`,
		'    """'
	];
	switch (kind) {
		case 'main':
			return ['    slot'];
		case 'header':
			return piece('name', '<p><a href="/">{site.name}</a></p>');
		case 'nav':
			return ['    piece links nav from / depth 1 with-start'];
		case 'footer':
			return piece('small', '<p>&copy; {year} {site.name}</p>');
		default:
			return piece('note', `<p>${wordsOf(region.name)}</p>`);
	}
}

/** A name as words: `extras-right` is "Extras right". */
function wordsOf(name: string): string {
	const words = name.replaceAll('-', ' ');
	return words.charAt(0).toUpperCase() + words.slice(1);
}
