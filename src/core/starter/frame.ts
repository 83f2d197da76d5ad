import { namesAt, starterPlaces, type StarterRegion } from './regions.ts';

/** The arrangement of a new site's regions as rows of names: what its text says and its picture shows. */
export interface StarterFrame {
	readonly rows: readonly (readonly string[])[];
	/** The row that takes what is left of the screen. */
	readonly filling: number;
	/** How many columns stand to the left and to the right of the middle. */
	readonly left: number;
	readonly right: number;
}

/** Where the arrangement of a new site changes: bands in which regions come to stand beside each other. */
export function besideFrom(regions: readonly StarterRegion[]): {
	readonly medium: boolean;
	readonly wide: boolean;
} {
	const left = namesAt(regions, 'left').length;
	const right = namesAt(regions, 'right').length;
	// One beside the content is what a small screen has room for.
	return { medium: left === 1, wide: left > 1 || right > 0 };
}

/** One below the other, in the order in which they are read. */
export function stackedFrame(regions: readonly StarterRegion[]): StarterFrame {
	const names = readingOrder(regions).map(({ name }) => name);
	return { rows: names.map((name) => [name]), filling: slotRow(regions, names), left: 0, right: 0 };
}

/** Beside each other, as on a page that is wide enough; those to the right below the others, where `isWide` is false. */
export function besideFrame(regions: readonly StarterRegion[], isWide = true): StarterFrame {
	const [left, middle] = [namesAt(regions, 'left'), namesAt(regions, 'middle')];
	const [right, below] = isWide ? [namesAt(regions, 'right'), []] : [[], namesAt(regions, 'right')];
	const across = (name: string): string[] =>
		Array.from({ length: left.length + 1 + right.length }, () => name);
	const top = namesAt(regions, 'top');
	return {
		rows: [
			...top.map(across),
			...middle.map((name) => [...left, name, ...right]),
			...[...below, ...namesAt(regions, 'bottom')].map(across)
		],
		filling: top.length + slotRow(regions, middle),
		left: left.length,
		right: right.length
	};
}

/** From the top to the bottom and from the left to the right: the order of the text, and of a narrow page. */
export function readingOrder(regions: readonly StarterRegion[]): StarterRegion[] {
	return regions.toSorted(
		(one, other) => starterPlaces.indexOf(one.place) - starterPlaces.indexOf(other.place)
	);
}

function slotRow(regions: readonly StarterRegion[], names: readonly string[]): number {
	return names.findIndex((name) =>
		regions.some((region) => region.name === name && region.element === 'main')
	);
}
