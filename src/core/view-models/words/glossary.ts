/** The words of the product that a front-end developer does not bring along, each in a sentence or two. */

export const glossary = [
	{
		word: 'roofline',
		means:
			'The list of all routes with a bar for each layout over the routes that it covers. A gap in a bar is a route that sits under something else.'
	},
	{
		word: 'cross-section',
		means:
			'The page that you look at, cut through its layers: a row for each layout and the page itself, a column for each region. It shows who puts what where.'
	},
	{
		word: 'layer',
		means:
			'A layout or a page: whatever can bring something of its own. A page has its own layer and those of the layouts around it.'
	},
	{
		word: 'sits under',
		means:
			'A page sits under a layout when that layout stands around it. By itself it sits under every layout whose address covers its own.'
	},
	{
		word: 'bare',
		means: 'A page without any layout around it, though one covers its address.'
	},
	{
		word: 'fill',
		means:
			'What a page or an inner layout puts into a region of a layout further out: instead of what is there, before it, after it, or nothing at all.'
	},
	{
		word: 'lands as',
		means: 'What is really in a region of this page once every layer has had its say.'
	},
	{
		word: 'piece',
		means:
			'A named part of a region’s content: markup, a list of links, or several pieces in a box. Pieces are replaced, moved and sized by their names.'
	},
	{
		word: 'band',
		means:
			'The widths from one breakpoint up to the next. What is set for a band holds from there on, until a wider band sets it again.'
	},
	{
		word: 'slot',
		means: 'The region of a layout in which the page’s own content, or the next layout, stands.'
	}
] as const;

/** A word of the glossary. */
export type TermWord = (typeof glossary)[number]['word'];

const meanings: ReadonlyMap<string, string> = new Map(
	glossary.map(({ word, means }) => [word, means])
);

/** What a word means, as whole sentences. */
export function meaningOf(word: TermWord): string {
	return meanings.get(word) ?? '';
}
