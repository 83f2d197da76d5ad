import type { Page } from 'puppeteer-core';
import { z } from 'zod';

/** Boxes as a browser shows them in the frame of a page. It knows nothing of how they are worked out. */

export interface ShownBox {
	readonly key: string;
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	/** How much more there is in it than is seen, whole px, where it scrolls. */
	readonly scrolls: number;
	/** It scrolls by itself. */
	readonly scroller: boolean;
	/** How far what is in it sticks out of it below, whole px; what covers its own border does not. */
	readonly sunk: number;
	/** The box around it, by its place in the list; -1 for the outermost. */
	readonly inside: number;
	/** It keeps to an edge, or what follows is let ride up over it. */
	readonly sticky: boolean;
	readonly lifts: boolean;
	/** How far all of the page can be pushed sideways, whole px. */
	readonly sideways: number;
}

const shownSchema = z.array(
	z.array(
		z.object({
			key: z.string(),
			x: z.number(),
			y: z.number(),
			width: z.number(),
			height: z.number(),
			scrolls: z.number(),
			scroller: z.boolean(),
			sunk: z.number(),
			inside: z.number(),
			sticky: z.boolean(),
			lifts: z.boolean(),
			sideways: z.number()
		})
	)
);

/** Every box with an element of its own at each width; every other time with all drawers open where `drawers`. */
export async function shownAt(
	page: Page,
	html: string,
	widths: readonly number[],
	height: number,
	drawers: boolean,
	/** px; how far the page is scrolled, where it is long enough. Boxes are where they are on the page all the same. */
	scrolled = 0
): Promise<ShownBox[][]> {
	// What moves, and what chooses another picture, does so only where it is seen.
	await page.bringToFront();
	const shown: unknown = await page.evaluate(
		async (content, all, tall, hasDrawers, moves, down) => {
			const frame = document.querySelector('iframe');
			if (!frame) return [];
			frame.style.cssText = `border: 0; height: ${tall}px; width: ${all[0]}px`;
			const inner = frame.contentDocument;
			if (!inner) return [];
			inner.open();
			inner.write(content);
			inner.close();
			for (const picture of [...inner.images]) picture.loading = 'eager';
			const arrived = async (): Promise<void> => {
				const pictures = [...inner.images].filter((one) => !one.complete);
				const waiting = pictures.map(
					(one) =>
						new Promise((done) => {
							one.addEventListener('load', done);
							one.addEventListener('error', done);
						})
				);
				await Promise.all(waiting);
			};
			inner.documentElement.getBoundingClientRect();
			await arrived();
			await inner.fonts.ready;
			const keyOfElement = (element: Element): string => {
				const data = (name: string): string | null => element.getAttribute(`data-${name}`);
				const opener = data('opener');
				const group = data('group');
				const what =
					opener === null
						? (data('piece') ?? group ?? data('wrapper') ?? data('region') ?? '')
						: `opener:${opener}`;
				const isContent = opener !== null || data('piece') !== null || group !== null;
				const host = isContent ? element.parentElement?.closest('[data-region]') : element;
				const layout = host?.getAttribute('data-layout') ?? '';
				const where = isContent ? `${layout}.${host?.getAttribute('data-region')}` : layout;
				return `${where}/${what}`;
			};
			const marked = inner.querySelectorAll('[data-layout], [data-route], [data-state]');
			const boxes = [...marked].filter((element) => !element.hasAttribute('data-part'));
			const shownBoxes = [];
			for (const [index, width] of all.entries()) {
				frame.style.width = `${width}px`;
				// What moves with scrolling is worked out anew once a frame.
				for (let i = 0; moves && i < 2; i++)
					await new Promise((next) => requestAnimationFrame(next));
				await arrived();
				// A resize alone leaves shares of the screen as they were in what container queries reach.
				inner.documentElement.style.display = 'none';
				inner.documentElement.getBoundingClientRect();
				inner.documentElement.style.display = '';
				const popovers = [...inner.querySelectorAll<HTMLElement>('[popover]')];
				const isOpen = hasDrawers && index % 2 === 1;
				for (const one of popovers) {
					if (one.matches(':popover-open')) one.hidePopover();
					if (!isOpen) continue;
					one.setAttribute('popover', 'manual');
					one.showPopover();
					// Only where it is a drawer at this width: in place it is there as it is.
					if (getComputedStyle(one).position !== 'fixed') one.hidePopover();
				}
				const scroller = inner.scrollingElement;
				if (scroller && down > 0) {
					scroller.scrollTop = down;
					for (let i = 0; i < 3; i++) await new Promise((next) => requestAnimationFrame(next));
				}
				const gone = scroller?.scrollTop ?? 0;
				// In a frame from right to left the scrollbar stands at the left; on a page of its own it does not.
				const bar = frame.clientWidth - inner.documentElement.clientWidth;
				const left = inner.documentElement.dir === 'rtl' ? bar : 0;
				const seen = boxes.filter((element) => element.getClientRects().length > 0);
				const { scrollWidth, clientWidth } = inner.documentElement;
				shownBoxes.push(
					seen.map((element) => {
						const { x, y, width: wide, height: high } = element.getBoundingClientRect();
						const scrolls = element.scrollWidth - element.clientWidth;
						const style = getComputedStyle(element);
						const isScroller = style.overflowX !== 'visible';
						let around = element.parentElement;
						while (around && !seen.includes(around)) around = around.parentElement;
						const key = keyOfElement(element);
						return {
							key,
							x: x - left,
							y: y + gone,
							width: wide,
							height: high,
							scrolls,
							scroller: isScroller,
							sunk:
								element.scrollHeight - element.clientHeight - parseFloat(style.borderBottomWidth),
							inside: around ? seen.indexOf(around) : -1,
							sticky: style.position === 'sticky' || style.position === 'fixed',
							lifts: parseFloat(style.marginBottom) < 0,
							sideways: scrollWidth - clientWidth
						};
					})
				);
			}
			return shownBoxes;
		},
		html,
		[...widths],
		height,
		drawers,
		moves(html),
		scrolled
	);
	return shownSchema.parse(shown);
}

function moves(html: string): boolean {
	return /animation-timeline|<picture|srcset=/.test(html);
}
