import { textRows } from '../geometry/pieces/text-rows.ts';
import type { TextType } from '../geometry/pieces/said-size.ts';
import type { LineKind } from '../geometry/pieces/text-lines.ts';
import type { PlacedBox } from '../geometry/page-layout.ts';
import type { PieceKey } from '../model/piece-key.ts';
import type { Rectangle } from '../view-models/rectangle.ts';

/** The HTML of some content, and the text that it is set in. */
export type ContentText = (key: PieceKey) => { readonly html: string; readonly type: TextType };

/**
 * What is in a box, as rows: headings, words, pictures, controls, px of the page. Rows are guessed, and drawn
 * over the height that the box has.
 */
export function rowsIn(
	{ name, x, y, width, height }: PlacedBox,
	text: ContentText,
	depth: number
): ({ readonly kind: LineKind } & Rectangle)[] {
	const { layout, region, pieces } = name;
	const { html, type } = text({ layout, region, pieces, opener: name.kind === 'opener' });
	const { rows, height: own } = textRows(html, width, type);
	if (own <= 0 || height <= 0) return [];
	const scale = height / own;
	return rows
		.filter((row) => y + row.y * scale < depth)
		.map((row) => ({
			kind: row.kind,
			x,
			y: y + row.y * scale,
			width: row.width,
			height: row.height * scale
		}));
}
