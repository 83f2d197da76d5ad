import type { RoomLine } from './box-widths.ts';

/** How wide a picture is shown, from a width of the screen on: a share of the screen and some px. */
export interface SizeRule {
	/** px; the first rule holds from 0. */
	readonly from: number;
	/** Share of the screen's width, 0 to 1. */
	readonly share: number;
	/** px added to that; negative where something stands beside it. */
	readonly px: number;
}

/** px by which a rule may miss what the boxes say: no browser chooses another file for that. */
const tolerance = 1.5;

/**
 * The widths at which a picture is shown as rules, from the narrowest on: as wide as its room, and no wider than `most`.
 * Neighbouring widths that one rule describes within 1.5 px have one.
 */
export function sizeRules(room: readonly RoomLine[], most: number): SizeRule[] {
	const rules: SizeRule[] = [];
	let held: RoomLine[] = [];
	for (const line of room.flatMap((one) => upTo(one, most))) {
		const joined = [...held, line];
		if (held.length > 0 && !fits(ruleOver(joined), joined)) {
			rules.push(ruleOver(held));
			held = [line];
		} else held = joined;
	}
	if (held.length > 0) rules.push(ruleOver(held));
	return rules.map((rule, index) => (index === 0 ? { ...rule, from: 0 } : rule));
}

/** A line that ends where the picture has all its width, and one beyond. */
function upTo({ from, to, first, last }: RoomLine, most: number): RoomLine[] {
	if (first >= most && last >= most) return [{ from, to, first: most, last: most }];
	if (first <= most && last <= most) return [{ from, to, first, last }];
	const turn = Math.floor(from + ((most - first) / (last - first)) * (to - from));
	const isGrowing = last > first;
	const [before, after] = isGrowing ? [first, most] : [most, last];
	const parts: RoomLine[] = [
		{ from, to: turn, first: before, last: most },
		{ from: turn + 1, to, first: most, last: after }
	];
	return parts.filter((one) => one.to >= one.from);
}

/** The straight line from the first to the last of some widths, in round numbers. */
function ruleOver(lines: readonly RoomLine[]): SizeRule {
	const [start, end] = [lines[0], lines.at(-1)];
	if (!start || !end) return { from: 0, share: 1, px: 0 };
	const across = end.to - start.from;
	const share =
		across === 0 ? 0 : Math.round(((end.last - start.first) / across) * 10_000) / 10_000;
	// What rounding of the share leaves is halved over both ends.
	const px = Math.round((start.first - share * start.from + end.last - share * end.to) / 2);
	return { from: start.from, share, px };
}

function fits(rule: SizeRule, lines: readonly RoomLine[]): boolean {
	return lines.every(
		({ from, to, first, last }) =>
			Math.abs(widthBy(rule, from) - first) <= tolerance &&
			Math.abs(widthBy(rule, to) - last) <= tolerance
	);
}

/** The width that a rule gives on a screen, px. */
export function widthBy({ share, px }: SizeRule, screen: number): number {
	return share * screen + px;
}

/** The rule that holds on a screen. */
export function ruleAt(rules: readonly SizeRule[], screen: number): SizeRule | undefined {
	return rules.findLast(({ from }) => from <= screen);
}

/** Rules as the attribute `sizes` has them: the first condition that holds decides (HTML, section 4.8.4.2.2). */
export function sizesText(rules: readonly SizeRule[]): string {
	return rules
		.toReversed()
		.map((rule) =>
			rule.from === 0 ? lengthOf(rule) : `(min-width: ${rule.from}px) ${lengthOf(rule)}`
		)
		.join(', ');
}

function lengthOf({ share, px }: SizeRule): string {
	const screen = `${Math.round(share * 10_000) / 100}vw`;
	if (share === 0) return `${px}px`;
	if (px === 0) return screen;
	return `calc(${screen} ${px < 0 ? '-' : '+'} ${Math.abs(px)}px)`;
}
