import { fingerprint } from '../lib/fingerprint.ts';
import { Memory } from '../lib/memory.ts';
import { encodeUtf8 } from '../lib/utf8.ts';
import { layerName, type Layer, type Page, type Site, pagesOf } from '../model/site.ts';
import { stageHtml } from '../emit/stage.ts';
import { applyChanges, type Change } from '../source/change.ts';
import { readSiteFiles } from '../source/read.ts';
import { resolveSite, type ResolvedSite } from '../resolve/site.ts';

/** The year does not matter for what an edit touches, only that it is the same before and after. */
const anyYear = 2000;

/**
 * Names of the pages that changes of the text would change, before they are made: pages whose markup
 * or style comes out different, and pages that come or go.
 */
export function touches(resolved: ResolvedSite, changes: readonly Change[]): string[] {
	const { texts, assets } = applyChanges(resolved.reading.files, changes);
	const after = resolveSite(readSiteFiles({ texts, assets }, resolved.reading));
	return [...touchedBetween(resolved, after)].flatMap((name) => name ?? []);
}

/**
 * The same between two states of a site, page by page: undefined for one that stays as it is. To compare
 * thousands of pages takes long, and whoever asks may stop in between.
 */
export function* touchedBetween(
	before: ResolvedSite,
	after: ResolvedSite
): Generator<string | undefined> {
	const later = new Map(pagesOf(after.site).map((page) => [layerName(page), page]));
	for (const page of pagesOf(before.site)) {
		const name = layerName(page);
		const other = later.get(name);
		later.delete(name);
		yield other && isSame(page, before, other, after) ? undefined : name;
	}
	yield* later.keys();
}

function isSame(page: Page, before: ResolvedSite, other: Page, after: ResolvedSite): boolean {
	return (
		madeFrom(page, before) === madeFrom(other, after) ||
		writtenWithFiles(page, before) === writtenWithFiles(other, after)
	);
}

/**
 * Everything that a page is made from, as text: its own declaration, its chain's, and what every page
 * has, the site's other files among it. Pages that are made from the same come out the same, so only the others are written to compare.
 */
export function madeFrom(page: Page, resolved: ResolvedSite): string {
	const { structure, reading } = resolved;
	const textOf = ({ span }: Layer): string =>
		(reading.files.texts.get(span.file) ?? '').slice(span.from, span.to);
	const layers: Layer[] = [...structure.chainOf(page), page];
	return [madeFromShared(resolved), ...layers.map(textOf)].join('\0');
}

/** What of that every page has. */
export function madeFromShared({ site, reading }: ResolvedSite): string {
	return `${printOfFiles(reading.files.assets)}\0${printOfShared(site, reading.files.texts)}`;
}

const sharedPrints = new Memory<Site, string>();

/**
 * What reaches every page: the site's declaration, and the routes that lists of links and old addresses lead to. Its
 * print stands for it: thousands of pages are told apart by words that each begin with this.
 */
function printOfShared(site: Site, texts: ReadonlyMap<string, string>): string {
	return sharedPrints.get(site, [texts], () => {
		const { file, from, to } = site.settings.span;
		const titles = site.routes.map((route) => {
			const title = route.title?.span;
			const text = title ? (texts.get(title.file) ?? '').slice(title.from, title.to) : '';
			const moved = route.moved.map((one) => one.text);
			return [route.pattern.text, text, ...moved].join(' ');
		});
		const sources = site.data.map((source) => `${source.name.text} ${source.from.text}`);
		const parts = site.parts.map(({ span }) =>
			(texts.get(span.file) ?? '').slice(span.from, span.to)
		);
		const order = site.layouts.map((layout) => layout.name.text);
		const all = [
			(texts.get(file) ?? '').slice(from, to),
			...titles,
			...sources,
			...parts,
			...order,
			printOfValues(site.values)
		];
		return fingerprint(encodeUtf8(all.join('\n')));
	});
}

const printsOfValues = new WeakMap<Site['values'], string>();

/** The same for the same shared data. */
function printOfValues(values: Site['values']): string {
	let print = printsOfValues.get(values);
	if (print === undefined) {
		printsOfValues.set(values, (print = fingerprint(encodeUtf8(JSON.stringify([...values])))));
	}
	return print;
}

/** A page as HTML, with what its pictures hold in place of their names: a new name shows nobody anything new. */
function writtenWithFiles(page: Page, resolved: ResolvedSite): string {
	const { assets } = resolved.reading.files;
	const contents = {
		get(path: string) {
			const bytes = assets.get(path);
			return bytes && printOf(bytes);
		}
	};
	return resolved
		.instances(page)
		.map((instance) => instance.address + stageHtml(instance, resolved, contents, anyYear))
		.join('\n');
}

const printsOfFiles = new WeakMap<ReadonlyMap<string, Uint8Array>, string>();

/** The same for the same other files, also where they were handed over anew. */
function printOfFiles(assets: ReadonlyMap<string, Uint8Array>): string {
	let print = printsOfFiles.get(assets);
	if (print === undefined) {
		const all = [...assets].map(([path, bytes]) => `${path} ${printOf(bytes)}`);
		printsOfFiles.set(assets, (print = fingerprint(encodeUtf8(all.join('\n')))));
	}
	return print;
}

const prints = new WeakMap<Uint8Array, string>();

function printOf(bytes: Uint8Array): string {
	let print = prints.get(bytes);
	if (print === undefined) prints.set(bytes, (print = fingerprint(bytes)));
	return print;
}
