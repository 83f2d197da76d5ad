import { reasonOf } from '$core/messages/wording.ts';
import type { SiteFiles } from '$core/model/files.ts';
import { filesBefore } from '../keep/history.ts';
import { states } from '../states.svelte.ts';
import { store } from '../site.svelte.ts';

/** One of two states that are compared, as the menus have it: `now`, `file`, `step N` (back) or `state ID`. */
export type Compared = 'now' | 'file' | `step ${number}` | `state ${string}`;

/** Which two states of the site before and after shows. */
class Comparing {
	open = $state(false);
	before = $state<Compared>('step 1');
	after = $state<Compared>('now');
	/** A file that was chosen to compare with. */
	file = $state.raw<{ readonly name: string; readonly files: SiteFiles } | undefined>();

	/** Shows what became of a state. */
	begin(before: Compared): void {
		this.before = before;
		this.after = 'now';
		this.open = true;
	}

	/** The files of both; without `before` there is nothing to compare, without `after` it is the open site. */
	async both(): Promise<{ before: SiteFiles | undefined; after: SiteFiles | undefined }> {
		const { before, after } = this;
		return {
			before: await this.filesOf(before),
			after: after === 'now' ? undefined : await this.filesOf(after)
		};
	}

	async takeFile(chosen: File): Promise<void> {
		try {
			const taken = await store.core.takeIn(
				chosen.name,
				new Uint8Array(await chosen.arrayBuffer())
			);
			if ('refused' in taken) {
				store.say(taken.refused);
				return;
			}
			this.file = { name: chosen.name, files: taken };
			this.before = 'file';
		} catch (failure) {
			store.say(`${chosen.name} cannot be read: ${reasonOf(failure)}.`);
		}
	}

	private async filesOf(compared: Compared): Promise<SiteFiles | undefined> {
		// Without its history, of which nothing is asked.
		const { texts, assets, history } = store.work;
		if (compared === 'now') return { texts, assets };
		if (compared === 'file') return this.file?.files;
		const [kind, which = ''] = compared.split(' ');
		if (kind === 'state') {
			const state = states.all.find(({ id }) => id === which);
			return state && (await states.filesOf(state));
		}
		const steps = Math.min(Number(which), history.past.length);
		if (steps === 0) return undefined;
		const earlier = filesBefore({ texts, assets }, history, steps);
		return { texts: earlier.texts, assets: earlier.assets };
	}
}

export const comparing = new Comparing();
