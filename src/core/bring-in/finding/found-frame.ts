import { freeName, nameFrom } from '../../model/name.ts';
import {
	attributeOf,
	isBlank,
	sizeOf,
	textIn,
	wordOf,
	type BroughtElement,
	type BroughtNode
} from '../reading/brought-node.ts';
import { frameOfOne } from './frame-of-one.ts';
import { costOf, placesIn, placeOf, type FrameNode, type FramePlace } from './frame-node.ts';
import { groupsOf } from './page-groups.ts';
import type { BroughtPage } from '../reading/read-page.ts';
import { sharedFrame } from './shared-frame.ts';
import { ownTitle, titlePattern } from './shared-head.ts';

/** A frame that pages share, with what is each page's own in its places. */
export interface FoundFrame {
	readonly name: string;
	/** The route at which it stands. */
	readonly at: string;
	/** It covers its branch; else pages ask for it. */
	readonly covers: boolean;
	/** It stands in no other frame. */
	readonly isOutermost: boolean;
	readonly nodes: readonly FrameNode[];
	readonly regions: readonly FoundRegion[];
	/** Its pages, in the order of the lists of its places. */
	readonly pages: readonly BroughtPage[];
	readonly inner: readonly FoundFrame[];
}

export interface FoundRegion {
	readonly name: string;
	readonly place: FramePlace;
	/** What is each page's own, or an inner frame, stands there. */
	readonly isSlot: boolean;
}

/** Bytes that a frame in a frame has to save. */
const leastSaved = 240;
/** Pages of a branch that may have a frame of their own. */
const leastPages = 3;

/** The frames of some pages; those that share nothing with others are in none. */
export function findFrames(pages: readonly BroughtPage[]): FoundFrame[] {
	const [only] = pages;
	if (only && pages.length === 1) return frameAlone(only);
	const names = new Set<string>();
	const groups = groupsOf(pages).filter((group) => group.length > 1);
	const main = mainGroup(groups, pages);
	return groups.map((group) => {
		const isMain = group === main;
		const folder = isMain ? '' : commonFolder(group);
		const covers = isMain || (folder !== '' && isAloneIn(folder, group, pages));
		const last = nameFrom(folder.split('/').at(-1) ?? '') || 'page';
		const name = freeName(isMain ? 'site' : last, names);
		const at = covers ? `/${folder}` : '/';
		return frameFor(group, {
			...{ name, at, covers, isOutermost: true, folder, names },
			lists: group.map(({ content }) => content),
			titles: titlesOf(group)
		});
	});
}

/** The frame of a page alone, where it has a main part that can be told. */
function frameAlone(page: BroughtPage): FoundFrame[] {
	const nodes = frameOfOne(page.content);
	if (!nodes) return [];
	const own = { name: 'site', at: '/', covers: true, isOutermost: true };
	return [{ ...own, nodes, regions: regionsOf(nodes), pages: [page], inner: [] }];
}

/** The group whose frame covers all of the site: the largest that has no folder to itself. */
function mainGroup(
	groups: readonly BroughtPage[][],
	pages: readonly BroughtPage[]
): BroughtPage[] | undefined {
	const open = groups.find((group) => {
		const folder = commonFolder(group);
		return folder === '' || !isAloneIn(folder, group, pages);
	});
	return open ?? groups[0];
}

/** Whether all pages of a folder are in a group. */
function isAloneIn(
	folder: string,
	group: readonly BroughtPage[],
	pages: readonly BroughtPage[]
): boolean {
	return pages.every((page) => !isIn(page, folder) || group.includes(page));
}

interface Placed extends Pick<FoundFrame, 'name' | 'at' | 'covers' | 'isOutermost'> {
	readonly lists: readonly (readonly BroughtNode[])[];
	readonly folder: string;
	readonly names: Set<string>;
	readonly titles: Titles;
}

function frameFor(pages: readonly BroughtPage[], placed: Placed): FoundFrame {
	const { lists, names, titles, name, at, covers, isOutermost } = placed;
	const own = { name, at, covers, isOutermost };
	names.add(name);
	const nodes = withSlot(sharedFrame(lists, pages.map(titles)), lists.length);
	const regions = regionsOf(nodes);
	const slot = regions.find(({ isSlot }) => isSlot)?.place.lists ?? [];
	return { ...own, nodes, regions, pages, inner: innerFrames(pages, slot, placed) };
}

/** A frame for each folder whose pages share more than all pages do. */
function innerFrames(
	pages: readonly BroughtPage[],
	slot: FramePlace['lists'],
	placed: Placed
): FoundFrame[] {
	const { folder, names, titles } = placed;
	return foldersIn(pages, folder).flatMap((inside): FoundFrame[] => {
		const places = pages.flatMap((page, index) => (isIn(page, inside) ? [index] : []));
		if (places.length < leastPages) return [];
		const group = places.flatMap((index) => pages[index] ?? []);
		const lists = places.map((index) => slot[index] ?? []);
		const whole = lists.reduce((sum, list) => sum + sizeOf(list), 0);
		if (whole - costOf(sharedFrame(lists, group.map(titles))) < leastSaved) {
			return innerFrames(group, lists, { ...placed, folder: inside });
		}
		const name = freeName(nameFrom(inside.split('/').at(-1) ?? '') || 'branch', names);
		const at = `/${inside}`;
		return [
			frameFor(group, {
				name,
				at,
				covers: true,
				isOutermost: false,
				lists,
				folder: inside,
				names,
				titles
			})
		];
	});
}

/** What each page is called. */
type Titles = (page: BroughtPage) => string;

/** What pages of a frame are called, as far as that is their own. */
function titlesOf(pages: readonly BroughtPage[]): Titles {
	const pattern = titlePattern(pages);
	return (page) => (pattern ? ownTitle(page, pattern) : '');
}

function isIn({ path }: BroughtPage, folder: string): boolean {
	return folder === '' || path.startsWith(`${folder}/`);
}

function foldersIn(pages: readonly BroughtPage[], folder: string): string[] {
	const start = folder === '' ? 0 : folder.length + 1;
	const found = pages.flatMap(({ path }) => {
		const [first, ...rest] = path.slice(start).split('/');
		return first === undefined || rest.length === 0 ? [] : [path.slice(0, start) + first];
	});
	return [...new Set(found)];
}

function commonFolder(pages: readonly BroughtPage[]): string {
	const folders = pages.map(({ path }) => path.split('/').slice(0, -1));
	const [first = []] = folders;
	const length = first.findIndex((name, at) => folders.some((one) => one[at] !== name));
	return (length === -1 ? first : first.slice(0, length)).join('/');
}

/** Pages that differ in nothing still need a place for what one of them will have. */
function withSlot(nodes: readonly FrameNode[], pages: number): readonly FrameNode[] {
	if (placesIn(nodes).some((place) => ownBytes(place) > 0)) return nodes;
	return [...nodes, placeOf(Array.from({ length: pages }, () => []))];
}

/** The places of a frame by their names; the slot is where pages have most of their own. */
function regionsOf(nodes: readonly FrameNode[]): FoundRegion[] {
	const names = new Set(['slot']);
	const places = placesIn(nodes);
	const own = places.map(ownBytes);
	const slot = own.lastIndexOf(Math.max(0, ...own));
	const walk = (list: readonly FrameNode[], around: Tagged | undefined): FoundRegion[] =>
		list.flatMap((node): FoundRegion[] => {
			if (node.kind === 'element') return walk(node.children, node);
			if (node.kind !== 'place') return [];
			if (places.indexOf(node) === slot) return [{ name: 'slot', place: node, isSlot: true }];
			const isAlone = list.every((one) => one === node || isBlankNode(one));
			const name = freeName(nameOf(node, isAlone ? around : undefined), names);
			names.add(name);
			return [{ name, place: node, isSlot: false }];
		});
	return walk(nodes, undefined);
}

/** An element by its tag. */
type Tagged = Pick<BroughtElement, 'tag' | 'attributes'>;

function ownBytes({ lists, usual }: FramePlace): number {
	const word = usual && wordOf(usual);
	return lists.reduce((sum, list) => (wordOf(list) === word ? sum : sum + sizeOf(list)), 0);
}

function isBlankNode(node: FrameNode): boolean {
	return node.kind === 'same' && isBlank(node.node);
}

/** What landmarks are called where nothing else names them. */
const landmarks: ReadonlyMap<string, string> = new Map([
	['header', 'head'],
	['nav', 'menu'],
	['main', 'main'],
	['aside', 'side'],
	['footer', 'foot'],
	['title', 'title'],
	['h1', 'heading'],
	['h2', 'heading']
]);

/** A name for a place: by the element that it is, or by what most pages have there. */
function nameOf({ lists, usual }: FramePlace, around: Tagged | undefined): string {
	const inside = [usual ?? [], ...lists].flatMap((list) => {
		const element = list.find((node) => node.kind === 'element');
		return element ? [element] : [];
	});
	const elements = [...(around ? [around] : []), ...inside.slice(0, 3)];
	const names = [
		...elements.map((element) => nameFrom(attributeOf(element, 'id') ?? '')),
		...(around ? [nameFrom(firstClass(around)), landmarks.get(around.tag) ?? ''] : []),
		commonWords(inside),
		...elements.flatMap((element) => [
			nameFrom(firstClass(element)),
			landmarks.get(element.tag) ?? ''
		])
	];
	return names.find((name) => name !== '') ?? 'place';
}

function firstClass(element: Tagged): string {
	return attributeOf(element, 'class')?.split(/\s+/)[0] ?? '';
}

/** Letters of a name that is made of words. */
const longestWords = 20;

/** What most of some elements say, such as "Next", as a name; empty where they do not say the same. */
function commonWords(elements: readonly BroughtElement[]): string {
	const counts = new Map<string, number>();
	for (const element of elements) {
		const name = nameFrom(textIn(element).slice(0, longestWords + 1));
		if (name !== '' && name.length <= longestWords) counts.set(name, (counts.get(name) ?? 0) + 1);
	}
	const [most, count] = [...counts].reduce((a, b) => (b[1] > a[1] ? b : a), ['', 0]);
	return count > 2 && count * 2 > elements.length ? most : '';
}
