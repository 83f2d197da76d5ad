import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';

/** What HTML looks like as lines of text, guessed from it alone. */

/** The text that something is set in, px. */
export interface TextType {
	readonly size: number;
	/** Height of a line. */
	readonly line: number;
}

/** What browsers take where a page says nothing. */
export const plainType: TextType = { size: 16, line: 18 };

/** Width of a character in a common face, as a share of the size of text. */
export const characterShare = 0.475;
/** A picture that does not say its size. */
const pictureSize = 120;
/** px; no guess is made for wider screens. */
export const widest = 4000;

/** HTML, section 15.3: what browsers say of elements, in sizes of text: its size, and the margin above and below. */
const blocks: Readonly<Record<string, readonly [size: number, margin: number]>> = {
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
};

const flowing = new Set(
	'a abbr b bdi bdo cite code data del dfn em i ins kbd label mark q s samp small span strong sub sup time u var'.split(' ') // prettier-ignore
);

/** HTML, sections 15.4 and 15.5: what has a size of its own, px. */
const replaced: Readonly<Record<string, readonly [width: number, height: number]>> = {
	input: [153, 21],
	select: [90, 19],
	textarea: [166, 36],
	progress: [160, 16],
	meter: [80, 16],
	video: [300, 150],
	iframe: [304, 154],
	canvas: [300, 150],
	svg: [300, 150],
	img: [pictureSize, pictureSize]
};

const pictures = new Set(['img', 'video', 'iframe', 'canvas', 'svg']);

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
}

/** HTML standard, section 2.3.4.4: what follows the number does not count; px. */
function dimensionOf(value: string | undefined): number | undefined {
	const number = /^\s*\+?(\d+(?:\.\d+)?)/.exec(value ?? '')?.[1];
	return number === undefined ? undefined : Math.min(Number(number), widest);
}

/** The lines of some HTML, before anything wraps. */
export function textLines(html: string, type: TextType): TextLine[] {
	return linesIn(parseFragment(html).childNodes, type).filter(
		(line) => line.widths.length > 0 || line.share !== undefined || line.fixed !== undefined
	);
}

function linesIn(nodes: readonly Tree.ChildNode[], outer: TextType): TextLine[] {
	const lines: TextLine[] = [lineOf(outer, 0, undefined, undefined)];
	const visit = (node: Tree.ChildNode, type: TextType): void => {
		const line = lines.at(-1);
		if ('value' in node && line) {
			const words = node.value.split(/\s+/).filter((word) => word !== '');
			line.widths.push(...words.map((word) => word.length * type.size * characterShare));
		} else if ('tagName' in node && line && node.tagName in replaced) {
			const { width, height } = replacedSize(node);
			line.widths.push(width);
			line.height = Math.max(line.height, height);
			if (line.kind === 'words') line.kind = pictures.has(node.tagName) ? 'picture' : 'control';
		} else if ('childNodes' in node && 'tagName' in node) {
			visitElement(node, type, visit, lines);
		}
	};
	for (const node of nodes) visit(node, outer);
	return lines;
}

function visitElement(
	node: Tree.Element,
	type: TextType,
	visit: (node: Tree.ChildNode, type: TextType) => void,
	lines: TextLine[]
): void {
	const { tagName: name } = node;
	const line = lines.at(-1);
	// Cells stand beside each other, with their padding and what is between them.
	const isBeside = flowing.has(name) || name === 'td' || name === 'th' || name === 'button';
	if (isBeside && line) {
		if (name === 'button') {
			line.height = Math.max(line.height, 21);
			line.kind = 'control';
		}
		for (const child of node.childNodes) visit(child, type);
		if (name === 'td' || name === 'th') line.height = Math.max(line.height, type.line + 4);
		return;
	}
	const [scale, margin] = blocks[name] ?? [1, 0];
	const own = { size: type.size * scale, line: type.line * scale };
	const style = attributeOf(node, 'style') ?? '';
	const ratio = /aspect-ratio:\s*([\d.]+)(?:\s*\/\s*([\d.]+))?/.exec(style);
	const share = ratio && Number(ratio[2] ?? 1) / Number(ratio[1]);
	const said = /(?:^|[;\s])height:\s*([\d.]+)px/.exec(style)?.[1];
	const fixed = name === 'hr' ? 2 : said === undefined ? undefined : Number(said);
	const kind = /^h[1-6]$/.test(name) ? 'heading' : share !== null || fixed !== undefined ? 'picture' : 'words'; // prettier-ignore
	lines.push({ ...lineOf(own, margin * own.size, share ?? undefined, fixed), kind });
	const before = lines.length;
	for (const child of node.childNodes) visit(child, own);
	// What is in a box whose height is set is in that height.
	if (share !== null || fixed !== undefined) lines.splice(before);
	lines.push({ ...lineOf(type, 0, undefined, undefined), above: margin * own.size });
}

function lineOf(
	{ size, line }: TextType,
	above: number,
	share: number | undefined,
	fixed: number | undefined
): TextLine {
	return {
		widths: [],
		kind: 'words',
		height: line,
		space: size * characterShare,
		above,
		below: above,
		share,
		fixed
	};
}

function replacedSize(node: Tree.Element): { width: number; height: number } {
	const { tagName: name } = node;
	const [width = pictureSize, height = pictureSize] = replaced[name] ?? [];
	const own = (attribute: string): number | undefined => dimensionOf(attributeOf(node, attribute));
	if (name === 'input' && /^(checkbox|radio)$/.test(attributeOf(node, 'type') ?? '')) {
		return { width: 20, height: 19 };
	}
	if (name === 'textarea') return { width, height: (own('rows') ?? 2) * 15 + 6 };
	return { width: own('width') ?? width, height: own('height') ?? height };
}

function attributeOf(node: Tree.Element, name: string): string | undefined {
	return node.attrs.find((one) => one.name === name)?.value;
}

/** How many rows a line takes in some room, px. */
export function rowsIn(line: TextLine, room: number): number {
	return rowWidths(line, room).length;
}

/** How wide each row is that a line takes in some room, px; a word that is wider stands by itself. */
export function rowWidths({ widths, space }: TextLine, room: number): number[] {
	const rows: number[] = [];
	let used = 0;
	for (const width of widths) {
		const next = used === 0 ? width : used + space + width;
		if (used > 0 && next > room) {
			rows.push(used);
			used = width;
		} else {
			used = next;
		}
	}
	rows.push(used);
	return rows;
}
