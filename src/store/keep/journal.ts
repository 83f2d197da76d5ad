import * as z from 'zod/mini';
import type { SiteFiles } from '$core/model/files.ts';
import { applyChanges } from '$core/source/change.ts';
import { changeSchema, remember, type History } from './history.ts';

/**
 * What was done to a site, entry by entry, as it is kept and as other tabs hear of it. A site's text and
 * history are those of its last whole record with all later entries gone through; so an edit costs one
 * small write, and text and history never disagree, wherever a browser is stopped.
 */
export const entrySchema = z.discriminatedUnion('kind', [
	z.object({
		kind: z.literal('do'),
		/** Counts up from 1, without gaps. */
		number: z.int(),
		label: z.string(),
		changes: z.array(changeSchema),
		/** ms */
		at: z.number(),
		typing: z.boolean()
	}),
	z.object({ kind: z.literal('undo'), number: z.int() }),
	z.object({ kind: z.literal('redo'), number: z.int() })
]);

export type Entry = z.infer<typeof entrySchema>;

/** An entry that has no number yet. */
export type Action =
	| Omit<Extract<Entry, { kind: 'do' }>, 'number'>
	| { readonly kind: 'undo' }
	| { readonly kind: 'redo' };

/** A site's files with what was done to them, up to an entry. */
export interface Work extends SiteFiles {
	readonly history: History;
	/** The number of the last entry that is in it. */
	readonly number: number;
}

/** Gives the entry for an action; undefined where there is nothing to take back or do again. */
export function entryFor({ history, number }: Work, action: Action): Entry | undefined {
	if (action.kind === 'undo' && history.past.length === 0) return undefined;
	if (action.kind === 'redo' && history.future.length === 0) return undefined;
	return { ...action, number: number + 1 };
}

/** The changes of the files that an entry makes. */
export function changesOf(
	{ history }: Work,
	entry: Entry
): Extract<Entry, { kind: 'do' }>['changes'] {
	switch (entry.kind) {
		case 'do':
			return entry.changes;
		case 'undo':
			return [...(history.past.at(-1)?.inverse ?? [])];
		case 'redo':
			return [...(history.future.at(-1)?.changes ?? [])];
	}
}

/** The work after an entry. Throws a RangeError where it does not fit: it belongs to another text. */
export function advance(work: Work, entry: Entry): Work {
	if (entry.number !== work.number + 1) {
		throw new RangeError(`Entry ${entry.number} does not follow ${work.number}.`);
	}
	const { texts, assets, inverse } = applyChanges(work, changesOf(work, entry));
	const history = historyAfter(work.history, entry, inverse);
	return { texts, assets, history, number: entry.number };
}

function historyAfter(
	history: History,
	entry: Entry,
	inverse: ReturnType<typeof applyChanges>['inverse']
): History {
	const { past, future } = history;
	if (entry.kind === 'do') {
		const { label, changes, at, typing } = entry;
		return remember(history, { label, changes, inverse, at, typing });
	}
	const [from, step] = entry.kind === 'undo' ? [past, past.at(-1)] : [future, future.at(-1)];
	if (!step) return history;
	// Typing after it is a step of its own.
	const whole = { ...step, typing: false };
	return entry.kind === 'undo'
		? { past: from.slice(0, -1), future: [...future, whole] }
		: { past: [...past, whole], future: from.slice(0, -1) };
}

/** The work after all entries that follow it, in the order of their numbers; others do not count. */
export function advanceAll(work: Work, entries: readonly Entry[]): Work {
	const sorted = [...entries].sort((a, b) => a.number - b.number);
	return sorted.reduce((now, entry) => {
		return entry.number === now.number + 1 ? advance(now, entry) : now;
	}, work);
}
