import { drawersOf, onPaper } from '../../declare/printed.ts';
import type { Surroundings } from '../../declare/surroundings.ts';
import { frameOf, type Box } from '../../declare/frame.ts';
import type { Layout } from '../../model/site.ts';
import { group, rule } from './css-text.ts';
import { initialValue, inOrder, printed } from './printed.ts';
import type { Selectors } from './selectors.ts';

/** A layout on paper (`declare/printed.ts`). A layout's own styles come after it and win. */
export function printCss(layout: Layout, surroundings: Surroundings, selectors: Selectors): string {
	const { root, boxes } = frameOf(layout, surroundings.bands);
	// Boxes of which the same is said are one rule.
	const byLines = new Map<string, { readonly lines: readonly string[]; readonly of: string[] }>();
	const add = (selector: string, box: Box): void => {
		const lines = linesOf(box, layout);
		const key = lines.join();
		const same = byLines.get(key) ?? { lines, of: [] };
		byLines.set(key, same);
		same.of.push(selector);
	};
	add(selectors.root(layout), root);
	for (const box of boxes.values()) add(selectors.member(layout, box.name), box);
	const drawers = drawersOf(layout);
	const hidden = [
		...drawers.map((name) => selectors.opener(layout, name)),
		...drawers.flatMap((name) => [
			`${selectors.member(layout, name)}:popover-open`,
			selectors.closer(layout, name)
		])
	];
	return group('@media print', [
		...[...byLines.values()].map(({ lines, of }) => rule(of.join(',\n'), lines)),
		hidden.length > 0 ? rule(hidden.join(',\n'), ['display: none;']) : ''
	]);
}

function linesOf(box: Box, layout: Layout): string[] {
	const { lost, said } = onPaper(box, layout);
	const lines = new Map(printed(said));
	for (const name of lost) lines.set(name, initialValue(name));
	// What moves as one scrolls would win over what is said here.
	const moves = box.settings.some(({ kind }) => kind === 'shrink' || kind === 'shadow');
	if (moves) lines.set('animation', initialValue('animation'));
	return inOrder(lines).map(([name, value]) => `${name}: ${value};`);
}
