import type { SheetRow } from './sheet-row.ts';

/** What rows of the sheet can be grouped by. */
export const groupings = ['chain', 'route', 'found'] as const;
export type Grouping = (typeof groupings)[number];

/** Rows that belong together; pages that draw alike are one stack. */
export interface SheetGroup {
	/** Same for the same group before and after an edit. */
	readonly key: string;
	readonly title: string;
	/** The layouts that its pages sit under, where it is grouped by them. */
	readonly chain: readonly string[];
	readonly stacks: readonly SheetStack[];
}

export interface SheetStack {
	/** The page that is drawn for all of them. */
	readonly first: SheetRow;
	readonly others: readonly SheetRow[];
}

/** Groups rows, which come in the order of the route tree. Groups stand in the order of their first rows. */
export function groupRows(rows: readonly SheetRow[], by: Grouping): SheetGroup[] {
	const groups = new Map<string, { title: string; chain: readonly string[]; rows: SheetRow[] }>();
	for (const row of rows) {
		const { key, title } = groupOf(row, by);
		const group = groups.get(key) ?? { title, chain: by === 'chain' ? row.chain : [], rows: [] };
		group.rows.push(row);
		groups.set(key, group);
	}
	const made = [...groups].map(([key, { title, chain, rows: own }]) => ({
		key,
		title,
		chain,
		stacks: stacksOf(own)
	}));
	return by === 'found' ? made.sort((a, b) => worst(a) - worst(b)) : made;
}

function groupOf(row: SheetRow, by: Grouping): { readonly key: string; readonly title: string } {
	switch (by) {
		case 'chain': {
			const title = row.chain.length === 0 ? 'bare, under no layout' : row.chain.join(', ');
			return { key: title, title };
		}
		case 'route': {
			if (row.kind === 'state') return { key: 'states', title: 'states' };
			const [, first = ''] = row.page.split('/');
			return { key: `/${first}`, title: `/${first}` };
		}
		case 'found': {
			const [first] = row.found;
			const title = first?.sentence ?? 'nothing found';
			return { key: title, title };
		}
	}
}

/** Errors first, then warnings, then what nothing was found of. */
function worst({ stacks }: SheetGroup): number {
	const [found] = stacks[0]?.first.found ?? [];
	if (!found) return 2;
	return found.severity === 'error' ? 0 : 1;
}

function stacksOf(rows: readonly SheetRow[]): SheetStack[] {
	const stacks = new Map<string, { first: SheetRow; others: SheetRow[] }>();
	for (const row of rows) {
		const stack = stacks.get(row.alike);
		if (stack) stack.others.push(row);
		else stacks.set(row.alike, { first: row, others: [] });
	}
	return [...stacks.values()];
}

/** Rows whose route, title or layouts hold some words. */
export function rowsWith(rows: readonly SheetRow[], words: string): SheetRow[] {
	const wanted = words.trim().toLowerCase();
	if (wanted === '') return [...rows];
	return rows.filter(({ page, title, chain }) =>
		[page, title, ...chain].some((word) => word.toLowerCase().includes(wanted))
	);
}
