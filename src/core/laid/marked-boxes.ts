import { isTag } from 'domhandler';
import {
	attributeOf,
	inward,
	named,
	type Element,
	type PageTree
} from '../author-styles/page-tree.ts';
import type { BoxName } from '../geometry/layout-box.ts';
import type { MarkedBox } from '../geometry/pieces/marked-boxes.ts';
import type { PieceName } from '../model/piece-key.ts';
import { goesOn, isMarked } from '../model/trace.ts';
import type { ResolvedPage } from '../resolve/page.ts';

/**
 * The boxes of a page in a frame of own markup: its regions, wherever they stand in it, and what lands in them, each
 * before what is in it.
 */
export function markedBoxes({ document }: PageTree, page: ResolvedPage): readonly MarkedBox[] {
	const [body] = named('body', document);
	return body ? new Finder(body, page).boxes : [];
}

/** What something stands in: a region, and the nearest box, by its place among those found. */
interface Around {
	readonly layout: string | undefined;
	readonly region: string | undefined;
	readonly box: number | undefined;
}

interface Found extends MarkedBox {
	readonly name: BoxName & { readonly pieces: PieceName[] };
	readonly elements: number[];
}

class Finder {
	readonly boxes: Found[] = [];
	/** Marked elements in their order, those of a run as one, as the browser counts them. */
	private readonly places: ReadonlyMap<Element, number>;
	/** Boxes that several elements make together, by what they are. */
	private readonly joint = new Map<string, number>();
	private readonly layouts: ReadonlySet<string>;

	constructor(body: Element, page: ResolvedPage) {
		this.places = placesIn(body);
		this.layouts = new Set(page.chain.map(({ name }) => name.text));
		this.visit(body, { layout: undefined, region: undefined, box: undefined });
	}

	private visit(element: Element, around: Around): void {
		let run: number | undefined;
		for (const child of element.children) {
			if (!isTag(child)) continue;
			const place = this.places.get(child);
			if (place === undefined) {
				run = undefined;
				this.visit(child, around);
				continue;
			}
			const host = this.amongOf(child, place, around);
			const name = this.nameOf(child, host);
			const isRun = name?.kind === 'run';
			// Two places that are no elements may meet: what stands in one of them is no part of the other.
			const goesOn = run !== undefined && this.boxes[run]?.inside === host.box;
			const box = name && this.take(name, place, host, isRun && goesOn ? run : undefined);
			run = isRun ? box : undefined;
			const isRegion = name?.kind === 'region';
			const { layout, region } = isRegion ? name : host;
			this.visit(child, { layout, region, box: box ?? host.box });
		}
	}

	/** What stands in a place without an element says which; the box of that place is around all that does. */
	private amongOf(element: Element, place: number, around: Around): Around {
		const [layout, region] = attributeOf(element, 'data-among')?.split(' ') ?? [];
		if (layout === undefined || region === undefined) return around;
		const name: Found['name'] = { ...noName, kind: 'region', layout, region, pieces: [] };
		return { layout, region, box: this.jointly(`region ${layout} ${region}`, name, place, around) };
	}

	private nameOf(element: Element, { layout, region }: Around): Found['name'] | undefined {
		const mark = (name: string): string | undefined => attributeOf(element, `data-${name}`);
		const owner = mark('layout') ?? mark('route') ?? mark('state') ?? '';
		const piece = mark('opener') ?? mark('piece') ?? mark('group');
		if (piece !== undefined) {
			const isRun = mark('piece') !== undefined && mark('part') !== undefined;
			const isGroup = mark('group') !== undefined;
			const kind = mark('opener') !== undefined ? 'opener' : isGroup ? 'group' : 'piece';
			const pieces = [{ piece, owner }];
			return { ...noName, kind: isRun ? 'run' : kind, layout, region, pieces };
		}
		// Markup may have attributes of the same names that are the author's own.
		if (!this.layouts.has(owner)) return undefined;
		const own = { ...noName, layout: owner, pieces: [] };
		if (mark('region') !== undefined) return { ...own, kind: 'region', region: mark('region') };
		if (mark('wrapper') !== undefined) return { ...own, kind: 'wrapper', wrapper: mark('wrapper') };
		return { ...own, kind: 'layout' };
	}

	/** Adds an element to the run that goes on, to the box that it is a part of, or as a box of its own. */
	private take(
		name: Found['name'],
		place: number,
		around: Around,
		run: number | undefined
	): number {
		const open = run === undefined ? undefined : this.boxes[run];
		if (open && run !== undefined) {
			addTo(open, place);
			const isNew = name.pieces.filter(
				({ piece, owner }) =>
					!open.name.pieces.some((one) => one.piece === piece && one.owner === owner)
			);
			open.name.pieces.push(...isNew);
			return run;
		}
		if (name.kind === 'layout') return this.jointly(`layout ${name.layout}`, name, place, around);
		return this.add(name, place, around);
	}

	private jointly(word: string, name: Found['name'], place: number, around: Around): number {
		const known = this.joint.get(word);
		if (known !== undefined) {
			addTo(this.boxes[known], place);
			return known;
		}
		const made = this.add(name, place, around);
		this.joint.set(word, made);
		return made;
	}

	private add(name: Found['name'], place: number, { box }: Around): number {
		return this.boxes.push({ name, elements: [place], inside: box }) - 1;
	}
}

/** What is measured together is in a box once. */
function addTo(box: Found | undefined, place: number): void {
	if (box && !box.elements.includes(place)) box.elements.push(place);
}

function placesIn(body: Element): ReadonlyMap<Element, number> {
	const places = new Map<Element, number>();
	const before = new Map<Element, Element>();
	let count = 0;
	for (const element of inward(body)) {
		element.children.filter(isTag).reduce<Element | undefined>((last, child) => {
			if (last) before.set(child, last);
			return child;
		}, undefined);
		if (element === body || !isMarked((name) => attributeOf(element, name))) continue;
		const last = before.get(element);
		const isSame =
			last !== undefined &&
			goesOn(
				(name) => attributeOf(last, name),
				(name) => attributeOf(element, name)
			);
		places.set(element, (isSame ? places.get(last) : undefined) ?? count++);
	}
	return places;
}

const noName = { layout: undefined, region: undefined, wrapper: undefined };
