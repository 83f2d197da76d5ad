import { nameFrom } from '../../model/name.ts';
import type { SiteFiles } from '../../model/files.ts';
import { wordOf, type BroughtAttribute, type BroughtNode } from '../reading/brought-node.ts';
import type { FoundFrame } from '../finding/found-frame.ts';
import type { FoundRegion } from '../finding/regions.ts';
import type { RepeatedBlock } from '../finding/repeated-blocks.ts';
import type { FrameNode } from '../finding/frame-node.ts';
import {
	attributesText,
	block,
	closeTag,
	inside,
	markupText,
	openTag,
	quoted,
	type PartNames,
	type Within
} from './markup-text.ts';
import type { BroughtPage } from '../reading/read-page.ts';
import {
	fileOf,
	headParts,
	ownTitle,
	sharedHead,
	titlePattern,
	type HeadPart,
	type TitlePattern
} from '../finding/shared-head.ts';

/** What frames say of a page, from the outside in, until what is left is the page's own. */
interface OwnOfPage {
	readonly page: BroughtPage;
	readonly fills: readonly { readonly region: string; readonly nodes: readonly BroughtNode[] }[];
	readonly content: readonly BroughtNode[];
	readonly head: readonly HeadPart[];
	readonly html: readonly BroughtAttribute[];
	readonly body: readonly BroughtAttribute[];
	readonly titles: TitlePattern | undefined;
	/** The layout that it has to name; undefined where the one that covers it is its own. */
	readonly under: string | undefined;
}

/** The layout of pages that share no frame: they are as they are. */
const plainLayout = 'plain';

/** Writes the text of a site of found frames, and of the pages that are in none. */
export function writeSite(
	name: string,
	pages: readonly BroughtPage[],
	frames: readonly FoundFrame[],
	blocks: readonly RepeatedBlock[] = []
): SiteFiles['texts'] {
	const lang = commonLang(pages);
	const said = lang === undefined ? '' : `  lang ${lang}\n`;
	const texts = new Map([
		['site.eave', `site ${quoted(name)} {\n${said}  bands { narrow 0 }\n}\n`]
	]);
	if (blocks.length > 0) texts.set('parts.eave', blocks.map(partText).join('\n\n') + '\n');
	const taken = new Set(frames.map((frame) => frame.name));
	const parts = new Map(blocks.map(({ name: part, element }) => [element.word, part]));
	writePages(new SiteWriter(texts, lang, parts), pages, frames, taken);
	return texts;
}

/** Writes frames and pages that come into another site; `lang`: that site's, `taken`: names of its layouts. */
export function writeGuests(
	pages: readonly BroughtPage[],
	frames: readonly FoundFrame[],
	lang: string,
	taken: ReadonlySet<string>
): SiteFiles['texts'] {
	const texts = new Map<string, string>();
	const names = frames.map((frame) => frame.name);
	const writer = new SiteWriter(texts, lang, new Map());
	writePages(writer, pages, frames, new Set([...taken, ...names]));
	return texts;
}

function partText({ name, element }: RepeatedBlock): string {
	return block(`part ${name}`, markupText([element]), '');
}

function writePages(
	writer: SiteWriter,
	pages: readonly BroughtPage[],
	frames: readonly FoundFrame[],
	taken: ReadonlySet<string>
): void {
	for (const frame of frames) writer.outermost(frame);
	const inFrames = new Set(frames.flatMap((frame) => frame.pages));
	const alone = pages.filter((page) => !inFrames.has(page));
	if (alone.length > 0) writer.plain(alone, taken);
}

/** The language that all pages say, as a site can say it. */
function commonLang(pages: readonly BroughtPage[]): string | undefined {
	const said = new Set(pages.map(({ html }) => html.find((one) => one.name === 'lang')?.value));
	const [only] = said;
	return said.size === 1 && only !== undefined && /^[a-zA-Z][a-zA-Z0-9-]*$/.test(only)
		? only
		: undefined;
}

class SiteWriter {
	constructor(
		private readonly texts: Map<string, string>,
		private readonly lang: string | undefined,
		private readonly parts: PartNames
	) {}

	outermost(frame: FoundFrame): void {
		const { pages } = frame;
		const titles = titlePattern(pages);
		const html = common(pages.map((page) => this.htmlOf(page)));
		const body = common(pages.map((page) => page.body));
		const owns = pages.map((page): OwnOfPage => {
			return {
				page,
				fills: [],
				content: page.content,
				head: headParts(page, titles),
				html: without(this.htmlOf(page), html),
				body: without(page.body, body),
				titles,
				under: frame.covers ? undefined : frame.name
			};
		});
		const said = [...attributes('html', html), ...attributes('body', body)];
		this.frame(frame, owns, isFirst(frame) ? said : ['  under none', ...said]);
	}

	/** Pages that share no frame have all of themselves in a layout that has nothing but its slot. */
	plain(pages: readonly BroughtPage[], taken: ReadonlySet<string>): void {
		let name = plainLayout;
		while (taken.has(name)) name = `${name}-page`;
		this.texts.set(
			`layouts/${name}.eave`,
			`layout ${name} at / on-request {\n  under none\n  frame """{slot}"""\n}\n`
		);
		for (const page of pages) {
			const titles = titlePattern([page]);
			this.page({
				...{ page, fills: [], content: page.content, body: page.body, titles },
				head: headParts(page, titles),
				html: this.htmlOf(page),
				under: name
			});
		}
	}

	/** What a layout says of the language, all of the site says. */
	private htmlOf({ html }: BroughtPage): readonly BroughtAttribute[] {
		return html.filter(({ name, value }) => name !== 'lang' || value !== this.lang);
	}

	private frame(frame: FoundFrame, owns: readonly OwnOfPage[], said: readonly string[]): void {
		const { name, at, covers, regions, inner, nodes } = frame;
		const head = sharedHead(owns.map((own) => own.head));
		const left = owns.map((own, index): OwnOfPage => {
			const fills = regions.flatMap((region) => fillOf(region, index));
			const slot = regions.find(({ isSlot }) => isSlot)?.place.lists[index] ?? [];
			return {
				...own,
				fills: [...own.fills, ...fills],
				content: slot,
				head: head.own[index] ?? []
			};
		});
		const markup = frameText(nodes, regions, frame.pages);
		const parts = [...said, ...headLines(head, '  '), block('frame', markup, '  ')];
		const text = `layout ${name} at ${at}${covers ? '' : ' on-request'} {\n${parts.join('\n')}\n}\n`;
		this.texts.set(`layouts/${name}.eave`, text);
		const inInner = new Set(inner.flatMap((one) => one.pages));
		for (const own of left) if (!inInner.has(own.page)) this.page(own);
		for (const one of inner) {
			const owned = new Set(one.pages);
			this.frame(
				one,
				left
					.filter(({ page }) => owned.has(page))
					.map((own) => (one.covers ? own : { ...own, under: one.name })),
				one.covers ? [] : [`  under ${name}`]
			);
		}
	}

	private page(own: OwnOfPage): void {
		const { page, fills, content, head, html, body, titles, under } = own;
		const parts = [
			...(under === undefined ? [] : [`  under ${under}`]),
			...(titles ? [`  title ${quoted(ownTitle(page, titles))}`] : []),
			...attributes('html', html),
			...attributes('body', body),
			...headLines({ before: head, behind: [] }, '  '),
			...fills.map(({ region, nodes }) =>
				nodes.length === 0
					? `  fill ${region} empty`
					: `  fill ${region} {\n${block(`piece ${region}`, this.markup(nodes), '    ')}\n  }`
			),
			...(content.length === 0 ? [] : [block('piece body', this.markup(content), '  ')])
		];
		const path = `pages/${page.path.replace(/\.html?$/i, '')}.eave`;
		const inner = parts.length === 0 ? '' : `\n${parts.join('\n')}\n`;
		this.texts.set(this.free(path), `route ${page.address} {${inner}}\n`);
	}

	/** What is a page's own, with parts in the place of blocks that others have, too. */
	private markup(nodes: readonly BroughtNode[]): string {
		return markupText(nodes, undefined, this.parts);
	}

	/** Two pages may differ in the end of their names alone. */
	private free(path: string): string {
		let free = path;
		for (let count = 2; this.texts.has(free); count++)
			free = path.replace(/\.eave$/, `-${count}.eave`);
		return free;
	}
}

/** Whether a frame covers all of the site, and nothing could be around it. */
function isFirst({ covers, at }: FoundFrame): boolean {
	return covers && at === '/';
}

/** What a page has in a region, where that is not what most pages have. */
function fillOf({ name, place, isSlot }: FoundRegion, page: number): OwnOfPage['fills'][number][] {
	const nodes = place.lists[page] ?? [];
	if (isSlot || wordOf(nodes) === wordOf(place.usual ?? [])) return [];
	return [{ region: name, nodes }];
}

function attributes(element: 'html' | 'body', said: readonly BroughtAttribute[]): string[] {
	if (said.length === 0) return [];
	return [`  attributes ${element} """${attributesText(said)} """`];
}

/** Attributes that all of some lists have. */
function common(lists: readonly (readonly BroughtAttribute[])[]): BroughtAttribute[] {
	const [first = []] = lists;
	return first.filter(({ name, value }) =>
		lists.every((list) => list.some((one) => one.name === name && one.value === value))
	);
}

function without(
	list: readonly BroughtAttribute[],
	taken: readonly BroughtAttribute[]
): BroughtAttribute[] {
	return list.filter(({ name }) => !taken.some((one) => one.name === name));
}

/** What stands in a head as statements: files by their names, all else as markup. */
function headLines(
	{
		before,
		behind
	}: { readonly before: readonly HeadPart[]; readonly behind: readonly HeadPart[] },
	indent: string
): string[] {
	const lines: string[] = [];
	let markup: string[] = [];
	const flush = (): void => {
		if (markup.length > 0) lines.push(block('head', markup.join('\n'), indent));
		markup = [];
	};
	const add = (part: HeadPart): void => {
		const file = part.kind === 'node' ? fileOf(part.node) : undefined;
		if (file) {
			flush();
			const media = file.media === undefined ? [] : ['media', quoted(file.media)];
			lines.push(`${indent}${[file.kind, quoted(file.from), ...file.words, ...media].join(' ')}`);
		} else if (part.kind === 'node') {
			markup.push(markupText([part.node]));
		} else {
			markup.push(titleText(part));
		}
	};
	for (const part of before) add(part);
	if (behind.length > 0) markup.push('{slot}');
	for (const part of behind) add(part);
	flush();
	return lines;
}

function titleText({ before, behind }: TitlePattern): string {
	const written = (text: string): string =>
		markupText([{ kind: 'text', text, word: 0, size: text.length }], inside('title'));
	return `<title>${written(before)}{page.title}${written(behind)}</title>`;
}

/** The markup of a frame, with its places. */
function frameText(
	nodes: readonly FrameNode[],
	regions: readonly FoundRegion[],
	pages: readonly BroughtPage[],
	within = inside('')
): string {
	return nodes
		.map((node): string => {
			switch (node.kind) {
				case 'same':
					return markupText([node.node], within);
				case 'element': {
					const inner = frameText(node.children, regions, pages, inside(node.tag, within));
					return openTag(node) + inner + closeTag(node.tag);
				}
				case 'title':
					return `${node.blankBefore ? '\n' : ''}{page.title}${node.blankBehind ? '\n' : ''}`;
				case 'choice':
					return choiceText(node, pages, within);
				case 'place': {
					const region = regions.find(({ place }) => place === node);
					const tag = region?.isSlot ? '{slot}' : placeText(region?.name ?? '', node.usual, within);
					return `${node.blankBefore ? '\n' : ''}${tag}${node.blankBehind ? '\n' : ''}`;
				}
			}
		})
		.join('');
}

function placeText(
	name: string,
	usual: readonly BroughtNode[] | undefined,
	within: Within
): string {
	return `{region ${name}}${markupText(usual ?? [], within)}{end}`;
}

function choiceText(
	{ usual, cases }: Extract<FrameNode, { kind: 'choice' }>,
	pages: readonly BroughtPage[],
	within: Within
): string {
	return cases.reduce(
		(otherwise, { page, nodes }) => {
			const address = pages[page]?.address ?? '/';
			return `{if page.address is ${quoted(address)}}${markupText(nodes, within)}{else}${otherwise}{end}`;
		},
		markupText(usual, within)
	);
}

/** What a site is called whose pages say: what their titles end with, or the folder they came in. */
export function siteName(frames: readonly FoundFrame[], folder: string): string {
	const [main] = frames;
	const titles = main && titlePattern(main.pages);
	const found = [titles?.behind, titles?.before]
		.map((text) => (text ?? '').replace(/^[\s:|–—·-]+|[\s:|–—·-]+$/g, ''))
		.find((text) => text !== '');
	return found ?? (nameFrom(folder) || 'Pages');
}
