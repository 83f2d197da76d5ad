import { isWithin, type Pattern } from '../model/pattern.ts';
import { layerName, layerPattern, type Layer, type Page, type Route } from '../model/site.ts';
import { templateText } from '../model/template.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { admittedRoles } from '../resolve/roles.ts';
import { layoutsInOrder } from '../resolve/structure.ts';
import { layoutMarks, type Mark } from './marks.ts';

/** One line of the roofline: a route or a state, and the layouts that cover it. */
export interface RooflineRow {
	/** The page's name, by which it is asked for: a route's pattern, or a state and its place. */
	readonly page: string;
	readonly kind: 'route' | 'state';
	/** What is left of the path below the nearest route above. */
	readonly label: string;
	readonly title: string;
	/** Who is let in; everyone where it is empty. */
	readonly admits: readonly string[];
	/** Kinds of the states that stand at the route. */
	readonly states: readonly string[];
	/** How many pages it is delivered as. */
	readonly pages: number;
	/** How many routes lie above it. */
	readonly depth: number;
	/** Names of the layouts it sits under, outermost first. */
	readonly chain: readonly string[];
	/** The page asks to be under nothing. */
	readonly bare: boolean;
	/** How many rows lie below it in the tree. */
	readonly below: number;
	/** Names of the layouts whose branch it lies in, although they do not cover it. */
	readonly passedBy: readonly string[];
}

/** A layout as the roofline's legend shows it. */
export interface RooflineLayout {
	readonly name: string;
	readonly at: string;
	readonly onRequest: boolean;
	readonly mark: Mark;
	/** How many layouts it sits under. */
	readonly depth: number;
	/** How many routes it covers. */
	readonly covers: number;
}

export interface Roofline {
	readonly rows: readonly RooflineRow[];
	readonly layouts: readonly RooflineLayout[];
	readonly routeCount: number;
}

/** A stretch of neighbouring rows that one layout covers. Rows are counted in the list given. */
export interface RooflineRun {
	readonly layout: string;
	/** The nesting depth at which it is drawn. */
	readonly lane: number;
	readonly from: number;
	/** Inclusive. */
	readonly to: number;
	/** A thread says that the layout goes on although these rows sit elsewhere. */
	readonly kind: 'bar' | 'thread';
}

/** All routes in tree order with what covers them, then the states. */
export function roofline(resolved: ResolvedSite): Roofline {
	const { site, structure } = resolved;
	const marks = layoutMarks(structure);
	const rows = [...routeRows(resolved), ...stateRows(resolved)];
	const counts = new Map<string, number>();
	for (const row of rows) {
		if (row.kind === 'state') continue;
		for (const name of row.chain) counts.set(name, (counts.get(name) ?? 0) + 1);
	}
	const layouts = layoutsInOrder(structure).map((layout) => ({
		name: layout.name.text,
		at: layout.at.text,
		onRequest: layout.onRequest,
		mark: marks.get(layout.name.text) ?? { hue: 1, hatch: 1 },
		depth: structure.chainOf(layout).length,
		covers: counts.get(layout.name.text) ?? 0
	}));
	return { rows, layouts, routeCount: site.routes.length };
}

function routeRows(resolved: ResolvedSite): RooflineRow[] {
	const rows: (RooflineRow & { below: number })[] = [];
	const open: { pattern: Pattern; index: number }[] = [];
	for (const route of resolved.routes) {
		const { pattern } = route;
		while (open.length > 0) {
			const last = open.at(-1);
			if (last && last.pattern.segments.length > 0 && isWithin(pattern, last.pattern)) break;
			open.pop();
		}
		for (const { index } of open) {
			const above = rows[index];
			if (above) above.below++;
		}
		const parent = open.at(-1)?.pattern;
		const label = parent ? pattern.text.slice(parent.text.length) : pattern.text;
		open.push({ pattern, index: rows.length });
		rows.push(makeRow(resolved, route, label, open.length - 1));
	}
	return rows;
}

function stateRows(resolved: ResolvedSite): RooflineRow[] {
	return resolved.site.states.map((state) => makeRow(resolved, state, layerName(state), 0));
}

function makeRow(resolved: ResolvedSite, page: Page, label: string, depth: number): RooflineRow {
	const chain = resolved.structure.chainOf(page);
	const passedBy = layerPattern(page).upward.flatMap((key) => {
		const layout = resolved.structure.covering.get(key);
		return layout && !chain.includes(layout) ? [layout.name.text] : [];
	});
	return {
		page: layerName(page),
		kind: page.kind,
		label,
		title: page.title ? templateText(page.title) : '',
		admits: admittedRoles(page, resolved.structure),
		states: page.kind === 'route' ? statesAt(page, resolved) : [],
		pages: resolved.instances(page).length,
		depth,
		chain: chain.map((layout) => layout.name.text),
		bare: chain.length === 0,
		below: 0,
		passedBy
	};
}

/**
 * Whether two states of a site surely have the same roofline, so that the one that is drawn can stay:
 * the same data, and pages and layouts that differ in nothing that it shows.
 */
export function hasSameRoofline(a: ResolvedSite, b: ResolvedSite): boolean {
	return (
		a.site.values === b.site.values &&
		allAlike(a.site.routes, b.site.routes) &&
		allAlike(a.site.states, b.site.states) &&
		allAlike(a.site.layouts, b.site.layouts)
	);
}

function allAlike(a: readonly Layer[], b: readonly Layer[]): boolean {
	return a.length === b.length && a.every((layer, index) => isAlike(layer, b[index]));
}

function isAlike(a: Layer, b: Layer | undefined): boolean {
	return a === b || (b !== undefined && shownOf(a) === shownOf(b));
}

/** What the roofline shows of a declaration, or works out from it. */
function shownOf(layer: Layer): string {
	const { under } = layer;
	const title = layer.kind !== 'layout' && layer.title ? templateText(layer.title) : '';
	const pages =
		layer.kind !== 'route'
			? ''
			: layer.pages.kind === 'samples'
				? layer.pages.values.length
				: layer.pages.kind === 'each'
					? layer.pages.data.text
					: '';
	return JSON.stringify([
		layerName(layer),
		layerPattern(layer).text,
		layer.kind === 'layout' && layer.onRequest,
		layer.kind === 'state' ? [] : layer.admit.map((role) => role.text),
		under.kind,
		under.kind === 'named' ? under.name.text : '',
		title,
		pages
	]);
}

/** Whether a visitor is kept out of a page; one who sees all is kept out of none. */
export function isClosedFor({ admits, kind }: RooflineRow, role: string | undefined): boolean {
	const isOpen = role === undefined || admits.length === 0 || admits.includes(role);
	return kind === 'route' && !isOpen;
}

/** Rows that are left when branches are folded: what lies below a folded row is not shown. */
export function unfolded(rows: readonly RooflineRow[], folded: ReadonlySet<string>): RooflineRow[] {
	const shown: RooflineRow[] = [];
	for (let index = 0; index < rows.length; index++) {
		const row = rows[index];
		if (!row) break;
		shown.push(row);
		if (folded.has(row.page)) index += row.below;
	}
	return shown;
}

/** The folds that are left when a page is to be seen: those of the branches it lies in open. */
export function opened(
	rows: readonly RooflineRow[],
	folded: ReadonlySet<string>,
	page: string
): ReadonlySet<string> {
	const at = rows.findIndex((row) => row.page === page);
	const isOver = (row: RooflineRow, index: number): boolean =>
		index < at && at <= index + row.below;
	const over = rows.filter(isOver).map((row) => row.page);
	return over.some((one) => folded.has(one))
		? new Set([...folded].filter((one) => !over.includes(one)))
		: folded;
}

/** Rows that a search finds, by path or title. */
export function searchRows(rows: readonly RooflineRow[], words: string): RooflineRow[] {
	const wanted = words.trim().toLowerCase();
	return rows.filter(
		(row) => row.page.toLowerCase().includes(wanted) || row.title.toLowerCase().includes(wanted)
	);
}

/** The narrowest branch of the route tree in which two routes lie. */
export function branchOver(one: string, other: string): string {
	const [left, right] = [one.split('/'), other.split('/')];
	let length = 0;
	while (length < left.length && left[length] === right[length]) length++;
	return left.slice(0, length).join('/') || '/';
}

function statesAt({ pattern }: Route, { site }: ResolvedSite): string[] {
	return site.states
		.filter((state) => state.at.key === pattern.key)
		.map((state) => state.state.text);
}

/**
 * The bars and threads beside a list of rows, which may be a part of all rows where branches are
 * folded. A layout's lane is its nesting depth in the chain.
 */
export function rooflineRuns(
	rows: readonly RooflineRow[],
	layouts: readonly RooflineLayout[]
): RooflineRun[] {
	const depths = new Map(layouts.map((layout) => [layout.name, layout.depth]));
	const runs: RooflineRun[] = [];
	const open = new Map<
		string,
		{ layout: string; lane: number; from: number; kind: 'bar' | 'thread' }
	>();
	const close = (key: string, to: number): void => {
		const run = open.get(key);
		if (run) runs.push({ ...run, to });
		open.delete(key);
	};
	for (const [index, row] of rows.entries()) {
		const above = rows[index - 1];
		if (above && standsAlike(row, above)) continue;
		const here = new Map<string, { layout: string; lane: number; kind: 'bar' | 'thread' }>();
		for (const [lane, layout] of row.chain.entries()) {
			here.set(`bar ${layout} ${lane}`, { layout, lane, kind: 'bar' });
		}
		if (row.kind === 'route') {
			for (const layout of row.passedBy) {
				const lane = depths.get(layout) ?? 0;
				if (row.chain[lane] !== undefined) continue;
				here.set(`thread ${layout} ${lane}`, { layout, lane, kind: 'thread' });
			}
		}
		const startsGroup = above !== undefined && above.kind !== row.kind;
		for (const key of [...open.keys()]) {
			if (startsGroup || !here.has(key)) close(key, index - 1);
		}
		for (const [key, run] of here) {
			if (!open.has(key)) open.set(key, { ...run, from: index });
		}
	}
	for (const key of [...open.keys()]) close(key, rows.length - 1);
	return runs.sort((a, b) => a.lane - b.lane || a.from - b.from);
}

/** Whether nothing begins or ends between two rows: both sit under the same, and are passed by the same. */
function standsAlike(row: RooflineRow, above: RooflineRow): boolean {
	return (
		row.kind === above.kind &&
		sameWords(row.chain, above.chain) &&
		sameWords(row.passedBy, above.passedBy)
	);
}

function sameWords(one: readonly string[], other: readonly string[]): boolean {
	return one.length === other.length && one.every((word, at) => word === other[at]);
}
