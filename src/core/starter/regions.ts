import { nameFrom } from '../model/name.ts';

/** The regions of a new site: what their names say of where they stand and what they are. */

/** Where a region stands on a page that is wide enough. */
export const starterPlaces = ['top', 'left', 'middle', 'right', 'bottom'] as const;
export type StarterPlace = (typeof starterPlaces)[number];

/** What a region is (HTML standard, section 4.3); `div` says nothing. */
export type StarterElement = 'header' | 'nav' | 'main' | 'aside' | 'footer' | 'div';

/** A region that the user wants on the pages of a new site. */
export interface StarterRegion {
	readonly name: string;
	readonly place: StarterPlace;
	readonly element: StarterElement;
}

/** Words in names that say what a region is. */
const elementWords: readonly (readonly [StarterElement, string])[] = [
	['main', 'main content contents body story article page text post work stage'],
	['nav', 'menu nav navigation links tabs trail crumbs breadcrumb breadcrumbs toc index'],
	['header', 'head header masthead banner brand logo title hero'],
	['footer', 'foot footer imprint colophon legal copyright'],
	[
		'aside',
		'side aside sidebar panel rail extras extra related news notes notices info ads tools filters'
	]
];

/** Words in names that say where a region stands. */
const placeWords: readonly (readonly [StarterPlace, string])[] = [
	['top', 'top upper above'],
	['bottom', 'bottom lower below'],
	['left', 'left'],
	['right', 'right'],
	['middle', 'middle centre center']
];

const placeOf: Readonly<Record<StarterElement, StarterPlace>> = {
	header: 'top',
	nav: 'left',
	main: 'middle',
	aside: 'right',
	footer: 'bottom',
	div: 'middle'
};

/** What a region is that says only where it stands. */
const elementAt: Readonly<Record<StarterPlace, StarterElement>> = {
	top: 'header',
	left: 'aside',
	middle: 'div',
	right: 'aside',
	bottom: 'footer'
};

/**
 * Reads the answer to "What regions does your page have?". Words in the names place them (`top-menu`, `extras-right`,
 * `imprint`); of several that could hold the pages the first does, and where none could, the first that says nothing.
 */
export function readStarterRegions(words: readonly string[]): StarterRegion[] {
	const names = [...new Set(words.map(nameFrom).filter((name) => name !== ''))];
	const read = names.map((name) => ({ name, ...saidBy(name) }));
	const holder =
		read.find(({ element }) => element === 'main') ??
		read.find(({ place }) => place === 'middle') ??
		read.find(saysNothing);
	const regions = read.map(({ name, place, element }): StarterRegion => {
		if (name === holder?.name) return { name, place: 'middle', element: 'main' };
		if (element === 'main') return { name, place: place ?? 'middle', element: 'div' };
		const own = element ?? (place ? elementAt[place] : 'aside');
		return { name, place: place ?? placeOf[own], element: own };
	});
	return holder ? regions : [...regions, { name: 'content', place: 'middle', element: 'main' }];
}

/** Moves a region to a place, before another there or to its end. What holds the pages stays in the middle. */
export function moveStarterRegion(
	regions: readonly StarterRegion[],
	name: string,
	place: StarterPlace,
	before?: string
): StarterRegion[] {
	const moved = regions.find((region) => region.name === name);
	if (!moved || (moved.element === 'main' && place !== 'middle')) return [...regions];
	const others = regions.filter((region) => region !== moved);
	const at = others.findIndex((region) => region.name === before && region.place === place);
	const placed = { ...moved, place };
	return at === -1 ? [...others, placed] : others.toSpliced(at, 0, placed);
}

/** The names that stand at a place, in their order. */
export function namesAt(regions: readonly StarterRegion[], place: StarterPlace): string[] {
	return regions.filter((region) => region.place === place).map(({ name }) => name);
}

interface Said {
	readonly place: StarterPlace | undefined;
	readonly element: StarterElement | undefined;
}

function saidBy(name: string): Said {
	return { place: firstOf(placeWords, name), element: firstOf(elementWords, name) };
}

function saysNothing({ place, element }: Said): boolean {
	return place === undefined && element === undefined;
}

/** What the first word of a name that says anything says. */
function firstOf<T>(lists: readonly (readonly [T, string])[], name: string): T | undefined {
	for (const word of name.split('-')) {
		const found = lists.find(([, words]) => words.split(' ').includes(word));
		if (found) return found[0];
	}
	return undefined;
}
