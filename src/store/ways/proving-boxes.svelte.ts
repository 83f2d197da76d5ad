import { boxShift, proofWidths } from '$core/bring-in/proving/box-shift.ts';
import { proofWords } from '$core/bring-in/proving/proof.ts';
import { pageBoxes } from '../../browser/page-boxes.ts';
import { elementsNamed, partsOf } from '../../browser/dom.ts';
import { stageOf } from '../../browser/frame.ts';
import { store } from '../site.svelte.ts';

/** Pages that came in and what they become, shown in this browser one after the other, and held box against box. */
export class ProvingBoxes {
	/** Pages whose boxes have been compared. */
	done = $state(0);
	/** Those of which a box lies elsewhere, and which: goes on from the path. */
	shifted = $state.raw<readonly { readonly path: string; readonly words: string }[]>([]);
	isGoing = $state(false);

	/** Compares pages until it is told to stop. */
	async go(frame: HTMLIFrameElement, paths: readonly string[], signal: AbortSignal): Promise<void> {
		this.forget();
		this.isGoing = true;
		for (const path of paths) {
			const words = await this.shiftOf(frame, path, signal).catch(() => 'could not be shown');
			if (signal.aborted) return;
			if (words !== undefined) this.shifted = [...this.shifted, { path, words }];
			this.done++;
		}
		this.isGoing = false;
	}

	forget(): void {
		this.done = 0;
		this.shifted = [];
		this.isGoing = false;
	}

	private async shiftOf(
		frame: HTMLIFrameElement,
		path: string,
		signal: AbortSignal
	): Promise<string | undefined> {
		const { bringIn } = store.core;
		const [before, now] = [await bringIn.cameIn(path), await bringIn.preview(path)];
		if (!before || !now || signal.aborted) return 'could not be shown';
		const old = await pageBoxes(frame, before, proofWidths, signal);
		const made = await pageBoxes(frame, now, proofWidths, signal);
		// What could not be seen is not the same.
		if (!old || !made) return 'could not be shown';
		for (const [index, width] of proofWidths.entries()) {
			const [one, other] = [old[index], made[index]];
			const shift = one && other && boxShift(one, other, width);
			if (!shift) continue;
			return proofWords({ path, kind: 'shifted', shift, element: nameOf(frame, shift.element) });
		}
		return undefined;
	}
}

function nameOf(frame: HTMLIFrameElement, place: number): string {
	const inner = stageOf(frame);
	const body = inner && partsOf(inner)?.body;
	const element = body && [body, ...elementsNamed(body, '*')][place];
	if (!element) return 'a box';
	return element.localName + (element.id === '' ? '' : `#${element.id}`);
}
