import type { WrittenPage } from '../check/subject/written-page.ts';
import { writtenElements } from '../author-styles/written-elements.ts';
import { outward, type Element } from '../author-styles/page-tree.ts';
import { CommandRefused } from '../edit/proposal.ts';
import { layerName, type MarkupPiece } from '../model/site.ts';
import type { Span } from '../model/span.ts';
import type { PieceOnPage } from './box-widths.ts';

/** Where on a page a picture is to stand. */
export interface PointedAt {
	/** Which element of the page's body one points at, counted from the body itself. */
	readonly element: number;
	/** Behind it, and not before it. */
	readonly after: boolean;
}

/** Where a picture is written. */
export interface PicturePlace {
	/** What stands there now: an element that it comes before or behind, or all of a piece's markup. */
	readonly place: Span;
	readonly before: string;
	/** What will stand there, around the picture. */
	readonly lead: string;
	readonly trail: string;
	/** The piece or part that has it. */
	readonly of: { readonly kind: 'piece' | 'part'; readonly name: string };
	readonly on: PieceOnPage;
}

/** Names of elements between which something can stand by itself (HTML, section 3.2.5.2.2). */
const besideOthers: ReadonlySet<string> = new Set(
	'address article aside blockquote details dialog div dl fieldset figure footer form h1 h2 h3 h4 h5 h6 header hgroup hr img main menu nav ol p picture pre search section table ul video'.split(
		' '
	)
);

/** Whether something can stand before or behind an element of that name, on a line of its own. */
export function standsAlone(name: string): boolean {
	return besideOthers.has(name);
}

/**
 * Where a picture is written that is let go on a page: on a line of its own before or behind what one points at. Throws
 * `CommandRefused` where no piece has markup there.
 */
export function picturePlace(page: WrittenPage, { element, after }: PointedAt): PicturePlace {
	const pointed = page.elements[element];
	const owner = pointed && page.ownerOf(pointed);
	if (!pointed || owner?.piece?.kind !== 'markup') {
		throw new CommandRefused('Pictures stand in pieces of markup: point at the words of one.');
	}
	const { piece, layer } = owner;
	const on = { owner: layerName(layer), piece: piece.name.text };
	const beside = [...outward(pointed)].find(
		(one) => page.tree.origins.has(one) && standsAlone(one.name)
	);
	const place = beside && placeBeside(page, beside, after);
	if (place) return { ...place, on };
	return { ...atEnd(page, piece), on };
}

type Written = Omit<PicturePlace, 'on'>;

function placeBeside(page: WrittenPage, beside: Element, after: boolean): Written | undefined {
	const origin = page.tree.origins.get(beside);
	const part = page.partOf(beside);
	const owner = page.ownerOf(beside)?.piece;
	if (!origin || owner?.kind !== 'markup') return undefined;
	const around = part?.markup.span ?? owner.markup.span;
	const { text, lead } = page.textOf(around);
	const found = writtenElements(text).find(({ tag }) => tag.from === origin.from - lead);
	if (!found) return undefined;
	const before = text.slice(found.tag.from, found.end);
	const start = text.lastIndexOf('\n', found.tag.from);
	const line = text.slice(start + 1, found.tag.from);
	const apart = start !== -1 && /^[\t ]*$/.test(line) ? `\n${line}` : '';
	const of = part
		? ({ kind: 'part', name: part.name.text } as const)
		: ({ kind: 'piece', name: owner.name.text } as const);
	const place = { file: around.file, from: lead + found.tag.from, to: lead + found.end };
	return after
		? { place, before, of, lead: `${before}${apart}`, trail: '' }
		: { place, before, of, lead: '', trail: `${apart}${before}` };
}

/** The same behind all that a piece has; throws `CommandRefused` where the page does not show it. */
export function placeAtEnd(page: WrittenPage, { owner, piece }: PieceOnPage): PicturePlace {
	for (const element of page.elements) {
		const found = page.ownerOf(element);
		if (found?.piece?.name.text !== piece || layerName(found.layer) !== owner) continue;
		if (found.piece.kind !== 'markup') break;
		return { ...atEnd(page, found.piece), on: { owner, piece } };
	}
	throw new CommandRefused(`${piece} has no markup that this page shows.`);
}

/** On the last line of a piece. */
function atEnd(page: Pick<WrittenPage, 'textOf'>, piece: MarkupPiece): Written {
	const { file } = piece.markup.span;
	const { text, lead } = page.textOf(piece.markup.span);
	const place = { file, from: lead, to: lead + text.length };
	const of = { kind: 'piece', name: piece.name.text } as const;
	const said = text.trimEnd();
	const rest = text.slice(said.length);
	const isOneLine = !text.includes('\n');
	const indent = /\n([\t ]*)\S[^\n]*$/.exec(said)?.[1] ?? '';
	return { place, before: text, of, lead: isOneLine ? said : `${said}\n${indent}`, trail: rest };
}
