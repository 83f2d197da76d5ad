import { Memory } from '../../lib/memory.ts';
import { layersOf, markupsOf, type Layer, type Part, type Site } from '../../model/site.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';

const known = new Memory<Site, boolean>();

/**
 * Whether something of a site may float (CSS 2, section 9.5; HTML, section 15.3.3, for `align`). What floats in content
 * that stands directly in a region reaches beyond its lines, and a box behind it would make room for it.
 */
export function mayFloat(site: Site): boolean {
	return known.get(site, [], () => [...layersOf(site), ...site.parts].some(floats));
}

const floating = new Memory<Layer | Part, boolean>();

function floats(one: Layer | Part): boolean {
	return floating.get(one, [], () => {
		const markups = one.kind === 'part' ? [one.markup] : piecesIn(one).flatMap(markupsOf);
		const literal = markups.flatMap(({ parts }) =>
			parts.filter((part) => typeof part === 'string')
		);
		return (
			one.styles.some(({ css }) => /\bfloat\s*:/i.test(css)) ||
			literal.some((part) => /\bfloat\s*:|\balign\s*=\s*["']?(left|right)/i.test(part))
		);
	});
}
