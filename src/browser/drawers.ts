import { all, attribute } from './dom.ts';

/**
 * Opens every drawer of a page at the widths at which it is one, so that all of them can be seen at once; elsewhere they
 * are where they stand in place. HTML, section 6.12: no script of the page has to run for it. Whoever has no popovers
 * sees nothing of it.
 */
export function openDrawers(document: Document): void {
	const { showPopover, hidePopover } = HTMLElement.prototype;
	if (typeof showPopover !== 'function') return;
	for (const drawer of all(document, '[popover]')) {
		if (isOpen(drawer)) hidePopover.call(drawer);
		// In its place it is seen without being opened.
		if (getComputedStyle(drawer).display !== 'none') continue;
		showPopover.call(drawer);
		// What is hidden at this width is hidden as well when it is open.
		if (getComputedStyle(drawer).display === 'none') hidePopover.call(drawer);
	}
}

function isOpen(drawer: Element): boolean {
	return Element.prototype.matches.call(drawer, ':popover-open');
}

/** Whether a region is a drawer at the width that its page has, and if so, how it stands. */
export function drawerState(
	document: Document,
	layout: string,
	region: string
): 'open' | 'shut' | undefined {
	const drawer = drawerOf(document, layout, region);
	if (!drawer) return undefined;
	if (isOpen(drawer)) return 'open';
	// In its place it is no drawer at this width.
	return getComputedStyle(drawer).display === 'none' ? 'shut' : undefined;
}

/** Opens a drawer of a page, or shuts it. */
export function turnDrawer(document: Document, layout: string, region: string): void {
	const { showPopover, hidePopover } = HTMLElement.prototype;
	const drawer = drawerOf(document, layout, region);
	if (!drawer || typeof showPopover !== 'function') return;
	if (isOpen(drawer)) hidePopover.call(drawer);
	else showPopover.call(drawer);
}

function drawerOf(document: Document, layout: string, region: string): HTMLElement | undefined {
	return all(document, '[popover]').find(
		(one) => attribute(one, 'data-layout') === layout && attribute(one, 'data-region') === region
	);
}
