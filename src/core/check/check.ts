import type { ErrorCode, WarningCode } from '../messages/catalogue.ts';
import type { Problem } from '../messages/problem.ts';
import type { Layer } from '../model/site.ts';
import type { Wish } from '../model/wish.ts';
import type { ResolvedSite } from '../resolve/site.ts';

interface CheckBase {
	/** The kinds of problems that it finds; whether they are errors or warnings the catalogue says. */
	readonly codes: readonly (ErrorCode | WarningCode)[];
	/** What it sees to, as a sentence. */
	readonly what: string;
	/** Why that matters, as a sentence. */
	readonly why: string;
	/** What would take such a problem away; undefined where it is not clear. */
	mend?(problem: Problem, resolved: ResolvedSite): Wish | undefined;
}

/** Looks at one layer after the other: a layout, or a page. */
export interface LayerCheck extends CheckBase {
	readonly of: 'layer';
	/**
	 * It looks further than the layer, what is said of the frames of its chain, and the site's own words and
	 * data: what it finds in a page is not kept from edit to edit.
	 */
	readonly reaches?: 'site';
	find(layer: Layer, resolved: ResolvedSite): readonly Problem[];
}

/** Looks at the whole site. */
export interface SiteCheck extends CheckBase {
	readonly of: 'site';
	find(resolved: ResolvedSite): readonly Problem[];
}

/** Something that is looked for once a site is read and resolved. Nothing else needs it to go on. */
export type Check = LayerCheck | SiteCheck;

/** Thousands of layers, nearly all without problems: nothing is made for those. */
export const nothing: readonly Problem[] = [];
