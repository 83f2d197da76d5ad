/** What an element of the pages can be: said once in the frame, a place in it, the slot, or each page's own. */
export const elementParts = ['frame', 'region', 'slot', 'own'] as const;
export type ElementPart = (typeof elementParts)[number];

/** An element of a page: its place among the elements of each element around it, from the body inward. */
export interface ElementPlace {
	/** Path of the page. */
	readonly page: string;
	readonly at: readonly number[];
}

/** What someone says of the frames that were found, before they are taken. */
export type Choice =
	| ({ readonly kind: 'element'; readonly as: ElementPart } & ElementPlace)
	/** The frames around two pages become one. */
	| { readonly kind: 'join'; readonly page: string; readonly with: string }
	/** Some pages of one frame get a frame by themselves; a single one gets none. */
	| { readonly kind: 'part'; readonly pages: readonly string[] }
	/** Blocks that several pages repeat become parts. */
	| { readonly kind: 'blocks' }
	/** The frame at a folder falls away, which has this page in it; the outermost one, where no folder is said. */
	| { readonly kind: 'drop'; readonly page: string; readonly folder: string | undefined };

/** The same choice of pages that stand in a folder; `start`: its path with a slash behind, or nothing. */
export function inFolderOf(choice: Choice, start: string): Choice {
	switch (choice.kind) {
		case 'element':
			return { ...choice, page: start + choice.page };
		case 'join':
			return { ...choice, page: start + choice.page, with: start + choice.with };
		case 'part':
			return { ...choice, pages: choice.pages.map((page) => start + page) };
		case 'blocks':
			return choice;
		case 'drop': {
			const folder = choice.folder === undefined ? undefined : start + choice.folder;
			return { ...choice, page: start + choice.page, folder };
		}
	}
}

/** Why something that was chosen cannot be, as a sentence. */
export class Unfit extends Error {}
