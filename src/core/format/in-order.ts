import { allSettings } from '../settings/list.ts';
import type { Statement } from '../source/syntax.ts';
import type { Item, StatementItem } from './body-items.ts';

/** What has settings. */
const holders: ReadonlySet<string> = new Set(['layout', 'region', 'wrapper', 'piece', 'adjust']);
const places = new Map<string, number>(allSettings.map(({ kind }, index) => [kind, index]));

/**
 * Settings in the order in which they are listed, each from the narrowest band to the widest. Those that an empty line,
 * a comment or something else stands between are parted on purpose, and stay so; where a comment stands behind one of
 * several, it may speak of those before it, and all stay where they are.
 */
export function inOrder(
	items: readonly Item[],
	holder: Statement | undefined,
	bands: readonly string[]
): Item[] {
	if (!holders.has(holder?.atoms[0]?.text ?? '')) return [...items];
	const runs: Item[][] = [];
	for (const item of items) {
		const last = runs.at(-1);
		const goesOn = isSetting(item) && !item.isApart && last?.every(isSetting);
		if (last && goesOn) last.push(item);
		else runs.push([item]);
	}
	return runs.flatMap((run) => {
		const isPlain = run.every(isSetting) && !run.some(({ comment }) => comment);
		return isPlain ? sorted(run, bands) : run;
	});
}

function isSetting(item: Item): item is StatementItem {
	if (item.kind === 'comment') return false;
	const { atoms, block, markup } = item.statement;
	return !block && !markup && places.has(atoms[0]?.text ?? '');
}

function sorted(run: readonly StatementItem[], bands: readonly string[]): StatementItem[] {
	const rank = ({ statement: { atoms } }: StatementItem): [number, number] => {
		const band = atoms.find(({ kind }) => kind === 'band')?.text.slice(1);
		return [places.get(atoms[0]?.text ?? '') ?? 0, band === undefined ? -1 : bands.indexOf(band)];
	};
	const [first] = run;
	return [...run]
		.sort((a, b) => {
			const [[kindA, bandA], [kindB, bandB]] = [rank(a), rank(b)];
			return kindA - kindB || bandA - bandB;
		})
		.map((item, index) => ({ ...item, isApart: index === 0 && (first?.isApart ?? false) }));
}
