import type { PieceSize } from '../geometry/pieces/piece-size.ts';
import type { ContentSize } from '../measure/content-size.ts';

/** A size as it is known; where nothing is, as it is guessed, which `onGuess` is told. For one screen. */
export function knownOrGuessed(
	known: ContentSize,
	guess: () => PieceSize,
	onGuess: () => void
): PieceSize {
	const size = known.heard(() => undefined);
	let made: PieceSize | undefined;
	const guessed = (): PieceSize => {
		onGuess();
		return (made ??= guess());
	};
	return {
		steady: known.isSteady,
		contentWidths: (view) => (known.knowsWidths(view) ? size : guessed()).contentWidths(view),
		heightAt: (width, view) =>
			(known.knowsHeight(width, view) ? size : guessed()).heightAt(width, view),
		overflowAt: (width, view) =>
			(known.knowsHeight(width, view) ? size : guessed()).overflowAt(width, view),
		cutAt: (width, view) =>
			(known.knowsHeight(width, view) ? size : guessed()).cutAt?.(width, view) ?? 0,
		markedAt: (width, view) =>
			(known.knowsHeight(width, view) ? size : guessed()).markedAt?.(width, view) ?? []
	};
}
