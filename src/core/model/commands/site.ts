/** What a site says of itself in one word or text. */
export const sitePartNames = ['name', 'lang', 'dir', 'address', 'urls'] as const;
export type SitePart = (typeof sitePartNames)[number];

/** Edits of what all pages share. */
export type SiteCommand =
	/** `undefined` takes back what was said. */
	| { readonly kind: 'set-site'; readonly part: SitePart; readonly value: string | undefined }
	| { readonly kind: 'add-band'; readonly name: string; readonly from: number }
	| { readonly kind: 'rename-band'; readonly band: string; readonly to: string }
	| { readonly kind: 'remove-band'; readonly band: string }
	| { readonly kind: 'add-role'; readonly name: string }
	| { readonly kind: 'rename-role'; readonly name: string; readonly to: string }
	| { readonly kind: 'remove-role'; readonly name: string }
	/** `undefined` frees it in a band: the narrower band's value holds again. */
	| {
			readonly kind: 'set-token';
			readonly name: string;
			readonly value: string | undefined;
			readonly band: string;
	  }
	| { readonly kind: 'rename-token'; readonly name: string; readonly to: string }
	| { readonly kind: 'remove-token'; readonly name: string }
	/** Tokens of a file in the community's format; those of the same name get its values. */
	| { readonly kind: 'take-tokens'; readonly text: string }
	| { readonly kind: 'put-file'; readonly file: string; readonly bytes: Uint8Array }
	/** Layouts, pages and other files that were made elsewhere, by the paths that they would like to have; `what` they are. */
	| {
			readonly kind: 'add-made';
			readonly what: string;
			readonly texts: readonly (readonly [string, string])[];
			readonly files: readonly (readonly [string, Uint8Array])[];
	  }
	| { readonly kind: 'rename-file'; readonly file: string; readonly to: string }
	| { readonly kind: 'remove-file'; readonly file: string }
	/** The text of a file, or of all, as one would write it with care; it reads the same. */
	| { readonly kind: 'tidy-text'; readonly file: string | undefined };
