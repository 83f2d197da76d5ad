import { isTag, isText, type ChildNode, type Element } from 'domhandler';
import { parseFragment } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { kindOf, replacedSize } from './replaced.ts';
import { pxOf, saidInline, type Measure, type SaidSize, type TextType } from './said-size.ts';

/** What HTML looks like as lines of text, guessed from it alone, and from what styles say of its elements. */

/** What browsers take where a page says nothing. */
export const plainType: TextType = { size: 16, line: 18 };

/** Width of a character in a common face, as a share of the size of text. */
export const characterShare = 0.475;
/** The same where all are as wide as each other, in the size that browsers set them in. */
const evenShare = 0.5;
/** px; no guess is made for wider screens. */
export const widest = 4000;

/** HTML, section 15.3: what browsers say of elements, in sizes of text: its size, and the margin above and below. */
const blocks: ReadonlyMap<string, readonly [size: number, margin: number]> = new Map(
	Object.entries<readonly [size: number, margin: number]>({
		h1: [2, 0.67],
		h2: [1.5, 0.83],
		h3: [1.17, 1],
		h4: [1, 1.33],
		h5: [0.83, 1.67],
		h6: [0.67, 2.33],
		p: [1, 1],
		ul: [1, 1],
		ol: [1, 1],
		dl: [1, 1],
		pre: [1, 1],
		figure: [1, 1],
		blockquote: [1, 1],
		hr: [1, 0.5]
	})
);

const flowing = new Set(
	'a abbr b bdi bdo cite code data del dfn em i ins kbd label mark q s samp small span strong sub sup time u var'.split(' ') // prettier-ignore
);

export type LineKind = 'words' | 'heading' | 'picture' | 'control';

/** A line of a piece: words, and whatever has a width of its own. */
export interface TextLine {
	readonly widths: number[];
	height: number;
	/** Width of a space between two of them. */
	readonly space: number;
	/** Margin above it, of which the larger one counts where two meet, and below. */
	readonly above: number;
	readonly below: number;
	/** Its height follows from its width by this share, whatever is in it. */
	readonly share: number | undefined;
	/** What it is to the eye. */
	kind: LineKind;
	/** Its height is set. */
	readonly fixed: number | undefined;
	/** What is beside it in its box takes so much of the room, px. */
	readonly beside: number;
	/** It is at least so wide, and no wider than that, px. */
	readonly least: number;
	readonly most: number;
	/** What sticks out of a box around it is not seen beyond that. */
	readonly held: Held | undefined;
}

/** A box that shows nothing beyond itself. */
interface Held {
	/** px; it is at least so wide. */
	readonly least: number;
	/** What sticks out is cut off, and nothing says so. */
	readonly cut: boolean;
}

/** What is known of an element that says something of its own size. */
export interface Saying {
	/** What styles say of an element; that of its own `style` apart. */
	said(element: Element): SaidSize | undefined;
	/** px; how large the picture is that an address leads to, undefined where that is not known. */
	picture(url: string): { readonly width: number; readonly height: number } | undefined;
}

/** Nothing is known but the HTML. */
export const nothingSaid: Saying = { said: () => undefined, picture: () => undefined };

/** The elements of some HTML, as selectors are asked of them. */
export function fragmentOf(html: string): readonly ChildNode[] {
	return parseFragment(html, { treeAdapter: adapter }).children;
}

/** The lines of some HTML, before anything wraps. */
export function textLines(html: string, type: TextType, saying = nothingSaid): TextLine[] {
	return linesOf(fragmentOf(html), type, saying);
}

/** The same for what was parsed. */
export function linesOf(nodes: readonly ChildNode[], type: TextType, saying: Saying): TextLine[] {
	const lines = new Lines(saying);
	const outer: Around = {
		...type,
		wraps: true,
		inRow: false,
		beside: 0,
		least: 0,
		most: widest,
		held: undefined
	};
	lines.begin(outer, { above: 0, below: 0 });
	for (const node of nodes) lines.visit(node, outer);
	return lines.all.filter(
		(line) => line.widths.length > 0 || line.share !== undefined || line.fixed !== undefined
	);
}

/** What holds for all that stands in an element. */
interface Around extends TextType {
	readonly wraps: boolean;
	/** What stands in it stands side by side. */
	readonly inRow: boolean;
	/** px */
	readonly beside: number;
	readonly least: number;
	readonly most: number;
	readonly held: Held | undefined;
}

/** What a line begins with. */
type Begin = Pick<TextLine, 'above' | 'below'> &
	Partial<Pick<TextLine, 'share' | 'fixed' | 'kind'>>;

/** Goes along HTML, and notes its lines. */
class Lines {
	readonly all: TextLine[] = [];
	/** Whether the next word stands on the same line as the last, whatever the room. */
	private glued = false;

	constructor(private readonly saying: Saying) {}

	begin({ size, line, beside, least, most, held }: Around, begin: Begin): void {
		this.glued = false;
		this.all.push({
			widths: [],
			kind: 'words',
			height: line,
			space: size * characterShare,
			share: undefined,
			fixed: undefined,
			beside,
			least,
			most,
			held,
			...begin
		});
	}

	visit(node: ChildNode, around: Around): void {
		if (isText(node)) this.words(node.data, around);
		else if (isTag(node)) this.element(node, around);
	}

	private words(text: string, around: Around): void {
		const { size, wraps } = around;
		for (const word of text.split(/\s+/)) {
			if (word !== '') this.place(word.length * size * characterShare, around);
		}
		if (!wraps && text.trim() !== '') this.glued = true;
	}

	/** Puts something with a width of its own behind what stands in the line. */
	private place(width: number, { size, wraps }: Around): void {
		const line = this.all.at(-1);
		if (!line) return;
		const last = line.widths.length - 1;
		const before = line.widths[last];
		if (wraps || !this.glued || before === undefined) line.widths.push(width);
		else line.widths[last] = before + size * characterShare + width;
		this.glued = !wraps;
	}

	private element(element: Element, around: Around): void {
		const said = {
			...this.saying.said(element),
			...saidInline(element.attribs['style'] ?? '')
		};
		if (said.hidden) return;
		const own = replacedSize(element, this.saying.picture);
		if (own) this.replaced(element, own, said, around);
		else if (around.inRow || isBeside(element.name)) this.inline(element, said, around);
		else if (element.name === 'pre') this.preformatted(element, said, around);
		else this.block(element, said, around);
	}

	private replaced(
		element: Element,
		own: { readonly width: number; readonly height: number },
		said: SaidSize,
		around: Around
	): void {
		const line = this.all.at(-1);
		if (!line) return;
		const { size } = around;
		const ratio = own.width > 0 ? own.height / own.width : 0;
		const isSaid = element.attribs['width'] !== undefined && said.maxWidth === undefined;
		const wide = said.width ? pxOf(said.width, size) : own.width;
		const width = Math.max(wide, said.minWidth ? pxOf(said.minWidth, size) : 0);
		const height = said.height ? pxOf(said.height, size) : isSaid || !said.width ? own.height : width * ratio; // prettier-ignore
		this.place(said.maxWidth ? Math.min(width, pxOf(said.maxWidth, size)) : width, around);
		line.height = Math.max(line.height, height);
		if (line.kind === 'words') line.kind = kindOf(element.name);
	}

	/** Cells stand beside each other, with their padding and what is between them. */
	private inline(element: Element, said: SaidSize, around: Around): void {
		const { name } = element;
		const line = this.all.at(-1);
		const inner = {
			...typed(around, said, 1),
			wraps: said.wraps ?? around.wraps,
			inRow: around.inRow && !isBeside(name)
		};
		const before = line?.widths.length ?? 0;
		if (name === 'button' && line) {
			line.height = Math.max(line.height, 21);
			line.kind = 'control';
		}
		for (const child of element.children) this.visit(child, inner);
		if (!line) return;
		line.height = Math.max(line.height, inner.line);
		if (name === 'td' || name === 'th') line.height = Math.max(line.height, around.line + 4);
		const least = said.width ?? said.minWidth;
		const wide = least && pxOf(least, inner.size);
		const only = line.widths[before];
		// A width says nothing of text that flows, but of cells.
		if (wide !== undefined && (name === 'td' || name === 'th' || name === 'button'))
			line.widths[before] = Math.max(wide, only ?? 0);
	}

	/** HTML, section 15.3.3: lines as they are written, in characters of one width. */
	private preformatted(element: Element, said: SaidSize, around: Around): void {
		const type = typed(around, said, 13 / 16);
		const margin = { above: around.size * (13 / 16), below: 0 };
		const inner = this.boxed(type, said);
		for (const [index, text] of textOf(element)
			.replace(/^\n|\n$/g, '')
			.split('\n')
			.entries()) {
			this.begin(inner, index === 0 ? margin : { above: 0, below: 0 });
			const width = text.length * (type.size / (13 / 16)) * evenShare;
			if (said.wraps === true) this.words(text, inner);
			else this.all.at(-1)?.widths.push(width);
		}
		this.begin(around, { above: margin.above, below: 0 });
	}

	private block(element: Element, said: SaidSize, around: Around): void {
		const { name } = element;
		const [scale, margin] = blocks.get(name) ?? [1, 0];
		const type = typed(around, said, scale);
		const { size } = type;
		const height = said.height && pxOf(said.height, size);
		const fixed = name === 'hr' ? 2 : height;
		const bounded = said.ratio !== undefined || fixed !== undefined;
		const kind = /^h[1-6]$/.test(name) ? 'heading' : bounded ? 'picture' : 'words';
		const way = { wraps: said.wraps ?? around.wraps, inRow: said.inRow ?? false };
		const inner = this.boxed({ ...type, ...way }, said);
		const px = (measure: Measure | undefined, none: number): number =>
			measure ? pxOf(measure, size) : none;
		const [above, below] = [px(said.above, 0), px(said.below, 0)];
		const ends = {
			above: px(said.marginAbove, margin * size),
			below: px(said.marginBelow, margin * size)
		};
		if (above > 0) this.filled(inner, above);
		this.begin(inner, {
			...ends,
			share: said.ratio,
			fixed,
			kind
		});
		const before = this.all.length;
		const least = said.minHeight ? pxOf(said.minHeight, size) : 0;
		for (const child of element.children) this.visit(child, inner);
		// What is in a box whose height is set is in that height, but as wide as it is.
		if (bounded) this.bind(before);
		else if (least > 0) this.atLeast(least, before - 1, inner);
		if (below > 0) this.filled(inner, below);
		this.begin(around, { above: ends.below, below: 0 });
	}

	/** Room in a box in which nothing stands. */
	private filled(inner: Around, height: number): void {
		this.begin(inner, { above: 0, below: 0, fixed: height });
	}

	/** What stands in an element, with its sides and widths. */
	private boxed(around: Around, said: SaidSize): Around {
		const { size } = around;
		const px = (name: 'left' | 'right'): number => {
			const measure = said[name];
			return measure ? pxOf(measure, size) : 0;
		};
		const set = said.width ?? said.minWidth;
		const most = said.width ?? said.maxWidth;
		const least = Math.max(around.least, set ? pxOf(set, size) : 0);
		return {
			...around,
			held: heldIn(said, least, around.held),
			beside: around.beside + px('left') + px('right'),
			least,
			most: Math.min(around.most, most ? pxOf(most, size) : widest)
		};
	}

	/** Takes what stands in a box of a set height out of the sum, but for how wide it is. */
	private bind(from: number): void {
		const inner = this.all.splice(from);
		const line = this.all.at(-1);
		const widest = Math.max(0, ...inner.flatMap(({ widths }) => widths));
		if (line && widest > 0) line.widths.push(widest);
	}

	/** Fills a box up to the height that it has at least; by how its lines are before anything wraps. */
	private atLeast(height: number, from: number, inner: Around): void {
		const there = this.all
			.slice(from)
			.filter(({ widths, fixed }) => widths.length > 0 || fixed !== undefined)
			.reduce((sum, line) => sum + (line.fixed ?? line.height), 0);
		if (there < height) this.filled(inner, height - there);
	}
}

/** What holds the lines of an element, by what its style says and by what is around it. */
function heldIn(
	{ holds, dotted = false }: SaidSize,
	least: number,
	around: Held | undefined
): Held | undefined {
	if (holds === undefined || holds === 'nothing') return around;
	return { least: around?.least ?? least, cut: holds === 'cut' && !dotted };
}

function isBeside(name: string): boolean {
	return flowing.has(name) || name === 'td' || name === 'th' || name === 'button';
}

/** The type in an element: as styles say, else `scale` times as large as around it. */
function typed(around: Around, { size, line }: SaidSize, scale: number): Around {
	const own = size ? pxOf(size, around.size) : around.size * scale;
	// Text of no size says nothing of how high lines are for their size.
	const { size: outer, line: high } = around.size > 0 ? around : plainType;
	const share = high / outer;
	const height = line === undefined ? own * share : 'share' in line ? own * line.share : pxOf(line, own); // prettier-ignore
	return { ...around, size: Math.min(own, widest), line: Math.min(height, widest) };
}

function textOf(node: Element): string {
	return node.children
		.map((child) => (isText(child) ? child.data : isTag(child) ? textOf(child) : ''))
		.join('');
}

/** How many rows a line takes in some room, px. */
export function rowsIn(line: TextLine, room: number): number {
	return rowWidths(line, room).length;
}

/** How wide each row is that a line takes in some room, px; a word that is wider stands by itself. */
export function rowWidths({ widths, space, beside, most }: TextLine, room: number): number[] {
	const own = Math.min(room, most) - beside;
	const rows: number[] = [];
	let used = 0;
	for (const width of widths) {
		const next = used === 0 ? width : used + space + width;
		if (used > 0 && next > own) {
			rows.push(used);
			used = width;
		} else {
			used = next;
		}
	}
	rows.push(used);
	return rows;
}
