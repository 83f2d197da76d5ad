import { estimateOnce, estimateSize } from '../geometry/pieces/estimate.ts';
import { PageLayout } from '../geometry/page-layout.ts';
import type { PieceSize } from '../geometry/pieces/piece-size.ts';
import { plainType, type TextType } from '../geometry/pieces/text-lines.ts';
import { contentHtml, textScale } from '../measure/guesses.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { sweepFrom, sweepTo } from '../geometry/widths/jumps.ts';
import { Sweep } from '../geometry/widths/sweep.ts';
import type { Column } from './columns.ts';
import { misfitsIn, type Misfit } from '../check/fit/misfits.ts';
import type { LaidPage } from './sheet/sheet-row.ts';

/** Guesses of content of one kind that were made; much of it stands on many pages. */
class Guessing {
	private readonly known = new Map<string, PieceSize>();

	constructor(private readonly guess: (html: string, type: TextType) => PieceSize) {}

	of(html: string, type: TextType): PieceSize {
		const key = `${type.size} ${html}`;
		let made = this.known.get(key);
		if (!made) {
			if (this.known.size >= mostGuesses) this.known.clear();
			this.known.set(key, (made = this.guess(html, type)));
		}
		return made;
	}
}

const mostGuesses = 5000;
const atOnce = new Guessing(estimateOnce);
const atAnyWidth = new Guessing(estimateSize);

/**
 * The boxes of a page by guesses alone, in plain type: what all pages of a large site can be looked over by. What
 * is in sight is laid out by what is known of it.
 */
export function roughPage(
	instance: PageInstance,
	resolved: ResolvedSite,
	columns: readonly Column[],
	screen: { readonly height: number; readonly scrollbar: number },
	year: number
): LaidPage {
	const layout = roughLayout(instance, resolved, screen.scrollbar, year, atOnce);
	const boxes = columns.map(({ width }) => layout.boxesAt({ width, height: screen.height }));
	return { boxes, estimated: true };
}

/** What of a page does not fit, at any width, by guesses alone. */
export function roughMisfits(
	instance: PageInstance,
	resolved: ResolvedSite,
	screen: { readonly height: number; readonly scrollbar: number },
	year: number
): Misfit[] {
	const layout = roughLayout(instance, resolved, screen.scrollbar, year, atAnyWidth);
	return misfitsIn(Sweep.over(layout, sweepFrom, sweepTo, screen.height));
}

function roughLayout(
	instance: PageInstance,
	resolved: ResolvedSite,
	scrollbar: number,
	year: number,
	guesses: Guessing
): PageLayout {
	const html = contentHtml(instance, resolved, year);
	const scale = textScale(resolved);
	const type = { size: plainType.size * scale, line: plainType.line * scale };
	return new PageLayout({
		page: resolved.page(instance.page),
		site: resolved.site,
		open: new Set(),
		scrollbar,
		sizes: (key) => guesses.of(html(key), type)
	});
}
