import { drawersOf, onPaper } from '../../../box-styles/printed.ts';
import type { Surroundings } from '../../../box-styles/surroundings.ts';
import { frameOf, type Box } from '../../../box-styles/frame.ts';
import type { Layout } from '../../../model/site.ts';
import { group, rule } from '../css-text.ts';
import type { BandedRule } from './banded.ts';
import { initialValue, inOrder, printed } from './printed.ts';
import type { Selectors } from '../selectors.ts';

/**
 * A layout on paper (`box-styles/printed.ts`). A layout's own styles come after it and win. `rules` is what is said of its
 * boxes on screens: nothing is taken back that was not said. With `onlyThese`, other boxes are left as they are.
 */
export function printCss(
	layout: Layout,
	surroundings: Surroundings,
	selectors: Selectors,
	rules: readonly BandedRule[],
	onlyThese = false
): string {
	const { root, boxes } = frameOf(layout, surroundings.bands);
	// Boxes of which the same is said are one rule.
	const byLines = new Map<string, { readonly lines: readonly string[]; readonly of: string[] }>();
	const add = (selector: string, box: Box): void => {
		if (onlyThese && !rules.some((one) => one.selector === selector)) return;
		const lines = linesOf(box, layout, saidOf(selector, rules));
		if (lines.length === 0) return;
		const key = lines.join();
		const same = byLines.get(key) ?? { lines, of: [] };
		byLines.set(key, same);
		same.of.push(selector);
	};
	add(selectors.root(layout), root);
	for (const box of boxes.values()) add(selectors.member(layout, box.name), box);
	const drawers = drawersOf(layout).filter(
		(name) =>
			!onlyThese || rules.some((one) => one.selector.startsWith(selectors.member(layout, name)))
	);
	const hidden = [
		...drawers.map((name) => selectors.opener(layout, name)),
		...drawers.map((name) => `${selectors.member(layout, name)}:popover-open`)
	];
	return group('@media print', [
		...[...byLines.values()].map(({ lines, of }) => rule(of.join(',\n'), lines)),
		hidden.length > 0 ? rule(hidden.join(',\n'), ['display: none;']) : ''
	]);
}

/** What is said of the elements of a selector, in some band. */
function saidOf(selector: string, rules: readonly BandedRule[]): ReadonlySet<string> {
	const own = rules.filter((one) => one.selector === selector);
	return new Set(own.flatMap(({ bands }) => bands.flatMap((said) => [...said.keys()])));
}

function linesOf(box: Box, layout: Layout, onScreens: ReadonlySet<string>): string[] {
	const { lost, said } = onPaper(box, layout);
	const lines = new Map(printed(said));
	for (const name of lost) if (onScreens.has(name)) lines.set(name, initialValue(name));
	// What moves as one scrolls would win over what is said here.
	const moves = box.settings.some(({ kind }) => kind === 'shrink' || kind === 'shadow');
	if (moves) lines.set('animation', initialValue('animation'));
	return inOrder(lines).map(([name, value]) => `${name}: ${value};`);
}
