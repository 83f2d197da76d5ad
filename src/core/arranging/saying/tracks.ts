import { isSteady, lengthWord, mostlyWord, px, steady } from './fit.ts';
import type { Sample } from './lying.ts';
import type { Row } from '../boxes/structure.ts';
import { close, edgeOf } from '../boxes/unit-box.ts';

/** The columns that a row of groups lies in. */
export interface Tracks {
	/** "row": members take what they need, and some room between them is left over. */
	readonly kind: 'columns' | 'row';
	readonly sizes: readonly string[];
	/** What stands in each column: a group by its place, or nothing. */
	readonly cells: readonly (number | '.')[];
	/** The room between groups, where it is the same between all. */
	readonly gap: string | undefined;
	/** The room before each group, and behind the last: px, or what is left over. */
	readonly spaces: readonly (number | 'varied')[];
	/** Something is said of each column that is not what others leave. */
	readonly isWhole: boolean;
}

/** A column that takes what others leave, however wide what is in it would like to be. */
const rest = 'minmax(0, 1fr)';

/** The columns of a row, from how wide its groups and the room between them are at some widths. */
export function tracksOf(row: Row, samples: readonly Sample[]): Tracks {
	const rooms = samples.map(({ room }) => room.right - room.left);
	const between = [...row, undefined].map((group, place) =>
		samples.map(({ room, boxes }) => {
			const before = row[place - 1];
			const from = before ? edgeOf(before, boxes, 'right') : room.left;
			return (group ? edgeOf(group, boxes, 'left') : room.right) - from;
		})
	);
	const widths = row.map((group) =>
		samples.map(({ boxes }) => edgeOf(group, boxes, 'right') - edgeOf(group, boxes, 'left'))
	);
	const isHug = row.map((group) =>
		samples.every(({ boxes }) => group.every((unit) => boxes.get(unit)?.isHug))
	);
	const spaces = between.map((values) => (isSteady(values) ? steady(values) : 'varied'));
	const isNarrow = widths.every((values, place) => isHug[place] || isSteady(values));
	const isLine = row.every((group) => group.length === 1) && isNarrow && spaces.includes('varied');
	const isFilled = [spaces[0], spaces.at(-1)].every(
		(one) => typeof one !== 'string' && Math.abs(one ?? 0) <= close
	);
	// A gap would also be between the members and what is left free beside them.
	const gap = isLine || isFilled ? evenGap(spaces.slice(1, -1)) : undefined;
	const words = widths.map((values, place) =>
		isHug[place] ? 'max-content' : lengthWord(values, rooms)
	);
	const unsaidSpaces = between.filter((values, place) => {
		const isInGap = place > 0 && place < row.length && gap !== undefined;
		return !isInGap && lengthWord(values, rooms) === undefined;
	});
	// What is left of the row is one column, or several that share it: they take it.
	const unsaid = widths.filter((_, place) => words[place] === undefined);
	const isRest = unsaidSpaces.length === 0 && areAlike(unsaid);
	// What is so at most widths is better than nothing; how far it is off at the others is told.
	const mostly = widths.map((values, place) =>
		words[place] === undefined && !isRest ? mostlyWord(values, rooms) : undefined
	);
	let isOver = false;
	const sizes: string[] = [];
	const cells: (number | '.')[] = [];
	const space = (place: number): void => {
		const isInner = place > 0 && place < row.length;
		if (isInner && gap !== undefined) return;
		const values = between[place] ?? [];
		// What lies over what is beside it cannot be said; how far it is off then is told.
		if (values.some((value) => value < -close)) {
			isOver = true;
			return;
		}
		if (values.every((value) => Math.abs(value) <= close)) return;
		sizes.push(lengthWord(values, rooms) ?? rest);
		cells.push('.');
	};
	for (const [place] of row.entries()) {
		space(place);
		sizes.push(words[place] ?? mostly[place] ?? rest);
		cells.push(place);
	}
	space(row.length);
	const keeps = row.map((group) =>
		samples.every(({ boxes }) => group.every((unit) => boxes.get(unit)?.keepsContent))
	);
	const rests = sizes.filter((size) => size === rest).length;
	const kind = isLine ? 'row' : 'columns';
	return {
		kind,
		sizes: withRest(sizes, cells).map((size, at) => {
			const cell = cells[at];
			return size === rest && typeof cell === 'number' && keeps[cell] ? '1fr' : size;
		}),
		cells,
		gap,
		spaces,
		isWhole:
			!isOver && (isLine || isRest || (rests <= 1 && mostly.every((one) => one === undefined)))
	};
}

/** Whether columns are as wide as each other, at every width. */
function areAlike(columns: readonly (readonly number[])[]): boolean {
	const [first] = columns;
	return columns.every((one) =>
		one.every((value, at) => Math.abs(value - (first?.[at] ?? 0)) <= 2 * close)
	);
}

function evenGap(spaces: readonly (number | 'varied')[]): string | undefined {
	const [first] = spaces;
	if (typeof first !== 'number' || first <= close) return undefined;
	const isEven = spaces.every((one) => typeof one === 'number' && Math.abs(one - first) <= close);
	return isEven ? px(first) : undefined;
}

/** Where just one column follows the room, it takes what the others leave; where all do alike, they share it. */
function withRest(sizes: readonly string[], cells: readonly (number | '.')[]): string[] {
	const isFree = (size: string): boolean => /%|fr/.test(size);
	const free = sizes.filter(isFree);
	const groups = sizes.filter((_, at) => cells[at] !== '.');
	if (
		free.length === 1 ||
		(free.length === groups.length && new Set(groups).size === 1 && groups.every(isFree))
	) {
		return sizes.map((size) => (isFree(size) ? rest : size));
	}
	return [...sizes];
}
