import type { FrameReading, ReadBox, Sides } from './reading.ts';

/** A reading of a page whose lines run from right to left, as if they ran the other way: what is said of boxes counts from where lines begin. */
export function mirrored({ at, edges }: FrameReading): FrameReading {
	return {
		edges,
		isMirrored: false,
		at: at.map(({ width, parts }) => {
			const turned = Object.entries(parts).map(([word, box]) => [word, box && turn(box, width)]);
			return { width, parts: Object.fromEntries(turned) };
		})
	};
}

function turn(box: ReadBox, width: number): ReadBox {
	return {
		...box,
		x: width - box.x - box.width,
		margin: turnSides(box.margin),
		border: turnSides(box.border),
		padding: turnSides(box.padding)
	};
}

function turnSides([top, right, bottom, left]: Sides): Sides {
	return [top, left, bottom, right];
}
