import { sayMarkup } from '../edit/markup-statement.ts';
import { resolveAfter } from '../edit/propose.ts';
import { Surgery } from '../edit/surgery.ts';
import type { CheckedSite } from '../check/checked-site.ts';
import type { ArrangeFrameCommand, FrameAround } from '../model/command.ts';
import { arrangedLayout } from './saying/arranged-layout.ts';
import { frameWithout, numberedFrame } from './frame/frame-text.ts';
import {
	frameTree,
	holdsSlot,
	NotBoxes,
	type FrameElement,
	type FramePart
} from './frame/frame-tree.ts';
import type { FramedLayout } from './frame/framed-layout.ts';
import { mirrored } from './frame/mirrored.ts';
import { bodyWord, partWord, type FrameReading } from './frame/reading.ts';
import { freeName } from '../model/name.ts';
import { classNames } from '../emit/names.ts';
import { saidBoxes } from './saying/said-boxes.ts';
import { contentRules } from './saying/content-rules.ts';
import { numberMark } from './frame/number-mark.ts';
import { shapeOf } from './boxes/shape.ts';
import { turnsIn, widthsToRead } from './boxes/widths-to-read.ts';
import { unitsOf, withoutEmpty } from './boxes/units.ts';

/** What is known of how a frame could be arranged. */
export type Arranging =
	/** It has to be read at these widths first, px. */
	| { readonly kind: 'read'; readonly widths: readonly number[] }
	| {
			readonly kind: 'proposal';
			readonly command: ArrangeFrameCommand;
			/** Elements that are left out, since nothing of them is seen at any width. */
			readonly leftOut: readonly string[];
	  };

/** What of a frame is to be arranged. */
export interface Wish {
	/** The element, with the slot in it, that becomes boxes; undefined: all of the frame. */
	readonly only: number | undefined;
	/** Elements without places that become boxes with what is in them. */
	readonly opened: ReadonlySet<number>;
}

/**
 * How a frame of own markup could be arranged, from what a browser shows of it so far. Elements are said by their numbers.
 *
 * @throws NotBoxes where its markup cannot be boxes.
 */
export function proposeArrangement(
	layout: FramedLayout,
	site: CheckedSite,
	read: FrameReading,
	{ only, opened }: Wish
): Arranging {
	const reading = read.isMirrored ? mirrored(read) : read;
	const tree = frameTree(layout, layout.frame, opened);
	refuseLost(layout, tree);
	const chosen = only === undefined ? undefined : elementIn(tree, only);
	const all = unitsOf(chosen ? [chosen.element] : tree, layout.regions, reading);
	const { units, empty } = withoutEmpty(all, reading);
	const widths = widthsToRead(reading, units);
	if (widths.length > 0) return { kind: 'read', widths };
	refuseOtherWay(read, site);
	if (chosen) refuseArranged(chosen.element, reading);
	const whole = { ...reading, edges: [...reading.edges, ...turnsIn(reading, units)] };
	const { bands } = site.site.settings;
	const shape = shapeOf(units, whole);
	const said = saidBoxes(units, whole, shape, chosen?.around);
	const names = classNames(site.site);
	const classOf = (name: string): string => names.member(layout, name);
	const rules = contentRules(units, shape, whole, classOf);
	const { lines, bands: needed } = arrangedLayout(units, said, rules, bands);
	const around = chosen && aroundOf(layout, site, chosen.element, units[0]?.name ?? 'inside');
	return {
		kind: 'proposal',
		command: { kind: 'arrange-frame', layout: layout.name.text, lines, around, bands: needed },
		leftOut: empty
	};
}

/** An element with the slot in it, and the word of the one around it. Throws a NotBoxes where there is none. */
function elementIn(
	parts: readonly FramePart[],
	number: number,
	around: string = bodyWord
): { readonly element: FrameElement; readonly around: string } {
	for (const part of parts) {
		if (part.kind !== 'element') continue;
		if (part.element.number === number) {
			if (holdsSlot(part)) return { element: part, around };
			break;
		}
		if (holdsElement(part, number)) {
			return elementIn(part.parts, number, partWord.element(part.element.number));
		}
	}
	throw new NotBoxes(
		'What pages bring does not land in this element: arrange one around the slot.'
	);
}

function holdsElement({ parts }: FrameElement, number: number): boolean {
	return parts.some(
		(part) =>
			part.kind === 'element' && (part.element.number === number || holdsElement(part, number))
	);
}

/** A place that is not found among the boxes would be gone, and what pages bring to it with it. */
function refuseLost({ regions }: FramedLayout, tree: readonly FramePart[]): void {
	const found = new Set(regionsIn(tree));
	const lost = regions.find(({ name }) => !found.has(name.text));
	if (lost)
		throw new NotBoxes(`The place of ${lost.name.text} stands in words, and can be no box.`);
}

/** What is said of boxes counts from where the lines of the site begin. */
function refuseOtherWay({ isMirrored }: FrameReading, { site }: CheckedSite): void {
	if (isMirrored === (site.settings.dir === 'rtl')) return;
	throw new NotBoxes(
		isMirrored
			? 'Lines of this page run from right to left: write "dir rtl" in the site first, so that its boxes do.'
			: 'Lines of this page run from left to right, and the site says "dir rtl": take that back first.'
	);
}

/** Boxes take the place of a block: of what floats, or is arranged from around it, they would lie elsewhere. */
function refuseArranged({ element }: FrameElement, { at }: FrameReading): void {
	const boxes = at.flatMap(({ parts }) => parts[partWord.element(element.number)] ?? []);
	if (boxes.every(({ flow }) => flow === 'block')) return;
	throw new NotBoxes(
		`This ${element.tag} floats, or what is around it arranges it: arrange the element around it, or the whole frame.`
	);
}

/** The frame that stays around an element. */
function aroundOf(
	layout: FramedLayout,
	{ site }: CheckedSite,
	part: FrameElement,
	slot: string
): FrameAround | undefined {
	const markup = frameWithout(layout, layout.frame, part.element.number, slot);
	if (markup === undefined) return undefined;
	const inside = new Set(regionsIn(part.parts));
	const regions = layout.regions.map(({ name }) => name.text).filter((name) => !inside.has(name));
	const taken = new Set(site.layouts.map(({ name }) => name.text));
	return { name: freeName(`${layout.name.text}-page`, taken), markup, regions };
}

function regionsIn(parts: readonly FramePart[]): string[] {
	return parts.flatMap((part) => {
		if (part.kind === 'place') return [part.region.name.text];
		return part.kind === 'element' ? regionsIn(part.parts) : [];
	});
}

/** The site with the number of each element of a frame on it. */
export function numberedSite(site: CheckedSite, layout: FramedLayout): CheckedSite {
	const surgery = new Surgery(site.reading);
	const text = numberedFrame(layout, layout.frame, numberMark);
	sayMarkup(surgery, layout.span, layout.frame.span, 'frame', text);
	return resolveAfter(site, surgery.changes());
}
