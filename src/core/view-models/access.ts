import { layerRef } from '../model/layer-ref.ts';
import { layerName, type Layer } from '../model/site.ts';
import type { Span } from '../model/span.ts';
import type { LayerRef } from '../model/command.ts';
import { admittingLayers, keptOutBy, rolesOf } from '../resolve/roles.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { nearestState } from '../resolve/structure.ts';

/** Who may open what: every route by every role. */
export interface AccessTable {
	/** The first is whoever has not signed in. */
	readonly roles: readonly string[];
	readonly rows: readonly AccessRow[];
}

export interface AccessRow {
	readonly route: string;
	/** How many pages the route is. */
	readonly pages: number;
	/** The routes above it. */
	readonly depth: number;
	/** One for each role. */
	readonly cells: readonly AccessCell[];
}

export interface AccessCell {
	readonly role: string;
	readonly opens: boolean;
	/** What a visitor of this role gets: 200, or 403 (HTTP, RFC 9110, section 15). */
	readonly status: 200 | 403;
	/** The layer whose word decides it; undefined where no layer says anything, so that everyone is let in. */
	readonly by: AccessWord | undefined;
	/** The state that is shown in place of a closed page; undefined where there is none. */
	readonly shows: string | undefined;
}

/** Where it is said who is let in. */
export interface AccessWord {
	readonly layer: LayerRef;
	/** As it is written. */
	readonly says: string;
	readonly span: Span;
}

/** The access table of a site. */
export function accessTable(resolved: ResolvedSite): AccessTable {
	const { site, structure } = resolved;
	const roles = site.settings.roles.map(({ text }) => text);
	const words = new Map<Layer, AccessWord>();
	const wordOf = (layer: Layer | undefined): AccessWord | undefined => {
		if (!layer) return undefined;
		const known = words.get(layer) ?? accessWord(layer);
		if (known) words.set(layer, known);
		return known;
	};
	const rows = resolved.routes.map((route): AccessRow => {
		const saying = admittingLayers(route, structure);
		const denied = new Lazy(() => nearestState(site, route.pattern.text, 'denied'));
		const cells = roles.map((role): AccessCell => {
			const closing = saying.length === 0 ? undefined : keptOutBy(route, role, structure);
			const opens = closing === undefined;
			const state = opens ? undefined : denied.value;
			return {
				role,
				opens,
				status: opens ? 200 : 403,
				by: wordOf(closing ?? saying.at(-1)),
				shows: state && layerName(state)
			};
		});
		const depth = route.pattern.segments.length;
		return { route: route.pattern.text, pages: resolved.instances(route).length, depth, cells };
	});
	return { roles, rows };
}

class Lazy<T> {
	private made: { readonly value: T } | undefined;

	constructor(private readonly make: () => T) {}

	get value(): T {
		this.made ??= { value: this.make() };
		return this.made.value;
	}
}

function accessWord(layer: Layer): AccessWord | undefined {
	const roles = rolesOf(layer);
	const [first, last] = [roles[0], roles.at(-1)];
	if (!first || !last) return undefined;
	return {
		layer: layerRef(layer),
		says: `admit ${roles.map(({ text }) => text).join(' ')}`,
		span: { ...first.span, to: last.span.to }
	};
}

/** The table as comma-separated values (RFC 4180), with the place of each word. */
export function accessCsv({ roles, rows }: AccessTable, place: (span: Span) => string): string {
	const lines = rows.map(({ route, pages, cells }) => [
		route,
		String(pages),
		...cells.flatMap(({ status, by }) => [
			String(status),
			by === undefined ? '' : `${by.says} (${place(by.span)})`
		])
	]);
	const head = ['route', 'pages', ...roles.flatMap((role) => [role, `${role} by`])];
	return [head, ...lines].map((line) => line.map(csvField).join(',') + '\r\n').join('');
}

/** A field that a spreadsheet might take for a formula stands behind an apostrophe. */
function csvField(text: string): string {
	const safe = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
	return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}
