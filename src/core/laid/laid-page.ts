import type { PageContent } from '../geometry/page.ts';
import { PageLayout, type PlacedBox } from '../geometry/page-layout.ts';
import type { PieceSize } from '../geometry/pieces/piece-size.ts';
import type { PieceKey } from '../model/piece-key.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { Basis } from './basis.ts';
import { Guesses } from './guesses.ts';
import type { MeasuredPage } from './measured-page.ts';

/** The boxes of a page on some screens, in their order. */
export interface LaidPage {
	readonly boxes: readonly (readonly PlacedBox[])[];
	readonly by: Basis;
}

/** A screen but for its width: its height, and what a classic scrollbar takes, px. */
export interface ScreenKind {
	readonly height: number;
	readonly scrollbar: number;
}

/** Some screens, by their widths. */
type Widths = readonly { readonly width: number }[];

/** A page by what is measured of the sizes of its content, and by guesses for the rest. */
export function layPage(page: MeasuredPage, columns: Widths): LaidPage {
	const laid = columns.map(({ width }) => page.roughlyAt(width));
	return {
		boxes: laid.map(({ boxes }) => boxes),
		by: laid.some(({ by }) => by === 'guessed') ? 'guessed' : 'measured'
	};
}

/** A page by guesses alone: what all pages of a large site can be looked over by. */
export function guessedPage(
	instance: PageInstance,
	resolved: ResolvedSite,
	columns: Widths,
	{ height, scrollbar }: ScreenKind,
	year: number
): LaidPage {
	const guesses = new Guesses(instance, resolved, year);
	const layout = layoutBy((key) => guesses.once(key), instance, resolved, scrollbar);
	return { boxes: columns.map(({ width }) => layout.boxesAt({ width, height })), by: 'guessed' };
}

/** A page with sizes of its content of some kind. */
export function layoutBy(
	sizes: (key: PieceKey) => PieceSize,
	{ page }: PageInstance,
	resolved: ResolvedSite,
	scrollbar: number,
	opened: Pick<PageContent, 'open' | 'only'> = { open: new Set() }
): PageLayout {
	const content = { page: resolved.page(page), site: resolved.site, ...opened };
	return new PageLayout({ ...content, scrollbar, sizes });
}
