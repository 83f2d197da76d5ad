import type { Page } from 'puppeteer-core';

/** What a browser shows at a width that does not fit, px; regions by "layout region", innermost ones marked by what is around. */
export interface Shown {
	readonly width: number;
	readonly sideways: number;
	readonly regions: readonly ShownRegion[];
}

export interface ShownRegion {
	readonly name: string;
	/** Names of the regions around it. */
	readonly around: readonly string[];
	/** By how much what is in it sticks out at a side, and below. */
	readonly out: number;
	readonly below: number;
	/** By how much words that begin in sight end where nobody sees them. */
	readonly cut: number;
	/** By how much it scrolls to the side when it is opened, where it is a drawer. */
	readonly drawer: number;
	/** By how much it and another region of the same box lie over each other, and which those are. */
	readonly over: number;
	readonly overWith: readonly string[];
}

/** Opens a delivered page at each width and looks at every region by brute force. */
export async function shownAtWidths(
	page: Page,
	url: string,
	widths: readonly number[],
	height: number
): Promise<Shown[]> {
	const shown: Shown[] = [];
	await page.setViewport({ width: widths[0] ?? 1280, height });
	await page.goto(url);
	for (const width of widths) {
		await page.setViewport({ width, height });
		const { sideways, regions } = await page.evaluate(() => {
			const root = document.documentElement;
			const found = [...document.querySelectorAll<HTMLElement>('[data-region]:not([data-piece])')];
			const seen = found.flatMap((one) => {
				const style = getComputedStyle(one);
				if (one.offsetWidth === 0 || style.visibility === 'hidden') return [];
				const around: string[] = [];
				for (let at = one.parentElement; at; at = at.parentElement)
					if (at.matches('[data-region]:not([data-piece])'))
						around.push(`${at.dataset['layout'] ?? ''} ${at.dataset['region'] ?? ''}`);
				const scrolls = /auto|scroll/.test(style.overflowX + style.overflowY);
				const others = found.map((other) => {
					const [a, b] = [one.getBoundingClientRect(), other.getBoundingClientRect()];
					const name = `${other.dataset['layout'] ?? ''} ${other.dataset['region'] ?? ''}`;
					const isApart = one === other || one.parentElement !== other.parentElement;
					if (isApart || Math.min(a.height, b.height, a.width, b.width) === 0)
						return { name, by: 0 };
					const across = Math.min(a.right, b.right) - Math.max(a.left, b.left);
					const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
					return { name, by: Math.min(across, down) };
				});
				return [
					{
						name: `${one.dataset['layout'] ?? ''} ${one.dataset['region'] ?? ''}`,
						around,
						out: scrolls ? 0 : one.scrollWidth - one.clientWidth,
						below: scrolls ? 0 : one.scrollHeight - one.clientHeight,
						cut: 0,
						drawer: 0,
						over: Math.max(0, ...others.map(({ by }) => by)),
						overWith: others.filter(({ by }) => by > 0).map(({ name }) => name)
					}
				];
			});
			for (const one of document.querySelectorAll<HTMLElement>('[data-region][popover]')) {
				one.showPopover();
				if (getComputedStyle(one).position !== 'fixed') {
					one.hidePopover();
					continue;
				}
				const drawer = one.scrollWidth - one.clientWidth;
				one.hidePopover();
				const name = `${one.dataset['layout'] ?? ''} ${one.dataset['region'] ?? ''}`;
				seen.push({ name, around: [], out: 0, below: 0, cut: 0, drawer, over: 0, overWith: [] });
			}
			// Words are asked one by one: whether all around them, out to the page, lets their last letter be seen.
			const words = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
			while (words.nextNode()) {
				const range = document.createRange();
				range.selectNodeContents(words.currentNode);
				const rects = [...range.getClientRects()].filter(({ width: wide }) => wide > 0);
				const [first] = rects;
				const own = words.currentNode.parentElement;
				const holder = own?.closest<HTMLElement>('[data-region]:not([data-piece])');
				const region = seen.find(
					({ name }) =>
						name === `${holder?.dataset['layout'] ?? ''} ${holder?.dataset['region'] ?? ''}`
				);
				if (!first || !region) continue;
				for (let at = own; at && at !== holder; at = at.parentElement) {
					const style = getComputedStyle(at);
					const box = at.getBoundingClientRect();
					const begins = first.left < box.right && first.right > box.left && first.top < box.bottom && first.bottom > box.top; // prettier-ignore
					if (!begins || style.display === 'inline') continue;
					for (const rect of rects) {
						const beside = Math.max(rect.right - box.right, box.left - rect.left);
						if (/hidden|clip/.test(style.overflowX) && style.textOverflow === 'clip')
							region.cut = Math.max(region.cut, beside);
						if (/hidden|clip/.test(style.overflowY))
							region.cut = Math.max(region.cut, rect.bottom - box.bottom);
					}
				}
			}
			return { sideways: root.scrollWidth - root.clientWidth, regions: seen };
		});
		shown.push({ width, sideways, regions });
	}
	return shown;
}
