import type { Layer } from '../model/site.ts';
import { layoutsInOrder, type Structure } from '../resolve/structure.ts';

/**
 * How a layer is told apart in every drawing: a hue and a hatch, each counted from 1. A page's own
 * matter has neither and is drawn in graphite.
 */
export interface Mark {
	readonly hue: number;
	readonly hatch: number;
}

export type Marks = ReadonlyMap<string, Mark>;

const hues = 5;
const hatches = 5;

const kept = new WeakMap<Structure, Marks>();

/** The mark of each layout, by name. */
export function layoutMarks(structure: Structure): Marks {
	const known = kept.get(structure);
	if (known) return known;
	const marks = marksAfter(new Map(), structure);
	kept.set(structure, marks);
	return marks;
}

/** Lets the layouts of a site have marks that were kept with it; those that are not among them get others. */
export function giveMarks(marks: Marks, structure: Structure): void {
	kept.set(structure, marksAfter(marks, structure));
}

/** Lets the layouts of a site keep the marks that they had before an edit, while others come and go. */
export function keepMarks(before: Structure | undefined, after: Structure): void {
	if (!before || before === after || kept.has(after)) return;
	kept.set(after, marksAfter(renamed(layoutMarks(before), after), after));
}

/** Where one name is gone and one is new, it is the same layout under another name. */
function renamed(before: Marks, after: Structure): Marks {
	const names = after.layoutsByName;
	const [gone, ...othersGone] = [...before.keys()].filter((name) => !names.has(name));
	const [come, ...othersCome] = [...names.keys()].filter((name) => !before.has(name));
	const mark = gone === undefined ? undefined : before.get(gone);
	if (!mark || come === undefined || othersGone.length + othersCome.length > 0) return before;
	return new Map([...before, [come, mark]]);
}

/**
 * Layouts that have a mark keep it unless one above has the same hue now; each other takes the hue used
 * least so far, outer layouts first. Where hues run out they come again with another hatch, and never
 * twice in one chain while the chain has fewer layers than there are hues.
 */
function marksAfter(before: Marks, structure: Structure): Marks {
	const marks = new Map<string, Mark>();
	const layouts = layoutsInOrder(structure);
	const used = Array.from({ length: hues }, () => 0);
	for (const layout of layouts) {
		const mark = before.get(layout.name.text);
		if (mark) used[mark.hue - 1] = (used[mark.hue - 1] ?? 0) + 1;
	}
	for (const layout of layouts) {
		const name = layout.name.text;
		const above = structure.chainOf(layout).map((one) => marks.get(one.name.text)?.hue);
		const mark = before.get(name);
		if (mark && !above.includes(mark.hue)) {
			marks.set(name, mark);
			continue;
		}
		const order = used
			.map((count, index) => ({ index, count, clash: above.includes(index + 1) }))
			.sort((a, b) => Number(a.clash) - Number(b.clash) || a.count - b.count || a.index - b.index);
		const { index, count } = order[0] ?? { index: 0, count: 0 };
		used[index] = count + 1;
		marks.set(name, { hue: index + 1, hatch: ((index + count) % hatches) + 1 });
	}
	return marks;
}

export function markOf(layer: Layer, marks: Marks): Mark | undefined {
	return layer.kind === 'layout' ? marks.get(layer.name.text) : undefined;
}
