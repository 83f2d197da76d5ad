import type { Mend } from '$core/messages/problem.ts';
import { store } from './site.svelte.ts';

/** Makes the change that takes a problem away, as one step that can be undone. */
export async function mendProblem({ label, span, insert }: Mend): Promise<void> {
	const { file, from, to } = span;
	await store.apply([{ kind: 'edit', file, from, to, insert }], label);
}
