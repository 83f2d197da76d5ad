import type { PlacedBox } from '../geometry/page-layout.ts';
import { Sweep } from '../geometry/widths/sweep.ts';
import type { Values } from '../geometry/pieces/curve.ts';
import type { Viewport } from '../size/length.ts';
import type { Answers, Asked } from './asks.ts';
import { pointWord, type ContentSize } from './content-size.ts';
import type { AskedLayout, AskingPage } from './page-sizes.ts';
import { Pending } from './pending.ts';
import { questionsAlong } from './along.ts';

/** A calculation that stops to have something measured, and goes on with what comes of it. */
export type Settling<T> = Generator<readonly Asked[], T, Answers>;

/**
 * The boxes of a page on some screens of one height, each piece measured in the very room that it gets there;
 * what has to be measured is asked for all of them at once.
 */
export function* settleAt(
	makePage: () => AskingPage,
	widths: readonly number[],
	height: number
): Settling<readonly (readonly PlacedBox[])[]> {
	for (;;) {
		// Boxes remember widths that hold on every screen; what was not known then is known now.
		const page = makePage();
		const pending = new Pending(height);
		const laid = widths.map((width) => {
			const view = { width, height };
			const asked = page.layAt(view);
			askOpen(asked, view, pending);
			return asked.boxes;
		});
		if (pending.isEmpty) return laid;
		pending.take(yield pending.asked());
	}
}

function askOpen({ questions, spaces }: AskedLayout, view: Viewport, pending: Pending): void {
	const open = questions.filter(({ size, what, width }) =>
		what === 'widths' ? !size.knowsWidths(view) : !size.knowsHeight(width, view)
	);
	// Rooms are known only once all widths are.
	const widths = open.filter(({ what }) => what === 'widths');
	for (const { size, content, what, width } of widths.length > 0 ? widths : open) {
		const room = what === 'widths' ? undefined : roomOf(size, width, view.width);
		pending.add(view.width, spaces, { content, width: room }, (values) =>
			keep(size, what, width, view.width, values)
		);
	}
}

/** px; what is asked for is a room that browsers know. */
function roomOf(size: ContentSize, width: number, screen: number): number {
	return size.inClass(size.classOf(screen)).curve.snapped(width);
}

function keep(
	size: ContentSize,
	what: 'widths' | 'height',
	width: number,
	screen: number,
	values: Values
): void {
	const { fluid } = size.dependence;
	if (what === 'widths') {
		const [min = 0, max = 0] = values;
		if (fluid) size.widthsByScreen.add(screen, [min, max]);
		else size.inClass(size.classOf(screen)).widths = { min, max };
	} else if (fluid) {
		size.points.set(pointWord(screen, width), size.taken(values));
	} else {
		const { curve } = size.inClass(size.classOf(screen));
		curve.add(curve.snapped(width), size.taken(values));
	}
}

/** The boxes of a page on all screens between two whole widths, px, both inclusive. */
export function* settleBetween(
	makePage: () => AskingPage,
	from: number,
	to: number,
	height: number
): Settling<Sweep> {
	for (;;) {
		const page = makePage();
		const sweep = yield* sweepInTurns(page, from, to, height);
		const along = questionsAlong(sweep, page);
		const widths = along.filter(({ what }) => what === 'widths');
		// Rooms are known only once all widths are.
		const measured =
			(yield* settleAlong(widths, height)) ||
			(yield* settleAlong(
				along.filter(({ what }) => what === 'height'),
				height
			));
		if (!measured) return sweep;
	}
}

/** Layouts after which whoever waits gets a turn. */
const layoutsInTurn = 24;

/** A sweep that lets others have their turn: it asks for nothing then. */
function* sweepInTurns(
	page: AskingPage,
	from: number,
	to: number,
	height: number
): Settling<Sweep> {
	const steps = Sweep.inSteps(page, from, to, height);
	for (let count = 1; ; count++) {
		const step = steps.next();
		if (step.done) return step.value;
		if (count % layoutsInTurn === 0) yield [];
	}
}

type Along = ReturnType<typeof questionsAlong>[number];

/** Measures until each question is settled all along; gives whether anything had to be. */
function* settleAlong(questions: readonly Along[], height: number): Settling<boolean> {
	let any = false;
	for (;;) {
		const pending = new Pending(height);
		for (const question of questions) question.ask(pending);
		if (pending.isEmpty) return any;
		any = true;
		pending.take(yield pending.asked());
	}
}
