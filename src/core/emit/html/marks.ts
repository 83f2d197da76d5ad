import { layerName, type Layer } from '../../model/site.ts';
import type { MarkName } from '../../model/trace.ts';
import type { RegionOf } from '../../resolve/fill-target.ts';
import { escapeHtml } from './escape.ts';

/**
 * Marks are the `data-` attributes by which an element leads back to the text that made it. The stage
 * needs them; what is delivered has none unless they are asked for. Apart from them both are one document.
 */
export type MarkMode =
	| 'none'
	| 'all'
	/** Between two characters that stand nowhere else, so that a page can be traced without showing them. */
	| 'traced';

/* Characters of Unicode's private use area; what authors write has none of them. */
const OPEN = '\ue010';
const CLOSE = '\ue011';

/** What an element is, with its name: a region, a piece; `part` where it is in a run and has no box of its own. */
export type Marks = Readonly<Partial<Record<MarkName, string>>>;

/** The marks of an element, to be written behind its attributes. */
export function marksText(mode: MarkMode, marks: Marks): string {
	if (mode === 'none') return '';
	const text = Object.entries(marks)
		.map(([name, value]) => ` data-${name}${value === '' ? '' : `="${escapeHtml(value)}"`}`)
		.join('');
	return mode === 'all' ? text : OPEN + text + CLOSE;
}

/** The mark of the layer that wrote an element. */
export function ownerMark(owner: Layer): Marks {
	return owner.kind === 'layout' ? { layout: owner.name.text } : { [owner.kind]: layerName(owner) };
}

/** What stands among other markup of a frame, in a place that is no element of its own, says which it is. */
export function amongMark({ layout, region }: RegionOf): Marks {
	return region.inFrame === 'among' ? { among: `${layout.name.text} ${region.name.text}` } : {};
}

/** A page as it is delivered, with the way from each of its places to the same page with marks. */
export interface TracedPage {
	readonly html: string;
	readonly marked: string;
	/** The place in `marked` of a place in `html`. */
	toMarked(offset: number): number;
	/** The place in `html` of a place in `marked`. */
	fromMarked(offset: number): number;
}

export function tracedPage(traced: string): TracedPage {
	/** Where marks begin in the page without them, and how long they are. */
	const marks: { readonly at: number; readonly length: number }[] = [];
	let [html, marked] = ['', ''];
	for (const [index, part] of traced.split(OPEN).entries()) {
		const [mark, rest] = index === 0 ? ['', part] : splitAt(part, part.indexOf(CLOSE));
		if (mark !== '') marks.push({ at: html.length, length: mark.length });
		html += rest;
		marked += mark + rest;
	}
	return {
		html,
		marked,
		toMarked: (offset) =>
			marks.reduce((at, mark) => (mark.at < offset ? at + mark.length : at), offset),
		fromMarked(offset) {
			let skipped = 0;
			for (const { at, length } of marks) {
				if (at + skipped >= offset) break;
				skipped += Math.min(length, offset - at - skipped);
			}
			return offset - skipped;
		}
	};
}

function splitAt(text: string, at: number): [string, string] {
	return [text.slice(0, at), text.slice(at + CLOSE.length)];
}
