import { frameTree, holdsSlot, NotBoxes, type FramePart, type FrameTag } from './frame-tree.ts';
import type { FramedLayout } from './framed-layout.ts';

/** An element of a frame that can be chosen. */
export interface FrameElementView {
	readonly number: number;
	/** Its tag, with its id or first class. */
	readonly name: string;
	/** What pages bring lands in it, so that it can be arranged alone; else it can be looked into. */
	readonly hasSlot: boolean;
}

/** The elements of a frame that can be arranged alone, and those without a place; none where it is no tree of boxes. */
export function frameElements(layout: FramedLayout): FrameElementView[] {
	try {
		return elementsIn(frameTree(layout, layout.frame));
	} catch (failure) {
		if (failure instanceof NotBoxes) return [];
		throw failure;
	}
}

function elementsIn(parts: readonly FramePart[]): FrameElementView[] {
	return parts.flatMap((part) => {
		if (part.kind === 'element') {
			const inside = elementsIn(part.parts);
			return holdsSlot(part) ? [viewOf(part.element, true), ...inside] : inside;
		}
		// Words alone have nothing to arrange.
		const isOpen = part.kind === 'static' && part.element && /<[a-z]/i.test(part.inner);
		return isOpen ? [viewOf(part.element, false)] : [];
	});
}

function viewOf(element: FrameTag, hasSlot: boolean): FrameElementView {
	return { number: element.number, name: nameOf(element), hasSlot };
}

function nameOf({ tag, attributes }: FrameTag): string {
	const [, id] = /(?:^|\s)id\s*=\s*["']?([\w-]+)/.exec(attributes) ?? [];
	const [, first] = /(?:^|\s)class\s*=\s*["']?([\w-]+)/.exec(attributes) ?? [];
	return tag + (id === undefined ? (first === undefined ? '' : `.${first}`) : `#${id}`);
}
