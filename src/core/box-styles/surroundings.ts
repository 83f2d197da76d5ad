import type { Bands } from '../resolve/bands.ts';
import type { Edge } from '../settings/placed.ts';

/** Whether something keeps to an edge, in any band. */
export type Edges = Readonly<Record<Edge, boolean>>;

/** What boxes are declared from beside their own text: the site's bands, and what is around their layout and in it. */
export interface Surroundings {
	readonly bands: Bands;
	/** Layouts further out have something stuck to the edge. */
	readonly outside: Edges;
	/** What lands in the layout's slot has; only for that a slot hands on what is kept before it. */
	readonly inside: Edges;
	/** Names of regions into which other layers put something that its neighbours overlap, in any band. */
	readonly overlapped: ReadonlySet<string>;
	/** The custom property that has the height which a box of the layout keeps, where a sheet gives it one. */
	readonly heightName?: (box: string) => string | undefined;
}
