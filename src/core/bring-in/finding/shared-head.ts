import {
	attributeOf,
	isBlank,
	type BroughtElement,
	type BroughtNode
} from '../reading/brought-node.ts';
import type { BroughtPage } from '../reading/read-page.ts';

/** Something in a head: a node, or the title that a page has of its own between what all titles have. */
export type HeadPart =
	| { readonly kind: 'node'; readonly node: BroughtNode }
	| { readonly kind: 'title'; readonly before: string; readonly behind: string };

/** What the heads of some pages share, in front of and behind what each has of its own. */
export interface SharedHead {
	readonly before: readonly HeadPart[];
	readonly behind: readonly HeadPart[];
	/** What each page has of its own, in the order of the pages. */
	readonly own: readonly (readonly HeadPart[])[];
}

/** The head of a page, with its title as what it is called where that is known. */
export function headParts(page: BroughtPage, titles: TitlePattern | undefined): HeadPart[] {
	return page.head
		.filter((node) => !isBlank(node))
		.map((node): HeadPart => {
			const isTitle = node.kind === 'element' && node.tag === 'title';
			return isTitle && titles ? { kind: 'title', ...titles } : { kind: 'node', node };
		});
}

/** What some heads begin and end with. */
export function sharedHead(heads: readonly (readonly HeadPart[])[]): SharedHead {
	const [first = []] = heads;
	const words = heads.map((head) => head.map(wordOfPart));
	const shortest = Math.min(...heads.map(({ length }) => length));
	let before = 0;
	while (before < shortest && words.every((one) => one[before] === words[0]?.[before])) before++;
	let behind = 0;
	const isSame = (back: number): boolean =>
		words.every(
			(one) => one[one.length - 1 - back] === words[0]?.[(words[0]?.length ?? 0) - 1 - back]
		);
	while (behind < shortest - before && isSame(behind)) behind++;
	return {
		before: first.slice(0, before),
		behind: first.slice(first.length - behind),
		own: heads.map((head) => head.slice(before, head.length - behind))
	};
}

function wordOfPart(part: HeadPart): string {
	return part.kind === 'title' ? `title ${part.before}|${part.behind}` : String(part.node.word);
}

/** What the titles of some pages have in front of and behind what each page is called. */
export interface TitlePattern {
	readonly before: string;
	readonly behind: string;
}

/** The pattern of some titles; undefined where a page has none, or nothing of its own in it. */
export function titlePattern(pages: readonly BroughtPage[]): TitlePattern | undefined {
	const titles = pages.map(({ title }) => title ?? '');
	const [first = ''] = titles;
	if (titles.some((title) => title === '')) return undefined;
	if (titles.every((title) => title === first))
		return titles.length > 1 ? undefined : { before: '', behind: '' };
	let before = 0;
	while (titles.every((title) => before < title.length && title[before] === first[before]))
		before++;
	let behind = 0;
	while (
		titles.every(
			(title) => behind < title.length - before && title.at(-1 - behind) === first.at(-1 - behind)
		)
	)
		behind++;
	// Words are not parted: what two titles begin with by chance is no pattern.
	const start = /^.*[\s:|–—·-]\s*/.exec(first.slice(0, before))?.[0] ?? '';
	const end = /\s*[\s:|–—·-].*$/.exec(first.slice(first.length - behind))?.[0] ?? '';
	const isOwn = titles.every((title) => title.length > start.length + end.length);
	return isOwn ? { before: start, behind: end } : { before: '', behind: '' };
}

/** What a page is called: its title without what all of them have. */
export function ownTitle({ title = '' }: BroughtPage, { before, behind }: TitlePattern): string {
	return title.slice(before.length, title.length - behind.length);
}

/** A sheet or script that can be said by its file alone. */
export function fileOf(node: BroughtNode):
	| {
			readonly kind: 'sheet' | 'script';
			readonly from: string;
			readonly words: readonly string[];
			readonly media: string | undefined;
	  }
	| undefined {
	if (node.kind !== 'element') return undefined;
	const media = attributeOf(node, 'media');
	if (node.tag === 'link' && has(node, ['rel', 'href'], ['media'])) {
		const from = attributeOf(node, 'href') ?? '';
		return attributeOf(node, 'rel') === 'stylesheet' && isFile(from)
			? { kind: 'sheet', from, words: [], media }
			: undefined;
	}
	if (node.tag !== 'script' || !has(node, ['src'], ['type', 'defer', 'async'])) return undefined;
	const from = attributeOf(node, 'src') ?? '';
	const type = attributeOf(node, 'type');
	if (node.children.length > 0 || !isFile(from) || (type !== undefined && type !== 'module'))
		return undefined;
	const words = ['defer', 'async'].filter((word) => attributeOf(node, word) !== undefined);
	if (words.some((word) => attributeOf(node, word) !== '')) return undefined;
	return {
		kind: 'script',
		from,
		words: [...(type === undefined ? [] : [type]), ...words],
		media: undefined
	};
}

/** A file of the site, or a whole URL. */
function isFile(from: string): boolean {
	return from !== '' && !from.startsWith('/') && !/["\\]/.test(from);
}

function has(
	{ attributes }: BroughtElement,
	all: readonly string[],
	some: readonly string[]
): boolean {
	const names = attributes.map(({ name }) => name);
	return (
		all.every((name) => names.includes(name)) &&
		names.every((name) => all.includes(name) || some.includes(name))
	);
}
