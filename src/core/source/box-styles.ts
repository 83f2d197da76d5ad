import { walk, type CssNode, type Rule } from 'css-tree';
import { listWords } from '../messages/problem.ts';
import { settingsLike } from '../settings/list.ts';

/** What an author would write in place of a property that no setting says. */
const otherAdvice: readonly (readonly [RegExp, string])[] = [
	[/^margin/, 'say it with the gap or pad of what it stands in'],
	[/^border(?!-(radius|spacing|collapse|image))/, 'draw it with outline or box-shadow, which take no room'],
	[/^(display|grid|flex|columns|float|place-|justify-|align-)/, 'say it with arrange']
]; // prettier-ignore

/** What to do in place of a property that changes a box of the frame; undefined where it changes none. */
function adviceFor(property: string): string | undefined {
	const settings = settingsLike(property);
	if (settings.length > 0) return `say it with ${listWords(settings, 'or')}`;
	return otherAdvice.find(([pattern]) => pattern.test(property))?.[1];
}

/** A property in a style that changes how large a box of the frame is, or where. */
export interface BoxStyle {
	readonly property: string;
	/** Offset in the CSS. */
	readonly at: number;
	/** What to do in place of it, as the end of a sentence. */
	readonly advice: string;
}

/**
 * Finds what a style says of the very boxes that layouts make: `:scope`, and elements by the marks
 * that pages can carry, or by what else `isBox` knows. Sizes that are said there are not known to the
 * computed boxes.
 */
export function boxStyles(
	sheet: CssNode,
	isBox: (part: CssNode) => boolean = isMarked
): BoxStyle[] {
	const found: BoxStyle[] = [];
	walk(sheet, {
		visit: 'Rule',
		enter(rule: Rule) {
			if (!meansFrame(rule, isBox)) return;
			rule.block.children.forEach((node) => {
				if (node.type !== 'Declaration') return;
				const advice = adviceFor(node.property);
				const at = node.loc?.start.offset ?? 0;
				if (advice !== undefined) found.push({ property: node.property, at, advice });
			});
		}
	});
	return found;
}

/** Whether a rule's subject, the last compound of one of its selectors, is a box of the frame. */
function meansFrame({ prelude }: Rule, isBox: (part: CssNode) => boolean): boolean {
	if (prelude.type !== 'SelectorList') return false;
	return prelude.children.some((selector) => {
		if (selector.type !== 'Selector') return false;
		const parts = selector.children.toArray();
		const last = parts.findLastIndex((part) => part.type === 'Combinator');
		const subject = parts.slice(last + 1);
		return subject.some(isBox) && !subject.some((part) => part.type === 'PseudoElementSelector');
	});
}

function isMarked(part: CssNode): boolean {
	if (part.type === 'PseudoClassSelector') return part.name === 'scope';
	return (
		part.type === 'AttributeSelector' &&
		/^data-(layout|region|wrapper|piece|opener)$/.test(part.name.name)
	);
}
