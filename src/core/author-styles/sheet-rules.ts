import { documentsOf } from '../emit/html/said-head.ts';
import { importsIn } from '../emit/inlined-sheet.ts';
import { inFolder } from '../lib/relative-url.ts';
import { sheetText } from '../model/files.ts';
import { layersOf, type Layer, type Page, type Style } from '../model/site.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { PageInstance } from '../resolve/instance.ts';
import { authorRules, rulesIn, type AuthorRule, type Condition } from './author-rules.ts';

/** All rules that authors wrote which may hold on a page: in styles of layers, and in sheets of the site's own. */
export function allRules(instance: PageInstance, resolved: ResolvedSite): AuthorRule[] {
	return [...authorRules(instance, resolved), ...sheetRules(instance.page, resolved)];
}

/** Sheets that import each other in a circle end somewhere. */
const mostImported = 8;

/**
 * The rules of the sheets of the site's own that layers of a page name, with what those import, in their order. They are
 * delivered as they are: each may reach everything, and beats what stands in the styles of layers (CSS Cascade 5, section
 * 6.4.4: those are in cascade layers).
 */
export function sheetRules(page: Page, resolved: ResolvedSite): AuthorRule[] {
	const { structure, reading } = resolved;
	const chain: readonly Layer[] = [...structure.chainOf(page), page];
	const owners: readonly Layer[] = [chain[0] ?? page, ...chain];
	const known = new Set<string>();
	const rules: AuthorRule[] = [];
	const add = (
		path: string,
		owner: Layer,
		conditions: readonly Condition[],
		depth: number
	): void => {
		const bytes = reading.files.assets.get(path);
		const style = bytes && styleOf(path, bytes);
		if (!style || depth > mostImported) return;
		for (const { url, media } of importsIn(style.css)) {
			const from = inFolder(url, path)?.path;
			const more = media === '' ? conditions : [...conditions, onScreen(media)];
			if (from !== undefined) add(from, owner, more, depth + 1);
		}
		for (const rule of rulesIn(style)) {
			const all = [...conditions, ...rule.conditions];
			rules.push({ ...rule, style, owner, within: undefined, conditions: all, isSheet: true });
		}
	};
	for (const [index, { head }] of documentsOf(page, resolved).entries()) {
		for (const item of head) {
			if (item.kind !== 'sheet' || known.has(item.from.text)) continue;
			known.add(item.from.text);
			const path = inFolder(item.from.text, '')?.path;
			const media = item.media?.text ?? '';
			const owner = owners[index] ?? page;
			if (path !== undefined) add(path, owner, media === '' ? [] : [onScreen(media)], 0);
		}
	}
	return rules;
}

/** All sheets of the site's own that a layer or the site names, with what those import, each once. */
export function siteSheets({ site, reading }: ResolvedSite): Style[] {
	const found = new Map<string, Style>();
	const add = (path: string | undefined): void => {
		const bytes = path === undefined ? undefined : reading.files.assets.get(path);
		const style = path === undefined || !bytes ? undefined : styleOf(path, bytes);
		if (path === undefined || !style || found.has(path)) return;
		found.set(path, style);
		for (const { url } of importsIn(style.css)) add(inFolder(url, path)?.path);
	};
	const documents = [site.settings.document, ...layersOf(site).map(({ document }) => document)];
	for (const item of documents.flatMap(({ head }) => head)) {
		if (item.kind === 'sheet') add(inFolder(item.from.text, '')?.path);
	}
	return [...found.values()];
}

function onScreen(query: string): Condition {
	return { of: 'screen', query };
}

/** Sheets by what they are: the same bytes under the same path are the same style. */
const styles = new WeakMap<Uint8Array, Map<string, Style | undefined>>();

function styleOf(path: string, bytes: Uint8Array): Style | undefined {
	const known = styles.get(bytes) ?? new Map<string, Style | undefined>();
	styles.set(bytes, known);
	if (!known.has(path)) known.set(path, made(path, sheetText(bytes)));
	return known.get(path);
}

function made(path: string, css: string | undefined): Style | undefined {
	if (css === undefined) return undefined;
	const lines = [{ inText: 0, inFile: 0 }];
	const span = { file: path, from: 0, to: css.length };
	return { css, lines, band: undefined, global: true, span };
}
