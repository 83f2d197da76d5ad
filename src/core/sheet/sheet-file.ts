/** The sheet as files: one picture, or a document to print. */

import { escapeHtml } from '../emit/html/escape.ts';
import type { Column } from './columns.ts';
import type { Miniature } from './miniature.ts';
import type { SheetRow } from './sheet-row.ts';
import { drawingStyle, hatchPatterns, type Palette } from './svg-style.ts';
import { drawingSize, miniatureInside, type DrawingWay } from './svg.ts';

/** A row of the file: a page with its drawings in the order of the columns. */
export interface DrawnRow {
	readonly row: Pick<SheetRow, 'page' | 'chain' | 'words' | 'found'>;
	/** Pages that draw alike and are not drawn. */
	readonly alike: number;
	readonly drawings: readonly { readonly miniature: Miniature; readonly over?: string }[];
}

const nameWidth = 220;
const wordsWidth = 340;
const gap = 18;
const head = 46;
const lineHeight = 14;
/** Characters. */
const mostInLine = 62;

/** A row as SVG, from its own top; and how tall it is, px. */
export interface FileRow {
	readonly svg: string;
	readonly height: number;
}

/** Where each drawing begins, and where the words do, px. */
function lefts(columns: readonly Column[], way: DrawingWay): { drawings: number[]; words: number } {
	const drawings: number[] = [];
	let words = nameWidth;
	for (const { width } of columns) {
		drawings.push(words);
		words += drawingSize({ width, height: 1 }, way).width + gap;
	}
	return { drawings, words };
}

/** One row of the file. */
export function fileRow(
	{ row, alike, drawings }: DrawnRow,
	columns: readonly Column[],
	way: DrawingWay
): FileRow {
	const at = lefts(columns, way);
	const text = (classes: string, x: number, line: number, words: string): string =>
		`<text class="${classes}" x="${x}" y="${12 + line * lineHeight}">${escapeHtml(words)}</text>`;
	const under = row.chain.length === 0 ? 'bare' : row.chain.join(', ');
	const said = [...row.found.map(({ sentence }) => sentence), ...row.words].flatMap(wrapped);
	const tall = drawings.map(({ miniature }) => drawingSize(miniature, way).height);
	const pictures = drawings.map(
		({ miniature, over = '' }, index) =>
			`<g class="drawing" transform="translate(${at.drawings[index]} 0)">${miniatureInside(miniature, way)}${over}</g>`
	);
	const height = Math.max(said.length * lineHeight, 3 * lineHeight, ...tall);
	const line = `<path class="line" d="M0 ${height + gap / 2}H${at.words + wordsWidth}"/>`;
	return {
		height,
		svg: [
			text('name', 0, 0, row.page),
			text('caption', 0, 1, under),
			alike > 0 ? text('caption', 0, 2, `and ${alike} that draw alike`) : '',
			...pictures,
			...said.map((words, index) => text('caption', at.words, index, words)),
			line
		].join('')
	};
}

/** Words in lines that have room beside the drawings: SVG wraps none. */
function wrapped(words: string): string[] {
	const lines: string[] = [];
	let line = '';
	for (const word of words.split(' ')) {
		const longer = line === '' ? word : `${line} ${word}`;
		if (longer.length > mostInLine && line !== '') {
			lines.push(line);
			line = word;
		} else {
			line = longer;
		}
	}
	return [...lines, line];
}

/** The sheet as one SVG file, with its colours in it. */
export function sheetFile(
	title: string,
	columns: readonly Column[],
	rows: readonly FileRow[],
	way: DrawingWay,
	palette: Palette
): string {
	const at = lefts(columns, way);
	let y = head;
	const parts = rows.map(({ svg, height }) => {
		const part = `<g transform="translate(0 ${y})">${svg}</g>`;
		y += height + gap;
		return part;
	});
	const width = at.words + wordsWidth;
	return (
		`<svg xmlns="http://www.w3.org/2000/svg" class="sheet-file" width="${width + 12}" height="${y}" viewBox="-12 0 ${width + 12} ${y}">` +
		`<title>${escapeHtml(title)}</title><style>${drawingStyle(palette)}</style>` +
		`<defs>${hatchPatterns(palette)}</defs><rect x="-12" width="${width + 12}" height="${y}" fill="${palette.sheet}"/>` +
		`<text class="name" x="0" y="18">${escapeHtml(title)}</text>${headsSvg(columns, way, 36)}${parts.join('')}</svg>\n`
	);
}

/** What stands above each column of drawings. */
function headsSvg(columns: readonly Column[], way: DrawingWay, y: number): string {
	const at = lefts(columns, way);
	return columns
		.map(
			({ name, width }, index) =>
				`<text class="caption" x="${at.drawings[index]}" y="${y}">${escapeHtml(name)} ${width} px</text>`
		)
		.join('');
}

/** The sheet to be printed: a document in which no row is parted by the end of a page. */
export function sheetDocument(
	title: string,
	columns: readonly Column[],
	rows: readonly FileRow[],
	way: DrawingWay,
	palette: Palette
): string {
	const at = lefts(columns, way);
	const width = at.words + wordsWidth;
	const part = (svg: string, height: number): string =>
		`<svg class="sheet-file" width="100%" viewBox="-4 -4 ${width + 4} ${height}">${svg}</svg>`;
	const parts = [
		part(headsSvg(columns, way, 8), 14),
		...rows.map(({ svg, height }) => part(svg, height + gap))
	];
	return (
		`<!DOCTYPE html><html><head><title>${escapeHtml(title)}</title><style>@page{margin:12mm}body{margin:0}` +
		`svg{display:block;break-inside:avoid;margin-bottom:6px}h1{font:15px ${palette.sans}}${drawingStyle(palette)}</style></head>` +
		`<body><h1>${escapeHtml(title)}</h1><svg width="0" height="0"><defs>${hatchPatterns(palette)}</defs></svg>${parts.join('')}</body></html>`
	);
}
