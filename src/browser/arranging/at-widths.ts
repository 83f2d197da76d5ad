import { arrived } from '../arrived.ts';
import { partsOf, setLength } from '../dom.ts';
import { showInFrame, stageOf } from '../frame.ts';
import type { ShownPage } from '../page-boxes.ts';

/** What is read in a frame that no one sees; undefined where it has no document for it, or it was given up meanwhile. */
export async function atWidths<T>(
	frame: HTMLIFrameElement,
	{ html, address }: ShownPage,
	widths: readonly number[],
	signal: AbortSignal,
	read: (body: HTMLElement, width: number, inner: Document) => T
): Promise<T[] | undefined> {
	const inner = stageOf(frame);
	if (!inner || !showInFrame(frame, html, address)) return undefined;
	const found: T[] = [];
	for (const width of widths) {
		setLength(frame, 'width', width);
		await arrived(inner);
		const body = partsOf(inner)?.body;
		if (signal.aborted || !body) return undefined;
		found.push(read(body, width, inner));
	}
	return found;
}
