import type { Layer } from '../../model/site.ts';
import type { PageInstance } from '../../resolve/instance.ts';
import type { ResolvedSite } from '../../resolve/site.ts';

/** A page that a layer holds on: for a layout the first one under it; undefined where there is none. */
export function instanceUnder(layer: Layer, resolved: ResolvedSite): PageInstance | undefined {
	const { site, routes, structure } = resolved;
	const pages = layer.kind === 'layout' ? [...routes, ...site.states] : [layer];
	for (const page of pages) {
		const isUnder = page === layer || structure.chainOf(page).some((one) => one === layer);
		const [instance] = isUnder ? resolved.instances(page) : [];
		if (instance) return instance;
	}
	return undefined;
}
