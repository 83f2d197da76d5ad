import type { TextType } from './said-size.ts';
import { plainType, rowWidths, textLines, type LineKind } from './text-lines.ts';

/** What a text looks like in some room: each row of it, px from its top left. */
export interface TextRow {
	readonly kind: LineKind;
	readonly y: number;
	readonly width: number;
	readonly height: number;
}

/** Rows beyond that are never drawn. */
const mostRows = 400;

/** The rows of some HTML in some room, and the height that they come to, px. */
export function textRows(
	html: string,
	room: number,
	type: TextType = plainType
): { readonly rows: readonly TextRow[]; readonly height: number } {
	const rows: TextRow[] = [];
	let y = 0;
	let margin = 0;
	for (const line of textLines(html, type)) {
		y += Math.max(margin, line.above);
		margin = line.below;
		if (line.share !== undefined || line.fixed !== undefined) {
			const height = (line.fixed ?? 0) + (line.share ?? 0) * room;
			rows.push({ kind: line.kind, y, width: room, height });
			y += height;
			continue;
		}
		for (const width of rowWidths(line, room)) {
			rows.push({ kind: line.kind, y, width: Math.min(width, room), height: line.height });
			y += line.height;
		}
		if (rows.length > mostRows) break;
	}
	return { rows, height: y + margin };
}
