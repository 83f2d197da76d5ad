import { parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import type { Span } from '../../model/span.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import type { PieceWish } from '../../model/wish.ts';
import { findPiece } from '../find.ts';
import { WishRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';

type Node = DefaultTreeAdapterTypes.ChildNode;

/** A text in markup, and the stretch of the markup it is written in. */
interface Words {
	readonly text: string;
	readonly from: number;
	readonly to: number;
}

/** Elements whose text is not seen as words of the page. */
const unseen: ReadonlySet<string> = new Set(['script', 'style', 'template', 'noscript']);

/** The texts of markup that are not blank, in the order in which they stand. */
function wordsIn(markup: string): Words[] {
	const found: Words[] = [];
	const visit = (node: Node): void => {
		if (node.nodeName === '#text' && 'value' in node) {
			const place = node.sourceCodeLocation;
			if (place && node.value.trim() !== '') {
				found.push({ text: node.value, from: place.startOffset, to: place.endOffset });
			}
			return;
		}
		if ('childNodes' in node && !unseen.has(node.nodeName)) node.childNodes.forEach(visit);
	};
	parseFragment(markup, { sourceCodeLocationInfo: true }).childNodes.forEach(visit);
	return found;
}

/** White space as a page shows it: one blank between words. */
function shown(text: string): string {
	return text.replace(/\s+/g, ' ').trim();
}

/**
 * Changes the words of one text of a piece, as they were written on the page itself. What comes from an
 * expression, or does not stand in the markup as it does on the page, is refused.
 */
export function editWords(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ holder, name, of, index, before, after }: Extract<PieceWish, { kind: 'edit-words' }>
): void {
	const piece = findPiece(resolved, holder, name);
	if (piece.kind !== 'markup') {
		throw new WishRefused(
			`The links of ${name} are made from the routes: change their titles.`,
			piece.name.span
		);
	}
	const template = of === undefined ? piece.markup : piece.standIns[of];
	if (!template) {
		throw new WishRefused(
			`These words are made longer or shorter than they are written. Write a ${of} stand-in for ${name}, or change them as they are written.`,
			piece.name.span
		);
	}
	const { span } = template;
	const markup = surgery.textOf({ ...span, from: span.from + 3, to: span.to - 3 });
	const words = wordsIn(markup)[index];
	const found = words && markup.slice(words.from, words.to);
	if (words && found !== undefined && /(^|[^\\])\{/.test(found)) {
		throw new WishRefused(
			`"${shown(before)}" comes from ${shown(found)}: change it in the markup of ${name}.`,
			span
		);
	}
	if (!words || found === undefined || shown(words.text.replaceAll('\\{', '{')) !== shown(before)) {
		throw new WishRefused(
			`"${shown(before)}" does not stand in the markup of ${name} as it does on the page: change it there.`,
			span
		);
	}
	const lead = /^\s*/.exec(found)?.[0] ?? '';
	const end = /\s*$/.exec(found)?.[0] ?? '';
	const from = span.from + 3 + words.from + lead.length;
	const place: Span = { ...span, from, to: span.from + 3 + words.to - end.length };
	surgery.replace(place, escaped(shown(after)));
}

/** Words as markup has them: what would begin an element, a reference or an expression stands for itself. */
function escaped(text: string): string {
	return text
		.replaceAll('&', '&amp;')
		.replaceAll('<', '&lt;')
		.replaceAll('{', '\\{')
		.replaceAll('"""', '&quot;&quot;&quot;');
}
