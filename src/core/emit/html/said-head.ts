import type { DocumentSays, HeadItem, Layer, Page } from '../../model/site.ts';
import { compileMarkup } from '../../resolve/markup/compile.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import type { Scope } from '../../resolve/content/values.ts';
import type { ClassNames } from '../names.ts';
import { escapeHtml } from './escape.ts';
import { renderMarkup } from './markup.ts';

/** What the head of a page is written with. */
export interface HeadContext {
	readonly scope: Scope;
	readonly names: ClassNames;
	link(url: string): string;
}

/** All that says something of the document of a page, from the site inward. */
export function documentsOf(page: Page, { site, structure }: ResolvedSite): DocumentSays[] {
	const layers: readonly Layer[] = [...structure.chainOf(page), page];
	return [site.settings.document, ...layers.map(({ document }) => document)];
}

/**
 * What layers put into the head: that of a layer further in stands behind that of the ones around it, or where those have
 * a `{slot}`. A sheet or script that several say is there once, where the outermost has it.
 */
export function saidHead(documents: readonly DocumentSays[], context: HeadContext): string[] {
	const known = new Set<string>();
	const heads = documents.map(({ head }) => head.filter((item) => isFirst(item, known)));
	return heads.reduceRight<string[]>((inner, head) => headAround(head, inner, context), []);
}

function isFirst(item: HeadItem, known: Set<string>): boolean {
	if (item.kind === 'head') return true;
	const word = `${item.kind} ${item.from.text}`;
	const isNew = !known.has(word);
	known.add(word);
	return isNew;
}

function headAround(
	head: readonly HeadItem[],
	inner: readonly string[],
	{ scope, names, link }: HeadContext
): string[] {
	let isPlaced = false;
	const lines = head.flatMap((item): string[] => {
		if (item.kind === 'sheet') {
			const media = item.media ? ` media="${escapeHtml(item.media.text)}"` : '';
			return [`<link rel="stylesheet" href="${escapeHtml(link(item.from.text))}"${media}>`];
		}
		if (item.kind === 'script') return [scriptLine(item, link)];
		const places = {
			content: (_: unknown, line: string): string => {
				if (isPlaced) return '';
				isPlaced = true;
				return inner.join(`\n${/^\s*$/.test(line) ? line : ''}`);
			},
			marks: () => ''
		};
		const { parts, indentable } = compileMarkup(item.markup, scope.site.parts);
		const html = renderMarkup(parts, scope, { link, names, places });
		// Where a condition came out as nothing, its line is not there.
		const text = indentable ? html.replace(/^[ \t]*(?:\n|$)/gm, '').trimEnd() : html;
		return text === '' ? [] : indentable ? text.split('\n') : [text];
	});
	return isPlaced ? lines : [...lines, ...inner];
}

function scriptLine(
	{ from, words }: Extract<HeadItem, { kind: 'script' }>,
	link: HeadContext['link']
): string {
	const type = words.includes('module') ? ' type="module"' : '';
	const when = words.filter((word) => word !== 'module').map((word) => ` ${word}`);
	return `<script src="${escapeHtml(link(from.text))}"${type}${when.join('')}></script>`;
}

/** What in a head says by itself what a page would else be given. */
const sayings = {
	charset: /<meta\s[^>]*charset\s*=/i,
	viewport: /<meta\s[^>]*name\s*=\s*["']?viewport\b/i,
	title: /<title[\s>]/i,
	description: /<meta\s[^>]*name\s*=\s*["']?description\b/i
};

/** Whether a head says something by itself, so that it is not said again. */
export function says(what: keyof typeof sayings, head: readonly string[]): boolean {
	return head.some((line) => sayings[what].test(line));
}

/** The title that a head has by itself, as it is written in it. */
export function titleIn(head: readonly string[]): string | undefined {
	return /<title[^>]*>([^]*?)<\/title>/i.exec(head.join('\n'))?.[1];
}
