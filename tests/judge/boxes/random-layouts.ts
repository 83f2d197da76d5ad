import fc from 'fast-check';
import { blankOf, readForm, type Blank, type FormPlace } from '../../../src/core/settings/form.ts';
import { contentStyle, realContent } from './random-content.ts';
import { settings, settingsOn } from '../../../src/core/settings/list.ts';
import type { BoxKind } from '../../../src/core/settings/placed.ts';

/** Random sites made of everything that the language lets be said about sizes. */

const bandNames = ['narrow', 'medium', 'wide'] as const;

/** A statement, and the band it is for. */
interface Said {
	readonly kind: string;
	readonly value: string;
	readonly band: (typeof bandNames)[number];
}

interface RandomPiece {
	/** Its name, by which its size is known unless it has markup of its own. */
	readonly content: string;
	readonly markup?: string;
	readonly settings: readonly Said[];
}

interface RandomRegion {
	readonly settings: readonly Said[];
	readonly arranged: readonly RandomArrangement[];
	readonly pieces: readonly RandomPiece[];
	readonly group: RandomGroup | undefined;
}

interface RandomArrangement {
	readonly kind: 'areas' | 'columns' | 'row' | 'stack';
	readonly band: (typeof bandNames)[number];
	/** From which the areas, counts and words are drawn. */
	readonly grid: RandomGrid;
	readonly line: readonly string[];
	readonly gap: string | undefined;
}

interface RandomGrid {
	readonly columns: number;
	readonly rows: number;
	/** Cut lines: which cells are joined, as numbers from which areas are drawn. */
	readonly draw: readonly number[];
	readonly trackList: readonly string[] | undefined;
	readonly rowSizes: readonly string[];
}

interface RandomLayout {
	readonly measure: 'screen' | 'space';
	readonly settings: readonly Said[];
	readonly arranged: readonly RandomArrangement[];
	readonly regions: readonly RandomRegion[];
	readonly slot: number;
	readonly wrapper:
		| {
				readonly from: number;
				readonly settings: readonly Said[];
				readonly arranged: readonly RandomArrangement[];
		  }
		| undefined;
	/** A piece that it puts into the layout around it, at a region by its number. */
	readonly fill: RandomFill | undefined;
}

interface RandomFill {
	readonly region: number;
	readonly piece: RandomPiece;
	readonly arranged: readonly RandomArrangement[];
}

/** A wrapper around some of several pieces, with how they lie in it. */
interface RandomGroup {
	/** The first of them, and how many. */
	readonly from: number;
	readonly count: number;
	readonly settings: readonly Said[];
	readonly arranged: readonly RandomArrangement[];
}

/** What a layer says of a region further out: numbers of the layer, of a layout around it, and of its region. */
interface RandomAdjust {
	readonly by: number;
	readonly of: number;
	readonly region: number;
	readonly settings: readonly Said[];
	readonly arranged: readonly RandomArrangement[];
}

export interface RandomSite {
	readonly dir: 'ltr' | 'rtl';
	readonly medium: number;
	readonly wide: number;
	readonly gap: readonly [string, string];
	readonly layouts: readonly RandomLayout[];
	readonly content: readonly RandomPiece[];
	/** How the page says itself that they lie. */
	readonly arranged: readonly RandomArrangement[];
	readonly group: RandomGroup | undefined;
	readonly adjusts: readonly RandomAdjust[];
}

const pxSize = fc.oneof(
	fc.constantFrom('0', '1px', '12px', '40px', '90px', '150px', '333px', '720px'),
	fc.integer({ min: 0, max: 500 }).map((n) => `${n}px`),
	fc.constantFrom('2rem', '12.5rem', 'var(--gap)', 'calc(30px + 2rem)', '10vw', '20vh')
);
const anySize = fc.oneof(
	{ weight: 2, arbitrary: pxSize },
	{
		weight: 1,
		arbitrary: fc.constantFrom(
			'50%',
			'33.3%',
			'100%',
			'120%',
			'calc(25% + 40px)',
			'min(60%, 300px)',
			'max(120px, 20%)',
			'clamp(100px, 40%, 420px)'
		)
	}
);
const smallSize = fc.constantFrom('0', '3px', '8px', '20px', '48px', '1rem', 'var(--gap)', '3vw');
const padSize = fc.oneof(smallSize, fc.constantFrom('5%', 'calc(2% + 4px)'));
const band = fc.constantFrom(...bandNames);
const list = <T>(one: fc.Arbitrary<T>, max: number): fc.Arbitrary<T[]> =>
	fc.array(one, { minLength: 1, maxLength: max });
const words = (one: fc.Arbitrary<string>, max: number): fc.Arbitrary<string> =>
	list(one, max).map((parts) => parts.join(' '));

/** Values for each blank in the form of a setting. */
const blankValues: Readonly<Record<Blank, fc.Arbitrary<string>>> = {
	COLOUR: fc.constantFrom('#f4f1ea', 'Canvas', 'rgb(0 0 0 / 0.1)'),
	WIDTH: anySize,
	HEIGHT: pxSize,
	SPACE: padSize,
	GAP: smallSize,
	MEASURE: fc.oneof({ weight: 3, arbitrary: pxSize }, fc.constantFrom('90%', '60%')),
	LENGTH: fc.oneof(smallSize, fc.constantFrom('128px', '90px', '56px', '30px')),
	SHARE: fc.constantFrom('2', '0.4'),
	COUNT: fc.integer({ min: 1, max: 3 }).map(String),
	FREE: fc.integer({ min: 0, max: 2 }).map(String),
	PLACE: fc.integer({ min: -2, max: 2 }).map(String),
	RATIO: fc.constantFrom('16 / 9', '1', '2 / 3', '4'),
	TEXT: fc.constant('"Open"')
};

/** Values of a form as random sites have them: what has a blank is as likely as all words together. */
export function valueOf(form: string): fc.Arbitrary<string> {
	const ways = readForm(form).map((places) => {
		const hasBlank = places.some(({ choices }) => choices.some((one) => blankOf(one)));
		return { weight: hasBlank ? 3 : 1, arbitrary: wayOf(places) };
	});
	return fc.oneof(...ways);
}

function wayOf(places: readonly FormPlace[]): fc.Arbitrary<string> {
	const [first, ...rest] = places;
	if (!first) return fc.constant('');
	const word = fc.oneof(
		...first.choices.map((choice) => {
			const blank = blankOf(choice);
			return blank
				? { weight: 3, arbitrary: blankValues[blank] }
				: { weight: 1, arbitrary: fc.constant(choice) };
		})
	);
	const whole = fc.tuple(word, wayOf(rest)).map((words) => words.filter(Boolean).join(' '));
	return first.optional && !first.follows ? fc.oneof(fc.constant(''), whole) : whole;
}

/** What a kind of box cannot say where everything else about it is left open. */
const notShown: Readonly<Record<BoxKind, readonly string[]>> = {
	layout: [],
	// It may hold the slot, which must be there.
	wrapper: ['hidden', 'drawer'],
	region: [],
	piece: ['strip', 'drawer']
};

/** Settings of one box, of all that its kind can say. */
function settingsOf(box: BoxKind, max: number): fc.Arbitrary<Said[]> {
	const one = fc.oneof(
		...settingsOn(box).map((kind) => {
			const value = valueOf(settings[kind].form).filter(
				(text) => kind !== 'show' || !notShown[box].some((way) => text.startsWith(way))
			);
			const where = settings[kind].everywhere ? fc.constant<Said['band']>('narrow') : band;
			return fc.record({ kind: fc.constant(kind), value, band: where });
		})
	);
	return fc.uniqueArray(one, { maxLength: max, selector: (said) => `${said.kind}@${said.band}` });
}

const track = fc.oneof(
	fc.constantFrom('1fr', '2fr', '0.3fr', 'auto', 'min-content', 'max-content'),
	fc.constantFrom('120px', '30%', '0', 'var(--gap)', '20vw'),
	fc.constantFrom('minmax(0, 1fr)', 'minmax(100px, 1fr)', 'minmax(auto, 200px)'),
	fc.constantFrom('minmax(min-content, max-content)', 'minmax(60px, auto)', 'minmax(20%, 300px)'),
	fc.constantFrom('minmax(max-content, 2fr)', 'fit-content(180px)', 'fit-content(40%)'),
	fc.constantFrom('repeat(2, 1fr)', 'repeat(2, auto 60px)')
);
const trackList = fc.oneof(
	{ weight: 4, arbitrary: list(track, 4) },
	{
		weight: 1,
		arbitrary: fc.constantFrom<string[]>(
			['repeat(auto-fill, 120px)'],
			['repeat(auto-fit, minmax(150px, 1fr))'],
			['100px', 'repeat(auto-fill, minmax(80px, auto))', '60px'],
			['repeat(auto-fit, 90px 140px)'],
			['repeat(auto-fill, minmax(20%, 1fr))']
		)
	}
);
const rowSize = fc.constantFrom(
	'auto',
	'auto',
	'1fr',
	'2fr',
	'60px',
	'min-content',
	'max-content',
	'minmax(40px, auto)',
	'minmax(0, 1fr)',
	'minmax(30px, 90px)',
	'fit-content(50px)'
);
const arrangement: fc.Arbitrary<RandomArrangement> = fc.record({
	kind: fc.constantFrom<RandomArrangement['kind']>('areas', 'columns', 'row', 'stack'),
	band,
	grid: fc.record({
		columns: fc.integer({ min: 1, max: 4 }),
		rows: fc.integer({ min: 1, max: 3 }),
		draw: fc.array(fc.nat(99), { minLength: 8, maxLength: 8 }),
		trackList: fc.option(trackList, { nil: undefined }),
		rowSizes: fc.array(rowSize, { minLength: 3, maxLength: 3 })
	}),
	line: fc.uniqueArray(
		fc.oneof(
			fc
				.constantFrom('start', 'center', 'end', 'between', 'around', 'evenly')
				.map((to) => `justify ${to}`),
			fc.constantFrom('start', 'center', 'end', 'stretch').map((to) => `align ${to}`),
			fc.constant('wrap')
		),
		{ maxLength: 3, selector: (line) => line.split(' ')[0] }
	),
	gap: fc.option(words(smallSize, 2), { nil: undefined })
});
const arranged = fc.uniqueArray(arrangement, { maxLength: 2, selector: (one) => one.band });

const margins = fc.option(
	fc
		.tuple(fc.constantFrom(0, 8, 30), fc.constantFrom(0, 16, 21))
		.map(([above, below]) => `-m${above}-${below}`),
	{ nil: '' }
);
const sizes = fc.oneof(
	fc
		.tuple(fc.constantFrom(20, 80, 150, 400), fc.constantFrom(10, 40, 120))
		.map(([width, height]) => `fix-${width}-${height}`),
	fc
		.tuple(fc.integer({ min: 1, max: 12 }), fc.constantFrom(15, 40, 90), fc.constantFrom(12, 30))
		.map(([count, width, height]) => `run-${count}-${width}-${height}`)
);
const content = fc.tuple(sizes, margins).map((parts) => parts.join(''));

/** Random sites, with content that is named for its size or that is like that of real pages. */
function sitesWith(piece: fc.Arbitrary<RandomPiece>): fc.Arbitrary<RandomSite> {
	const group: fc.Arbitrary<RandomGroup | undefined> = fc.option(
		fc.record({
			from: fc.nat(2),
			count: fc.integer({ min: 1, max: 3 }),
			settings: settingsOf('piece', 3),
			arranged
		}),
		{ nil: undefined }
	);

	const region: fc.Arbitrary<RandomRegion> = fc.record({
		settings: settingsOf('region', 4),
		arranged,
		pieces: fc.array(piece, { maxLength: 3 }),
		group
	});

	const layout: fc.Arbitrary<RandomLayout> = fc.record({
		measure: fc.oneof(
			{ weight: 3, arbitrary: fc.constant<'screen'>('screen') },
			{ weight: 1, arbitrary: fc.constant<'space'>('space') }
		),
		settings: settingsOf('layout', 3),
		arranged,
		regions: list(region, 4),
		slot: fc.nat(3),
		wrapper: fc.option(
			fc.record({
				from: fc.nat(3),
				settings: settingsOf('wrapper', 3),
				arranged
			}),
			{ nil: undefined }
		),
		fill: fc.option(fc.record({ region: fc.nat(3), piece, arranged }), { nil: undefined })
	});

	return fc.record({
		dir: fc.constantFrom<'ltr' | 'rtl'>('ltr', 'rtl'),
		medium: fc.integer({ min: 350, max: 700 }),
		wide: fc.integer({ min: 800, max: 1200 }),
		gap: fc.tuple(fc.constantFrom('10px', '25px'), fc.constantFrom('10px', '44px')),
		layouts: list(layout, 3),
		content: fc.array(piece, { maxLength: 3 }),
		arranged,
		group,
		adjusts: fc.array(
			fc.record({
				by: fc.nat(2),
				of: fc.nat(2),
				region: fc.nat(3),
				settings: settingsOf('region', 4).map((all) => all.filter(({ kind }) => kind !== 'shrink')),
				arranged
			}),
			{ maxLength: 2 }
		)
	});
}

/** Every piece is named for the size that it has. */
export const randomLayouts = sitesWith(fc.record({ content, settings: settingsOf('piece', 3) }));

/** Every piece is like one of a real page, and has to be measured. */
export const realLayouts = sitesWith(
	fc.record({ content: fc.constant('real'), markup: realContent, settings: settingsOf('piece', 3) })
);

/** The site as text, with one route inside all of its layouts. */
export function siteText(site: RandomSite): string {
	const routes = ['/', '/a', '/a/b'];
	const texts = site.layouts.map((one, index) =>
		layoutText(one, index, routes[index] ?? '/', site)
	);
	const page = routes[site.layouts.length - 1] ?? '/';
	return [
		`site "Random" {`,
		`  dir ${site.dir}`,
		`  bands { narrow 0; medium ${site.medium}; wide ${site.wide} }`,
		`  tokens { --gap: ${site.gap[0]}; --gap @wide: ${site.gap[1]} }`,
		'}',
		...texts,
		`route ${page} {`,
		...adjustLines(site, site.layouts.length),
		...piecesText(site.content.length === 0 ? [lonely] : site.content, 'c', site, '  '),
		'}',
		''
	].join('\n');
}

/** What a page brings that has nothing. */
const lonely: RandomPiece = { content: 'fix-50-20', settings: [] };

/** Pieces, some of them maybe in a wrapper, with how all of that lies. */
function piecesText(
	pieces: readonly RandomPiece[],
	letter: string,
	{ arranged: all, group }: Pick<RandomRegion, 'arranged' | 'group'>,
	indent: string
): string[] {
	const names = pieces.map((one, index) => `${one.content}-${letter}${index}`);
	const lines = (from: number, to: number, inner: string): string[] =>
		pieces.slice(from, to).map((one, index) => pieceText(one, `${letter}${from + index}`, inner));
	const from = Math.min(group?.from ?? 0, pieces.length);
	const to = Math.min(from + (group?.count ?? 0), pieces.length);
	if (!group || to === from) {
		return [...arrangeLines(all, names, undefined, indent), ...lines(0, pieces.length, indent)];
	}
	const wrapper = `group-${letter}`;
	const outer = [...names.slice(0, from), wrapper, ...names.slice(to)];
	return [
		...arrangeLines(all, outer, undefined, indent),
		...lines(0, from, indent),
		`${indent}wrapper ${wrapper} {`,
		...settingLines(group.settings, `${indent}  `),
		...arrangeLines(group.arranged, names.slice(from, to), undefined, `${indent}  `),
		...lines(from, to, `${indent}  `),
		`${indent}}`,
		...lines(to, pieces.length, indent)
	];
}

/** The address of the page that the text describes. */
export function addressOf(site: RandomSite): string {
	return ['/', '/a', '/a/b'][site.layouts.length - 1] ?? '/';
}

function layoutText(layout: RandomLayout, index: number, at: string, site: RandomSite): string {
	const slot = layout.slot % layout.regions.length;
	const names = layout.regions.map((_, number) => `r${number}`);
	const from = layout.wrapper ? layout.wrapper.from % layout.regions.length : names.length;
	const outer = [...names.slice(0, from), ...(layout.wrapper ? ['wrap'] : [])];
	const innerSlot = slot < from ? undefined : `r${slot}`;
	const slotOuter = slot < from ? `r${slot}` : 'wrap';
	const regions = layout.regions.map((one, number) =>
		regionText(one, number, number === slot, number < from ? '  ' : '    ')
	);
	const outside = site.layouts[index - 1];
	return [
		`layout l${index} at ${at} {`,
		...(layout.measure === 'space' ? ['  measure by space'] : []),
		...settingLines(layout.settings, '  '),
		...arrangeLines(layout.arranged, outer, slotOuter, '  '),
		...regions.slice(0, from),
		...(layout.wrapper
			? [
					'  wrapper wrap {',
					...settingLines(layout.wrapper.settings, '    '),
					...arrangeLines(layout.wrapper.arranged, names.slice(from), innerSlot, '    '),
					...regions.slice(from),
					'  }'
				]
			: []),
		...adjustLines(site, index),
		...(layout.fill && outside
			? [
					`  fill r${layout.fill.region % outside.regions.length} after {`,
					...piecesText(
						[layout.fill.piece],
						`f${index}-`,
						{ ...layout.fill, group: undefined },
						'    '
					),
					'  }'
				]
			: []),
		...(index === 0 ? [openerStyle] : []),
		'}'
	].join('\n');
}

/** What a layer says of regions further out; layers are numbered from the outermost layout to the page. */
function adjustLines({ layouts, adjusts }: RandomSite, layer: number): string[] {
	return adjusts.flatMap(({ by, of, region, settings: said, arranged: all }) => {
		if (layer === 0 || (by % layouts.length) + 1 !== layer) return [];
		const place = of % layer;
		const layout = layouts[place];
		if (!layout) return [];
		const number = region % layout.regions.length;
		const isSlot = number === layout.slot % layout.regions.length;
		const own = layout.regions[number]?.pieces ?? [];
		const names = own.map((one, index) => `${one.content}-p${index}`);
		return [
			`  adjust l${place}.r${number} {`,
			...settingLines(isSlot ? shownIn(said) : said, '    '),
			...arrangeLines(isSlot ? withoutAreas(all) : all, names, undefined, '    '),
			'  }'
		];
	});
}

/** A slot is there on every page. */
function shownIn(said: readonly Said[]): Said[] {
	return said.filter(({ kind, value }) => kind !== 'show' || value === 'strip');
}

/** What lands in a slot cannot stand in areas. */
function withoutAreas(all: readonly RandomArrangement[]): RandomArrangement[] {
	return all.filter(({ kind }) => kind !== 'areas');
}

/** Gives every opener one size, so that it is known without measuring. */
const openerStyle = `  style global """
    [data-opener] button { all: unset; display: block; width: 60px; height: 24px; overflow: hidden; }
${contentStyle}
  """`;

function regionText(region: RandomRegion, number: number, isSlot: boolean, indent: string): string {
	const settings = isSlot ? shownIn(region.settings) : region.settings;
	const arrangements = isSlot ? withoutAreas(region.arranged) : region.arranged;
	return [
		`${indent}region r${number} as div {`,
		...(isSlot ? [`${indent}  slot`] : []),
		...settingLines(settings, indent + '  '),
		...piecesText(region.pieces, 'p', { ...region, arranged: arrangements }, indent + '  '),
		`${indent}}`
	].join('\n');
}

function pieceText(piece: RandomPiece, suffix: string, indent: string): string {
	const block =
		piece.settings.length > 0 ? ` { ${settingLines(piece.settings, '').join('; ')} }` : '';
	return `${indent}piece ${piece.content}-${suffix}${block} """${piece.markup ?? markupOf(piece.content)}"""`;
}

function markupOf(content: string): string {
	const [kind, one, two, three] = content.split('-');
	const margins = /-m(\d+)-(\d+)/.exec(content);
	const margin = margins ? `margin: ${margins[1]}px 0 ${margins[2]}px; ` : '';
	if (kind === 'fix') return `<div style="${margin}width: ${one}px; height: ${two}px"></div>`;
	const box = `<i style="display: inline-block; vertical-align: top; width: ${two}px; height: ${three}px"></i>`;
	return `<div style="${margin}font-size: 0; line-height: 0">${box.repeat(Number(one))}</div>`;
}

function settingLines(settings: readonly Said[], indent: string): string[] {
	return settings.map(({ kind, value, band: at }) => {
		const where = at === 'narrow' ? '' : ` @${at}`;
		return `${indent}${kind}${value === '' ? '' : ` ${value}`}${where}`;
	});
}

function arrangeLines(
	arrangements: readonly RandomArrangement[],
	members: readonly string[],
	always: string | undefined,
	indent: string
): string[] {
	return arrangements.flatMap((one) => {
		if (members.length === 0 && one.kind === 'areas') return [];
		const where = one.band === 'narrow' ? '' : ` @${one.band}`;
		const gap = one.gap === undefined ? [] : [`gap ${one.gap}`];
		switch (one.kind) {
			case 'areas': {
				const { rows, columns } = areaLines(one.grid, members, always);
				const inner = [...rows, ...columns, ...gap].map((line) => `${indent}  ${line}`);
				return [`${indent}arrange areas${where} {`, ...inner, `${indent}}`];
			}
			case 'columns': {
				const [draw = 0, other = 0, third = 0] = one.grid.draw;
				const equal = other % 2 === 0 ? ' equal' : '';
				const rows = draw === 0 ? ` rows ${one.grid.rows}${equal}` : '';
				const sizes = third % 3 === 0 ? one.grid.trackList?.join(' ') : undefined;
				const isPlain = sizes !== undefined && !sizes.includes('auto-f');
				const columns = isPlain
					? `${sizes} repeat(3, 1fr) 60px auto`
					: String(one.grid.columns + 4);
				const each = other % 3 === 1 ? ' each 1' : '';
				return [`${indent}arrange columns ${columns}${each}${rows}${where} { ${gap.join('; ')} }`];
			}
			case 'row':
			case 'stack': {
				const lines = one.kind === 'stack' ? one.line.filter((line) => line !== 'wrap') : one.line;
				return [`${indent}arrange ${one.kind}${where} { ${[...lines, ...gap].join('; ')} }`];
			}
		}
	});
}

/** Areas by cutting a rectangle again and again; each part gets a member's name, or none. */
function areaLines(
	grid: RandomGrid,
	members: readonly string[],
	always: string | undefined
): { rows: string[]; columns: string[] } {
	const cells = Array.from({ length: grid.rows }, () =>
		Array.from({ length: grid.columns }, () => '.')
	);
	const names = always ? [always, ...members.filter((name) => name !== always)] : [...members];
	let turn = 0;
	const draw = (): number => grid.draw[turn++ % grid.draw.length] ?? 0;
	const fill = (x: number, y: number, width: number, height: number, count: number): void => {
		if (count > 1 && (width > 1 || height > 1)) {
			const across = height === 1 || (width > 1 && draw() % 2 === 0);
			const size = across ? width : height;
			const cut = 1 + (draw() % (size - 1));
			const first = Math.ceil(count / 2);
			if (across) {
				fill(x, y, cut, height, first);
				fill(x + cut, y, width - cut, height, count - first);
			} else {
				fill(x, y, width, cut, first);
				fill(x, y + cut, width, height - cut, count - first);
			}
			return;
		}
		const name = count === 0 ? '.' : (names.shift() ?? '.');
		for (let row = y; row < y + height; row++) {
			for (let column = x; column < x + width; column++) {
				const line = cells[row];
				if (line) line[column] = name;
			}
		}
	};
	fill(0, 0, grid.columns, grid.rows, names.length);
	const rows = cells.map((row, index) => `"${row.join(' ')}" ${grid.rowSizes[index] ?? 'auto'}`);
	return { rows, columns: grid.trackList ? [`columns ${grid.trackList.join(' ')}`] : [] };
}
