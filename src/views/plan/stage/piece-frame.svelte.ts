import type { MeasuredBox } from '$core/view-models/overlay.ts';
import type { Trace } from '$core/model/trace.ts';
import type { Rect } from '$browser/labels.ts';

/** px of the page: less is a click. */
const least = 4;

/** A frame that is drawn around pieces of the page with Shift held: all that lie in it are chosen. */
class PieceFrame {
	/** While it is drawn, px of the page as it is scrolled. */
	drawn = $state.raw<Rect | undefined>();
	/** The last press drew one, so that the click which ends it chooses nothing else. */
	hasDrawn = false;
	private start: { readonly x: number; readonly y: number } | undefined;

	/** Follows the pointer on a page; `boxes` are those of the page as it stands. */
	follow(
		inner: Document,
		boxes: () => readonly MeasuredBox[],
		choose: (traces: readonly Trace[]) => void
	): void {
		inner.addEventListener('pointerdown', (event) => {
			this.hasDrawn = false;
			this.start = event.shiftKey ? { x: event.clientX, y: event.clientY } : undefined;
		});
		inner.addEventListener('mousedown', (event) => {
			// Else words would be marked.
			if (event.shiftKey) event.preventDefault();
		});
		inner.addEventListener('pointermove', ({ clientX, clientY }) => {
			const { start } = this;
			if (!start) return;
			const frame = {
				x: Math.min(start.x, clientX),
				y: Math.min(start.y, clientY),
				width: Math.abs(clientX - start.x),
				height: Math.abs(clientY - start.y)
			};
			if (frame.width > least || frame.height > least) this.drawn = frame;
		});
		inner.addEventListener('pointerup', () => {
			const { drawn } = this;
			this.start = this.drawn = undefined;
			if (!drawn) return;
			this.hasDrawn = true;
			const inside = boxes().filter((box) => box.trace.piece !== undefined && lies(box, drawn));
			choose(inside.map(({ trace }) => trace));
		});
	}
}

function lies(box: MeasuredBox, { x, y, width, height }: Rect): boolean {
	const isThere = box.width > 0 && box.height > 0;
	const across = box.x >= x && box.x + box.width <= x + width;
	return isThere && across && box.y >= y && box.y + box.height <= y + height;
}

export const pieceFrame = new PieceFrame();
