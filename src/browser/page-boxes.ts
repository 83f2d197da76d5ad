import type { ElementBoxes } from '$core/bring-in/proving/box-shift.ts';
import { arrived } from './arrived.ts';
import { elementsNamed, partsOf, rectOf, setLength } from './dom.ts';
import { showInFrame, stageOf } from './frame.ts';

/** A page as a frame can show it. */
export interface ShownPage {
	readonly html: string;
	readonly address: string;
}

/**
 * The boxes of all elements of a page's body on screens of some widths, px; undefined where the frame has no document for it,
 * or it was given up meanwhile.
 */
export async function pageBoxes(
	frame: HTMLIFrameElement,
	{ html, address }: ShownPage,
	widths: readonly number[],
	signal: AbortSignal
): Promise<readonly ElementBoxes[] | undefined> {
	const inner = stageOf(frame);
	if (!inner || !showInFrame(frame, html, address)) return undefined;
	const found: ElementBoxes[] = [];
	for (const width of widths) {
		setLength(frame, 'width', width);
		await arrived(inner);
		const body = partsOf(inner)?.body;
		if (signal.aborted || !body) return undefined;
		found.push(
			[body, ...elementsNamed(body, '*')].flatMap((element) => {
				const { x, y, width: wide, height } = rectOf(element);
				return [x, y, wide, height];
			})
		);
	}
	return found;
}
