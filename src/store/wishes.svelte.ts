import type { Proposal, Wish } from '$core/edit/wish.ts';
import { store } from './site.svelte.ts';

type Edit = Extract<Proposal, { kind: 'edit' }>;

/** Edits asked for on the drawings: made at once, or after the user has seen what else they change. */
class Wishes {
	/** An edit with consequences, waiting for the user's word. */
	asking = $state.raw<{ readonly wish: Wish; readonly edit: Edit } | undefined>();
	/** Pages that the edit under the pointer would change. */
	touched = $state.raw<ReadonlySet<string>>(new Set());
	private previews = 0;
	private last: Promise<void> = Promise.resolve();

	/** Carries a wish out, or asks first, or says why it cannot be. Gives whether it was carried out. */
	make(wish: Wish): Promise<boolean> {
		this.forget();
		return this.inTurn(async () => {
			const proposal = await this.proposeNow(wish);
			if (proposal.kind === 'refused') {
				store.notice = { kind: 'fault', sentence: proposal.sentence };
				return false;
			}
			if (proposal.consequences.length > 0) {
				this.asking = { wish, edit: proposal };
				return false;
			}
			await this.carryOut(proposal, false);
			return true;
		});
	}

	/** Carries out what was asked about. */
	agree(): Promise<void> {
		const { asking } = this;
		this.asking = undefined;
		return this.inTurn(async () => {
			const proposal = asking && (await this.proposeNow(asking.wish));
			if (proposal?.kind === 'edit') await this.carryOut(proposal, false);
		});
	}

	/** A wish that comes with each key: refused without a notice; gives the sentence instead. */
	type(wish: Wish): Promise<string | undefined> {
		return this.inTurn(async () => {
			const proposal = await this.proposeNow(wish);
			if (proposal.kind === 'refused') return proposal.sentence;
			await this.carryOut(proposal, true);
			return undefined;
		});
	}

	/** Marks the pages that a wish would change, until `forget` or the next one. */
	async preview(wish: Wish): Promise<void> {
		const turn = ++this.previews;
		const touched = await store.core.touches(wish);
		if (turn === this.previews) this.touched = new Set(touched);
	}

	forget(): void {
		this.previews++;
		if (this.touched.size > 0) this.touched = new Set();
	}

	/** One wish after the other: each is worked out on the text that the one before it left. */
	private inTurn<T>(task: () => Promise<T>): Promise<T> {
		const result = this.last.then(task);
		this.last = result.then(
			() => undefined,
			() => undefined
		);
		return result;
	}

	/** The edit for a wish on the text as it is now; worked out again where the text changed meanwhile. */
	private async proposeNow(wish: Wish): Promise<Proposal> {
		for (;;) {
			const { texts } = store;
			const proposal = await store.core.propose(wish);
			if (texts === store.texts) return proposal;
		}
	}

	private async carryOut(edit: Edit, typing: boolean): Promise<void> {
		store.notice = undefined;
		if (edit.changes.length > 0) await store.apply(edit.changes, edit.label, typing);
	}
}

export const wishes = new Wishes();
