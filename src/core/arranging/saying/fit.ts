import { close } from '../boxes/unit-box.ts';

/** How a length follows from the room around it, as far as some widths of the screen show it. */

/** Whether a length is the same at all of them. */
export function isSteady(values: readonly number[]): boolean {
	return values.length > 0 && offOf(values) <= close;
}

/** By how much a length that is said to be the same is off at some width, px. */
export function offOf(values: readonly number[]): number {
	return (Math.max(...values) - Math.min(...values)) / 2;
}

/** The middle of what a steady length is. */
export function steady(values: readonly number[]): number {
	return (Math.max(...values) + Math.min(...values)) / 2;
}

/**
 * A length that is the same, a share of the room, a share and some px, or the smaller one of px and a share, as CSS says it;
 * undefined where it is none of these. `rooms`: the room at each of the widths, px.
 */
export function lengthWord(
	lengths: readonly number[],
	rooms: readonly number[]
): string | undefined {
	if (isSteady(lengths)) return px(steady(lengths));
	const straight = straightWord(lengths, rooms);
	if (straight !== undefined) return straight;
	const most = Math.max(...lengths);
	const below = lengths.flatMap((length, at) => (length < most - close ? [at] : []));
	if (below.length < 2) return undefined;
	const word = straightWord(
		below.map((at) => lengths[at] ?? 0),
		below.map((at) => rooms[at] ?? 0)
	);
	return word && `min(${px(most)}, ${word.replace(/^calc\((.*)\)$/, '$1')})`;
}

/** What a length is at two thirds of the widths, the widest ones; undefined where it is no line there either. */
export function mostlyWord(
	lengths: readonly number[],
	rooms: readonly number[]
): string | undefined {
	const wide = [...rooms.entries()]
		.sort(([, a], [, b]) => b - a)
		.slice(0, Math.ceil((rooms.length * 2) / 3));
	const there = wide.map(([at]) => lengths[at] ?? 0);
	if (isSteady(there)) return px(steady(there));
	return straightWord(
		there,
		wide.map(([, room]) => room)
	);
}

/** The length as a straight line over the room: `50%` or `calc(50% - 20px)`. */
function straightWord(lengths: readonly number[], rooms: readonly number[]): string | undefined {
	const [from, to] = [rooms.indexOf(Math.min(...rooms)), rooms.indexOf(Math.max(...rooms))];
	const [small, large] = [rooms[from] ?? 0, rooms[to] ?? 0];
	if (large - small < 8) return undefined;
	const share = round(((lengths[to] ?? 0) - (lengths[from] ?? 0)) / (large - small), 4);
	if (share <= 0) return undefined;
	const rest = lengths.map((length, at) => length - share * (rooms[at] ?? 0));
	if (!isSteady(rest)) return undefined;
	const more = round(steady(rest), 1);
	const percent = `${round(share * 100, 2)}%`;
	if (Math.abs(more) <= close) return percent;
	return `calc(${percent} ${more < 0 ? '-' : '+'} ${px(Math.abs(more))})`;
}

/** A length in px as one would write it: whole where it nearly is. */
export function px(length: number): string {
	const whole = Math.round(length);
	const written = Math.abs(length - whole) < 0.1 ? whole : round(length, 1);
	return written === 0 ? '0' : `${written}px`;
}

function round(value: number, places: number): number {
	return Number(value.toFixed(places));
}

/** Sides as CSS writes them: one word where all are the same, and so on. */
export function sidesWord([top, right, bottom, left]: readonly [
	string,
	string,
	string,
	string
]): string {
	if (left !== right) return [top, right, bottom, left].join(' ');
	if (top !== bottom) return [top, right, bottom].join(' ');
	return top === right ? top : `${top} ${right}`;
}
