import type { Command } from '$core/model/command.ts';
import type { Edit, Refusal } from '$core/edit/proposal.ts';
import { listWords, reasonOf } from '$core/messages/wording.ts';
import type { Preview } from '$workers/messages.ts';
import { showPlace } from './address.ts';
import { PreviewSource } from './ways/preview-source.ts';
import { store, type Done } from './site.svelte.ts';

interface MarkedBands {
	readonly names: readonly string[];
	/** The texts as the edit left them, once it is made. */
	readonly done: ReadonlyMap<string, string> | undefined;
}

const noBands: MarkedBands = { names: [], done: undefined };
/** ms until all pages are asked about: what a command does to the page in sight comes at once. */
const restTime = 250;
/** ms for which what an edit has changed is marked. */
const markedFor = 6000;

/** Edits asked for on the drawings: made at once, or after the user has seen what else they change. */
class Commands {
	/** An edit with consequences, waiting for the user's word. */
	asking = $state.raw<
		| { readonly command: Command; readonly edit: Edit; readonly answer: (done: boolean) => void }
		| undefined
	>();
	/** What the edit under the pointer would make of the page that is shown. */
	preview = $state.raw<Preview | undefined>();
	/** Pages that the edit under the pointer would change. */
	touched = $state.raw<ReadonlySet<string>>(new Set());
	/** Bands that the edit under the pointer would change, or that the last one has changed. */
	private marked = $state.raw<MarkedBands>(noBands);
	private turn = 0;
	private wanted: Command | undefined;
	private looking = false;
	private rest: ReturnType<typeof setTimeout> | undefined;
	private last: Promise<unknown> = Promise.resolve();
	private readonly source = new PreviewSource(() => this.forget());

	/** Carries a command out, or asks first, or says why it cannot be. Gives whether it was carried out. */
	async make(command: Command): Promise<boolean> {
		const done = await this.ask(command);
		if (done.kind === 'refused') this.sayRefused(done);
		return done.kind === 'made';
	}

	/**
	 * The same, but the sentence of a refusal is given back, to be shown where the command was made; undefined
	 * where it was carried out, and nothing to say where the user did not agree.
	 */
	async attempt(command: Command): Promise<string | undefined> {
		const done = await this.ask(command);
		if (done.kind === 'refused') return done.sentence;
		return done.kind === 'made' ? undefined : '';
	}

	private ask(command: Command): Promise<Refusal | { readonly kind: 'made' | 'declined' }> {
		this.forget();
		this.dropRefusal();
		return this.inTurn(async () => {
			const done = await this.send(command, false, false);
			if (done.kind !== 'asks') return done;
			const agreed = await new Promise<boolean>((answer) => {
				this.asking = { command, edit: done.proposal, answer };
			});
			return { kind: agreed ? 'made' : 'declined' } as const;
		});
	}

	/** Carries out what was asked about. */
	async agree(): Promise<void> {
		const { asking } = this;
		this.asking = undefined;
		if (!asking) return;
		const done = await this.send(asking.command, true, false);
		if (done.kind === 'refused') this.sayRefused(done);
		asking.answer(done.kind === 'made');
	}

	/** Leaves what was asked about as it is. */
	decline(): void {
		this.asking?.answer(false);
		this.asking = undefined;
	}

	/** A command that comes with each key: refused without a notice; gives the sentence instead. */
	type(command: Command): Promise<string | undefined> {
		return this.inTurn(async () => {
			const done = await this.send(command, true, true);
			return done.kind === 'refused' ? done.sentence : undefined;
		});
	}

	/**
	 * Shows what a command would do: on the page at once, on all others once the pointer rests; until `forget`,
	 * the next one, or what it came from is gone. Where commands come faster than they can be drawn, the newest is.
	 */
	look(command: Command): void {
		this.turn++;
		this.wanted = command;
		this.source.follow();
		this.dropRefusal();
		if (!this.looking) void this.lookOn();
	}

	private async lookOn(): Promise<void> {
		this.looking = true;
		while (this.wanted) {
			const { wanted: command, turn } = this;
			this.wanted = undefined;
			const page = store.page;
			const asked = { page: page?.page ?? '', address: page?.address, ...store.seeing };
			const preview = await store.core.proposals.look(command, asked).catch((failure: unknown) => {
				store.sayFailure('What this would do could not be worked out', failure);
			});
			if (turn !== this.turn) continue;
			this.preview = preview || undefined;
			this.marked = { names: preview?.bands ?? [], done: undefined };
			clearTimeout(this.rest);
			this.rest = setTimeout(() => void this.lookAround(command, turn), restTime);
		}
		this.looking = false;
	}

	private async lookAround(command: Command, turn: number): Promise<void> {
		const { pages } = await store.core.proposals.touches(command).catch((failure: unknown) => {
			store.sayFailure('Which pages this would change could not be worked out', failure);
			return { pages: [] };
		});
		if (turn === this.turn) this.touched = new Set(pages);
	}

	/** Says why something was not done; it stands until something else is pointed at or done. */
	sayRefused({ sentence, at }: Refusal): void {
		const act = at && { label: 'Show the place', run: () => void showPlace(at) };
		store.notice = {
			kind: 'refused',
			sentence: `${sentence} Nothing was changed.`,
			...(act && { act })
		};
	}

	private dropRefusal(): void {
		if (store.notice?.kind === 'refused') store.notice = undefined;
	}

	forget(): void {
		this.source.leave();
		clearTimeout(this.rest);
		this.turn++;
		this.wanted = undefined;
		this.preview = undefined;
		if (this.touched.size > 0) this.touched = new Set();
		if (this.marked.done === undefined) this.marked = noBands;
	}

	/** What the edit under the pointer would do to a band, or the last one has done; for a while, until the text changes. */
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

	/** One command after the other: each is worked out on the text that the one before it left. */
	private inTurn<T>(task: () => Promise<T>): Promise<T> {
		const result = this.last.then(task);
		// Whoever asked for it is told by `result`; here it is only over.
		this.last = result.then(over, over);
		return result;
	}

	private async send(command: Command, agreed: boolean, typing: boolean): Promise<Done> {
		try {
			const done = await store.make(command, agreed, typing);
			if (done.kind !== 'made') return done;
			store.notice = undefined;
			this.mark(done.proposal.bands);
			return done;
		} catch (failure) {
			return { kind: 'refused', sentence: `That could not be done: ${reasonOf(failure)}.` };
		}
	}

	private mark(names: readonly string[]): void {
		const marked: MarkedBands = names.length > 0 ? { names, done: store.texts } : noBands;
		this.marked = marked;
		if (names.length === 0) return;
		setTimeout(() => {
			if (this.marked === marked) this.marked = noBands;
		}, markedFor);
	}
}

/** What comes next does not look at how it ended. */
function over(): void {}

export const commands = new Commands();
