import type { Choice } from '$core/in-step/merge.ts';
import type { InStep, Report, Unreadable } from '$core/in-step/in-step.ts';
import { PlaceFailure } from '$core/in-step/place.ts';
import type { Conflict } from '$core/in-step/reconcile.ts';
import { reasonOf } from '$core/messages/wording.ts';
import { store } from '../site.svelte.ts';
import { mayWrite, observed } from './file-system-access.ts';
import type { HandlePlace } from './handle-place.ts';
import type { ServedPlace } from './served-place.ts';
import { agreedOf, dropTie, tieOf, type Tie } from './ties.ts';

/** ms after an edit until it is written. */
const afterEdit = 300;
/** ms until one looks again where something is on its way. */
const soon = 120;
/** ms between two looks where nothing is; more where a look takes long. */
const nowAndThen = 1500;
const share = 20;

/** How the open site and its folder stand to each other. */
export type FolderState =
	/** It is in no folder. */
	| { readonly kind: 'none' }
	| { readonly kind: 'opening' }
	| { readonly kind: 'in step' }
	/** Edits are kept in this browser alone, until that is mended. */
	| { readonly kind: 'apart'; readonly why: PlaceFailure['why']; readonly sentence: string };

/** The pair that is kept in step. */
interface Tied {
	readonly tie: Tie;
	readonly pair: InStep;
	/** Ends being told of changes. */
	readonly end: () => void;
	/** The next look, and when it is due (ms, as `performance.now` counts). */
	next: { readonly due: number; readonly timer: ReturnType<typeof setTimeout> } | undefined;
}

/** Keeps the open site in step with a folder, where it has one. */
class FolderStore {
	state = $state.raw<FolderState>({ kind: 'none' });
	name = $state('');
	conflicts = $state.raw<readonly Conflict[]>([]);
	unreadable = $state.raw<readonly Unreadable[]>([]);
	/** What came from the folder last, and when (ms). */
	taken = $state.raw<{ readonly paths: readonly string[]; readonly at: number } | undefined>();
	/** The window with the folder's state is open. */
	shown = $state(false);
	private tied: Tied | undefined;
	private turn = 0;
	/** The token of the folder that the command line has opened for this tab. */
	private served: ServedPlace | undefined;

	/** The open site is another, or who writes it: its folder, if it has one, is gone on with. */
	async follow(): Promise<void> {
		const { id, writes } = store;
		if (writes && this.tied?.tie.id === id) return;
		const turn = ++this.turn;
		this.stop();
		if (id === '' || !writes) return;
		const tie = await tieOf(id).catch(() => undefined);
		if (turn === this.turn && tie) await this.begin(tie, false);
	}

	/** Goes on with a folder; `ask`: the user may be asked for permission, since they clicked. */
	async begin(tie: Tie, ask: boolean): Promise<void> {
		const turn = ++this.turn;
		this.stop();
		this.name = tie.name;
		this.state = { kind: 'opening' };
		try {
			const { handlePlace, pairOf } = await import('./pair.ts');
			const place: HandlePlace | ServedPlace =
				tie.at.kind === 'handle' ? handlePlace(tie.at.handle) : this.servedPlace();
			if (tie.at.kind === 'handle' && !(await mayWrite(tie.at.handle, ask))) {
				throw new PlaceFailure('closed', 'The browser needs your permission to write there.');
			}
			const agreed = await agreedOf(tie.id);
			if (turn !== this.turn || store.id !== tie.id) return;
			const pair = pairOf(place, tie.id, agreed);
			const changed = (): void => this.lookIn(soon);
			const end = 'folder' in place ? await observed(place.folder, changed) : place.follow(changed);
			if (turn !== this.turn) return end();
			const tied: Tied = { tie, pair, end, next: undefined };
			this.tied = tied;
			await this.look(tied);
		} catch (failure) {
			if (turn === this.turn) this.sayApart(failure);
		}
	}

	/** The folder that the command line has opened, once this tab has its token. */
	serve(place: ServedPlace): void {
		this.served = place;
	}

	private servedPlace(): ServedPlace {
		if (this.served) return this.served;
		throw new PlaceFailure(
			'gone',
			'The command line has opened this folder before. Open it again with long-eave open.'
		);
	}

	/** Something was edited here. */
	edited(): void {
		this.lookIn(afterEdit);
	}

	/** Someone comes back to this window. */
	returned(): void {
		this.lookIn(0);
	}

	/** Tries again, after something stood in the way. */
	async again(): Promise<void> {
		const tie = this.tied?.tie ?? (await tieOf(store.id).catch(() => undefined));
		if (tie) await this.begin(tie, true);
	}

	/** The site is written to a folder from which it was taken away. */
	async writeAgain(): Promise<void> {
		const { tied } = this;
		tied?.pair.writeAgain();
		if (tied) await this.look(tied);
	}

	/** Ends a conflict; gives whether it was still the one that was shown. */
	async choose(conflict: Conflict, choices: readonly Choice[]): Promise<boolean> {
		const { tied } = this;
		if (!tied) return false;
		// The site may be another tab's by now: then nothing is chosen, and the next look says so.
		const chosen = await tied.pair.choose(conflict, choices).catch((failure: unknown) => {
			if (this.tied === tied) this.sayApart(failure);
			return false;
		});
		await this.look(tied);
		return chosen;
	}

	/** The site and the folder go their own ways; both stay as they are. */
	async leave(): Promise<void> {
		this.turn++;
		this.stop();
		this.shown = false;
		await dropTie(store.id);
	}

	private stop(): void {
		clearTimeout(this.tied?.next?.timer);
		this.tied?.end();
		this.tied = undefined;
		this.state = { kind: 'none' };
		this.conflicts = [];
		this.unreadable = [];
		this.taken = undefined;
	}

	/** Looks after so many ms, or sooner where that is due. */
	private lookIn(wait: number): void {
		const { tied } = this;
		if (!tied) return;
		const due = performance.now() + wait;
		if (tied.next && tied.next.due <= due) return;
		clearTimeout(tied.next?.timer);
		const timer = setTimeout(() => {
			tied.next = undefined;
			void this.look(tied);
		}, wait);
		tied.next = { due, timer };
	}

	private async look(tied: Tied): Promise<void> {
		const from = performance.now();
		let isRestless = false;
		try {
			const report = await tied.pair.look();
			if (this.tied !== tied) return;
			this.take(report);
			isRestless = report.restless;
		} catch (failure) {
			if (this.tied !== tied) return;
			this.sayApart(failure);
		}
		// Where nothing tells of changes, one has to look.
		const took = performance.now() - from;
		this.lookIn(isRestless ? soon : Math.max(nowAndThen, took * share));
	}

	private take({ taken, conflicts, unreadable, restless }: Report): void {
		if (this.state.kind !== 'in step' && !restless) this.state = { kind: 'in step' };
		if (taken.length > 0) this.taken = { paths: taken, at: Date.now() };
		if (conflicts.length + this.conflicts.length > 0) this.conflicts = conflicts;
		if (unreadable.length + this.unreadable.length > 0) this.unreadable = unreadable;
	}

	private sayApart(failure: unknown): void {
		const known = failure instanceof PlaceFailure;
		if (!known) console.error('The folder could not be kept in step', failure);
		const [why, sentence] = known
			? [failure.why, failure.message]
			: (['refused', `${reasonOf(failure)}.`] as const);
		const { state } = this;
		const isSaid = state.kind === 'apart' && state.sentence === sentence;
		if (!isSaid) this.state = { kind: 'apart', why, sentence };
	}
}

export const folder = new FolderStore();
