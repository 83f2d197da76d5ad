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
				return [
					{
						name: `${one.dataset['layout'] ?? ''} ${one.dataset['region'] ?? ''}`,
						around,
						out: scrolls ? 0 : one.scrollWidth - one.clientWidth,
						below: scrolls ? 0 : one.scrollHeight - one.clientHeight
					}
				];
			});
			return { sideways: root.scrollWidth - root.clientWidth, regions: seen };
		});
		shown.push({ width, sideways, regions });
	}
	return shown;
}
