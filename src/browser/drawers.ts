import { all } from './dom.ts';

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
