import type { Values } from '../geometry/pieces/curve.ts';
import type { Answers, Ask, Asked } from './asks.ts';

/** What becomes of an answer. */
export type Taken = (values: Values) => void;

/** Content that a page does not have at the moment takes no room. */
const nothing: Values = [0, 0, 0];

/** Questions that wait for their answers, each asked once, by the screen that they are about. */
export class Pending {
	private readonly screens = new Map<
		number,
		{ spaces: Map<string, number>; asks: Map<string, { ask: Ask; taken: Taken[] }> }
	>();

	constructor(private readonly height: number) {}

	get isEmpty(): boolean {
		return this.screens.size === 0;
	}

	add(screen: number, spaces: ReadonlyMap<string, number>, ask: Ask, taken: Taken): void {
		let there = this.screens.get(screen);
		if (!there) this.screens.set(screen, (there = { spaces: new Map(spaces), asks: new Map() }));
		const word = `${ask.content} ${ask.width ?? 'widths'}`;
		const known = there.asks.get(word);
		if (known) known.taken.push(taken);
		else there.asks.set(word, { ask, taken: [taken] });
	}

	asked(): Asked[] {
		return [...this.screens].map(([screen, { spaces, asks }]) => ({
			screen,
			height: this.height,
			spaces: [...spaces],
			asks: [...asks.values()].map(({ ask }) => ask)
		}));
	}

	take(answers: Answers): void {
		for (const [index, { asks }] of [...this.screens.values()].entries()) {
			for (const [place, { taken }] of [...asks.values()].entries()) {
				for (const take of taken) take(answers[index]?.[place] ?? nothing);
			}
		}
	}
}
