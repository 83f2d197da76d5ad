import { frameTree, NotBoxes, type FramePart, type FrameTag } from './frame-tree.ts';
import type { FramedLayout } from './propose-arrangement.ts';

/** An element of a frame without a place in it, which can be looked into. */
export interface FrameElementView {
	readonly number: number;
	/** Its tag, with its id or first class. */
	readonly name: string;
}

/** The elements of a frame that stay as they are unless one says that they are looked into; none where it is no tree of boxes. */
export function frameElements(layout: FramedLayout): FrameElementView[] {
	try {
		return statics(frameTree(layout, layout.frame)).map((element) => {
			return { number: element.number, name: nameOf(element) };
		});
	} catch (failure) {
		if (failure instanceof NotBoxes) return [];
		throw failure;
	}
}

/** Those that hold other elements: words alone have nothing to arrange. */
function statics(parts: readonly FramePart[]): FrameTag[] {
	return parts.flatMap((part) => {
		if (part.kind === 'element') return statics(part.parts);
		return part.kind === 'static' && part.element && /<[a-z]/i.test(part.inner)
			? [part.element]
			: [];
	});
}

function nameOf({ tag, attributes }: FrameTag): string {
	const [, id] = /(?:^|\s)id\s*=\s*["']?([\w-]+)/.exec(attributes) ?? [];
	const [, first] = /(?:^|\s)class\s*=\s*["']?([\w-]+)/.exec(attributes) ?? [];
	return tag + (id === undefined ? (first === undefined ? '' : `.${first}`) : `#${id}`);
}
