import { error, type Problem } from '../messages/problem.ts';
import { listWords } from '../messages/wording.ts';
import { Memory } from '../lib/memory.ts';
import { compareSpecificity, isWithin, matchPattern } from '../model/pattern.ts';
import {
	layerName,
	layerPattern,
	layerSpan,
	stateKinds,
	type Layer,
	type Layout,
	type Region,
	type Site,
	type State,
	type StateKind
} from '../model/site.ts';
import { positionOf, type Span } from '../model/span.ts';

/** Which layouts cover what, and what every page and layout sits under. */
export interface Structure {
	readonly site: Site;
	readonly layoutsByName: ReadonlyMap<string, Layout>;
	/** The layout that covers a branch, by the branch's key. */
	readonly covering: ReadonlyMap<string, Layout>;
	/** Outermost first. For a layout: what it sits under, without itself. */
	chainOf(layer: Layer): readonly Layout[];
	readonly problems: readonly Problem[];
}

/** Works out all chains of a site. Problems never stop it: a layer whose `under` is wrong sits under the nearest. */
export function resolveStructure(site: Site, texts: ReadonlyMap<string, string>): Structure {
	const builder = new StructureBuilder(site, texts);
	return {
		site,
		layoutsByName: builder.layoutsByName,
		covering: builder.covering,
		chainOf: (layer) => builder.chainOf(layer),
		problems: builder.check()
	};
}

/** Layouts so that each comes after the one it sits under: the order in which they cascade. */
export function layoutsInOrder({ site, chainOf }: Structure): Layout[] {
	return [...site.layouts].sort((a, b) => chainOf(a).length - chainOf(b).length);
}

/** The region that holds the slot. Where there are two, the first. */
export function slotOf(layout: Layout): Region | undefined {
	return layout.regions.find((region) => region.slot);
}

/** Why a layer may not sit under a layout, by scope: undefined where it may. */
export function outOfScope(layer: Layer, layout: Layout): boolean {
	return !isWithin(layerPattern(layer), layout.at);
}

/** Layouts in each other beyond that are a slip, and more than can be worked out one in the other. */
const mostNested = 60;

class StructureBuilder {
	readonly layoutsByName = new Map<string, Layout>();
	readonly covering = new Map<string, Layout>();
	private readonly problems: Problem[] = [];
	private readonly chains = new Map<Layer, readonly Layout[]>();
	private readonly reportedCycles = new Set<Layout>();
	/** Routes that let in only some, by their keys. */
	private readonly closingRoutes: ReadonlySet<string>;

	constructor(
		private readonly site: Site,
		private readonly texts: ReadonlyMap<string, string>
	) {
		const closing = site.routes.filter(({ admit }) => admit.length > 0);
		this.closingRoutes = new Set(closing.map(({ pattern }) => pattern.key));
		for (const layout of site.layouts) {
			this.layoutsByName.set(layout.name.text, layout);
			if (layout.onRequest) continue;
			const other = this.covering.get(layout.at.key);
			if (other) {
				const names = [layout.name.text, other.name.text] as const;
				this.problems.push(error('covers-twice', layout.atSpan, ...names, layout.at.text));
			} else {
				this.covering.set(layout.at.key, layout);
			}
		}
	}

	chainOf(layer: Layer): readonly Layout[] {
		return this.chainThrough(layer, []);
	}

	check(): Problem[] {
		const { layouts, routes, states } = this.site;
		for (const layer of [...layouts, ...routes, ...states]) this.chainOf(layer);
		for (const layout of layouts) this.checkSlot(layout);
		return this.problems;
	}

	private chainThrough(layer: Layer, visited: readonly Layout[]): readonly Layout[] {
		const known = this.chains.get(layer);
		if (known) return known;
		let parent = this.parentOf(layer);
		if (layer.kind === 'layout' && parent) {
			const path = [...visited, layer];
			if (path.includes(parent)) {
				this.reportCycle(path.slice(path.indexOf(parent)));
				parent = undefined;
			}
		}
		const path = layer.kind === 'layout' ? [...visited, layer] : visited;
		const above = parent && path.length < mostNested ? this.chainThrough(parent, path) : [];
		if (parent && above.length + 1 >= mostNested) {
			this.reportOnce(error('under-too-deep', layerSpan(layer), layerName(layer), mostNested));
			parent = undefined;
		}
		const chain = parent ? [...above, parent] : [];
		// Within a circle the chain depends on where one entered it, so it is not kept.
		if (!this.isInCycle(layer)) this.chains.set(layer, chain);
		return chain;
	}

	private isInCycle(layer: Layer): boolean {
		return layer.kind === 'layout' && this.reportedCycles.has(layer);
	}

	private parentOf(layer: Layer): Layout | undefined {
		const { under } = layer;
		if (under.kind === 'none') return undefined;
		if (under.kind === 'nearest') return this.nearest(layer);
		const layout = this.layoutsByName.get(under.name.text);
		if (!layout) {
			const known = listWords([...this.layoutsByName.keys()]);
			this.reportOnce(error('under-unknown', under.name.span, under.name.text, known));
			return this.nearest(layer);
		}
		if (outOfScope(layer, layout)) {
			const place = this.place(layerSpan(layer));
			const names = [layerName(layer), place, layout.name.text] as const;
			const branch = `${layout.at.text} (${this.place(layout.name.span)})`;
			this.reportOnce(error('under-out-of-scope', under.name.span, ...names, branch));
			return this.nearest(layer);
		}
		return layout;
	}

	/**
	 * The nearest layout above in the route tree that covers the layer's branch. Whoever is shown `denied` is kept out of
	 * something, so that lies in the nearest frame that is open to everyone.
	 */
	private nearest(layer: Layer): Layout | undefined {
		const isDenied = layer.kind === 'state' && layer.state.text === 'denied';
		for (const key of layerPattern(layer).upward) {
			const layout = this.covering.get(key);
			if (layout && layout !== layer && !(isDenied && this.isClosed(layout))) return layout;
		}
		return undefined;
	}

	/** Whether a layout, something it sits under, or a branch in which it stands lets in only some. */
	private isClosed(layout: Layout): boolean {
		const [, ...above] = layout.at.upward;
		const closes = (one: { readonly admit: readonly unknown[] } | undefined): boolean =>
			one !== undefined && one.admit.length > 0;
		return (
			closes(layout) ||
			this.chainOf(layout).some(closes) ||
			above.some((key) => closes(this.covering.get(key)) || this.closingRoutes.has(key))
		);
	}

	private checkSlot(layout: Layout): void {
		const slots = layout.regions.filter((region) => region.slot);
		const [one, other] = slots;
		if (!one) {
			const below = this.site.routes.filter((route) => this.chainOf(route).includes(layout));
			const named = below.slice(0, 3).map((route) => route.pattern.text);
			if (below.length > 3) named.push(`${below.length - 3} more`);
			const verb = below.length === 1 ? 'does not show' : 'do not show';
			const what = below.length > 0 ? `${listWords(named)} ${verb}` : 'no page can show in it';
			this.problems.push(error('layout-no-slot', layout.name.span, layout.name.text, what));
		} else if (other) {
			const names = [layout.name.text, one.name.text, other.name.text] as const;
			this.problems.push(error('layout-two-slots', other.name.span, ...names));
		}
	}

	private reportCycle(cycle: readonly Layout[]): void {
		if (cycle.some((layout) => this.reportedCycles.has(layout))) return;
		for (const layout of cycle) this.reportedCycles.add(layout);
		const names = [...cycle, ...cycle.slice(0, 1)].map((layout) => layout.name.text);
		const named = cycle.find((layout) => layout.under.kind === 'named') ?? cycle[0];
		if (!named) return;
		const span = named.under.kind === 'named' ? named.under.name.span : named.name.span;
		this.problems.push(error('under-cycle', span, names.join(' under ')));
	}

	private reportOnce(problem: Problem): void {
		const isSame = (other: Problem): boolean =>
			other.code === problem.code && other.span === problem.span;
		if (!this.problems.some(isSame)) this.problems.push(problem);
	}

	private place(span: Span): string {
		const { line } = positionOf(span, this.texts);
		return `${span.file}, line ${line}`;
	}
}

/** The state of a kind that serves an address: the nearest one up the route tree. */
export function nearestState(site: Site, address: string, kind: StateKind): State | undefined {
	const words = address.split('/').filter((word) => word !== '');
	const candidates = statesOf(site, kind);
	for (let length = words.length; length >= 0; length--) {
		const branch = '/' + words.slice(0, length).join('/');
		const found = candidates.find((state) => matchPattern(state.at, branch) !== undefined);
		if (found) return found;
	}
	return undefined;
}

const byKind = new Memory<Site, ReadonlyMap<StateKind, readonly State[]>>();

/** The states of a kind, those at more specific places first. */
export function statesOf(site: Site, kind: StateKind): readonly State[] {
	const kinds = byKind.get(site, [], () => {
		const sorted = [...site.states].sort((a, b) => compareSpecificity(a.at, b.at));
		return new Map(
			stateKinds.map((one) => [one, sorted.filter(({ state }) => state.text === one)])
		);
	});
	return kinds.get(kind) ?? [];
}
