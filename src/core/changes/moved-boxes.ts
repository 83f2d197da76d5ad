import type { BoxName } from '../geometry/layout-box.ts';
import type { PlacedBox } from '../geometry/page-layout.ts';
import type { Rectangle } from '../view-models/rectangle.ts';
import { boxWords } from '../check/fit/box-words.ts';

/** A box that is elsewhere or of another size than it was, px of the page. */
export interface MovedBox {
	/** In words, as people speak of it. */
	readonly box: string;
	readonly kind: BoxName['kind'];
	/** The layout it stands in; undefined on a page without layouts. */
	readonly layout: string | undefined;
	readonly region: string | undefined;
	/** Undefined where it was not there. */
	readonly before: Rectangle | undefined;
	/** Undefined where it is not there any more. */
	readonly after: Rectangle | undefined;
}

/** px; browsers round to less. */
const tolerance = 0.5;

const sides = ['x', 'y', 'width', 'height'] as const;

/** What of the boxes of a page came, went or moved, in the order in which they stand. */
export function movedBoxes(before: readonly PlacedBox[], after: readonly PlacedBox[]): MovedBox[] {
	const old = new Map(before.filter(counts).map((box) => [wordOf(box.name), box]));
	const moved: MovedBox[] = [];
	for (const box of after.filter(counts)) {
		const word = wordOf(box.name);
		const was = old.get(word);
		old.delete(word);
		if (was && sides.every((side) => Math.abs(was[side] - box[side]) <= tolerance)) continue;
		moved.push(movedBox(box.name, was, box));
	}
	for (const box of old.values()) moved.push(movedBox(box.name, box, undefined));
	return moved;
}

/** Roots are as large as what is in them. */
function counts({ name }: PlacedBox): boolean {
	return name.kind !== 'layout' && name.kind !== 'bare' && name.kind !== 'space';
}

function movedBox(
	name: BoxName,
	before: PlacedBox | undefined,
	after: PlacedBox | undefined
): MovedBox {
	const { kind, layout, region } = name;
	const box = boxWords(name);
	return { box, kind, layout, region, before: before && at(before), after: after && at(after) };
}

function at({ x, y, width, height }: PlacedBox): Rectangle {
	const rounded = (px: number): number => Math.round(px * 100) / 100;
	return { x: rounded(x), y: rounded(y), width: rounded(width), height: rounded(height) };
}

function wordOf({ kind, layout, region, wrapper, pieces }: BoxName): string {
	const names = pieces.map(({ piece, owner }) => `${piece} ${owner}`);
	return [kind, layout, region, wrapper, ...names].join('\n');
}

/** What became of a box, such as "main: 24 px narrower, 12 px lower". */
export function movedWords({ box, before, after }: MovedBox): string {
	if (!before) return `${box}: new`;
	if (!after) return `${box}: gone`;
	const words = [
		byWords(after.width - before.width, 'wider', 'narrower'),
		byWords(after.height - before.height, 'taller', 'shorter'),
		byWords(after.x - before.x, 'to the right', 'to the left'),
		byWords(after.y - before.y, 'lower', 'higher')
	].filter((word) => word !== '');
	return `${box}: ${words.join(', ')}`;
}

function byWords(by: number, more: string, less: string): string {
	if (Math.abs(by) <= tolerance) return '';
	return `${Math.round(Math.abs(by) * 10) / 10} px ${by > 0 ? more : less}`;
}
