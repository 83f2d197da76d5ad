import type { Setting } from '../../model/setting.ts';
import { pagesOf } from '../../model/site.ts';
import type { Named } from '../../model/span.ts';
import { membersIn, type Holder } from '../../resolve/boxes/members.ts';
import type { ResolvedSite } from '../../resolve/site.ts';

/** What stands in a box that may arrange it: in a layout or a wrapper always the same, in a region on one page. */
export interface Standing {
	readonly box: Holder;
	readonly contents: readonly Content[];
}

/** A region, wrapper, piece or layout, by what its own settings say of it. */
export interface Content {
	readonly name: Named;
	readonly settings: readonly Setting[];
}

/** All boxes of a site that may arrange something, with what stands in them. */
export function standingIn(resolved: ResolvedSite): Standing[] {
	const frames = resolved.site.layouts.flatMap((layout): Standing[] =>
		[layout, ...membersIn(layout.members)].flatMap((box) =>
			box.kind === 'region' ? [] : [{ box, contents: box.members }]
		)
	);
	const regions = pagesOf(resolved.site).flatMap((page) =>
		resolved.page(page).regions.map(({ region, landed }): Standing => {
			const contents = landed.map((one) => (one.kind === 'layout' ? one.layout : one.piece));
			return { box: region, contents };
		})
	);
	return [...frames, ...regions];
}
