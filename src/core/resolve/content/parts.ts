import { Memory } from '../../lib/memory.ts';
import type { Part } from '../../model/site.ts';
import type { Template, UseTag } from '../../model/template.ts';

/** The parts of a site, by name. */
export interface PartBook {
	readonly list: readonly Part[];
	get(name: string): Part | undefined;
	readonly names: readonly string[];
	/** Whether a part has something put into it, so that its use ends with `{end}`. */
	wraps(name: string): boolean;
	/** The way round by which a part uses itself, from the part to itself; undefined where it does not. */
	cycleOf(name: string): readonly string[] | undefined;
}

const books = new Memory<readonly Part[], PartBook>();

/** The parts as a book; the same for the same list. */
export function partBook(parts: readonly Part[]): PartBook {
	return books.get(parts, [], () => makeBook(parts));
}

/** The uses of parts that stand in some text. */
export function usesIn(template: Template): UseTag[] {
	return template.parts.flatMap((one) =>
		typeof one !== 'string' && one.kind === 'use' ? [one] : []
	);
}

/** The parts that a text uses, by itself or through other parts. */
export function partsUsed(template: Template, parts: readonly Part[]): Part[] {
	const book = partBook(parts);
	const used = new Set<Part>();
	let edge = [template];
	while (edge.length > 0) {
		const next: Template[] = [];
		for (const { part: name } of edge.flatMap(usesIn)) {
			const part = book.get(name.text);
			if (!part || used.has(part)) continue;
			used.add(part);
			next.push(part.markup);
		}
		edge = next;
	}
	return [...used];
}

function makeBook(parts: readonly Part[]): PartBook {
	const byName = new Map(parts.map((part) => [part.name.text, part]));
	const wrapping = new Set(
		parts
			.filter(({ markup }) =>
				markup.parts.some((one) => typeof one !== 'string' && one.kind === 'content')
			)
			.map(({ name }) => name.text)
	);
	const cycles = new Map<string, readonly string[] | undefined>();
	return {
		list: parts,
		get: (name) => byName.get(name),
		names: [...byName.keys()],
		wraps: (name) => wrapping.has(name),
		cycleOf(name) {
			if (!cycles.has(name)) cycles.set(name, findCycle(name, byName));
			return cycles.get(name);
		}
	};
}

/** The shortest way from a part back to itself. */
function findCycle(name: string, byName: ReadonlyMap<string, Part>): readonly string[] | undefined {
	const from = new Map<string, string>();
	let edge = [name];
	while (edge.length > 0) {
		const next: string[] = [];
		for (const at of edge) {
			const part = byName.get(at);
			for (const { part: used } of part ? usesIn(part.markup) : []) {
				if (used.text === name) return wayTo(at, name, from);
				if (from.has(used.text) || !byName.has(used.text)) continue;
				from.set(used.text, at);
				next.push(used.text);
			}
		}
		edge = next;
	}
	return undefined;
}

function wayTo(last: string, name: string, from: ReadonlyMap<string, string>): string[] {
	const way = [name];
	for (let at: string | undefined = last; at !== undefined && at !== name; at = from.get(at)) {
		way.unshift(at);
	}
	return [name, ...way];
}
