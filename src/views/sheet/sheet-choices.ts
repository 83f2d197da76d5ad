import * as z from 'zod/mini';
import { groupings, type Grouping } from '$core/sheet/groups.ts';

/** How large drawings are: px for each px of the page. */
export const sizes = [
	{ name: 'small', scale: 0.1 },
	{ name: 'medium', scale: 0.16 },
	{ name: 'large', scale: 0.26 }
] as const;
export type SizeName = (typeof sizes)[number]['name'];

/** What drawings are coloured by: whose things are, or as the pages are by day or by night. */
export const colourings = ['layouts', 'day', 'night'] as const;
export type Colours = (typeof colourings)[number];

const sizeNames = z.enum(['small', 'medium', 'large']);

/** What of the sheet is shown, and how. The address has it, so that it can be shared. */
export interface SheetChoices {
	readonly by: Grouping;
	readonly size: SizeName;
	/** The only region that is drawn plainly; empty: all. */
	readonly only: string;
	/** Words that shown rows have in their route, title or layouts. */
	readonly words: string;
	/** Widths beside those of the bands, px. */
	readonly widths: readonly number[];
	readonly colours: Colours;
}

/** The names under which the address has them. */
const names = {
	by: 'group',
	size: 'size',
	only: 'only',
	words: 'find',
	widths: 'at',
	colours: 'colours'
} as const;

export function readChoices({ searchParams }: URL): SheetChoices {
	const widths = (searchParams.get(names.widths) ?? '')
		.split(' ')
		.map(Number)
		.filter((width) => Number.isInteger(width) && width >= 200 && width <= 4000);
	return {
		by: z.catch(z.enum(groupings), 'chain').parse(searchParams.get(names.by)),
		size: z.catch(sizeNames, 'medium').parse(searchParams.get(names.size)),
		only: searchParams.get(names.only) ?? '',
		words: searchParams.get(names.words) ?? '',
		widths,
		colours: z.catch(z.enum(colourings), 'layouts').parse(searchParams.get(names.colours))
	};
}

/** The address with other choices; those that are not said otherwise are left out. */
export function withChoices(url: URL, choices: SheetChoices): URL {
	const changed = new URL(url);
	const { by, size, only, words, widths, colours } = choices;
	const said = {
		by: by === 'chain' ? '' : by,
		size: size === 'medium' ? '' : size,
		only,
		words,
		widths: widths.join(' '),
		colours: colours === 'layouts' ? '' : colours
	};
	for (const [key, name] of [
		['by', names.by],
		['size', names.size],
		['only', names.only],
		['words', names.words],
		['widths', names.widths],
		['colours', names.colours]
	] as const) {
		if (said[key] === '') changed.searchParams.delete(name);
		else changed.searchParams.set(name, said[key]);
	}
	return changed;
}
