import * as z from 'zod/mini';
import type { SiteFiles } from '$core/model/files.ts';
import { applyChanges, type Change } from '$core/source/change.ts';

/** Undo reaches back at least this many steps. */
export const mostSteps = 600;

/** Typing that goes on within this time (ms) is one step. */
const typingPause = 900;

const fileBytes = z.custom<Uint8Array>((value) => value instanceof Uint8Array);

export const changeSchema = z.discriminatedUnion('kind', [
	z.object({
		kind: z.literal('edit'),
		file: z.string(),
		from: z.number(),
		to: z.number(),
		insert: z.string()
	}),
	z.object({ kind: z.literal('add'), file: z.string(), text: z.string() }),
	z.object({ kind: z.literal('put'), file: z.string(), bytes: fileBytes }),
	z.object({ kind: z.literal('move'), file: z.string(), to: z.string() }),
	z.object({ kind: z.literal('drop'), file: z.string() })
]);

const stepSchema = z.object({
	label: z.string(),
	changes: z.array(changeSchema),
	inverse: z.array(changeSchema),
	/** When it was made, ms; typing right after it joins it. */
	at: z.number(),
	typing: z.boolean()
});

export const historySchema = z.object({ past: z.array(stepSchema), future: z.array(stepSchema) });

/** One thing the user did, with the changes of the text that do it and that take it back. */
export interface Step {
	readonly label: string;
	readonly changes: readonly Change[];
	readonly inverse: readonly Change[];
	readonly at: number;
	readonly typing: boolean;
}

export interface History {
	readonly past: readonly Step[];
	readonly future: readonly Step[];
}

export const emptyHistory: History = { past: [], future: [] };

/** The history after a step. Typing that goes on joins the step before; what was undone is gone. */
export function remember(history: History, step: Step): History {
	const last = history.past.at(-1);
	const joins =
		last !== undefined && last.typing && step.typing && step.at - last.at < typingPause &&
		last.changes.at(-1)?.file === step.changes[0]?.file; // prettier-ignore
	const joined: Step = joins
		? {
				...last,
				changes: [...last.changes, ...step.changes],
				inverse: [...step.inverse, ...last.inverse],
				at: step.at
			}
		: step;
	const before = joins ? history.past.slice(0, -1) : history.past;
	return { past: [...before, joined].slice(-mostSteps), future: [] };
}

/** The files as they were before the last so many steps. */
export function filesBefore(
	files: SiteFiles,
	{ past }: Pick<History, 'past'>,
	steps: number
): SiteFiles {
	return past
		.slice(past.length - steps)
		.reduceRight<SiteFiles>((later, { inverse }) => applyChanges(later, inverse), files);
}
