import type { ElementRef, PieceCommand, PieceRef } from '../../model/command.ts';
import { findPiece } from '../find.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { isWhole, stretchesOf, type Stretch } from './stretches.ts';
import { inBlock } from '../../outline/element-edits.ts';

/** Elements of a piece that data fills: once for each member of a list, where something is so, or a value in their words. */

/** The elements of a piece by which `ElementRef` counts them, the outer before the inner. */
export function elementsOf(resolved: ResolvedSite, { holder, piece: name }: PieceRef): Stretch[] {
	return stretchesOf(resolved, holder.layer.name, findPiece(resolved, holder, name));
}

/** Those beside an element that are like it but for their words. */
export function likeIt(element: Stretch, all: readonly Stretch[]): Stretch[] {
	return all.filter(
		(one) =>
			one !== element &&
			one.within === element.within &&
			one.shape === element.shape &&
			one.slots.length === element.slots.length
	);
}

/** Writes an element once for each member of a list, with `texts` in the place of its words. */
export function repeatElement(
	resolved: ResolvedSite,
	surgery: Surgery,
	{
		element: ref,
		list,
		name,
		texts,
		replacesOthers
	}: Extract<PieceCommand, { kind: 'repeat-element' }>
): string[] {
	const { element, all } = findElement(resolved, ref);
	const others = replacesOthers ? likeIt(element, all) : [];
	wrapIn(surgery, element, `for ${name} in ${list}`, withTexts(element, texts));
	for (const { span } of others) {
		if (surgery.indentOfAlone(span) === undefined) surgery.replace(span, '');
		else surgery.remove(span);
	}
	return others.length === 0 ? [] : [`${others.length} like it would go: the list makes them.`];
}

/** Shows an element only where a condition holds. */
export function showElementIf(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ element: ref, test }: Extract<PieceCommand, { kind: 'show-element-if' }>
): void {
	const { element } = findElement(resolved, ref);
	wrapIn(surgery, element, `if ${test}`, element.markup);
}

/** Writes other texts in the place of an element's words, such as values. */
export function setElementTexts(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ element: ref, texts }: Extract<PieceCommand, { kind: 'set-element-texts' }>
): void {
	const { element } = findElement(resolved, ref);
	surgery.replace(element.span, withTexts(element, texts));
}

function findElement(
	resolved: ResolvedSite,
	{ piece, index, markup }: ElementRef
): { readonly element: Stretch; readonly all: readonly Stretch[] } {
	const all = elementsOf(resolved, piece);
	const element = all[index];
	if (element?.markup !== markup) {
		throw new CommandRefused(
			`The text of ${piece.piece} has changed meanwhile: choose the element again.`
		);
	}
	if (!isWhole(markup)) {
		throw new CommandRefused(
			'A list or condition begins in it and ends outside, so it cannot stand by itself.'
		);
	}
	return { element, all };
}

function withTexts({ markup, slots }: Stretch, texts: readonly (string | undefined)[]): string {
	return slots.reduceRight((written, { from, to }, index) => {
		const text = texts[index];
		return text === undefined ? written : written.slice(0, from) + text + written.slice(to);
	}, markup);
}

/** Puts a list or condition around an element. */
function wrapIn(surgery: Surgery, { span }: Stretch, tag: string, inner: string): void {
	surgery.replace(span, inBlock(`{${tag}}`, inner, surgery.indentOfAlone(span)));
}
