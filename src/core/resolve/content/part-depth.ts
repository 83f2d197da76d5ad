import { Memory } from '../../lib/memory.ts';
import { layersOf, type Part, type Site } from '../../model/site.ts';
import { bodiesOf, nestBlocks, type Body } from '../markup/blocks.ts';
import { partBook, type PartBook } from './parts.ts';
import { piecesIn } from './pieces.ts';

const depths = new Memory<Site, ReadonlyMap<Part, number>>();

/**
 * How many of a part can stand inside each other on a page of a site, each in what the one around it wraps; at
 * least one. Styles of a part have to tell them apart: what is in the inner one is in what the outer one wraps.
 */
export function partDepth(part: Part, site: Site): number {
	const { parts } = site;
	const wraps = parts.some(({ name }) => partBook(parts).wraps(name.text));
	if (!wraps) return 1;
	return depths.get(site, [], () => new Deepest(site).found).get(part) ?? 1;
}

/** What a part wraps where it is used, with what that place itself is wrapped in. */
interface Wrapped {
	readonly of: Part;
	readonly body: Body;
	readonly around: Wrapped | undefined;
}

/** Text that a walk looks at in all; parts that use each other in many ways could go on for very long. */
const mostBodies = 20_000;

/** Goes through the text of a site as writing it would, whatever its values are. */
class Deepest {
	readonly found = new Map<Part, number>();
	private readonly book: PartBook;
	private readonly bodies = new Map<Part, Body>();
	private left = mostBodies;
	/** How many of each part wrap the place that the walk is at. */
	private readonly inside = new Map<Part, number>();

	constructor(site: Site) {
		this.book = partBook(site.parts);
		for (const layer of layersOf(site)) {
			for (const piece of piecesIn(layer)) {
				if (piece.kind !== 'markup') continue;
				const texts = [piece.markup, piece.standIns.short, piece.standIns.long];
				for (const text of texts) {
					if (text) this.walk(nestBlocks(text, this.book).nodes, undefined);
				}
			}
		}
	}

	private walk(body: Body, wrapped: Wrapped | undefined): void {
		if (this.left-- <= 0) return;
		for (const node of body) {
			if (node.kind === 'literal' || node.kind === 'value') continue;
			if (node.kind === 'content') {
				if (wrapped) this.content(wrapped);
			} else if (node.kind === 'use') {
				const part = this.book.get(node.tag.part.text);
				if (part) this.use(part, { of: part, body: node.content ?? [], around: wrapped });
			} else {
				for (const inner of bodiesOf(node)) this.walk(inner, wrapped);
			}
		}
	}

	private use(part: Part, wrapped: Wrapped): void {
		if (this.book.cycleOf(part.name.text)) return;
		const depth = (this.inside.get(part) ?? 0) + 1;
		this.found.set(part, Math.max(this.found.get(part) ?? 1, depth));
		let body = this.bodies.get(part);
		if (!body) this.bodies.set(part, (body = nestBlocks(part.markup, this.book).nodes));
		this.walk(body, wrapped);
	}

	private content({ of, body, around }: Wrapped): void {
		const count = this.inside.get(of) ?? 0;
		this.inside.set(of, count + 1);
		this.walk(body, around);
		this.inside.set(of, count);
	}
}
