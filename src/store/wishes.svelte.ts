import type { Wish } from '$core/model/wish.ts';
import type { Proposal } from '$core/edit/proposal.ts';
import { listWords } from '$core/messages/problem.ts';
import { store } from './site.svelte.ts';

type Edit = Extract<Proposal, { kind: 'edit' }>;

interface MarkedBands {
	readonly names: readonly string[];
	/** The texts as the edit left them, once it is made. */
	readonly done: ReadonlyMap<string, string> | undefined;
}

const noBands: MarkedBands = { names: [], done: undefined };

/** Edits asked for on the drawings: made at once, or after the user has seen what else they change. */
class Wishes {
	/** An edit with consequences, waiting for the user's word. */
	asking = $state.raw<{ readonly wish: Wish; readonly edit: Edit } | undefined>();
	/** Pages that the edit under the pointer would change. */
	touched = $state.raw<ReadonlySet<string>>(new Set());
	/** Bands that the edit under the pointer would change, or that the last one has changed. */
	private marked = $state.raw<MarkedBands>(noBands);
	private previews = 0;
	private wait: ReturnType<typeof setTimeout> | undefined;
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

	/** Marks the pages and bands that a wish would change, until `forget` or the next one. */
	async preview(wish: Wish): Promise<void> {
		clearTimeout(this.wait);
		const turn = ++this.previews;
		const { pages, bands } = await store.core.touches(wish);
		if (turn !== this.previews) return;
		this.touched = new Set(pages);
		this.marked = { names: bands, done: undefined };
	}

	/** The same for a wish that changes with each move of the pointer, once it rests a moment. */
	previewSoon(wish: Wish): void {
		clearTimeout(this.wait);
		this.wait = setTimeout(() => void this.preview(wish), 120);
	}

	forget(): void {
		clearTimeout(this.wait);
		this.previews++;
		if (this.touched.size > 0) this.touched = new Set();
		if (this.marked.done === undefined) this.marked = noBands;
	}

	/** What the edit under the pointer would do to a band, or the last one has done; until the text changes. */
	markOf(band: string): 'changes' | 'changed' | undefined {
		const { names, done } = this.marked;
		if (!names.includes(band) || (done !== undefined && done !== store.texts)) return undefined;
		return done === undefined ? 'changes' : 'changed';
	}

	/** Other bands that the edit under the pointer would change, in words; empty where there are none. */
	elsewhere(band: string): string {
		const others = this.marked.names.filter((name) => name !== band);
		return this.marked.done === undefined && others.length > 0 ? `also ${listWords(others)}` : '';
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
		if (edit.changes.length === 0) return;
		await store.apply(edit.changes, edit.label, typing);
		this.marked = edit.bands.length > 0 ? { names: edit.bands, done: store.texts } : noBands;
	}
}

export const wishes = new Wishes();
