import type { FoundFrame } from '../finding/found-frame.ts';
import { placesIn, type FrameNode } from '../finding/frame-node.ts';
import {
	attributeOf,
	textIn,
	type BroughtElement,
	type BroughtNode
} from '../reading/brought-node.ts';
import { elementAt, elementsOf } from '../reading/element-place.ts';
import type { BroughtPage } from '../reading/read-page.ts';
import type { ElementPart } from './choice.ts';

/** An element of a page, and whose it is. */
export interface PartOnPage {
	/** Its place among the elements of each element around it, from the body inward. */
	readonly at: readonly number[];
	/** As a selector says it: `div#wrap`. */
	readonly name: string;
	/** How its text begins. */
	readonly text: string;
	readonly part: ElementPart;
	/** The frame whose it is, or in whose place it stands; undefined of a page in none. */
	readonly frame: string | undefined;
	/** The region that it is, or stands in. */
	readonly region: string | undefined;
	/** Something in it is another part than it is itself. */
	readonly isMixed: boolean;
}

/** The elements of a page down to those of which all is one part, in the order of reading. */
export function partsOnPage(page: BroughtPage, frames: readonly FoundFrame[]): PartOnPage[] {
	const frame = frames.find(({ pages }) => pages.includes(page));
	const lister = new Lister(page);
	if (frame) lister.frame(frame);
	else lister.elements(elementsOf(page.content), { part: 'own', frame: undefined });
	return lister.parts;
}

/** An element of a page that is asked for by its place, with the part that the nearest of `parts` around it says. */
export function partAt(
	page: BroughtPage,
	parts: readonly PartOnPage[],
	at: readonly number[]
): PartOnPage | undefined {
	const element = elementAt(page.content, at);
	const around = parts
		.filter(
			(one) => one.at.length <= at.length && one.at.every((place, index) => place === at[index])
		)
		.reduce<PartOnPage | undefined>((a, b) => (a && a.at.length >= b.at.length ? a : b), undefined);
	if (!element) return undefined;
	const { part, frame, region } = around ?? { part: 'own', frame: undefined, region: undefined };
	const isWhole = around?.at.length === at.length;
	return { ...wordsOf(element), at, part, frame, region, isMixed: isWhole && around.isMixed };
}

/** The elements around one, from the outside in, and that itself. */
export function partsAround(
	page: BroughtPage,
	frames: readonly FoundFrame[],
	at: readonly number[]
): PartOnPage[] {
	const parts = partsOnPage(page, frames);
	return at.flatMap((_, index) => partAt(page, parts, at.slice(0, index + 1)) ?? []);
}

type Whose = Pick<PartOnPage, 'part' | 'frame'> & { readonly region?: string };

class Lister {
	readonly parts: PartOnPage[] = [];
	private readonly places = new Map<BroughtElement, readonly number[]>();

	constructor(private readonly page: BroughtPage) {
		const walk = (nodes: readonly BroughtNode[], around: readonly number[]): void => {
			for (const [index, element] of elementsOf(nodes).entries()) {
				const at = [...around, index];
				this.places.set(element, at);
				walk(element.children, at);
			}
		};
		walk(page.content, []);
	}

	frame(frame: FoundFrame): void {
		this.nodes(frame.nodes, frame, frame.pages.indexOf(this.page));
	}

	elements(elements: readonly BroughtElement[], whose: Whose): void {
		for (const element of elements) this.add(element, whose, false);
	}

	private nodes(nodes: readonly FrameNode[], frame: FoundFrame, page: number): void {
		for (const node of nodes) {
			if (node.kind === 'same') {
				const own = node.of[page];
				if (own?.kind === 'element') this.add(own, { part: 'frame', frame: frame.name }, false);
			} else if (node.kind === 'element') {
				this.element(node.of[page], node.children, frame, page);
			} else if (node.kind === 'place') {
				this.place(node, frame, page);
			} else if (node.kind === 'choice') {
				const nodesOf = node.cases.find((one) => one.page === page)?.nodes ?? node.usual;
				this.elements(elementsOf(nodesOf), { part: 'frame', frame: frame.name });
			}
		}
	}

	/** An element that has one place and nothing else is that place. */
	private element(
		element: BroughtElement | undefined,
		children: readonly FrameNode[],
		frame: FoundFrame,
		page: number
	): void {
		const inside = children.filter((one) => one.kind !== 'same' || one.node.kind !== 'text');
		const [only] = inside;
		const region =
			only?.kind === 'place' && inside.length === 1
				? frame.regions.find(({ place }) => place === only)
				: undefined;
		if (element && region) {
			const part = region.isSlot ? 'slot' : 'region';
			this.add(element, { part, frame: frame.name, region: region.name }, region.isSlot);
			if (!region.isSlot) return;
		} else if (element) {
			const isMixed = placesIn(children).length > 0;
			this.add(element, { part: 'frame', frame: frame.name }, isMixed);
			if (!isMixed) return;
		}
		this.nodes(children, frame, page);
	}

	private place(
		place: FrameNode & { readonly kind: 'place' },
		frame: FoundFrame,
		page: number
	): void {
		const region = frame.regions.find((one) => one.place === place);
		const inner = region?.isSlot
			? frame.inner.find(({ pages }) => pages.includes(this.page))
			: undefined;
		if (inner) {
			this.frame(inner);
			return;
		}
		const part = region?.isSlot ? 'own' : 'region';
		this.elements(elementsOf(place.lists[page] ?? []), {
			part,
			frame: frame.name,
			...(region && { region: region.name })
		});
	}

	private add(element: BroughtElement, { part, frame, region }: Whose, isMixed: boolean): void {
		const at = this.places.get(element);
		if (at) this.parts.push({ at, ...wordsOf(element), part, frame, region, isMixed });
	}
}

/** Letters of its text that tell an element from others. */
const longestText = 48;

function wordsOf(element: BroughtElement): Pick<PartOnPage, 'name' | 'text'> {
	const id = attributeOf(element, 'id');
	const [first] = attributeOf(element, 'class')?.trim().split(/\s+/) ?? [];
	const mark = id ? `#${id}` : first ? `.${first}` : '';
	return { name: element.tag + mark, text: textIn(element).slice(0, longestText) };
}
