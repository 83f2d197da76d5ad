import type { Style } from '../../model/site.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { CommandRefused } from '../proposal.ts';
import { indentLines, type Surgery } from '../surgery.ts';
import { findPart } from './parts.ts';

/** Writes the style of a part anew; without any, it goes. One that holds from a wider band on, or beside the first, stays. */
export function setPartStyle(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	css: string
): void {
	const part = findPart(resolved, name);
	if (css.includes('"""')) throw new CommandRefused('""" would end the style.');
	const first = firstStyle(part.styles);
	if (css.trim() === '') {
		if (first) surgery.remove(first.span);
		return;
	}
	const lines = ['style """', ...indentLines(css.trim().split('\n'), '  ').split('\n'), '"""'];
	if (first) surgery.replaceLines(first.span, lines);
	else if (surgery.statementAt(part.span).block) surgery.insertInto(part.span, lines);
	else {
		const { span } = part.markup;
		surgery.replace({ ...span, to: span.from }, `{\n${indentLines(lines, '  ')}\n} `);
	}
}

/** The style of a part that holds in all bands. */
export function firstStyle(styles: readonly Style[]): Style | undefined {
	return styles.find(({ band, global }) => band === undefined && !global);
}
