import type { PlacedBox } from '../geometry/page-layout.ts';
import { shadowRange } from '../settings/member/shadow.ts';
import { isAround, hasLeft } from './room-left.ts';

/** What scrolling does to a box. */
export const scrollActions = ['sticks', 'is scrolled over', 'is pushed away', 'shrinks', 'gets its shadow', 'is covered', 'rides up'] as const; // prettier-ignore
export type ScrollAction = (typeof scrollActions)[number];

/** What a box is known for besides where it is. */
export interface ScrollTraits {
	readonly hasShadow: boolean;
	/** It rides up over what stands before it. */
	readonly ridesUp: boolean;
	/** Its height before anything is scrolled, px. */
	readonly height: number;
	readonly shrinksTo: number;
}

/** What happens to a box while things are scrolled by some px; `page` has all boxes, and those that stick. */
export function actionsAt(
	box: PlacedBox,
	traits: ScrollTraits,
	page: { readonly boxes: readonly PlacedBox[]; readonly stuck: readonly PlacedBox[] },
	px: number,
	screen: number
): Set<ScrollAction> {
	const actions = new Set<ScrollAction>();
	const { sticking } = box;
	if (hasLeft(box)) actions.add(stuckAction(sticking));
	if (box.height > traits.shrinksTo + 0.5 && traits.shrinksTo < traits.height - 0.5) {
		actions.add('shrinks');
	}
	if (traits.hasShadow && px < shadowRange) actions.add('gets its shadow');
	const inSight = box.y + box.height > px + 0.5 && box.y < px + screen - 0.5;
	if (!inSight) return actions;
	if (traits.ridesUp) actions.add('rides up');
	if (page.stuck.some((other) => covers(other, box, page.boxes))) actions.add('is covered');
	return actions;
}

function stuckAction(sticking: PlacedBox['sticking']): ScrollAction {
	if (sticking?.pushed) return 'is pushed away';
	return sticking?.under ? 'is scrolled over' : 'sticks';
}

/** Of two boxes that stick, the one that is written later lies over the other; all of them lie over the rest. */
function covers(other: PlacedBox, box: PlacedBox, boxes: readonly PlacedBox[]): boolean {
	if (isAround(other, box, boxes) || isAround(box, other, boxes)) return false;
	if (other.sticking?.under === true) return false;
	if (box.sticking && boxes.indexOf(box) > boxes.indexOf(other)) return false;
	const across = Math.min(other.x + other.width, box.x + box.width) - Math.max(other.x, box.x);
	const down = Math.min(other.y + other.height, box.y + box.height) - Math.max(other.y, box.y);
	return across > 0.5 && down > 0.5;
}
