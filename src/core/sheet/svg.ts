import { escapeHtml } from '../emit/html/escape.ts';
import type { Rectangle } from '../view-models/rectangle.ts';
import type { ContentShape, Miniature, RegionShape, Shape } from './miniature.ts';
import { hatchFill, hueClass } from './svg-style.ts';

/** How a small drawing is made. */
export interface DrawingWay {
	/** Drawn px for each px of the page. */
	readonly scale: number;
	/** px of the page; what lies lower is torn off. */
	readonly depth: number;
	/** px of the page; where a screen ends, as a line. */
	readonly fold: number;
	/** The only region that is drawn plainly; all where there is none. */
	readonly single?: string;
	/** The region around which a line is drawn, so that it is found at once; the others stay as they are. */
	readonly ringed?: string;
	/** It is drawn in the colours of the page, not in the hues of the layouts. */
	readonly painted?: 'day' | 'night';
}

/** Drawn px beside a page for what does not fit. */
const beyondRoom = 14;

/** The size of a drawing, drawn px. */
export function drawingSize(
	{ width, height }: Pick<Miniature, 'width' | 'height'>,
	{ scale, depth }: DrawingWay
): { readonly width: number; readonly height: number } {
	return {
		width: Math.round(width * scale) + beyondRoom,
		height: Math.round(Math.min(height, depth) * scale) + 2
	};
}

/** A small drawing as an SVG element, with what is laid over it; its colours come from `drawingStyle`, its hatches from `hatchPatterns`. */
export function miniatureSvg(
	miniature: Miniature,
	way: DrawingWay,
	name: string,
	over = ''
): string {
	const { width, height } = drawingSize(miniature, way);
	return (
		`<svg class="drawing" role="img" aria-label="${escapeHtml(name)}" width="${width}" height="${height}" ` +
		`viewBox="-0.5 -0.5 ${width} ${height}">${miniatureInside(miniature, way)}${over}</svg>`
	);
}

/** What is in it. */
export function miniatureInside(miniature: Miniature, way: DrawingWay): string {
	const { width, height, shapes, drawers, beyond, estimated, ground } = miniature;
	const draw = new Pen(way.scale);
	const whole = Math.min(height, way.depth);
	const ringed = shapes.filter(
		({ kind, region }) => kind === 'region' && region !== undefined && region === way.ringed
	);
	const parts = [
		draw.rectangle('page', { x: 0, y: 0, width, height: whole }, ground),
		`<g${estimated ? ' class="estimated"' : ''}>`,
		...shapes.map((shape) => shapeSvg(shape, draw, way)),
		...shapes.map((shape) => labelSvg(shape, draw, way)),
		'</g>',
		...ringed.map((shape) => draw.rectangle('ringed', cut(shape, way.depth)))
	];
	if (height > way.fold) parts.push(draw.line('fold', 0, way.fold, width));
	parts.push(...beyond.map((part) => draw.rectangle('beyond', clipped(part, width, way))));
	for (const [index, { side, mark, region }] of drawers.entries()) {
		const at = { side, index, width, height: Math.min(whole, way.fold) };
		parts.push(`<g class="${fadedIf(way, region)}">${draw.tab(hueClass(mark), at)}</g>`);
	}
	if (height > way.depth) parts.push(draw.torn(way.depth, width));
	return parts.join('');
}

/** Boxes that moved: where they were, and where they are. */
export function movedSvg(
	moved: readonly { readonly before?: Rectangle; readonly after?: Rectangle }[],
	{ scale, depth }: DrawingWay
): string {
	const draw = new Pen(scale);
	return moved
		.flatMap(({ before, after }) => [
			before && before.y < depth ? draw.rectangle('before', cut(before, depth)) : '',
			after && after.y < depth ? draw.rectangle('after', cut(after, depth)) : ''
		])
		.join('');
}

function cut(part: Rectangle, depth: number): Rectangle {
	return { ...part, height: Math.min(part.height, depth - part.y) };
}

function fadedIf({ single }: DrawingWay, region: string | undefined): string {
	return single !== undefined && single !== region ? 'faded' : '';
}

function shapeSvg(shape: Shape, draw: Pen, way: DrawingWay): string {
	const faded = fadedIf(way, shape.region);
	const inside =
		shape.kind === 'region' ? regionSvg(shape, draw, way) : contentSvg(shape, draw, way);
	return faded === '' ? inside : `<g class="${faded}">${inside}</g>`;
}

function regionSvg(shape: RegionShape, draw: Pen, { depth }: DrawingWay): string {
	const { open, mark, paint } = shape;
	const part = cut(shape, depth);
	if (paint) return draw.rectangle('painted', part, paint.ground ?? 'none');
	if (open) return draw.rectangle('open', part);
	const hatch = mark ? draw.filled(hatchFill(mark), part) : '';
	return draw.rectangle(`ground ${hueClass(mark)}`, part) + hatch;
}

/** The name of a region stands over everything in it. */
function labelSvg(shape: Shape, draw: Pen, way: DrawingWay): string {
	if (shape.kind !== 'region' || shape.open || fadedIf(way, shape.region) !== '') return '';
	const { paint } = shape;
	return draw.label(paint ? 'named' : hueClass(shape.mark), shape.region, cut(shape, way.depth));
}

function contentSvg(shape: ContentShape, draw: Pen, { depth }: DrawingWay): string {
	const { mark, guest, rows, paint } = shape;
	const hue = paint ? '' : hueClass(mark);
	const part = cut(shape, depth);
	const parts: string[] = [];
	if (paint) {
		// Whose it is is said by hues alone.
	} else if (guest && mark) {
		parts.push(draw.rectangle(`ground ${hue}`, part), draw.filled(hatchFill(mark), part));
	} else if (!mark) {
		parts.push(draw.bar(`own ${hue}`, part));
	}
	parts.push(
		draw.rows(
			`words ${hue}`,
			rows.filter(({ kind }) => kind === 'words'),
			paint?.ink
		),
		draw.rows(
			`heading ${hue}`,
			rows.filter(({ kind }) => kind === 'heading'),
			paint?.ink
		),
		...rows
			.filter(({ kind }) => kind === 'picture' || kind === 'control')
			.map((row) => draw.rectangle(`${row.kind} ${hue}`, cut(row, depth), paint?.ink))
	);
	return parts.join('');
}

/** What lies beyond the edge, no further than there is room for. */
function clipped(part: Rectangle, screen: number, { scale, depth }: DrawingWay): Rectangle {
	const room = (beyondRoom - 3) / scale;
	const x = Math.max(part.x, 0);
	const width = part.x < 0 ? Math.min(part.width, room) : Math.min(part.width, screen + room - x);
	const y = Math.min(part.y, depth - 4 / scale);
	return { x, y, width, height: Math.max(3 / scale, Math.min(part.height, depth - y)) };
}

function fillStyle(fill: string | undefined): string {
	return fill === undefined ? '' : ` style="fill: ${escapeHtml(fill)}"`;
}

/** Draws at a scale. */
class Pen {
	constructor(private readonly scale: number) {}

	private at(px: number): number {
		return Math.round(px * this.scale * 10) / 10;
	}

	private sides({ x, y, width, height }: Rectangle): string {
		return `x="${this.at(x)}" y="${this.at(y)}" width="${Math.max(0.5, this.at(width))}" height="${Math.max(0.5, this.at(height))}"`;
	}

	rectangle(classes: string, part: Rectangle, fill?: string): string {
		return `<rect class="${classes}"${fillStyle(fill)} ${this.sides(part)}/>`;
	}

	filled(fill: string, part: Rectangle): string {
		return `<rect fill="${fill}" ${this.sides(part)}/>`;
	}

	line(classes: string, x: number, y: number, width: number): string {
		return `<path class="${classes}" d="M${this.at(x)} ${this.at(y)} h${this.at(width)}"/>`;
	}

	/** A bar along the start of what a page brings by itself. */
	bar(classes: string, { x, y, height }: Rectangle): string {
		return `<rect class="${classes}" x="${this.at(x)}" y="${this.at(y)}" width="2" height="${Math.max(1, this.at(height))}"/>`;
	}

	/** Rows of text, each as a bar. */
	rows(classes: string, rows: readonly Rectangle[], fill?: string): string {
		if (rows.length === 0) return '';
		const bars = rows.map(({ x, y, width, height }) => {
			const tall = Math.max(0.7, this.at(height * 0.34));
			return `M${this.at(x) + 3} ${this.at(y + height * 0.33)}h${Math.max(1, this.at(width) - 6)}v${tall}h${-Math.max(1, this.at(width) - 6)}z`;
		});
		return `<path class="${classes}"${fillStyle(fill)} d="${bars.join('')}"/>`;
	}

	/** A name, where there is room for it. */
	label(classes: string, name: string, part: Rectangle): string {
		const wide = name.length * 5.2 + 8;
		if (this.at(part.width) < wide || this.at(part.height) < 13) return '';
		const x = this.at(part.x + part.width) - 4;
		return `<text class="${classes}" text-anchor="end" x="${x}" y="${this.at(part.y) + 10}">${escapeHtml(name)}</text>`;
	}

	/** A closed drawer at the edge that it comes from. */
	tab(
		hue: string,
		at: {
			readonly side: 'left' | 'right' | 'top' | 'bottom';
			readonly index: number;
			readonly width: number;
			readonly height: number;
		}
	): string {
		const [long, thick] = [20, 5];
		const along = 6 + at.index * (long + 4);
		const [wide, high] = [this.at(at.width), this.at(at.height)];
		const upright = at.side === 'left' || at.side === 'right';
		const x = at.side === 'right' ? wide - thick : upright ? 0 : along;
		const y = at.side === 'bottom' ? high - thick : upright ? along : 0;
		const [w, h] = upright ? [thick, long] : [long, thick];
		return `<rect class="tab ${hue}" x="${x}" y="${y}" width="${w}" height="${h}" rx="2"/>`;
	}

	/** The edge at which a page goes on that is not drawn to its end. */
	torn(y: number, width: number): string {
		const step = 6;
		const [wide, at] = [this.at(width), this.at(y)];
		const count = Math.max(1, Math.round(wide / step));
		const zigzag = Array.from(
			{ length: count },
			(_, index) =>
				`L${((index + 0.5) * wide) / count} ${at - 4}L${((index + 1) * wide) / count} ${at}`
		);
		return `<path class="torn" d="M0 ${at}${zigzag.join('')}V${at + 1}H0z"/>`;
	}
}
