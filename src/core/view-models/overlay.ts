import { type Trace } from '../model/trace.ts';
import type { Mark } from './marks.ts';

/** A box measured on the page, px of the page from the top left of what is seen. */
export interface MeasuredBox {
	readonly trace: Trace;
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
}

/** A box of the overlay: whose it is, what it is called, and how large. */
export interface OverlayBox extends MeasuredBox {
	readonly mark: Mark | undefined;
	readonly name: string;
	readonly size: string;
	/** A region, or what a layer put into another's region. */
	readonly kind: 'region' | 'guest';
}

/**
 * What the overlay draws: every region in the hue of its layout, and in it whatever other layers
 * brought, in theirs. A region's own pieces need no box of their own.
 */
export function overlayBoxes(
	boxes: readonly MeasuredBox[],
	marks: ReadonlyMap<string, Mark>
): OverlayBox[] {
	const drawn: OverlayBox[] = [];
	let region: Trace | undefined;
	for (const box of boxes) {
		const { trace, width, height } = box;
		if (trace.region !== undefined) region = trace;
		if (width < 1 || height < 1) continue;
		const mark = trace.kind === 'layout' ? marks.get(trace.layer) : undefined;
		const size = `${Math.round(width)} × ${Math.round(height)}`;
		if (trace.region !== undefined) {
			drawn.push({ ...box, mark, name: trace.region, size, kind: 'region' });
		} else if (trace.piece !== undefined && trace.layer !== region?.layer) {
			drawn.push({ ...box, mark, name: trace.piece, size, kind: 'guest' });
		}
	}
	return drawn;
}
