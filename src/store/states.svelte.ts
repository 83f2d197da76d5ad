import { isLarge } from '$core/edit/large.ts';
import { changesBetween } from '$core/in-step/changes-between.ts';
import { reasonOf } from '$core/messages/wording.ts';
import type { SiteFiles } from '$core/model/files.ts';
import {
	dropState,
	filesOfState,
	keepState,
	listStates,
	renameState,
	type State
} from './keep/states.ts';
import { store } from './site.svelte.ts';

/** States of the open site that have a name: kept by hand, and by themselves before a large deed. */
class States {
	all = $state.raw<readonly State[]>([]);
	/** The window with all of them is open. */
	shown = $state(false);

	async open(): Promise<void> {
		await this.look();
		this.shown = true;
	}

	/** Looks which there are. */
	async look(): Promise<void> {
		const { id } = store;
		const found = await listStates(id).catch(() => []);
		if (id === store.id) this.all = found;
	}

	/** Keeps the site as it is now; gives the sentence where that cannot be. */
	keep(name: string): Promise<string | undefined> {
		if (name === '') return Promise.resolve('A state needs a name.');
		return this.attempt(() => keepState(this.fresh(name, 'hand'), store.work));
	}

	rename(state: State, name: string): Promise<string | undefined> {
		if (name === '') return Promise.resolve('A state needs a name.');
		return this.attempt(() => renameState(state, name));
	}

	forget(state: State): Promise<string | undefined> {
		return this.attempt(() => dropState(state));
	}

	/** The files of a state; where they cannot be read, that is said. */
	async filesOf(state: State): Promise<SiteFiles | undefined> {
		const files = await filesOfState(state).catch(() => undefined);
		if (!files)
			store.say(`What was kept as “${state.name}” cannot be read in this browser any more.`);
		return files;
	}

	/**
	 * Goes back to a state. How the site is now is kept as one, and going back is a step that undo takes back: so what
	 * came after is not lost either way.
	 */
	async goBack(state: State): Promise<string | undefined> {
		const files = await this.filesOf(state);
		if (!files) return undefined;
		const changes = changesBetween(store.work, files);
		if (changes.length === 0) return `The site is as it was in “${state.name}”.`;
		return this.attempt(async () => {
			const label = `Go back to ${state.name}`;
			// What is large is kept by itself.
			if (!isLarge(changes)) await keepState(this.fresh(`before “${label}”`, 'itself'), store.work);
			await store.apply(changes, label);
			this.shown = false;
		});
	}

	private fresh(name: string, by: State['by']): State {
		return { id: crypto.randomUUID(), site: store.id, name, at: Date.now(), by };
	}

	private async attempt(task: () => Promise<void>): Promise<string | undefined> {
		try {
			await task();
			await this.look();
			return undefined;
		} catch (failure) {
			return `The browser refused: ${reasonOf(failure)}.`;
		}
	}
}

export const states = new States();
