import type { Curve } from '../geometry/pieces/curve.ts';
import type { Sweep, Stretch } from '../geometry/widths/sweep.ts';
import { pointWord, Way, wayWord, type ContentSize, type WayStretch } from './content-size.ts';
import type { AskedLayout, AskingPage, Question } from './page-sizes.ts';
import type { Pending } from './pending.ts';

/** A question that a sweep asks along some screens, until it is settled for all of them. */
export interface AlongQuestion {
	readonly what: Question['what'];
	/** Adds what has to be measured next; nothing where all is known. */
	ask(pending: Pending): void;
}

/** One question at both ends of a stretch. */
interface Pair {
	readonly question: Question;
	readonly stretch: Stretch;
	readonly first: AskedLayout;
	readonly last: AskedLayout;
	/** px; the rooms at both ends. */
	readonly rooms: readonly [number, number];
	/** Which of the rooms that one content gets in one layout it is. */
	readonly place: number;
}

/** All that a sweep asks. */
export function questionsAlong(sweep: Sweep, page: AskingPage): AlongQuestion[] {
	const pairs = sweep.stretches.flatMap((stretch) => pairsOf(stretch, page));
	const ways = new Map<ContentSize, Map<string, Pair[]>>();
	const byRoom = new Map<Curve, Pair[]>();
	const questions: AlongQuestion[] = [];
	for (const pair of pairs) {
		const { size, what, content } = pair.question;
		if (!size.dependence.fluid && what === 'widths') questions.push(widths(pair));
		else if (!size.dependence.fluid) {
			const { curve } = size.inClass(size.classOf(pair.stretch.from));
			byRoom.set(curve, [...(byRoom.get(curve) ?? []), pair]);
		} else if (what === 'widths') questions.push(fluidWidths(pair));
		else {
			const word = `${content} ${pair.place}`;
			const own = ways.get(size) ?? new Map<string, Pair[]>();
			ways.set(size, own.set(word, [...(own.get(word) ?? []), pair]));
		}
	}
	return [
		...questions,
		...[...byRoom].map(([curve, some]) => heights(curve, some)),
		...[...ways.values()].flatMap((own) => [...own.values()].map(fluidHeights))
	];
}

/**
 * Both ends of a stretch went the same way, so they asked for the same heights in the same order. Widths that
 * are the same on every screen are asked for once, and have no other end.
 */
function pairsOf(stretch: Stretch, page: AskingPage): Pair[] {
	const [first, last] = [page.askedFor(stretch.first), page.askedFor(stretch.last)];
	if (!first || !last) return [];
	const heightsOf = ({ questions }: AskedLayout): Question[] =>
		questions.filter(({ what }) => what === 'height');
	const ends = heightsOf(last);
	const places = new Map<string, number[]>();
	const byHeight = heightsOf(first).flatMap((question, index): Pair[] => {
		const { size, content, width } = question;
		const end = ends[index];
		const known = places.get(content) ?? [];
		if (known.includes(width)) return [];
		places.set(content, [...known, width]);
		const rooms = [width, end?.size === size ? end.width : width] as const;
		return [{ question, stretch, first, last, rooms, place: known.length }];
	});
	const byWidths = [...first.questions, ...last.questions].flatMap((question): Pair[] =>
		question.what === 'widths' ? [{ question, stretch, first, last, rooms: [0, 0], place: 0 }] : []
	);
	return [...byHeight, ...byWidths];
}

function widths({ question: { size, content }, stretch, first }: Pair): AlongQuestion {
	const known = size.inClass(size.classOf(stretch.from));
	return {
		what: 'widths',
		ask(pending) {
			if (known.widths) return;
			pending.add(stretch.from, first.spaces, { content, width: undefined }, (values) => {
				const [min = 0, max = 0] = values;
				known.widths = { min, max };
			});
		}
	};
}

/** All rooms that some content gets; it has the same size in each of them on any screen of its class. */
function heights(curve: Curve, pairs: readonly Pair[]): AlongQuestion {
	const rooms = joinedRooms(pairs.map((pair) => pair.rooms));
	const [pair] = pairs;
	return {
		what: 'height',
		ask(pending) {
			if (!pair) return;
			const { question, stretch, first } = pair;
			for (const width of rooms.flatMap(([least, most]) => curve.wants(least, most))) {
				pending.add(stretch.from, first.spaces, { content: question.content, width }, (values) =>
					curve.add(width, question.size.taken(values))
				);
			}
		}
	};
}

/** Stretches of rooms, those that meet as one, px. */
function joinedRooms(rooms: readonly (readonly [number, number])[]): [number, number][] {
	const sorted = rooms
		.map(([one, other]): [number, number] => [Math.min(one, other), Math.max(one, other)])
		.sort(([a], [b]) => a - b);
	const joined: [number, number][] = [];
	for (const [from, to] of sorted) {
		const last = joined.at(-1);
		// What lies between two neighbouring screens is a room on none of them, but costs nothing.
		if (last && from <= last[1] + 2) last[1] = Math.max(last[1], to);
		else joined.push([from, to]);
	}
	return joined;
}

function fluidWidths(pair: Pair): AlongQuestion {
	const { size, content } = pair.question;
	const { from, to } = pair.stretch;
	return {
		what: 'widths',
		ask(pending) {
			for (const screen of size.widthsByScreen.wants(from, to)) {
				pending.add(screen, spacesAt(pair, screen), { content, width: undefined }, (values) =>
					size.widthsByScreen.add(screen, values.slice(0, 2))
				);
			}
		}
	};
}

/** The room that some content gets, over all screens on which it is there. */
function fluidHeights(pairs: readonly Pair[]): AlongQuestion {
	const [{ question } = { question: undefined }] = pairs;
	if (!question) return { what: 'height', ask: () => undefined };
	const { size, content } = question;
	const way = wayOf(size, joined(pairs));
	return {
		what: 'height',
		ask(pending) {
			for (const pair of pairs) {
				for (const screen of way.curve.wants(pair.stretch.from, pair.stretch.to)) {
					const width = way.roomAt(screen) ?? 0;
					const word = pointWord(screen, width);
					const spaces = spacesAt(pair, screen);
					pending.add(screen, spaces, { content, width }, (values) => {
						const taken = size.taken(values);
						size.points.set(word, taken);
						way.curve.add(screen, taken);
					});
				}
			}
		}
	};
}

/** A way does not change where only something else on the page does. */
function joined(pairs: readonly Pair[]): WayStretch[] {
	const way: WayStretch[] = [];
	for (const {
		stretch: { from, to },
		rooms: [first, last]
	} of pairs) {
		const before = way.at(-1);
		const whole = before && { ...before, to, last };
		if (
			before?.to === from - 1 &&
			whole &&
			leadsThrough(whole, before.to, before.last, from, first)
		) {
			way[way.length - 1] = whole;
		} else {
			way.push({ from, to, first, last });
		}
	}
	return way;
}

/** Whether a straight way passes two rooms on two screens. */
function leadsThrough(
	way: WayStretch,
	...[screen, room, nextScreen, nextRoom]: readonly [number, number, number, number]
): boolean {
	const whole = new Way([way]);
	return [
		[screen, room],
		[nextScreen, nextRoom]
	].every(([at = 0, there = 0]) => Math.abs((whole.roomAt(at) ?? 0) - there) < 1 / 128);
}

/** The way as it was gone before, or a new one with what is known of the screens along it. */
function wayOf(size: ContentSize, stretches: readonly WayStretch[]): Way {
	const word = wayWord(stretches);
	const known = size.ways.get(word);
	if (known) return known;
	const way = new Way(stretches);
	size.ways.set(word, way);
	for (const { from, to } of stretches) {
		for (let screen = from; screen <= to; screen++) {
			const point = size.points.get(pointWord(screen, way.roomAt(screen) ?? 0));
			if (point) way.curve.add(screen, point);
		}
	}
	return way;
}

/** Spaces grow evenly along a stretch. */
function spacesAt(
	{ stretch: { from, to }, first, last }: Pair,
	screen: number
): Map<string, number> {
	const share = to === from ? 0 : (screen - from) / (to - from);
	return new Map(
		[...first.spaces].map(([name, width]) => {
			const end = last.spaces.get(name) ?? width;
			return [name, width + (end - width) * share];
		})
	);
}
