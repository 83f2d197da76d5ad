import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import type { Answers, Asked } from '../../src/core/measure/asks.ts';
import { Desk } from '../../src/workers/desk/desk.ts';
import type { PageRequest } from '../../src/workers/messages.ts';
import type { Settled, SettleStep } from '../../src/workers/settling.ts';
import { filesOf } from '../lib/desk.ts';
import { runs } from '../lib/runs.ts';

/** What is worked out of boxes in the worker, with a frame that stands in for a browser: each content is words of 20 px lines. */

const text = `site "Boxes" { bands { narrow 0; wide 800 } }
layout shell at / {
  arrange areas { "head" auto; "main" auto; columns minmax(0, 1fr) }
  arrange areas @wide { "head head" auto; "main side" auto; columns minmax(0, 1fr) 300px }
  region head as header { height 50px; stick top; piece name """<b>Boxes</b>""" }
  region main as main { slot }
  region side as aside { show hidden; show in-place @wide; piece note """<p>note</p>""" }
}
route / { title "Home"; piece words """<p>words</p>""" }
route /two { title "Two"; piece other """<p>other</p>""" }
`;
const home: PageRequest = { page: '/', address: undefined };
const screen = { height: 600, scrollbar: 0 };

/** px that the words of a content take in one line, and the least that they need; others have nothing in them. */
interface Words {
	readonly line: number;
	readonly least: number;
}

/** Answers what is asked, and counts it. */
class Frame {
	asked = 0;
	readonly screens = new Set<number>();

	constructor(private readonly words: Readonly<Record<string, Words>>) {}

	answer(asked: readonly Asked[]): Answers {
		return asked.map(({ screen: width, asks }) => {
			this.screens.add(width);
			return asks.map((ask) => {
				this.asked++;
				const known = Object.entries(this.words).find(([name]) => ask.content.includes(name));
				const { line, least } = known?.[1] ?? { line: 0, least: 0 };
				if (ask.width === undefined) return [least, line];
				const room = Math.max(ask.width, least, 1);
				const out = Math.max(0, least - ask.width);
				return [Math.ceil(line / room) * 20, out, 0, 0, 0, out];
			});
		});
	}
}

const frame = (): Frame =>
	new Frame({
		name: { line: 80, least: 80 },
		words: { line: 3000, least: 700 },
		note: { line: 200, least: 60 },
		other: { line: 400, least: 60 }
	});

function opened(): Desk {
	const desk = new Desk(2026);
	desk.open(filesOf(text), home, 0);
	return desk;
}

/** What a calculation comes to, with all that it asks for answered. */
function settled(desk: Desk, from: Frame, begun: SettleStep | undefined): Settled {
	let step = begun;
	for (let round = 0; step?.kind === 'asks'; round++) {
		assert.ok(round < 400, 'questions have an end');
		step = desk.boxes.settleOn(step.id, from.answer(step.asked));
	}
	assert.ok(step?.kind === 'done', 'it is gone on with until it is done');
	return step.settled;
}

/** `x y width height` of the region of a page at a width. */
function region(desk: Desk, from: Frame, name: string, width: number): string | undefined {
	const { boxes } = settled(desk, from, desk.boxes.at(home, width, screen));
	const box = boxes?.find((one) => one.name.region === name && one.name.pieces.length === 0);
	return box && [box.x, box.y, box.width, box.height].map(Math.round).join(' ');
}

test('boxes follow from what is measured of their content', () => {
	const [desk, from] = [opened(), frame()];
	// 3,000 px of words are never set in less than 700 px: five lines.
	assert.equal(region(desk, from, 'head', 500), '0 0 500 50');
	assert.equal(region(desk, from, 'main', 500), '0 50 500 100');
	assert.equal(region(desk, from, 'side', 500), undefined);
	assert.equal(region(desk, from, 'main', 1000), '0 50 700 100');
	assert.equal(region(desk, from, 'side', 1000), '700 50 300 100');
});

test('what was measured once is not asked again, whatever is worked out of it', () => {
	const [desk, from] = [opened(), frame()];
	const widths = [320, 700, 900, 1200];
	settled(desk, from, desk.boxes.measure(home, widths, screen));
	const { asked } = from;
	assert.ok(asked > 0);
	for (const width of widths) {
		assert.equal(desk.boxes.at(home, width, screen)?.kind, 'done', `${width} px`);
	}
	assert.equal(from.asked, asked);
	// Of an edit that leaves the content as it is, neither.
	const at = text.indexOf('50px');
	desk.change([{ kind: 'edit', file: 'site.eave', from: at, to: at + 4, insert: '60px' }], home, 0);
	assert.equal(region(desk, from, 'main', 900), '0 60 600 100');
	assert.equal(from.asked, asked);
});

test('a page that scrolls is scrolled, and what sticks to the screen stays there', () => {
	const [desk, from] = [opened(), frame()];
	const low = { height: 100, scrollbar: 0 };
	const { boxes } = settled(desk, from, desk.boxes.at(home, 500, low, 40));
	const top = (name: string): number | undefined =>
		boxes?.find((one) => one.name.region === name && one.name.pieces.length === 0)?.y;
	assert.equal(top('main'), 50);
	assert.equal(top('head'), 40);
});

test('over all widths it is said what comes and jumps, and what does not fit from where to where', () => {
	const [desk, from] = [opened(), frame()];
	const { sweep } = settled(desk, from, desk.boxes.sweep(home, screen));
	assert.deepEqual(sweep?.jumps.map(({ width, comes }) => [width, comes.map(({ name }) => name)]), [[800, ['side']]]); // prettier-ignore
	const { misfits } = settled(desk, from, desk.boxes.misfits(home, screen));
	const main = misfits?.filter((one) => one.region === 'main');
	// The words need 700 px; beside 300 px of side it has them from 1,000 px of screen on.
	assert.deepEqual(
		main?.map(({ from: begin, to, needs }) => [begin, to, needs]),
		[
			[280, 699, 700],
			[800, 999, 700]
		]
	);
	assert.deepEqual(
		sweep?.misfits.map(({ region: name, from: begin }) => [name, begin]),
		misfits?.map(({ region: name, from: begin }) => [name, begin])
	);
});

test('what might make it fit is worked out, and whether it does is seen over all widths', () => {
	const [desk, from] = [opened(), frame()];
	const { misfits, sweep } = {
		...settled(desk, from, desk.boxes.misfits(home, screen)),
		...settled(desk, from, desk.boxes.sweep(home, screen))
	};
	const beside = misfits?.find((one) => one.region === 'main' && one.from === 800);
	assert.ok(beside && sweep);
	const ideas = desk.boxes.mendIdeas(home, beside, sweep.jumps);
	assert.ok(ideas.length > 0);
	const left = ideas.map(({ command }) => {
		const stage = desk.boxes.mendStage(command, home);
		assert.ok(stage && stage.lines.length > 0);
		assert.match(stage.html, /<main/);
		const after = settled(desk, from, desk.boxes.mendSweep(command, home, screen));
		return after.sweep?.misfits.filter((one) => one.region === 'main' && one.from >= 800).length;
	});
	assert.ok(left.includes(0), `none of ${ideas.map(({ label }) => label).join(', ')} makes it fit`);
	// Looking changed nothing.
	assert.equal(region(desk, from, 'side', 1000), '700 50 300 100');
});

test('what is refused has no stage, and a page that is gone has nothing to be worked out', () => {
	const desk = opened();
	const gone: PageRequest = { page: '/nowhere', address: undefined };
	assert.equal(
		desk.boxes.mendStage({ kind: 'remove-route', pattern: '/nowhere' }, home),
		undefined
	);
	for (const asked of [
		desk.boxes.at(gone, 500, screen),
		desk.boxes.measure(gone, [500], screen),
		desk.boxes.jumps(gone, screen),
		desk.boxes.sweep(gone, screen),
		desk.boxes.scroll(gone, 500, screen, undefined),
		desk.boxes.room(gone, screen),
		desk.boxes.misfits(gone, screen),
		desk.boxes.stageOf(gone)
	]) {
		assert.equal(asked, undefined);
	}
});

test('scrolling has the reach of what is longer than the screen, and its lanes follow it', () => {
	const [desk, from] = [opened(), frame()];
	const low = { height: 110, scrollbar: 0 };
	const { scroll } = settled(desk, from, desk.boxes.scroll(home, 500, low, undefined));
	// 50 px of head and 100 px of main on 110 px of screen.
	assert.equal(scroll?.reach, 40);
	assert.equal(scroll?.height, 110);
	const { scroll: none } = settled(desk, from, desk.boxes.scroll(home, 500, screen, undefined));
	assert.equal(none?.reach, 0);
});

test('what sticks takes room from what is read, on each height of a screen', () => {
	const [desk, from] = [opened(), frame()];
	const { room } = settled(desk, from, desk.boxes.room(home, screen));
	assert.deepEqual(
		room?.map(({ height }) => height),
		[360, 640, 800, 1080]
	);
	for (const { height, runs: lines } of room ?? []) {
		for (const { left } of lines.flat()) {
			assert.ok(left >= height - 50 && left <= height, `${left} px of ${height} are left`);
		}
	}
});

test('of more calculations than can be gone on with the oldest is forgotten, and can be begun again', () => {
	const [desk, from] = [opened(), frame()];
	const begun = Array.from({ length: 9 }, (_, at) => desk.boxes.at(home, 400 + at, screen));
	const [oldest, second] = begun;
	assert.ok(oldest?.kind === 'asks' && second?.kind === 'asks');
	assert.equal(desk.boxes.settleOn(oldest.id, from.answer(oldest.asked)), undefined);
	assert.notEqual(desk.boxes.settleOn(second.id, from.answer(second.asked)), undefined);
	assert.equal(region(desk, from, 'head', 400), '0 0 400 50');
});

test('whatever the words take, boxes are as tall as their lines, in whatever order widths are asked for (property)', () => {
	const words = fc.record({ line: fc.integer({ min: 1, max: 5000 }), least: fc.integer({ min: 1, max: 200 }) }); // prettier-ignore
	const widths = fc.array(fc.integer({ min: 280, max: 1760 }), { minLength: 1, maxLength: 6 });
	fc.assert(
		fc.property(words, widths, ({ line, least: said }, asked) => {
			const least = Math.min(said, line);
			const desk = new Desk(2026);
			const two: PageRequest = { page: '/two', address: undefined };
			desk.open(filesOf(text), two, 0);
			const from = new Frame({ other: { line, least } });
			for (const width of asked) {
				const { boxes } = settled(desk, from, desk.boxes.at(two, width, screen));
				const main = boxes?.find((one) => one.name.region === 'main' && one.name.pieces.length === 0); // prettier-ignore
				const room = width >= 800 ? width - 300 : width;
				assert.equal(main?.width, room);
				assert.equal(main?.height, Math.ceil(line / Math.max(room, least)) * 20);
			}
		}),
		runs(40, 5)
	);
});
