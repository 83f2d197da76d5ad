import type { MendView } from '$workers/messages.ts';
import { store } from './site.svelte.ts';
import { commands } from './commands.svelte.ts';

/** Makes the change that takes a problem away, as one step that can be undone. */
export async function mendProblem(mend: MendView): Promise<void> {
	if (mend.kind === 'command') {
		await commands.make(mend.command);
		return;
	}
	const { file, from, to } = mend.span;
	await store.apply([{ kind: 'edit', file, from, to, insert: mend.insert }], mend.label);
}
