import { sayMarkup } from '../edit/markup-statement.ts';
import { prepare } from '../edit/propose.ts';
import { Surgery } from '../edit/surgery.ts';
import type { CheckedSite } from '../check/site.ts';
import type { ArrangeFrameCommand } from '../model/command.ts';
import type { Layout, OwnFrame } from '../model/site.ts';
import { arrangedLayout } from './arranged-layout.ts';
import { frameTree, numberedFrame } from './frame-tree.ts';
import type { FrameReading } from './reading.ts';
import { classNames } from '../emit/names.ts';
import { saidBoxes } from './said-boxes.ts';
import { contentRules } from './content-rules.ts';
import { numberMark } from './number-mark.ts';
import { shapeOf } from './shape.ts';
import { turnsIn, widthsToRead } from './widths-to-read.ts';
import { unitsOf } from './units.ts';

/** A layout whose frame is its own markup. */
export type FramedLayout = Layout & { readonly frame: OwnFrame };

/** What is known of how a frame could be arranged. */
export type Arranging =
	| { readonly kind: 'refused'; readonly why: string }
	/** It has to be read at these widths first, px. */
	| { readonly kind: 'read'; readonly widths: readonly number[] }
	| { readonly kind: 'proposal'; readonly command: ArrangeFrameCommand };

export function hasFrame(layout: Layout | undefined): layout is FramedLayout {
	return layout?.frame !== undefined;
}

/**
 * How a frame of own markup could be arranged, from what a browser shows of it so far. `opened`: elements without places
 * that become boxes with what is in them, by their numbers.
 *
 * @throws NotBoxes where its markup cannot be boxes.
 */
export function proposeArrangement(
	layout: FramedLayout,
	site: CheckedSite,
	reading: FrameReading,
	opened: ReadonlySet<number>
): Arranging {
	const units = unitsOf(frameTree(layout, layout.frame, opened), layout.regions, reading);
	const widths = widthsToRead(reading, units);
	if (widths.length > 0) return { kind: 'read', widths };
	const all = { ...reading, edges: [...reading.edges, ...turnsIn(reading, units)] };
	const { bands } = site.site.settings;
	const shape = shapeOf(units, all);
	const said = saidBoxes(units, all, shape);
	const names = classNames(site.site);
	const classOf = (name: string): string => names.member(layout, name);
	const rules = contentRules(units, shape, all, classOf);
	const { lines, bands: needed } = arrangedLayout(units, said, rules, bands);
	return {
		kind: 'proposal',
		command: { kind: 'arrange-frame', layout: layout.name.text, lines, bands: needed }
	};
}

/** The site with the number of each element of a frame on it; undefined where that cannot be written. */
export function numberedSite(site: CheckedSite, layout: FramedLayout): CheckedSite | undefined {
	const surgery = new Surgery(site.reading);
	const { span } = layout.frame;
	sayMarkup(surgery, layout.span, span, 'frame', numberedFrame(layout, layout.frame, numberMark));
	const [change] = surgery.changes();
	if (change?.kind !== 'edit') return undefined;
	const { insert, ...place } = change;
	const was = surgery.textOf(place);
	const command = {
		kind: 'mend-text',
		label: 'Number the elements',
		span: place,
		was,
		insert
	} as const;
	return prepare(site, command).after;
}
