import type { Picture, PictureFile } from './picture.ts';
import { ruleAt, widthBy, type SizeRule } from './sizes.ts';

/** A screen that visitors have. */
export interface PictureScreen {
	/** px */
	readonly width: number;
	/** Dots for each px. */
	readonly density: number;
}

/** What a screen loads of a picture. */
export interface Load {
	readonly screen: PictureScreen;
	/** How wide it is shown, px. */
	readonly shown: number;
	/** How many dots that are. */
	readonly needed: number;
	readonly file: PictureFile;
	/** Dots across that are loaded beyond what is needed, as a share of it; negative where it has too few. */
	readonly over: number;
	/** It has so much too few that one sees it. */
	readonly isShort: boolean;
}

/** Screens of all kinds: phones, a tablet, laptops, a large one. */
const pictureScreens: readonly PictureScreen[] = [
	{ width: 360, density: 3 },
	{ width: 412, density: 2.6 },
	{ width: 768, density: 2 },
	{ width: 1280, density: 1 },
	{ width: 1440, density: 2 },
	{ width: 1920, density: 1 }
];

/** Share of the dots that may lack before one sees it. */
const visiblyFew = 0.05;

/**
 * What each screen loads: the smallest file that has all dots it needs, else the largest. Browsers may choose another, as
 * for slow lines (HTML, section 4.8.4.3.8).
 */
export function loadsOf(
	picture: Picture,
	rules: readonly SizeRule[],
	screens: readonly PictureScreen[] = pictureScreens
): Load[] {
	return screens.flatMap((screen): Load[] => {
		const rule = ruleAt(rules, screen.width);
		if (!rule) return [];
		const shown = widthBy(rule, screen.width);
		const needed = shown * screen.density;
		const file = fileFor(picture, needed);
		const over = file.isVector || needed === 0 ? 0 : (file.width ?? needed) / needed - 1;
		return [{ screen, shown, needed, file, over, isShort: over < -visiblyFew }];
	});
}

function fileFor({ files }: Picture, needed: number): PictureFile {
	const [first] = files;
	const enough = files.find(({ width = Infinity }) => width >= Math.floor(needed));
	return enough ?? files.at(-1) ?? first;
}
