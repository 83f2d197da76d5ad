import { seenBlanks } from '../../lib/seen-blanks.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import type { PieceCommand } from '../../model/command.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';

/**
 * Changes words where they are written, as they were found for the page that shows them; refused where the text has
 * been changed there since.
 */
export function editWords(
	_: ResolvedSite,
	surgery: Surgery,
	{ place, before, after }: Extract<PieceCommand, { kind: 'edit-words' }>
): void {
	if (surgery.textOf(place) !== before) {
		throw new CommandRefused(
			'The text has changed there meanwhile: choose the words again.',
			place
		);
	}
	surgery.replace(place, escaped(seenBlanks(after)));
}

/** Words as markup has them: what would begin an element, a reference or an expression stands for itself. */
function escaped(text: string): string {
	return text
		.replaceAll('&', '&amp;')
		.replaceAll('<', '&lt;')
		.replaceAll('{', '\\{')
		.replaceAll('"""', '&quot;&quot;&quot;');
}
