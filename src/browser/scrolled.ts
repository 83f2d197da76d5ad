import type { ScrollerName } from '$core/geometry/page.ts';
import { all, attribute, pageScroller, scrollPlaceOf, setScrollPlace } from './dom.ts';

/** How far something on a page is scrolled. */
export interface FrameScroll {
	readonly px: number;
	/** undefined: the page. */
	readonly within: ScrollerName | undefined;
}

/** Scrolls a page, or a box of it that scrolls by itself. */
export function scrollFrame(inner: Document, { px, within }: FrameScroll): void {
	const element = scrollerIn(inner, within);
	// Half a px of a page that is drawn smaller is what nobody wants.
	if (element && Math.abs(scrollPlaceOf(element) - px) >= 1) setScrollPlace(element, px);
}

/** How far it is scrolled, px. */
export function frameScrolled(inner: Document, within: ScrollerName | undefined): number {
	const element = scrollerIn(inner, within);
	return element ? scrollPlaceOf(element) : 0;
}

function scrollerIn(inner: Document, within: ScrollerName | undefined): Element | undefined {
	if (!within) return pageScroller(inner);
	const { layout, region, wrapper } = within;
	return all(inner, '[data-layout]').find((element) => {
		const data = (name: string): string | undefined => attribute(element, `data-${name}`);
		const isMember = data('region') === region && data('wrapper') === wrapper;
		return data('layout') === layout && isMember && data('piece') === undefined;
	});
}
