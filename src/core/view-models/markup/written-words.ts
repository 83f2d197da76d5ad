import { seenBlanks } from '../../lib/seen-blanks.ts';
import { attributeOf } from '../../author-styles/page-tree.ts';
import { writtenTexts, type WrittenText } from '../../author-styles/written-elements.ts';
import type { WrittenPage } from '../../check/subject/written-page.ts';
import { CommandRefused } from '../../edit/proposal.ts';
import type { MarkupPiece } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';

/** Words that stand on a page, as whoever shows it finds them there. */
export interface ShownWords {
	/** Which element of the page's body they stand in, counted from the body itself. */
	readonly element: number;
	/** As they are seen: with one blank between words. */
	readonly text: string;
	/** Which of the texts of that element that read so. */
	readonly nth: number;
}

/** Where words of a page are written. */
export interface WrittenWords {
	/** Without the blanks around them. */
	readonly place: Span;
	/** As they are written there. */
	readonly written: string;
	/** The piece or part that has them. */
	readonly of: { readonly kind: 'piece' | 'part'; readonly name: string };
}

/**
 * Where words of a page are written: in the markup of their piece, or of a part that it uses, through lists and
 * conditions. Throws `CommandRefused` for what is written nowhere as it stands on the page.
 */
export function writtenWords(page: WrittenPage, shown: ShownWords): WrittenWords {
	const element = page.elements[shown.element];
	const piece = element && page.ownerOf(element)?.piece;
	if (!element || !piece) throw new CommandRefused('These words belong to no piece of this page.');
	if (piece.kind === 'nav') {
		throw new CommandRefused(
			`The links of ${piece.name.text} are made from the routes: change their titles.`,
			piece.name.span
		);
	}
	if (piece.kind === 'group')
		throw new CommandRefused('These words belong to no piece of this page.');
	const part = page.partOf(element);
	const name = part?.name.text ?? piece.name.text;
	const around = part?.markup.span ?? ownMarkup(page, piece);
	const { text, lead } = page.textOf(around);
	const origin = page.tree.origins.get(element);
	const isBox = !origin && attributeOf(element, 'data-piece') !== undefined;
	const texts = origin || isBox ? writtenTexts(text, origin && origin.from - lead) : [];
	const { from, to } = chosen(texts, shown, name, around);
	const place = { file: around.file, from: lead + from, to: lead + to };
	return { place, written: text.slice(from, to), of: { kind: part ? 'part' : 'piece', name } };
}

/** The markup of a piece that is shown: its own, or what stands in for it. */
function ownMarkup(page: WrittenPage, piece: MarkupPiece): Span {
	const { content } = page.resolved.site.settings.trial;
	if (content === 'typical') return piece.markup.span;
	const standIn = piece.standIns[content];
	if (standIn) return standIn.span;
	const name = piece.name.text;
	throw new CommandRefused(
		`These words are made longer or shorter than they are written. Write a ${content} stand-in for ${name}, or change them as they are written.`,
		piece.name.span
	);
}

/** The stretch of the text that is meant, without the blanks around it. */
function chosen(
	texts: readonly WrittenText[],
	{ text, nth }: ShownWords,
	name: string,
	around: Span
): { readonly from: number; readonly to: number } {
	const alike = texts.filter(
		(one) => seenBlanks(one.text.replaceAll('\\{', '{')) === seenBlanks(text)
	);
	const found = alike[nth] ?? alike[0];
	if (!found) {
		const [made] = texts.filter((one) => /(^|[^\\])\{/.test(one.text));
		throw new CommandRefused(
			made
				? `"${seenBlanks(text)}" comes from ${seenBlanks(made.text)}: change it in the markup of ${name}.`
				: `"${seenBlanks(text)}" does not stand in the markup of ${name} as it does on the page: change it there.`,
			around
		);
	}
	const lead = /^\s*/.exec(found.text)?.[0].length ?? 0;
	const end = /\s*$/.exec(found.text)?.[0].length ?? 0;
	return { from: found.from + lead, to: found.to - end };
}
