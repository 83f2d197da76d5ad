import { exceeds, larger, noteFactor, smaller } from '../../size/turns.ts';
import type { Item } from './item.ts';

/** Section 9.7: lets items grow or shrink until the line is filled. */
export function resolveFlexible(items: readonly Item[], room: number, gap: number): void {
	const gaps = gap * Math.max(0, items.length - 1);
	const outer = items.reduce((sum, item) => sum + item.hypothetical + item.margin, gaps);
	const grows = exceeds(room, outer);
	for (const item of items) {
		const cannot = grows
			? exceeds(item.base, item.hypothetical)
			: exceeds(item.hypothetical, item.base);
		item.frozen = factorOf(item, grows) === 0 || cannot;
		item.main = item.frozen ? item.hypothetical : item.base;
	}
	const initial = freeSpace(items, room, gaps);
	for (let round = 0; round <= items.length; round++) {
		const loose = items.filter((item) => !item.frozen);
		if (loose.length === 0) return;
		shareFreeSpace(loose, freeSpace(items, room, gaps), initial, grows);
		freezeViolations(loose);
	}
}

function freeSpace(items: readonly Item[], room: number, gaps: number): number {
	const used = items.reduce(
		(sum, item) => sum + (item.frozen ? item.main : item.base) + item.margin,
		gaps
	);
	return room - used;
}

function shareFreeSpace(
	loose: readonly Item[],
	free: number,
	initial: number,
	grows: boolean
): void {
	const factors = loose.reduce((sum, item) => sum + factorOf(item, grows), 0);
	const part = initial * factors;
	const space = factors < 1 && exceeds(Math.abs(free), Math.abs(part)) ? part : free;
	const weights = loose.map((item) => factorOf(item, grows) * (grows ? 1 : innerBase(item)));
	const whole = weights.reduce((sum, weight) => sum + weight, 0);
	for (const [index, item] of loose.entries()) {
		const part = whole > 0 ? (weights[index] ?? 0) / whole : 0;
		noteFactor(part);
		item.main = item.base + space * part;
	}
}

function factorOf({ box }: Item, grows: boolean): number {
	return grows ? box.style.flexGrow : box.style.flexShrink;
}

/** What shrinks is the content: the base size without padding. */
function innerBase({ base, pad }: Item): number {
	return larger(0, base - pad);
}

function freezeViolations(loose: readonly Item[]): void {
	let total = 0;
	const clamped = loose.map((item) => {
		const bound = larger(item.least, smaller(item.main, item.most));
		total += bound - item.main;
		return bound;
	});
	for (const [index, item] of loose.entries()) {
		const bound = clamped[index] ?? item.main;
		const violation = bound - item.main;
		item.main = bound;
		if (exceeds(total, 0)) item.frozen = exceeds(violation, 0);
		else item.frozen = !exceeds(0, total) || exceeds(0, violation);
	}
}
