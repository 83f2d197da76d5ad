import {
	elementsNamed,
	isMirrored,
	rectOf,
	rectsOfTexts,
	scrollOf,
	styleOfElement
} from './dom.ts';

/** More elements than these are not looked at one by one. */
const mostLookedAt = 3000;
/** px; what is smaller hides what is in it on purpose, such as words for screen readers. */
const small = 4;
/** Texts of one element that are looked at. */
const mostTexts = 200;

/**
 * How far text in an element is cut off by what hides it, px: text that begins in sight and goes on beyond the side
 * or the foot of a box with `overflow: hidden` or `clip`. Where dots at the end say so, it is meant.
 */
export function cutText(element: HTMLElement): number {
	const inside = elementsNamed(element, '*').slice(0, mostLookedAt);
	return inside.reduce((most, one) => Math.max(most, cutIn(one)), 0);
}

function cutIn(element: Element): number {
	const { across, down } = scrollOf(element);
	if (across <= 1 && down <= 1) return 0;
	const own = rectOf(element);
	if (own.width <= small || own.height <= small) return 0;
	const style = styleOfElement(element);
	const hides = (value: string): boolean => value === 'hidden' || value === 'clip';
	const isWide = across > 1 && hides(style.overflowX) && style.textOverflow === 'clip';
	const isDeep = down > 1 && hides(style.overflowY) && style.webkitLineClamp === 'none';
	if (!isWide && !isDeep) return 0;
	const mirrored = isMirrored(element);
	return rectsOfTexts(element, mostTexts).reduce((most, lines) => {
		const [first] = lines;
		if (!first || !isSeen(first, own)) return most;
		const beyond = lines.map(({ left, right, bottom }) =>
			Math.max(
				isWide ? (mirrored ? own.left - left : right - own.right) : 0,
				isDeep ? bottom - own.bottom : 0
			)
		);
		return Math.max(most, ...beyond);
	}, 0);
}

/** Text begins within a box; what lies outside of it altogether waits there on purpose. */
function isSeen(text: DOMRect, box: DOMRect): boolean {
	return (
		text.left < box.right && text.right > box.left && text.top < box.bottom && text.bottom > box.top
	);
}
