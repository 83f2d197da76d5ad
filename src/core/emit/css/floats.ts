import { Memory } from '../../lib/memory.ts';
import { layersOf, type Site } from '../../model/site.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';

const known = new Memory<Site, boolean>();

/**
 * Whether something of a site may float (CSS 2, section 9.5; HTML, section 15.3.3, for `align`). What floats in content
 * that stands directly in a region reaches beyond its lines, and a box behind it would make room for it.
 */
export function mayFloat(site: Site): boolean {
	return known.get(site, [], () => {
		const { layouts, routes, states, parts } = site;
		const styles = [...layersOf({ layouts, routes, states }), ...parts].flatMap((one) => one.styles);
		const markups = [
			...layersOf(site).flatMap(piecesIn).flatMap((piece) => (piece.kind === 'nav' ? [] : [piece.markup])),
			...parts.map(({ markup }) => markup)
		];
		return (
			styles.some(({ css }) => /\bfloat\s*:/i.test(css)) ||
			markups.some(({ parts: all }) =>
				all.some((part) => typeof part === 'string' && /\bfloat\s*:|\balign\s*=\s*["']?(left|right)/i.test(part))
			)
		);
	});
} // prettier-ignore
