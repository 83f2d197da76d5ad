import type { BoxName } from '../geometry/layout-box.ts';
import type { PieceSize } from '../geometry/pieces/piece-size.ts';
import { sweepFrom, sweepTo } from '../geometry/widths/jumps.ts';
import { Sweep, type Stretch } from '../geometry/widths/sweep.ts';
import type { PieceKey } from '../model/piece-key.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { Basis } from './basis.ts';
import { drawersIn, drawerScreens, withDrawers } from './open-drawers.ts';
import type { Settling } from '../measure/settle.ts';
import { layoutBy, type ScreenKind } from './laid-page.ts';
import type { MeasuredPage } from './measured-page.ts';

/** The boxes of a page at all widths, with what its regions need. */
export interface LaidBoxes {
	readonly by: Basis;
	readonly stretches: readonly Stretch[];
	/** Drawers and what is in them, as they are when they are open. */
	readonly drawers: readonly Stretch[];
	/** The least width that each region needs on a screen, px, the outer ones before those in them. */
	leastWidths(width: number): readonly { readonly name: BoxName; readonly px: number }[];
	/** The margin at the end of a content, px, which shows nothing. */
	endMargin(name: BoxName): number;
}

/** Those of a page whose content was measured at all widths. */
export function* settleBoxes(page: MeasuredPage): Settling<LaidBoxes> {
	const { stretches } = yield* page.between(sweepFrom, sweepTo);
	const drawers = yield* page.drawers();
	return {
		by: 'measured',
		stretches,
		drawers,
		leastWidths: (width) => page.leastWidthsAt(width),
		endMargin: (name) => page.endMarginOf(keyOf(name))
	};
}

/** Those of a page whose content has sizes that were not measured. */
export function boxesBy(
	by: Exclude<Basis, 'measured'>,
	sizes: (key: PieceKey) => PieceSize,
	instance: PageInstance,
	resolved: ResolvedSite,
	{ height, scrollbar }: ScreenKind
): LaidBoxes {
	const layout = layoutBy(sizes, instance, resolved, scrollbar);
	const page = resolved.page(instance.page);
	const opened = layoutBy(sizes, instance, resolved, scrollbar, withDrawers(page));
	const screens = drawerScreens(page, resolved.site.settings.bands);
	return {
		by,
		drawers: screens.flatMap(({ from, to }) =>
			drawersIn(Sweep.over(opened, from, to, height).stretches)
		),
		stretches: Sweep.over(layout, sweepFrom, sweepTo, height).stretches,
		leastWidths: (width) => layout.leastWidths({ width, height }),
		endMargin: (name) => sizes(keyOf(name)).endMargin ?? 0
	};
}

/** The content that a box holds. */
function keyOf({ kind, layout, region, pieces }: BoxName): PieceKey {
	return { layout, region, pieces, opener: kind === 'opener' };
}
