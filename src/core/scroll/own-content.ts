import type { ScrollerName } from '../geometry/page.ts';
import type { ResolvedPage } from '../resolve/page.ts';

/** The region that the page's own content lands in; of a page without layouts, the plain box around it. */
export function ownContent({ chain, regions }: ResolvedPage): ScrollerName {
	const innermost = chain.at(-1);
	const own = regions.find(({ layout, region }) => layout === innermost && region.slot);
	return { layout: innermost?.name.text, wrapper: undefined, region: own?.region.name.text };
}

/** Whether two names are of one box. */
export function isNamed(name: ScrollerName, other: ScrollerName): boolean {
	const { layout, region, wrapper } = name;
	return layout === other.layout && region === other.region && wrapper === other.wrapper;
}
