import type { BroughtSite, NotTaken } from './bring-in.ts';
import { foldersIn, isIn } from './finding/folders.ts';
import type { FoundFrame } from './finding/found-frame.ts';
import type { BroughtPage } from './reading/read-page.ts';
import { costOf, ownLists, type FramePlace } from './finding/frame-node.ts';

/** What was found in pages, as it is shown before it is taken. */
export interface BroughtView {
	readonly frames: readonly FrameView[];
	readonly pages: number;
	/** Paths of pages that are in no frame. */
	readonly alone: readonly string[];
	readonly notTaken: readonly NotTaken[];
	/** Paths of pages that browsers laid out as old ones did; with the doctype that they get, boxes may lie elsewhere. */
	readonly inQuirks: readonly string[];
	/** Blocks that several pages repeat word for word, those that save most first. */
	readonly blocks: readonly BlockView[];
	/** Bytes of the pages that came in, and letters of the text of the site. */
	readonly bytes: number;
	readonly letters: number;
}

export interface BlockView {
	readonly name: string;
	/** How many pages have it. */
	readonly pages: number;
	/** Bytes that stand again and again. */
	readonly saved: number;
}

export interface FrameView {
	readonly name: string;
	readonly at: string;
	readonly covers: boolean;
	/** How many frames are around it. */
	readonly depth: number;
	/** Paths of the pages that it is around. */
	readonly pages: readonly string[];
	/** Folders that have some of its pages, but not all. */
	readonly folders: readonly string[];
	/** The folder whose branch it covers in another frame; undefined of an outermost one. */
	readonly folder: string | undefined;
	/** Bytes that stood in each of its pages and are said once now. */
	readonly saved: number;
	readonly regions: readonly RegionView[];
}

export interface RegionView {
	readonly name: string;
	/** How many pages have something of their own there. */
	readonly filled: number;
}

export function broughtView({ frames, blocks, pages, files, notTaken }: BroughtSite): BroughtView {
	const inFrames = new Set(frames.flatMap((frame) => frame.pages));
	return {
		frames: frames.flatMap((frame) => frameViews(frame, 0)),
		pages: pages.length,
		alone: pages.filter((page) => !inFrames.has(page)).map(({ path }) => path),
		notTaken,
		inQuirks: inQuirks(pages),
		blocks: blocks.map(({ name, element, pages: on, count }) => {
			return { name, pages: on.length, saved: element.size * (count - 1) };
		}),
		bytes: pages.reduce((sum, { bytes }) => sum + bytes, 0),
		letters: [...files.texts.values()].reduce((sum, { length }) => sum + length, 0)
	};
}

/** Paths of pages that browsers laid out as old ones did. */
export function inQuirks(pages: readonly BroughtPage[]): string[] {
	return pages.flatMap(({ path, isInQuirks }) => (isInQuirks ? [path] : []));
}

function frameViews(frame: FoundFrame, depth: number): FrameView[] {
	const { name, at, covers, pages, regions, inner } = frame;
	const own: FrameView = {
		...{ name, at, covers, depth },
		pages: pages.map(({ path }) => path),
		folders: foldersOf(pages),
		folder: depth === 0 ? undefined : at.replace(/^\//, ''),
		saved: sharedBytes(frame) * Math.max(0, pages.length - 1),
		regions: regions
			.filter(({ isSlot }) => !isSlot)
			.map((region) => {
				const filled = filledIn(region.place);
				return { name: region.name, filled };
			})
	};
	return [own, ...inner.flatMap((one) => frameViews(one, depth + 1))];
}

/** Bytes of what is in a frame itself. */
function sharedBytes({ nodes, regions }: FoundFrame): number {
	return Math.max(0, costOf(nodes) - regions.reduce((sum, { place }) => sum + costOf([place]), 0));
}

/** How many pages have something of their own in a place. */
function filledIn(place: FramePlace): number {
	return ownLists(place).filter((own) => own && own.length + (place.usual?.length ?? 0) > 0).length;
}

function foldersOf(pages: readonly BroughtPage[]): string[] {
	const inside = (folder: string): string[] =>
		foldersIn(pages, folder).flatMap((one) => [one, ...inside(one)]);
	return inside('').filter((folder) => pages.some((page) => !isIn(page, folder)));
}
