import { layerName } from '../model/site.ts';
import type { Span } from '../model/span.ts';
import type { FrameBox, FrameMove } from '../author-styles/frame-moves.ts';
import { shownWord } from './compare.ts';

/** The rule of a style that moves boxes, as the end of a sentence, with its place. */
export interface Because {
	readonly words: string;
	readonly span: Span;
}

/**
 * Which rule moves boxes that are not where they were computed; `words` are theirs, in the order of the page.
 * A rule that hits the first of them comes first, then one that hits any; undefined where no rule is known.
 */
export function becauseOf(
	words: readonly string[],
	moves: readonly FrameMove[]
): Because | undefined {
	const hits = (word: string): FrameMove | undefined =>
		moves.find(({ boxes }) => boxes.some((box) => wordOf(box) === word));
	const found = words.map(hits).find((move) => move !== undefined) ?? moves[0];
	if (!found) return undefined;
	const { rule, property, span } = found;
	const of = rule.owner.kind === 'part' ? rule.owner.name.text : layerName(rule.owner);
	return { words: `because of "${property}" at "${rule.selectors}" in the style of ${of}`, span };
}

function wordOf({ kind, layout, region, name }: FrameBox): string {
	switch (kind) {
		case 'piece':
			return shownWord(`${layout ?? ''}.${region ?? ''}`, name ?? '');
		case 'opener':
			return shownWord(`${layout ?? ''}.${region ?? ''}`, `opener ${name ?? ''}`);
		default:
			return shownWord(layout ?? '', name ?? '');
	}
}
