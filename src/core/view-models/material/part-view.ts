import { firstStyle } from '../../edit/content/part-style.ts';
import { usesOf } from '../../edit/content/parts.ts';
import { escapeHtml } from '../../emit/html/escape.ts';
import { renderMarkup } from '../../emit/html/markup.ts';
import { withUrls } from '../../emit/css/author/style-urls.ts';
import { partSheet } from '../../emit/css/author/part-styles.ts';
import { siteSheet } from '../../emit/css/site-sheet.ts';
import { classNames } from '../../emit/names.ts';
import { pageScope } from '../../emit/html/words.ts';
import type { Part } from '../../model/site.ts';
import { dedent } from '../../source/markup-block.ts';
import { compileMarkup } from '../../resolve/markup/compile.ts';
import { partBook } from '../../resolve/content/parts.ts';
import { scopeOfPart, textOf, type Scope } from '../../resolve/content/values.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { firstUse } from './first-use.ts';
import { instanceNamed, pagesWithPart } from './part-pages.ts';
import { surroundingsOf, type Surroundings } from './part-surroundings.ts';
import { usesAt, type Use } from './uses.ts';

/** A part with each of its variants. */
export interface PartView {
	readonly name: string;
	/** What it is given, as it is written between the parentheses. */
	readonly parameters: string;
	readonly list: readonly PartParameterView[];
	readonly markup: string;
	/** The style that holds in all bands; empty where it has none. */
	readonly style: string;
	readonly wraps: boolean;
	readonly file: string;
	/** Where it is written. */
	readonly from: number;
	readonly variants: readonly PartVariant[];
	/** Pages that have it: it can be drawn as on each. */
	readonly pages: readonly string[];
	/** The page as on which it is drawn; undefined where none shows it, so only the site's own sheets are around it. */
	readonly on: string | undefined;
	readonly uses: readonly Use[];
}

export interface PartParameterView {
	readonly name: string;
	/** What it can be; one: that holds where nothing is given; none: it must be given. */
	readonly values: readonly string[];
}

export interface PartVariant {
	/** Such as `tone ripe`; empty where there is only one. */
	readonly label: string;
	/** A whole document that shows the part alone. */
	readonly html: string;
}

/** More variants than anyone compares. */
const mostVariants = 24;

/**
 * Every part of the site, drawn as on a page that has it: the one that `on` says by the part's name,
 * else the first that shows it. What no page shows is drawn with the sheets of the site alone.
 */
export function partViews(
	resolved: ResolvedSite,
	assetUrls: { get(path: string): string | undefined },
	year: number,
	on: ReadonlyMap<string, string> = new Map()
): PartView[] {
	return resolved.site.parts.map((part) =>
		partView(part, resolved, assetUrls, year, on.get(part.name.text))
	);
}

function partView(
	part: Part,
	resolved: ResolvedSite,
	assetUrls: { get(path: string): string | undefined },
	year: number,
	wanted: string | undefined
): PartView {
	const { site, reading } = resolved;
	const uses = usesOf(resolved, part.name.text);
	const text = reading.files.texts.get(part.span.file) ?? '';
	const { parametersSpan: list, markup } = part;
	const pages = pagesWithPart(part, resolved);
	const tried = (wanted !== undefined && pages.includes(wanted) ? [wanted] : pages).slice(
		0,
		mostTried
	);
	const around = firstAround(part, tried, resolved, assetUrls, year);
	const inner = text.slice(markup.span.from, markup.span.to);
	return {
		name: part.name.text,
		parameters: list ? text.slice(list.from + 1, list.to - 1).trim() : '',
		list: part.parameters.map(({ name, values }) => ({
			name: name.text,
			values: values.map((value) => value.text)
		})),
		markup: dedent(inner, { ...markup.span, from: 0, to: inner.length }, true).text,
		style: styleText(firstStyle(part.styles)?.css ?? ''),
		wraps: partBook(site.parts).wraps(part.name.text),
		file: part.span.file,
		from: part.span.from,
		variants: variantsOf(part).map((values) => ({
			label: [...values].map(([name, value]) => `${name} ${value}`).join(', '),
			html: partHtml(part, values, around?.surroundings, resolved, assetUrls, year)
		})),
		pages,
		on: around?.page,
		uses: usesAt(
			resolved,
			uses.map(({ span }) => span)
		)
	};
}

/** A style without the indentation of its place. */
function styleText(css: string): string {
	const lines = css
		.replace(/^\s*\n/, '')
		.trimEnd()
		.split('\n');
	const indents = lines.filter((line) => line.trim() !== '').map((line) => /^\s*/.exec(line)?.[0].length ?? 0); // prettier-ignore
	const least = Math.min(...indents);
	return lines.map((line) => line.slice(Number.isFinite(least) ? least : 0)).join('\n');
}

/** Each way in which the parameters that have several values go together. */
function variantsOf({ parameters }: Part): ReadonlyMap<string, string>[] {
	let found: Map<string, string>[] = [new Map()];
	for (const { name, values } of parameters) {
		if (values.length < 2) continue;
		found = found.flatMap((before) =>
			values.map((value) => new Map(before).set(name.text, value.text))
		);
	}
	return found.slice(0, mostVariants);
}

/** Pages on which a part is looked for before it is drawn without one. */
const mostTried = 8;

/** What is around a part on the first of some pages that shows it: on others a condition may leave it out. */
function firstAround(
	part: Part,
	pages: readonly string[],
	resolved: ResolvedSite,
	assetUrls: { get(path: string): string | undefined },
	year: number
): { readonly page: string; readonly surroundings: Surroundings } | undefined {
	for (const page of pages) {
		const instance = instanceNamed(page, resolved);
		const surroundings = instance && surroundingsOf(part, instance, resolved, assetUrls, year);
		if (surroundings) return { page, surroundings };
	}
	return undefined;
}

/** A page with nothing on it but the part; what it is given comes from a place that uses it. */
function partHtml(
	part: Part,
	values: ReadonlyMap<string, string>,
	surroundings: Surroundings | undefined,
	resolved: ResolvedSite,
	assetUrls: { get(path: string): string | undefined },
	year: number
): string {
	const { site, structure } = resolved;
	const [page] = [...site.routes, ...site.states];
	const [instance] = page ? resolved.instances(page) : [];
	if (!instance) return '';
	const names = classNames(site);
	const around = pageScope(instance, resolved, year);
	const scope = firstUse(part, resolved, year) ?? scopeOfPart(part, { given: [] }, around);
	const inside: Scope = { ...scope, names: filled(part, scope, values) };
	const link = (url: string): string => assetUrls.get(url.replace(/^\//, '')) ?? url;
	const html = renderMarkup(
		compileMarkup(part.markup, site.parts).parts,
		inside,
		{ link, names },
		'',
		{
			of: part,
			html: '<p>What it wraps stands here.</p>'
		}
	);
	if (surroundings) return surroundings.before + html + surroundings.after;
	const sheets = [
		siteSheet(site, structure).css,
		partSheet(site)?.css ?? '',
		'body { padding: 12px; font: 16px/1.5 system-ui, sans-serif; }'
	];
	const { lang, dir } = site.settings;
	return [
		'<!DOCTYPE html>',
		`<html lang="${escapeHtml(lang)}" dir="${dir}"><head><meta charset="utf-8"><title>${escapeHtml(part.name.text)}</title>`,
		...sheets.map((css) => `<style>\n${withUrls(css, link).replaceAll('</', '<\\/')}</style>`),
		`</head><body>${html}</body></html>`
	].join('\n');
}

/** What a parameter has no text for here is called by its name. */
function filled(
	part: Part,
	{ names }: Scope,
	values: ReadonlyMap<string, string>
): Map<string, unknown> {
	return new Map(
		part.parameters.map(({ name, values: own }): [string, unknown] => {
			const variant = values.get(name.text);
			if (variant !== undefined) return [name.text, variant];
			const given = names?.get(name.text);
			const has = Array.isArray(given) || (textOf(given) ?? '') !== '';
			return [name.text, has ? given : (own[0]?.text ?? name.text)];
		})
	);
}
