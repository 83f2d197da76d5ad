import type { Layout, OwnFrame } from '../../model/site.ts';

/** A layout whose frame is its own markup. */
export type FramedLayout = Layout & { readonly frame: OwnFrame };

export function hasFrame(layout: Layout | undefined): layout is FramedLayout {
	return layout?.frame !== undefined;
}
