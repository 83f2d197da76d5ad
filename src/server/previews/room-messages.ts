import type { SiteAnswer, SiteRequest } from '../../core/answer/exchange.ts';

/** What the room in which previews are read is asked, one question at a time. */
export type Question =
	/** Reads a site from a zip of its source, in place of what is known under the token. */
	| { readonly kind: 'read'; readonly token: string; readonly zip: Uint8Array }
	| { readonly kind: 'answer'; readonly token: string; readonly request: PreviewRequest }
	| { readonly kind: 'forget'; readonly token: string };

/** What of a preview is asked for. */
export interface PreviewRequest extends SiteRequest {
	/** The path before all addresses of the preview, with a slash at both ends. */
	readonly base: string;
	/** When the site was changed last, as ms since 1970 in UTC. */
	readonly changed: number;
}

export type Reply =
	/** `bytes`: what the site takes in memory, roughly. */
	| { readonly kind: 'read'; readonly bytes: number }
	/** It cannot be shown; `why` is a sentence. */
	| { readonly kind: 'refused'; readonly why: string }
	| { readonly kind: 'answered'; readonly answer: SiteAnswer }
	/** Nothing is known under this token: the room was opened anew. */
	| { readonly kind: 'unknown' };
