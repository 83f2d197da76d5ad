import type { PlacedBox } from '../geometry/page-layout.ts';
import { framesOf, jumpSize, jumpWidths } from '../geometry/widths/jumps.ts';
import type { Sweep } from '../geometry/widths/sweep.ts';
import { boxWords } from '../check/fit/box-words.ts';

/** A width at which something jumps, px, and what does there, in words. */
export interface Jump {
	readonly width: number;
	readonly words: string;
	/** Regions and wrappers that come in there, by their names. */
	readonly comes: readonly { readonly layout: string | undefined; readonly name: string }[];
}

/** Every width at which something jumps, and why: "menu and side come in; main loses 432 px". */
export function jumpsIn(sweep: Pick<Sweep, 'stretches'>): Jump[] {
	const widths = new Set(jumpWidths(sweep));
	return sweep.stretches.flatMap(({ from, first }, index) => {
		const before = sweep.stretches[index - 1];
		return before && widths.has(from) ? [jumpBetween(from, before.last, first)] : [];
	});
}

function jumpBetween(
	width: number,
	before: readonly PlacedBox[],
	after: readonly PlacedBox[]
): Jump {
	const [old, now] = [framesOf(before), framesOf(after)];
	const come = [...now].filter(([word]) => !old.has(word)).map(([, box]) => box);
	const gone = [...old].filter(([word]) => !now.has(word)).map(([, box]) => box);
	const changed = [...now].flatMap(([word, box]) => {
		const was = old.get(word);
		const words = was && changeOf(was, box);
		return words === undefined ? [] : [words];
	});
	const words = [
		listed(come, 'comes in', 'come in'),
		listed(gone, 'goes', 'go'),
		...changed
	].filter((part) => part !== '');
	return {
		width,
		words: words.join('; '),
		comes: come.map(({ name }) => ({ layout: name.layout, name: boxWords(name) }))
	};
}

function changeOf(was: PlacedBox, box: PlacedBox): string | undefined {
	const wider = Math.round(box.width - was.width);
	const name = boxWords(box.name);
	if (Math.abs(wider) > jumpSize) {
		return `${name} ${wider > 0 ? 'gains' : 'loses'} ${Math.abs(wider)} px`;
	}
	return Math.abs(box.x - was.x) > jumpSize ? `${name} moves` : undefined;
}

function listed(boxes: readonly PlacedBox[], one: string, several: string): string {
	const names = boxes.map(({ name }) => boxWords(name));
	const last = names.pop();
	if (last === undefined) return '';
	return names.length === 0 ? `${last} ${one}` : `${names.join(', ')} and ${last} ${several}`;
}
