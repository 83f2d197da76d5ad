import { freeName, nameFrom } from '../../model/name.ts';
import {
	attributeOf,
	isBlank,
	sizeOf,
	textIn,
	type BroughtElement
} from '../reading/brought-node.ts';
import { ownLists, placesIn, type FrameNode, type FramePlace } from './frame-node.ts';

/** A place of a frame, with the name that it gets. */
export interface FoundRegion {
	readonly name: string;
	readonly place: FramePlace;
	/** What is each page's own, or an inner frame, stands there. */
	readonly isSlot: boolean;
}

/** The place that is the slot: the one that was chosen, else the one where pages have most of their own. */
export function slotIn(nodes: readonly FrameNode[]): FramePlace | undefined {
	const places = placesIn(nodes).filter(({ chosen }) => chosen !== 'region');
	const own = places.map(ownBytes);
	return (
		places.findLast(({ chosen }) => chosen === 'slot') ??
		places[own.lastIndexOf(Math.max(0, ...own))]
	);
}

/** The places of a frame by their names; the slot is where pages have most of their own. */
export function regionsOf(nodes: readonly FrameNode[]): FoundRegion[] {
	const names = new Set(['slot']);
	const slot = slotIn(nodes);
	const walk = (list: readonly FrameNode[], around: Tagged | undefined): FoundRegion[] =>
		list.flatMap((node): FoundRegion[] => {
			if (node.kind === 'element') return walk(node.children, node);
			if (node.kind !== 'place') return [];
			if (node === slot) return [{ name: 'slot', place: node, isSlot: true }];
			const isAlone = list.every((one) => one === node || isBlankNode(one));
			const name = freeName(nameOf(node, isAlone ? around : undefined), names);
			names.add(name);
			return [{ name, place: node, isSlot: false }];
		});
	return walk(nodes, undefined);
}

/** An element by its tag. */
type Tagged = Pick<BroughtElement, 'tag' | 'attributes'>;

/** Bytes of what is not what most pages have there. */
export function ownBytes(place: FramePlace): number {
	return ownLists(place).reduce<number>((sum, own) => sum + (own ? sizeOf(own) : 0), 0);
}

function isBlankNode(node: FrameNode): boolean {
	return node.kind === 'same' && isBlank(node.node);
}

/** What landmarks are called where nothing else names them. */
export const landmarks: ReadonlyMap<string, string> = new Map([
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
		const words = textIn(element);
		const name = words.length <= longestWords ? nameFrom(words) : '';
		if (name !== '') counts.set(name, (counts.get(name) ?? 0) + 1);
	}
	const [most, count] = [...counts].reduce((a, b) => (b[1] > a[1] ? b : a), ['', 0]);
	return count > 2 && count * 2 > elements.length ? most : '';
}
