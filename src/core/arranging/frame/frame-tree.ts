import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import type { Layout, OwnFrame, Region } from '../../model/site.ts';
import { slotName, type Tag } from '../../model/template.ts';
import { asHtml, behindName, elementsIn, places, withTags, type AsHtml } from './frame-html.ts';

/** What the markup of a frame is made of: elements with places in them, places, and what holds none. */
export type FramePart = FrameElement | FramePlaceOnly | FrameStatic;

/** An element by its tag. */
export interface FrameTag {
	/** Its place among all elements of the frame, in the order of the markup. */
	readonly number: number;
	readonly tag: string;
	/** Its attributes, as they are written. */
	readonly attributes: string;
}

/** An element that has a place of a region somewhere in it. */
export interface FrameElement {
	readonly kind: 'element';
	readonly element: FrameTag;
	readonly parts: readonly FramePart[];
}

/** The place of a region: an element that holds nothing else, or some of what an element holds. */
export interface FramePlaceOnly {
	readonly kind: 'place';
	readonly region: Region;
	readonly element: FrameTag | undefined;
}

/** Markup without a place: one element, or text and tags. */
export interface FrameStatic {
	readonly kind: 'static';
	readonly element: FrameTag | undefined;
	/** As it is written: all of it, and what is in its element. */
	readonly markup: string;
	readonly inner: string;
	/** White space stands before it. */
	readonly isApart: boolean;
}

/** What can stand in nothing but a table; where that is no table any more, its cells are boxes. */
const ofTables = /^(?:tbody|thead|tfoot|tr)$/;

/** Whether what pages bring lands in an element. */
export function holdsSlot({ parts }: FrameElement): boolean {
	return parts.some((part) =>
		part.kind === 'place' ? part.region.slot : part.kind === 'element' && holdsSlot(part)
	);
}

/** Why a frame cannot be read as boxes, as a sentence. */
export class NotBoxes extends Error {}

/**
 * The markup of a frame as a tree. `opened`: elements without places that are looked into all the same, by their numbers.
 *
 * @throws NotBoxes where a place stands in a condition, a list or a part.
 */
export function frameTree(
	layout: Layout,
	{ markup }: OwnFrame,
	opened: ReadonlySet<number> = new Set()
): FramePart[] {
	return new Reader(layout, asHtml(markup), opened).parts();
}

/** What is read of the children of one element so far. */
interface Open {
	readonly parts: FramePart[];
	/** Conditions and lists that are open. */
	depth: number;
	/** Text that goes on, as HTML. */
	run: string;
	/** White space came last. */
	isApart: boolean;
}

class Reader {
	private readonly root: Tree.DocumentFragment;
	private readonly numbers: ReadonlyMap<Tree.Element, number>;
	private readonly text: string;
	private readonly tags: readonly Tag[];

	constructor(
		private readonly layout: Layout,
		{ text, tags }: AsHtml,
		private readonly opened: ReadonlySet<number>
	) {
		this.text = text;
		this.tags = tags;
		this.root = parseFragment(text, places);
		this.numbers = new Map(elementsIn(this.root).map((element, number) => [element, number]));
	}

	parts(): FramePart[] {
		return this.partsOf(this.root);
	}

	private partsOf(parent: Tree.ParentNode): FramePart[] {
		const open: Open = { parts: [], depth: 0, run: '', isApart: false };
		for (const child of parent.childNodes) this.take(child, open);
		this.endRun(open);
		return open.parts;
	}

	private take(child: Tree.ChildNode, open: Open): void {
		const tag = this.tagOf(child);
		const region = tag && this.regionOf(tag);
		if (open.depth > 0 && (region || ('tagName' in child && this.hasPlace(child)))) {
			const name = region?.name.text ?? 'region';
			throw new NotBoxes(`The place of a ${name} stands in a condition or a list.`);
		}
		if (region) {
			this.endRun(open);
			open.parts.push({ kind: 'place', region, element: undefined });
			return;
		}
		if (tag) open.depth += depthOf(tag);
		if (open.depth < 0) throw new NotBoxes('A part wraps some of this frame, which no box can.');
		if ('tagName' in child && open.depth === 0 && !tag) this.element(child, open);
		else open.run += this.sourceOf(child);
	}

	private element(child: Tree.Element, open: Open): void {
		// What nobody wrote is not there for those who read.
		if (behindName(child) === undefined) {
			for (const inner of child.childNodes) this.take(inner, open);
			return;
		}
		this.endRun(open);
		const element = this.frameTag(child);
		const alone = this.onlyPlace(child);
		if (alone && !canBeBox(element.tag)) {
			throw new NotBoxes(
				`The place of ${alone.name.text} is a ${element.tag}, whose content can stand in nothing else: let the element around it be the region.`
			);
		}
		if (alone) open.parts.push({ kind: 'place', region: alone, element });
		else if (
			this.hasPlace(child) ||
			this.opened.has(element.number) ||
			ofTables.test(element.tag)
		) {
			open.parts.push({ kind: 'element', element, parts: this.partsOf(child) });
		} else {
			const markup = withTags(this.sourceOf(child), this.tags);
			open.parts.push({
				kind: 'static',
				element,
				markup,
				inner: this.innerOf(child),
				isApart: open.isApart
			});
			open.isApart = false;
		}
	}

	private endRun(open: Open): void {
		const { run } = open;
		open.run = '';
		if (/^(\s*<!--(?!tag:)[\s\S]*?-->)*\s*$/.test(run)) {
			open.isApart ||= run !== '';
			return;
		}
		const markup = withTags(run, this.tags);
		open.parts.push({
			kind: 'static',
			element: undefined,
			markup,
			inner: markup,
			isApart: open.isApart
		});
		open.isApart = false;
	}

	private frameTag(element: Tree.Element): FrameTag {
		const start = element.sourceCodeLocation?.startTag ?? element.sourceCodeLocation;
		const behind = behindName(element) ?? 0;
		const attributes = this.text.slice(behind, start?.endOffset).replace(/\s*\/?>$/, '');
		return {
			number: this.numbers.get(element) ?? -1,
			tag: element.tagName,
			attributes: withTags(attributes.trim(), this.tags)
		};
	}

	private innerOf({ sourceCodeLocation }: Tree.Element): string {
		const from = sourceCodeLocation?.startTag?.endOffset;
		const to = sourceCodeLocation?.endTag?.startOffset ?? sourceCodeLocation?.endOffset;
		return from === undefined ? '' : withTags(this.text.slice(from, to), this.tags);
	}

	private sourceOf({ sourceCodeLocation }: Tree.ChildNode): string {
		return sourceCodeLocation
			? this.text.slice(sourceCodeLocation.startOffset, sourceCodeLocation.endOffset)
			: '';
	}

	private tagOf(node: Tree.ChildNode): Tag | undefined {
		if (node.nodeName !== '#comment' || !('data' in node)) return undefined;
		const [, number] = /^tag:(\d+)$/.exec(node.data) ?? [];
		return number === undefined ? undefined : this.tags[Number(number)];
	}

	private regionOf(tag: Tag): Region | undefined {
		if (tag.kind !== 'region' && tag.kind !== 'slot') return undefined;
		const name = tag.name?.text ?? slotName;
		return this.layout.regions.find((one) => one.name.text === name);
	}

	private hasPlace(parent: Tree.ParentNode): boolean {
		return parent.childNodes.some((child) => {
			const tag = this.tagOf(child);
			return (
				(tag && this.regionOf(tag)) !== undefined || ('tagName' in child && this.hasPlace(child))
			);
		});
	}

	/** The region whose place is all that an element holds. */
	private onlyPlace(element: Tree.Element): Region | undefined {
		const [only, ...others] = element.childNodes.filter(
			(child) => !('value' in child) || child.value.trim() !== ''
		);
		const tag = only && others.length === 0 ? this.tagOf(only) : undefined;
		return tag && this.regionOf(tag);
	}
}

/** Whether what stands in an element may stand in a box as well. */
function canBeBox(tag: string): boolean {
	return !/^(?:ul|ol|dl|menu|select|table|thead|tbody|tfoot|tr|colgroup|picture|svg|math)$/.test(
		tag
	);
}

/** How many blocks a tag opens, or closes. */
function depthOf({ kind }: Tag): -1 | 0 | 1 {
	return kind === 'for' || kind === 'if' ? 1 : kind === 'end' ? -1 : 0;
}
