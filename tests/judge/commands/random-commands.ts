import type { CheckedSite } from '../../../src/core/check/checked-site.ts';
import { WrittenPage } from '../../../src/core/check/subject/written-page.ts';
import { CommandRefused } from '../../../src/core/edit/proposal.ts';
import {
	fillKinds,
	layerName,
	layersOf,
	pagesOf,
	stateKinds,
	type Piece
} from '../../../src/core/model/site.ts';
import type { Span } from '../../../src/core/model/span.ts';
import type { BoxRef, HolderRef, LayerRef, PieceRef, RegionRef, Command } from '../../../src/core/model/command.ts'; // prettier-ignore
import { allSettings } from '../../../src/core/settings/list.ts';
import { writtenWords } from '../../../src/core/view-models/markup/written-words.ts';
import type { Random } from '../fuzz/random.ts';
import { randomMarkupCommand } from './random-markup-commands.ts';

/** Commands as drawings make them, for whatever a site has, with values that suit and values that do not. */

const settingKinds = allSettings.map(({ kind }) => kind);
const names = [
	'extra',
	'side',
	'main',
	'head',
	'constructor',
	'two words',
	'',
	'naïve',
	'9th',
	'route'
];
const values = ['16px', '0', '50%', 'auto', 'none', 'hidden', 'own', '1fr', 'var(--gap)', 'top', 'drawer left 280px "Menu"', 'centre', 'min(85%, 1150px)', '-4px', '}', '"""', '2 by 2', 'all']; // prettier-ignore
const markups = ['<p>Seed</p>', '<p>open', '{if data.x}', 'a """ b', '<img src="none.svg" alt="">', '', '{path} \\{ }']; // prettier-ignore
const patterns = ['/extra', '/visit/extra', '/:what', '/*', '//', 'visit', '/a b', '/extra/:id'];

type Maker = (random: Random, site: CheckedSite) => Command | undefined;

/** Words of some page as one who looks at it finds them; where they are written nowhere, some stretch of a text. */
function wordsSomewhere(
	random: Random,
	site: CheckedSite
): { readonly place: Span; readonly before: string } {
	const [instance] = site.instances(random.of(pagesOf(site.site)));
	if (instance && !random.once(4)) {
		const page = new WrittenPage(instance, site, 2026);
		const element = random.below(page.elements.length);
		const texts = (page.elements[element]?.children ?? []).flatMap((one) => (one.type === 'text' ? [one.data] : [])); // prettier-ignore
		try {
			const shown = { element, text: random.of([...texts, 'Seed']), nth: random.below(2) };
			const { place, written } = writtenWords(page, shown);
			return { place, before: written };
		} catch (reason) {
			if (!(reason instanceof CommandRefused)) throw reason;
		}
	}
	const [file, text] = random.of([...site.reading.files.texts]);
	const from = random.below(text.length + 1);
	const to = Math.min(text.length, from + random.below(20));
	return { place: { file, from, to }, before: random.once(2) ? text.slice(from, to) : 'Seed' };
}

/** A command for something of a site; undefined where the site has nothing of the kind. */
export function randomCommand(random: Random, site: CheckedSite): Command | undefined {
	return random.of(makers)(random, site);
}

function layer(random: Random, { site }: CheckedSite): LayerRef {
	const layers = layersOf(site);
	if (layers.length === 0) return { kind: 'route', name: '/nowhere' };
	const found = random.of(layers);
	return { kind: found.kind, name: layerName(found) };
}

function region(random: Random, { site }: CheckedSite): RegionRef | undefined {
	// A site may have lost its last layout.
	if (site.layouts.length === 0) return undefined;
	const layout = random.of(site.layouts);
	if (layout.regions.length === 0) return undefined;
	return { layout: layout.name.text, region: random.of(layout.regions).name.text };
}

function box(random: Random, { site }: CheckedSite): BoxRef {
	if (site.layouts.length === 0) return { layout: 'no-layout', box: undefined };
	const layout = random.of(site.layouts);
	const inside = [...layout.regions, ...layout.members].map(({ name }) => name.text);
	return { layout: layout.name.text, box: random.maybe([...inside, random.of(names)]) };
}

function band(random: Random, { site }: CheckedSite): string {
	return random.of([...site.settings.bands.map(({ name }) => name.text), 'no-band']);
}

/** A piece of a page, of a region, or of a fill. */
function piece(random: Random, { site }: CheckedSite): PieceRef | undefined {
	const found: PieceRef[] = [];
	const add = (holder: HolderRef, pieces: readonly Piece[]): void => {
		for (const { name } of pieces) found.push({ holder, piece: name.text });
	};
	for (const one of layersOf(site)) {
		const ref: LayerRef = { kind: one.kind, name: layerName(one) };
		if (one.kind === 'layout') {
			for (const { name, pieces } of one.regions) {
				add({ layer: ref, region: { layout: one.name.text, region: name.text } }, pieces);
			}
		} else add({ layer: ref, region: undefined }, one.pieces);
		for (const { layout, region: into, pieces } of one.fills) {
			if (layout) add({ layer: ref, region: { layout, region: into } }, pieces);
		}
	}
	return found.length === 0 ? undefined : random.of(found);
}

const withRegion = (make: (random: Random, found: RegionRef, site: CheckedSite) => Command): Maker => (random, site) => {
	const found = region(random, site);
	return found && make(random, found, site);
}; // prettier-ignore

const withPiece = (make: (random: Random, found: PieceRef, site: CheckedSite) => Command): Maker => (random, site) => {
	const found = piece(random, site);
	return found && make(random, found, site);
}; // prettier-ignore

const route = (random: Random, { site }: CheckedSite): string =>
	random.of([...site.routes.map(layerName), '/nowhere']);
const layout = (random: Random, { site }: CheckedSite): string =>
	random.of([...site.layouts.map(({ name }) => name.text), 'no-layout']);

const data = (random: Random, { site }: CheckedSite): string =>
	random.of([...site.data.map(({ name }) => name.text), 'none']);
const part = (random: Random, { site }: CheckedSite): string =>
	random.of([...site.parts.map(({ name }) => name.text), 'none']);
const columns = ['name', 'slug', 'title', 'id', 'label'];

const makers: readonly Maker[] = [
	(random, site) => ({ kind: 'set-setting', box: random.once(3) ? (piece(random, site) ?? box(random, site)) : box(random, site), setting: random.of(settingKinds), value: random.once(5) ? undefined : random.of(values), band: band(random, site) }),
	(random, site) => ({ kind: 'move-setting', box: box(random, site), setting: random.of(settingKinds), from: band(random, site), to: band(random, site) }),
	(random, site) => ({ kind: 'set-arrangement', box: box(random, site), arrangement: random.maybe(['areas', 'columns', 'row', 'stack'] as const), band: band(random, site) }),
	(random, site) => ({ kind: 'set-columns', box: box(random, site), said: random.of([{ columns: String(random.below(14)) }, { each: 1 + random.below(3) }, { each: 'unsaid' }, { rows: 2, equalRows: random.once(2) }, { rows: 'any' }, { columns: '90px 1fr 20%' }] as const), band: band(random, site) }),
	(random, site) => ({ kind: 'set-arranged', box: box(random, site), word: random.of(['gap', 'justify', 'align', 'wrap'] as const), value: random.maybe([...values]), band: band(random, site) }),
	(random, site) => ({ kind: 'set-track', box: box(random, site), axis: random.of(['columns', 'rows'] as const), index: random.below(5), size: random.of(values), band: band(random, site) }),
	(random, site) => ({ kind: 'add-track', box: box(random, site), axis: random.of(['columns', 'rows'] as const), index: random.below(5), band: band(random, site), count: 1 + random.below(2) }),
	(random, site) => ({ kind: 'remove-track', box: box(random, site), axis: random.of(['columns', 'rows'] as const), index: random.below(4), band: band(random, site) }),
	(random, site) => ({ kind: 'move-area', box: box(random, site), member: random.of(names), target: random.of(names), side: random.of(['swap', 'left', 'right', 'above', 'below'] as const), band: band(random, site) }),
	(random, site) => ({ kind: 'set-breakpoint', band: band(random, site), from: random.below(1500) }),
	(random) => ({ kind: 'set-site', part: random.of(['name', 'lang', 'dir', 'address', 'urls'] as const), value: random.maybe(['de', 'rtl', 'https://seeds.example', 'folders', '"', 'x y']) }),
	(random) => ({ kind: 'add-band', name: random.of(names), from: random.below(1500) }),
	(random, site) => ({ kind: 'rename-band', band: band(random, site), to: random.of(names) }),
	(random, site) => ({ kind: 'remove-band', band: band(random, site) }),
	(random, site) => ({ kind: 'rename-role', name: random.of([...site.site.settings.roles.map(({ text }) => text), 'nobody']), to: random.of(names) }),
	(random, site) => ({ kind: 'remove-role', name: random.of([...site.site.settings.roles.map(({ text }) => text), 'nobody']) }),
	(random, site) => ({ kind: 'set-token', name: random.of(['--gap', '--none', 'gap']), value: random.maybe([...values]), band: band(random, site) }),
	(random) => ({ kind: 'rename-token', name: '--gap', to: random.of(['--space', 'space', '--']) }),
	() => ({ kind: 'remove-token', name: '--gap' }),
	(random) => ({ kind: 'add-route', pattern: random.of(patterns), title: random.of(['Extra', 'a "b"', '']) }),
	(random, site) => ({ kind: 'move-route', pattern: route(random, site), to: random.of(patterns), leaveBehind: random.of([true, false]) }),
	(random, site) => ({ kind: 'set-moved', pattern: route(random, site), addresses: random.of([[], ['/old'], ['/old/:id', '/a b/ü.html'], ['/x/index.html', '/old/'], ['old'], ['/old?x=1']]) }),
	(random) => ({ kind: 'add-routes', text: random.of(['/a\n/b/c', 'https://x.example/a/\n/ü', '<urlset><url><loc>https://x.example/n&amp;m</loc></url></urlset>', '']) }),
	(random, site) => ({ kind: 'remove-route', pattern: route(random, site) }),
	(random, site) => ({ kind: 'add-layout', name: random.of(names), at: route(random, site) }),
	(random, site) => ({ kind: 'rename-layout', name: layout(random, site), to: random.of(names) }),
	(random, site) => ({ kind: 'move-layout', name: layout(random, site), at: route(random, site) }),
	(random, site) => ({ kind: 'remove-layout', name: layout(random, site) }),
	(random, site) => ({ kind: 'set-under', layer: layer(random, site), under: random.maybe([layout(random, site)]) }),
	(random, site) => ({ kind: 'set-words', layer: layer(random, site), part: random.of(['title', 'description'] as const), value: random.maybe(['Words', 'a "b" {c}', '']) }),
	(random, site) => ({ kind: 'set-document-file', layer: random.maybe([layer(random, site)]), file: random.of([{ kind: 'sheet', from: 'css/site.css', media: random.maybe(['print', 'a "b"']) }, { kind: 'sheet', from: '', media: undefined }, { kind: 'script', from: 'js/menu.js', words: ['defer'] }] as const) }),
	(random, site) => ({ kind: 'remove-document-file', layer: random.maybe([layer(random, site)]), file: random.of([{ kind: 'sheet', from: 'css/site.css' }, { kind: 'script', from: 'js/menu.js' }] as const) }),
	(random, site) => ({ kind: 'set-sheets', name: layout(random, site), do: random.of(['move', 'paint'] as const) }),
	withRegion((random, { layout, region }) => ({ kind: 'set-box-attributes', layout, box: random.once(9) ? random.of(names) : region, text: random.maybe(['class="x"', 'id="a" data-b="{page.address}"', 'a\nb', '<b>', '"""', '{if}']) })),
	(random, site) => ({ kind: 'set-document-text', layer: random.maybe([layer(random, site)]), part: random.of(['head', 'html', 'body'] as const), text: random.maybe(['class="x"', '<link rel="icon" href="a.svg">', 'a\nb', '"""', '{if}']) }),
	(random, site) => ({ kind: 'set-admit', layer: layer(random, site), roles: site.site.settings.roles.slice(0, random.below(3)).map(({ text }) => text) }),
	withRegion((random, found, site) => ({ kind: 'set-fill', layer: layer(random, site), region: found, fill: random.of(fillKinds) })),
	withRegion((random, found, site) => ({ kind: 'remove-fill', layer: layer(random, site), region: found })),
	(random, site) => ({ kind: 'add-region', layout: layout(random, site), name: random.of(names), element: random.of(['div', 'aside', 'blink', 'main']) }),
	withRegion((random, found) => ({ kind: 'rename-region', region: found, to: random.of(names) })),
	withRegion((random, found) => ({ kind: 'set-element', region: found, element: random.of(['div', 'nav', 'p p', 'main']) })),
	withRegion((random, found) => ({ kind: 'reorder-region', region: found, by: random.of([-1, 1] as const) })),
	withRegion((random, found) => ({ kind: 'remove-region', region: found })),
	withRegion((random, found) => ({ kind: 'wrap', layout: found.layout, members: [found.region], name: random.of(names) })),
	(random, site) => ({ kind: 'unwrap', layout: layout(random, site), name: random.of(['wrap', ...names]) }),
	withRegion((random, found) => ({ kind: 'set-flag', region: found, flag: random.of(['locked', 'required'] as const), on: random.once(2) })),
	withPiece((random, { holder }) => ({ kind: 'add-piece', holder, name: random.of(names), start: { kind: 'markup', markup: random.of(markups) } })),
	withPiece((random, found, site) => ({ kind: 'add-piece', holder: found.holder, name: random.of(names), start: { kind: 'copy', of: piece(random, site) ?? found } })),
	withPiece((random, { holder, piece: name }) => ({ kind: 'rename-piece', holder, name, to: random.of(names) })),
	withPiece((random, { holder, piece: name }) => ({ kind: 'reorder-piece', holder, name, by: random.of([-1, 1] as const) })),
	withPiece((random, { holder, piece: name }, site) => ({ kind: 'move-piece', holder, name, to: piece(random, site)?.holder ?? holder })),
	withPiece((_, { holder, piece: name }) => ({ kind: 'remove-piece', holder, name })),
	withPiece((random, { holder, piece: name }) => ({ kind: 'set-markup', holder, name, markup: random.of(markups) })),
	withPiece((random, { holder, piece: name }) => ({ kind: 'set-stand-in', holder, name, of: random.of(['short', 'long'] as const), markup: random.maybe([...markups]) })),
	(random, site) => ({ kind: 'edit-words', name: random.of(names), ...wordsSomewhere(random, site), after: random.of(markups) }),
	(random) => ({ kind: 'add-data', name: random.of(names), from: random.of(['data/extra.json', 'https://seeds.example/x', '']) }),
	(random, site) => ({ kind: 'rename-data', name: data(random, site), to: random.of(names) }),
	(random) => ({ kind: 'add-state', state: random.of(stateKinds), at: random.of(patterns) }),
	(random, site) => ({ kind: 'remove-state', name: random.of([...site.site.states.map(layerName), 'none at /']) }),
	(random, site) => ({ kind: 'remove-data', name: data(random, site) }),
	(random) => ({ kind: 'add-part', name: random.of(names) }),
	(random, site) => ({ kind: 'rename-part', name: part(random, site), to: random.of(names) }),
	(random, site) => ({ kind: 'remove-part', name: part(random, site) }),
	randomMarkupCommand,
	randomMarkupCommand,
	withPiece((_, { holder, piece: name }) => ({ kind: 'copy-pieces', holder, pieces: [name, 'none'] })),
	withPiece((random, { holder, piece: name }, site) => ({ kind: 'move-pieces', holder, pieces: [name], to: random.once(2) ? holder : (piece(random, site)?.holder ?? holder), beside: { name: piece(random, site)?.piece ?? name, where: random.of(['before', 'after'] as const) } })),
	withPiece((random, { holder, piece: name }) => ({ kind: 'group-pieces', holder, pieces: [name], name: random.of(names) })),
	withPiece((_, { holder, piece: name }) => ({ kind: 'ungroup', holder, name })),
	(random, site) => ({ kind: 'copy-settings', of: piece(random, site) ?? box(random, site), boxes: [box(random, site)] }),
	(random, site) => ({ kind: 'add-column', name: data(random, site), path: [], column: random.of(names) }),
	(random, site) => ({ kind: 'rename-column', name: data(random, site), path: [], column: random.of(columns), to: random.of([...names, ...columns]) }),
	(random, site) => ({ kind: 'remove-column', name: data(random, site), path: [], column: random.of(columns) }),
	(random, site) => ({ kind: 'add-parameter', part: part(random, site), name: random.of(names), values: random.of([[], ['plain', 'very ripe'], ['"']]) }),
	(random, site) => ({ kind: 'add-variant', part: part(random, site), parameter: random.of(['tone', 'title', 'none']), value: random.of([...names, 'a "b"']) }),
	(random, site) => ({ kind: 'set-part-style', name: part(random, site), css: random.of([':scope { margin: 0 }', '', '"""', 'p {', '.x { color: red }\n/* } */']) }),
	(random, site) => ({ kind: 'add-rule', label: 'Let long words break', in: layer(random, site), css: random.of(['* { overflow-wrap: anywhere; }', 'img { max-width: 100%; height: auto; }']) }),
	(random, site) => ({ kind: 'set-aside', code: random.of(['heading-twice', 'image-no-alt', 'no-code']), in: layer(random, site), reason: random.of(['It is meant.', '', 'a "b"']) })
]; // prettier-ignore
