import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { Memory } from '../../../lib/memory.ts';
import { error, type Problem } from '../../../messages/problem.ts';
import type { Layout, MarkupPiece, Part, Region } from '../../../model/site.ts';
import type { Named, Span } from '../../../model/span.ts';
import {
	slotName,
	type PlaceTag,
	type Tag,
	type Template,
	type WrittenRow
} from '../../../model/template.ts';

/** A layout with the regions that its own markup has places for, and what is wrong with those. */
interface Framed {
	readonly layout: Layout;
	readonly problems: readonly Problem[];
}

const known = new Memory<Layout, Framed>();

/**
 * A layout whose frame is its own markup has a region for each place in that. Where a default ends depends on which parts
 * wrap something, so it is worked out once all of the site is read. The same layout as long as that is the same.
 */
export function framed(layout: Layout, parts: readonly Part[]): Framed {
	const { frame } = layout;
	if (!frame) return { layout, problems: [] };
	const wrapping = new Set(parts.filter(isWrapping).map(({ name }) => name.text));
	const used = frame.written.parts.flatMap((one) =>
		typeof one !== 'string' && one.kind === 'use' && wrapping.has(one.part.text)
			? one.part.text
			: []
	);
	return known.get(layout, [used.join(' ')], () =>
		new Framing(layout, frame.written, wrapping).finish()
	);
}

function isWrapping({ markup }: Part): boolean {
	return markup.parts.some((one) => typeof one !== 'string' && one.kind === 'content');
}

type Piece = string | Tag;

/** A place whose default is still open. */
interface Open {
	readonly tag: PlaceTag;
	readonly parts: Piece[];
	readonly places: (readonly WrittenRow[])[];
	/** All that followed so far. */
	readonly following: (readonly [Piece, readonly WrittenRow[]])[];
	/** Blocks that are open in it. */
	readonly blocks: Tag[];
	/** Places of regions in it, where none can be. */
	readonly inside: PlaceTag[];
}

class Framing {
	private readonly problems: Problem[] = [];
	private readonly parts: Piece[] = [];
	private readonly places: (readonly WrittenRow[])[] = [];
	private readonly regions: Region[] = [];
	/** Blocks around a place: lists repeat what is in them. */
	private readonly around: Tag[] = [];
	private open: Open | undefined;

	constructor(
		private readonly layout: Layout,
		private readonly written: Template,
		private readonly wrapping: ReadonlySet<string>
	) {}

	finish(): Framed {
		for (const [index, part] of this.written.parts.entries()) {
			this.take(part, this.written.places[index] ?? []);
		}
		while (this.open) this.goOnBehind(this.open);
		const { frame } = this.layout;
		const markup: Template = { parts: this.parts, places: this.places, span: this.written.span };
		const standing = standingIn(markup);
		const members = this.regions.map((region): Region => {
			const { element, isAlone } = standing.get(region.name.text) ?? {
				element: 'div',
				isAlone: false
			};
			return {
				...region,
				element: { text: element, span: region.name.span },
				inFrame: isAlone ? 'element' : 'among'
			};
		});
		for (const { name } of this.layout.regions) {
			if (members.some((one) => one.name.text === name.text)) continue;
			this.problems.push(error('frame-no-place', name.span, name.text, this.layout.name.text));
		}
		const layout: Layout = {
			...this.layout,
			...(frame && { frame: { ...frame, markup } }),
			members,
			regions: members
		};
		return { layout, problems: this.problems };
	}

	/** A default that does not end is none: what follows its place stands in the frame. */
	private goOnBehind({ tag, following }: Open): void {
		this.open = undefined;
		this.problems.push(error('tag-unclosed', tag.span, tag.text));
		for (const [part, rows] of following) this.take(part, rows);
	}

	private take(part: Piece, rows: readonly WrittenRow[]): void {
		if (this.open) this.inDefault(part, rows, this.open);
		else if (typeof part !== 'string' && isPlace(part)) this.place(part);
		else {
			if (typeof part !== 'string') this.block(part);
			this.add(part, rows);
		}
	}

	private place(tag: PlaceTag): void {
		const name: Named = tag.name ?? { text: slotName, span: tag.span };
		const list = this.around.find(({ kind }) => kind === 'for');
		if (list) this.problems.push(error('frame-place-repeated', tag.span, name.text));
		else if (this.regions.some((one) => one.name.text === name.text)) {
			this.problems.push(error('region-twice', name.span, name.text, this.layout.name.text));
		} else {
			this.add(tag, []);
			this.regions.push(this.regionOf(name, tag));
		}
		if (tag.kind === 'region')
			this.open = { tag, parts: [], places: [], following: [], blocks: [], inside: [] };
	}

	private regionOf(name: Named, tag: PlaceTag): Region {
		const said = this.layout.regions.find((one) => one.name.text === name.text);
		return {
			kind: 'region',
			name,
			element: { text: 'div', span: name.span },
			slot: tag.kind === 'slot',
			locked: said?.locked ?? false,
			required: said?.required ?? false,
			settings: [],
			arrangements: [],
			attributes: undefined,
			pieces: [],
			styles: [],
			inFrame: 'among',
			saidIn: said?.span,
			span: tag.span
		};
	}

	private inDefault(part: Piece, rows: readonly WrittenRow[], open: Open): void {
		open.following.push([part, rows]);
		if (typeof part !== 'string') {
			const ended = part.kind === 'end' ? open.blocks.pop() : undefined;
			if (part.kind === 'end' && !ended) {
				this.close(open);
				return;
			}
			if (this.opens(part)) open.blocks.push(part);
			if (isPlace(part)) open.inside.push(part);
			if (isPlace(ended ?? part)) return;
		}
		open.parts.push(part);
		open.places.push(rows);
	}

	private close({ tag, parts, places, inside }: Open): void {
		this.open = undefined;
		for (const { span } of inside) {
			this.problems.push(error('frame-place-inside', span, tag.name?.text ?? slotName));
		}
		const at = this.regions.findIndex((one) => one.name.text === tag.name?.text);
		const region = this.regions[at];
		const isEmpty = parts.every((part) => typeof part === 'string' && part.trim() === '');
		if (!region || isEmpty) return;
		const piece = defaultPiece(region.name, { parts, places, span: spanOf(tag, parts, places) });
		this.regions[at] = { ...region, pieces: [piece] };
	}

	private block(tag: Tag): void {
		if (tag.kind === 'end') this.around.pop();
		else if (this.opens(tag)) this.around.push(tag);
	}

	private opens(tag: Tag): boolean {
		return (
			tag.kind === 'for' ||
			tag.kind === 'if' ||
			tag.kind === 'region' ||
			(tag.kind === 'use' && this.wrapping.has(tag.part.text))
		);
	}

	private add(part: Piece, rows: readonly WrittenRow[]): void {
		this.parts.push(part);
		this.places.push(rows);
	}
}

function isPlace(tag: Tag): tag is PlaceTag {
	return tag.kind === 'region' || tag.kind === 'slot';
}

/** What stands in a place where nobody fills it. */
function defaultPiece(name: Named, markup: Template): MarkupPiece {
	const { span } = markup;
	return { kind: 'markup', name, seenBy: [], settings: [], markup, standIns: {}, span };
}

/** From behind the tag to the end of what follows it. */
function spanOf(
	{ span }: PlaceTag,
	parts: readonly Piece[],
	places: readonly (readonly WrittenRow[])[]
): Span {
	const last = parts.at(-1);
	const row = places.at(-1)?.at(-1);
	const to =
		typeof last === 'string' && row
			? row.inFile + last.length - row.from
			: typeof last === 'object'
				? last.span.to
				: span.to + 1;
	return { file: span.file, from: span.to, to: Math.max(to, span.to + 1) };
}

/** The element that each place stands in, and whether it holds nothing else. */
function standingIn({ parts }: Template): Map<string, { element: string; isAlone: boolean }> {
	const text = parts
		.map((part) => {
			if (typeof part === 'string') return part;
			return isPlace(part)
				? `<!--place ${part.name?.text ?? slotName}-->`
				: part.kind === 'value'
					? 'x'
					: '<!--tag-->';
		})
		.join('');
	const found = new Map<string, { element: string; isAlone: boolean }>();
	const open: Tree.ParentNode[] = [parseFragment(text)];
	for (let parent = open.pop(); parent; parent = open.pop()) {
		for (const child of parent.childNodes) {
			if ('childNodes' in child) open.push(child);
			if (child.nodeName !== '#comment' || !('data' in child)) continue;
			const [, name] = /^place (.+)$/.exec(child.data) ?? [];
			if (name === undefined) continue;
			const others = parent.childNodes.filter((one) => one !== child && !isBlank(one));
			found.set(name, {
				element: 'tagName' in parent ? parent.tagName : 'body',
				isAlone: 'tagName' in parent && others.length === 0
			});
		}
	}
	return found;
}

function isBlank(node: Tree.ChildNode): boolean {
	return 'value' in node && node.value.trim() === '';
}
