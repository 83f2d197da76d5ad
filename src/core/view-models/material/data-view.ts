import { inferShape, readShape, shapeText } from '../../data/shape.ts';
import { jsonOf } from '../../edit/content/data.ts';
import { Memory } from '../../lib/memory.ts';
import { copyPath, type DataSource, type Freshness, type Site } from '../../model/site.ts';
import { decodeUtf8 } from '../../lib/utf8.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { kindOfValue, textOf } from '../../resolve/content/values.ts';
import { usesAt, type Use } from './uses.ts';
import { generalPath, valueUses, type ValueUse } from '../../resolve/content/value-uses.ts';

/** A source of shared data, with each of its values. */
export interface DataView {
	readonly name: string;
	readonly from: string;
	readonly isUrl: boolean;
	/** As it is written: `60s`, or one of the words. */
	readonly fresh: string;
	readonly failed: DataSource['failed'];
	readonly shape: string | undefined;
	/** The file in the site that holds its JSON, or a copy of it. */
	readonly file: string;
	/** The JSON as it lies in the site; undefined where there is no such file. */
	readonly text: string | undefined;
	readonly rows: readonly DataRow[];
	/** Rows beyond those that are listed. */
	readonly more: number;
	/** Lists whose members are groups of values: they can be looked at as tables. */
	readonly tables: readonly DataTable[];
	/** The shape that it has now, as JSON Schema. */
	readonly inferred: string;
	/** Where it does not keep to the shape that is kept. */
	readonly mismatches: readonly string[];
	readonly uses: readonly Use[];
}

/** One value, by the way to it. */
export interface DataRow {
	readonly path: readonly (string | number)[];
	readonly label: string;
	readonly kind: 'group' | 'list' | 'text' | 'number' | 'boolean' | 'empty';
	/** The value as text, or what it is. */
	readonly says: string;
	/** The value itself, where it is no list or group. */
	readonly value: string | number | boolean | null;
	/** Places that use it; for lists and groups, the whole of it. */
	readonly uses: readonly ValueUseView[];
	/** Nothing uses it, or anything in it. */
	readonly idle: boolean;
}

export interface ValueUseView extends Use {
	readonly piece: string | undefined;
}

export interface DataTable {
	readonly path: readonly (string | number)[];
	readonly label: string;
	readonly columns: readonly string[];
	readonly cells: readonly (readonly (string | number | boolean | null | undefined)[])[];
	/** Routes that have one page for each member. */
	readonly pages: readonly string[];
}

/** Values that are listed; more are in the text. */
const mostRows = 400;
const mostMembers = 300;

/** Every source of shared data. */
export function dataViews(resolved: ResolvedSite): DataView[] {
	const uses = valueUses(resolved.site);
	return resolved.site.data.map((source) => dataView(source, resolved, uses));
}

const texts = new Memory<Uint8Array, string>();

function dataView(source: DataSource, resolved: ResolvedSite, uses: readonly ValueUse[]): DataView {
	const { site, reading } = resolved;
	const name = source.name.text;
	const value = site.values.get(name);
	const own = uses.filter(({ path }) => path === name || path.startsWith(`${name}.`));
	const bytes = reading.files.assets.get(copyPath(source));
	const rows = [...rowsOf(value, [], own, name, resolved)];
	return {
		name,
		from: source.from.text,
		isUrl: source.isUrl,
		fresh: freshWord(source.fresh),
		failed: source.failed,
		shape: source.shape?.text,
		file: copyPath(source),
		text: bytes && texts.get(bytes, [], () => jsonOf(resolved, source) ?? ''),
		rows: rows.slice(0, mostRows),
		more: Math.max(0, rows.length - mostRows),
		tables: [...tablesOf(value, [], name, site)],
		inferred: value === undefined ? '' : shapeText(inferShape(value)),
		mismatches: mismatchesOf(source, value, resolved),
		uses: usesAt(
			resolved,
			own.map(({ span }) => span)
		)
	};
}

function freshWord(fresh: Freshness): string {
	return fresh.kind === 'for' ? `${fresh.seconds}s` : fresh.kind;
}

function mismatchesOf(source: DataSource, value: unknown, { reading }: ResolvedSite): string[] {
	const bytes = source.shape && reading.files.assets.get(source.shape.text);
	if (!bytes || value === undefined) return [];
	try {
		const schema: unknown = JSON.parse(decodeUtf8(bytes));
		const shape = readShape(schema);
		if (shape.kind === 'unusable') return [`The shape cannot be used: ${shape.why}.`];
		return shape
			.find(value)
			.slice(0, 20)
			.map(({ path, why }) => `${path.length === 0 ? 'The whole' : path.join('.')}: ${why}.`);
	} catch {
		return ['The shape is not JSON.'];
	}
}

function* rowsOf(
	value: unknown,
	path: readonly (string | number)[],
	uses: readonly ValueUse[],
	name: string,
	resolved: ResolvedSite
): Generator<DataRow> {
	if (value === undefined) return;
	const general = path.length === 0 ? name : `${name}.${generalPath(path)}`;
	const here = uses.filter((use) => use.path === general);
	const inside = uses.some((use) => use.path.startsWith(`${general}.`));
	const places = usesAt(
		resolved,
		here.map(({ span }) => span)
	);
	yield {
		path,
		label: path.length === 0 ? name : String(path.at(-1)),
		kind: kindOf(value),
		says: textOf(value) ?? wordsFor(value),
		value: plainOf(value),
		uses: places.map((place, index) => ({ ...place, piece: here[index]?.piece })),
		idle: here.length === 0 && !inside
	};
	if (path.length > 20) return;
	if (Array.isArray(value)) {
		const members: readonly unknown[] = value;
		for (const [index, member] of members.slice(0, mostMembers).entries()) {
			yield* rowsOf(member, [...path, index], uses, name, resolved);
		}
	} else if (typeof value === 'object' && value !== null) {
		for (const [key, inner] of Object.entries(value)) {
			yield* rowsOf(inner, [...path, key], uses, name, resolved);
		}
	}
}

function kindOf(value: unknown): DataRow['kind'] {
	if (Array.isArray(value)) return 'list';
	if (value === null) return 'empty';
	if (typeof value === 'object') return 'group';
	if (typeof value === 'number') return 'number';
	return typeof value === 'boolean' ? 'boolean' : 'text';
}

function wordsFor(value: unknown): string {
	if (Array.isArray(value)) return `${value.length} ${value.length === 1 ? 'member' : 'members'}`;
	return value === null ? 'nothing' : kindOfValue(value);
}

function plainOf(value: unknown): DataRow['value'] {
	return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean'
		? value
		: null;
}

function* tablesOf(
	value: unknown,
	path: readonly (string | number)[],
	name: string,
	site: Site
): Generator<DataTable> {
	if (Array.isArray(value)) {
		const members: readonly unknown[] = value;
		const groups = members.filter((one): one is object => kindOf(one) === 'group');
		// A list without members can still get columns.
		if (groups.length === members.length) {
			const columns = [...new Set(groups.flatMap((one) => Object.keys(one)))];
			const label = [name, ...path].join('.');
			yield {
				path,
				label,
				columns,
				cells: groups.slice(0, mostMembers).map((one) => {
					const entries = new Map<string, unknown>(Object.entries(one));
					return columns.map((column) => {
						const cell = entries.get(column);
						return cell === undefined ? undefined : plainOf(cell);
					});
				}),
				pages: site.routes.flatMap(({ pages, pattern }) =>
					pages.kind === 'each' && pages.data.text === `data.${label}` ? [pattern.text] : []
				)
			};
		}
		return;
	}
	if (kindOf(value) !== 'group' || path.length > 6) return;
	for (const [key, inner] of Object.entries(value ?? {})) {
		yield* tablesOf(inner, [...path, key], name, site);
	}
}
