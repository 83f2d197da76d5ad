import type { ResolvedRegion } from '../../resolve/page.ts';
import type { MarkMode } from './marks.ts';

/** What a page is written for. */
export interface PageTarget {
	/** A URL as written in markup, as it works from the page. */
	link(url: string): string;
	/** The last lines in the head, which bring in the style sheets among others. */
	readonly headLines: readonly string[];
	/** What layers say of the head as it is to stand there; as it is where nothing is said. */
	readonly head?: (said: readonly string[]) => readonly string[];
	/** Whether elements say what made them. */
	readonly marks: MarkMode;
	readonly year: number;
	/** Places that others fill are written as `<slot>`; only in shells. */
	readonly slots?: {
		/** The slot for all of a page without layouts. */
		readonly bare: string;
		/** The slot of a region; undefined where nobody fills it. */
		of(region: ResolvedRegion): string | undefined;
	};
	/** Elements of markup say where they are written (`origins.ts`); only for who reads pages, not for who shows them. */
	readonly origins?: boolean;
}
