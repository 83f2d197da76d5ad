import type { ResolvedSite } from '../resolve/site.ts';

/** A request for something of a site, without any server around it. */
export interface SiteRequest {
	readonly method: string;
	/** Path and query as they were asked for, such as `/visit?from=home`. */
	readonly target: string;
	/** Who asks; undefined: whoever has not signed in. */
	readonly role: string | undefined;
	/** When, as ms since 1970 in UTC. */
	readonly time: number;
	/** Header fields by their names in small letters. */
	readonly headers: Readonly<Record<string, string | undefined>>;
}

export interface SiteAnswer {
	readonly status: number;
	readonly headers: Readonly<Record<string, string>>;
	/** Undefined where there is none, as in answers to HEAD. */
	readonly body: Uint8Array | undefined;
}

/** A site that answers. */
export interface AnsweringSite {
	readonly resolved: ResolvedSite;
	/** The path before all addresses of the site, with a slash at both ends. */
	readonly base: string;
	/** When the site was changed last, as ms since 1970 in UTC. */
	readonly changed: number;
	/** Names of data sources that could not be asked. */
	readonly failed: ReadonlySet<string>;
	/** Lines that a page has in its head besides its own. */
	readonly headLines: readonly string[];
}
