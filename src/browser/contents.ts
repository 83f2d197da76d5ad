import { wholeKey, type PieceKey, type PieceName } from '$core/model/piece-key.ts';
import { all, around, attribute, elementsIn, isInside, parent, partsOf } from './dom.ts';

/** What has one size: a piece or opener by itself, or a run with the element that holds it. */
export interface Content {
	readonly key: PieceKey;
	/** Whose size it is. */
	readonly element: HTMLElement;
	/** The element itself, or those of the run in it. */
	readonly held: readonly Element[];
}

/** All content of a page, in shifts: what is in one of them can be measured at the same time. */
export class Contents {
	readonly shifts: readonly (readonly Content[])[];

	constructor(inner: Document) {
		const shifts: Content[][] = [];
		for (const content of contentsOf(inner)) {
			const free = shifts.find((shift) => shift.every((one) => !collide(one, content)));
			if (free) free.push(content);
			else shifts.push([content]);
		}
		this.shifts = shifts;
	}
}

/** While the one is measured, the other is not there. */
function collide({ element: one }: Content, { element: other }: Content): boolean {
	return isInside(one, other) || isInside(other, one);
}

/** Pieces and openers, and runs: elements that stand in a region or group one after the other. */
function contentsOf(inner: Document): Content[] {
	const whole = wholeOf(inner);
	if (whole) return [whole];
	const alone = all(inner, '[data-piece]:not([data-part]), [data-opener]').map((element) => {
		return { key: keyOf(regionAround(parent(element)), [element]), element, held: [element] };
	});
	const holders = all(inner, '[data-region], [data-group], main').filter(
		(element) => runsIn(element).length > 0
	);
	const runs = holders.flatMap((element) =>
		runsIn(element).map((held) => ({ key: keyOf(regionAround(element), held), element, held }))
	);
	return [...alone, ...runs];
}

/** All of a page in a frame of own markup, which is measured as it is; undefined of any other page. */
export function wholeOf(inner: Document): Content | undefined {
	const parts = partsOf(inner);
	const layout = parts && attribute(parts.body, 'data-framed');
	return !parts || layout === undefined
		? undefined
		: { key: wholeKey(layout), element: parts.root, held: [] };
}

/** The region that something stands in, in groups or not; of a page without layouts there is none. */
function regionAround(element: Element | null): Element | null {
	return element && (around(element, '[data-region]') ?? null);
}

function runsIn(holder: Element): Element[][] {
	const runs: Element[][] = [];
	let open: Element[] | undefined;
	for (const element of elementsIn(holder)) {
		if (attribute(element, 'data-part') === undefined) open = undefined;
		else if (open) open.push(element);
		else runs.push((open = [element]));
	}
	return runs;
}

function keyOf(region: Element | null, held: readonly Element[]): PieceKey {
	const where = (name: string): string | undefined =>
		region ? attribute(region, name) : undefined;
	const name = where('data-region');
	const names = new Map(held.map((element) => [wordOf(element), nameOf(element)]));
	return {
		layout: name === undefined ? undefined : where('data-layout'),
		region: name,
		pieces: [...names.values()],
		opener: held.some((element) => attribute(element, 'data-opener') !== undefined)
	};
}

function nameOf(element: Element): PieceName {
	const data = (name: string): string | undefined => attribute(element, `data-${name}`);
	return {
		piece: data('piece') ?? data('opener') ?? '',
		owner: data('layout') ?? data('route') ?? data('state') ?? ''
	};
}

function wordOf(element: Element): string {
	const { piece, owner } = nameOf(element);
	return `${owner} ${piece}`;
}
