import { parseFragment } from 'parse5';
import type { Layout, OwnFrame } from '../../model/site.ts';
import type { Tag } from '../../model/template.ts';
import { asHtml, behindName, elementsIn, places, withTags, writtenText } from './frame-html.ts';

/** A frame as it is written, with something in it that was not. */

/** The markup of a frame, with defaults in their places and the number of each element on it as an attribute. */
export function numberedFrame(layout: Layout, { markup }: OwnFrame, attribute: string): string {
	const { text, tags } = asHtml(markup);
	let numbered = '';
	let at = 0;
	for (const [number, element] of elementsIn(parseFragment(text, places)).entries()) {
		const behind = behindName(element);
		if (behind === undefined) continue;
		numbered += `${text.slice(at, behind)} ${attribute}="${number}"`;
		at = behind;
	}
	return withTags(numbered + text.slice(at), tags, writtenTag(layout));
}

/** The same as it is written, with the place of a slot where an element was; undefined where that is not there. */
export function frameWithout(
	layout: Layout,
	{ markup }: OwnFrame,
	number: number,
	slot: string
): string | undefined {
	const { text, tags } = asHtml(markup);
	const place = elementsIn(parseFragment(text, places))[number]?.sourceCodeLocation;
	if (!place) return undefined;
	const [before, behind] = [text.slice(0, place.startOffset), text.slice(place.endOffset)];
	const written = writtenTag(layout);
	return `${withTags(before, tags, written)}{slot ${slot}}${withTags(behind, tags, written)}`;
}

/** Tags as they are written in a frame: places with their defaults. */
function writtenTag({ regions }: Layout): (tag: Tag) => string {
	const defaults = new Map(
		regions.map(({ name, pieces }) => [
			name.text,
			pieces.map((piece) => (piece.kind === 'markup' ? writtenText(piece.markup) : '')).join('')
		])
	);
	return (tag) =>
		tag.kind === 'region'
			? `{${tag.text}}${defaults.get(tag.name?.text ?? '') ?? ''}{end}`
			: `{${tag.text}}`;
}
