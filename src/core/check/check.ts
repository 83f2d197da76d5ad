import type { Code } from '../messages/catalogue.ts';
import type { Problem } from '../messages/problem.ts';
import type { Layer } from '../model/site.ts';
import type { Command } from '../model/command.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { Span } from '../model/span.ts';
import type { MarkupFault } from './html/markup-judge.ts';
import type { Example } from './example.ts';
import type { Fit, FittedPage } from './subject/fitted-page.ts';
import type { PageFacts } from './subject/page-facts.ts';
import type { Occurrence } from './subject/occurrence.ts';
import type { WrittenPage } from './subject/written-page.ts';

interface CheckBase {
	/** The kinds of problems that it finds; how much each matters the catalogue says. */
	readonly codes: readonly Code[];
	/** What it sees to, as a sentence. */
	readonly what: string;
	/** Why that matters, as a sentence. */
	readonly why: string;
	/** By code. */
	readonly examples: Readonly<Partial<Record<Code, Example>>>;
	/** What would take such a problem away; undefined where it is not clear. */
	mend?(problem: Problem, resolved: ResolvedSite): Command | undefined;
	/**
	 * Whether the mend of such a problem changes nothing on any page, as it is drawn and read, but what was wrong, so
	 * that nobody has to look first. Without it someone has to.
	 */
	isSafe?(problem: Problem, resolved: ResolvedSite): boolean;
}

/** What is found without a check of its own: as the text is read and chains are worked out, or once all is known. */
export interface ElsewhereCheck extends CheckBase {
	readonly of: 'elsewhere';
	/** It shows only where a page is opened in a browser. */
	readonly inBrowser?: true;
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

/** Looks at the whole site with each edit. */
export interface SiteCheck extends CheckBase {
	readonly of: 'site';
	find(resolved: ResolvedSite): readonly Problem[];
}

/** Looks at the whole site too, but has time: it follows the edits. */
export interface WholeCheck extends CheckBase {
	readonly of: 'whole';
	find(resolved: ResolvedSite): readonly Problem[];
}

/** What rules of HTML say of the markup of pieces and parts, one after the other; it has time, too. */
export interface MarkupCheck extends CheckBase {
	readonly of: 'markup';
	/** The rules of the library that it speaks for. */
	readonly rules: readonly string[];
	/** undefined where it is said in another way, or is none here. */
	problem(fault: MarkupFault, at: Span, place: MarkupPlace): Problem | undefined;
}

/** Where markup stands that is judged. */
export interface MarkupPlace {
	/** It is that of a part, whose outermost elements stand in whatever uses it. */
	readonly isPart: boolean;
	readonly markup: string;
}

/** Looks at one page as it is written. */
export interface PageCheck extends CheckBase {
	readonly of: 'page';
	find(page: WrittenPage): readonly Occurrence[];
}

/** Looks at what all pages say of themselves. */
export interface AcrossCheck extends CheckBase {
	readonly of: 'across';
	find(pages: readonly PageFacts[], resolved: ResolvedSite): readonly Occurrence[];
}

/** Looks at the boxes of one page at all widths. */
export interface FitCheck extends CheckBase {
	readonly of: 'boxes';
	find(page: FittedPage): readonly Fit[];
}

/** Something that is looked for once a site is read and resolved. Nothing else needs it to go on. */
export type Check =
	LayerCheck | SiteCheck | WholeCheck | MarkupCheck | PageCheck | AcrossCheck | FitCheck;

/** Thousands of layers, nearly all without problems: nothing is made for those. */
export const nothing: readonly Problem[] = [];
