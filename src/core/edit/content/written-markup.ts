import type { PieceCommand } from '../../model/command.ts';
import type { Span } from '../../model/span.ts';
import { outlineOf, type OutlineBlock } from '../../outline/outline.ts';
import { partBook } from '../../resolve/content/parts.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { isIn } from './stretches.ts';
import { keepsLines } from '../../outline/written-text.ts';
import { rootSpans, tagsIn, templatesOf } from './tags.ts';

/** Markup is written anew where it is written, by what was chosen of it. */

function checkUnchanged(surgery: Surgery, place: Span, before: string): void {
	if (surgery.textOf(place) === before) return;
	throw new CommandRefused('The text has changed there meanwhile: choose it again.', place);
}

/** Writes other markup in the place of some; what becomes nothing goes with its lines. */
export function writeMarkup(
	_: ResolvedSite,
	surgery: Surgery,
	{ place, before, after }: Extract<PieceCommand, { kind: 'write-markup' }>
): void {
	checkUnchanged(surgery, place, before);
	const isAlone = surgery.indentOfAlone(place) !== undefined;
	if (after === '' && isAlone) surgery.remove(place);
	else surgery.replace(place, after);
}

/** Takes the tags of a list or condition away; what shows otherwise goes with them. */
export function openBlock(
	{ site, reading }: ResolvedSite,
	surgery: Surgery,
	{ place, before }: Extract<PieceCommand, { kind: 'open-block' }>
): string[] {
	checkUnchanged(surgery, place, before);
	const file = reading.files.texts.get(place.file) ?? '';
	const template = templatesOf(site).find(({ span }) => isIn(place, span));
	const node =
		template &&
		outlineOf({ template, file, book: partBook(site.parts) }).find(
			(one): one is OutlineBlock =>
				one.kind === 'block' && one.span.from === place.from && one.span.to === place.to
		);
	if (!template || !node?.inner || node.tag.kind === 'use') {
		throw new CommandRefused('There is no list or condition there any more.', place);
	}
	const { inner, tag, hasElse } = node;
	let text = surgery.textOf(inner);
	if (tag.kind === 'for') {
		const { name, list } = tag;
		const tags = tagsIn(template).filter(({ span }) => isIn(span, inner));
		if (tags.some((one) => one.kind === 'for' && one.name.text === name.text)) {
			throw new CommandRefused(
				`Another list in it calls its members ${name.text}, too: change one of the names first.`,
				tag.span
			);
		}
		const places = tags.flatMap((one) => rootSpans(one, name.text, surgery));
		for (const { from, to } of places.toSorted((a, b) => b.from - a.from)) {
			const path = `${list.path.join('.')}.0`;
			text = text.slice(0, from - inner.from) + path + text.slice(to - inner.from);
		}
	}
	const indent = surgery.indentOfAlone(place);
	surgery.replace(place, indent === undefined ? text : outdented(text, indent));
	return [
		...(tag.kind === 'for' ? ['What is in it would show the first of the list alone.'] : []),
		...(hasElse ? ['What shows otherwise would go.'] : [])
	];
}

/** Lines that stood deeper stand where a line with that indentation stood, which is written already. */
function outdented(text: string, indent: string): string {
	const lines = text.replace(/^[ \t]*\n/, '').trimEnd();
	if (keepsLines(lines)) return lines.trimStart();
	const own = /^[ \t]*/.exec(lines)?.[0] ?? '';
	return lines
		.split('\n')
		.map((line) => (line.startsWith(own) ? indent + line.slice(own.length) : line))
		.join('\n')
		.trimStart();
}
