import type { LayerRef } from '../../model/command.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { layerView } from './layer-view.ts';

/** Several pages as one: what they have in common, and what differs. */
export interface ManyLayers {
	readonly refs: readonly LayerRef[];
	/** What all say that they sit under; empty where none says anything, undefined where they differ. */
	readonly under: string | undefined;
	/** For each role of the site, whether all of them let it in by name, some, or none. */
	readonly admits: readonly { readonly role: string; readonly by: 'all' | 'some' | 'none' }[];
	/** What those of them that are routes let in by themselves, in their order. */
	readonly routes: readonly { readonly ref: LayerRef; readonly admits: readonly string[] }[];
}

/** What there is to say about several pages. Throws a CommandRefused where one of them is not there. */
export function manyLayers(resolved: ResolvedSite, refs: readonly LayerRef[]): ManyLayers {
	const views = refs.map((ref) => layerView(resolved, ref));
	const routes = views.filter(({ ref }) => ref.kind === 'route');
	const unders = new Set(views.map(({ under }) => under ?? ''));
	const [under] = unders;
	return {
		refs,
		under: unders.size === 1 ? under : undefined,
		admits: resolved.site.settings.roles.map(({ text: role }) => {
			const count = routes.filter(({ admits }) => admits.includes(role)).length;
			const by = count === 0 ? 'none' : count === routes.length ? 'all' : 'some';
			return { role, by };
		}),
		routes: routes.map(({ ref, admits }) => ({ ref, admits }))
	};
}

/** Routes that lie below none of the others, each with where it would lie below `parent`: what lies below them moves along. */
export function movedBelow(
	refs: readonly LayerRef[],
	parent: string
): { readonly pattern: string; readonly to: string }[] {
	const patterns = refs.flatMap(({ kind, name }) => (kind === 'route' ? [name] : []));
	const outermost = patterns.filter(
		(one) => !patterns.some((other) => other !== one && one.startsWith(`${other}/`))
	);
	const lead = parent === '/' ? '' : parent.replace(/\/+$/, '');
	return outermost.map((pattern) => ({
		pattern,
		to: `${lead}${pattern.slice(pattern.lastIndexOf('/'))}`
	}));
}
