import { isLarge } from '$core/edit/large.ts';
import { keepState } from './states.ts';
import { keepEntry, keepWork, KeptByAnother, whenEmptied } from './work.ts';
import { keepListed, type ListedSite } from './listing.ts';
import type { Entry, Work } from './journal.ts';

/** After so many entries the whole is kept, so that opening goes through few of them. */
const mostEntries = 120;
/** ms until it is tried again where the browser refused. */
const retryAfter = 2000;

/** ms; a browser that takes longer to answer may never do so. */
const patience = 8000;

/** The same, but it fails where the browser does not answer. */
function inTime(keeping: Promise<void>): Promise<void> {
	let timer: ReturnType<typeof setTimeout>;
	const late = new Promise<never>((_, reject) => {
		timer = setTimeout(() => reject(new Error('the browser does not answer')), patience);
	});
	return Promise.race([keeping, late]).finally(() => clearTimeout(timer));
}

/** What is to be kept of the open site, as it is at that moment. */
export interface Keepable {
	readonly listed: ListedSite;
	readonly work: Work;
}

/**
 * Keeps the entries of the open site as they are made. Each is handed to the browser at once, without
 * waiting for the one before it to be kept: so whatever stops the page, and however busy it is, hardly
 * more than what was done in the moment before is lost.
 */
export class Keeper {
	/** When something was kept last, ms. */
	keptAt = $state<number | undefined>();
	/** Why the browser did not take what should be kept; undefined where it did. */
	fault = $state<string | undefined>();
	private queue = $state.raw<readonly Entry[]>([]);
	private kept = 0;
	private readonly sending = new Set<Promise<void>>();
	private retry: ReturnType<typeof setTimeout> | undefined;
	/** What the browser refused, to be tried again. */
	private refused: (() => Promise<void>)[] = [];

	constructor(
		private readonly current: () => Keepable,
		private readonly told: (entries: readonly Entry[]) => void,
		/** Another tab has written the site meanwhile. */
		private readonly overtaken: () => void
	) {
		// An entry says nothing without the text that it changes.
		whenEmptied(() => void this.put(() => this.keepWhole()));
	}

	/** Whether something is not kept yet. */
	get pending(): boolean {
		return this.queue.length > 0;
	}

	/** Takes an entry to be kept; `before` is the work that it changed, which is kept, too, where that is a large deed. */
	note(entry: Entry, before: Work): void {
		if (entry.kind === 'do' && !entry.typing && isLarge(entry.changes)) {
			this.keepBefore(before, entry.label, entry.at);
		}
		this.queue = [...this.queue, entry];
		const sent = this.send(entry, false);
		this.sending.add(sent);
		void sent.finally(() => this.sending.delete(sent));
	}

	/** Waits for what is not kept yet; with `whole`, keeps all of the site's text in one record. */
	async flush(whole = false): Promise<void> {
		await Promise.all(this.sending);
		if (!whole || this.queue.length > 0) return;
		await this.put(() => this.keepWhole());
	}

	/**
	 * Hands over what is not kept yet without waiting for anything: the page is left, and only what the
	 * browser has by then is kept.
	 */
	handOver(): void {
		const { id } = this.current().listed;
		for (const entry of this.queue) void keepEntry(id, entry, true).catch(() => undefined);
	}

	/** Nothing of another site is kept under this one's name. */
	reset(): void {
		clearTimeout(this.retry);
		this.queue = [];
		this.refused = [];
		this.kept = 0;
		this.fault = undefined;
	}

	private keepBefore(before: Work, label: string, at: number): void {
		const { id: site } = this.current().listed;
		const name = `before “${label}”`;
		const state = { id: crypto.randomUUID(), site, name, at, by: 'itself' } as const;
		void this.put(() => keepState(state, before));
	}

	/** Keeps something beside the entries; where the browser refuses, that is said and tried again. */
	async put(keep: () => Promise<void>): Promise<boolean> {
		const done = await this.attempt(keep);
		if (!done && !this.refused.includes(keep)) this.refused.push(keep);
		return done;
	}

	private async attempt(keep: () => Promise<void>): Promise<boolean> {
		try {
			await inTime(keep());
			this.keptAt = Date.now();
			// The one that was just kept is still in the queue; others there are not kept yet.
			if (this.queue.length <= 1 && this.refused.length === 0) this.fault = undefined;
			return true;
		} catch (failure) {
			if (failure instanceof KeptByAnother) {
				this.overtaken();
				return false;
			}
			this.fault = failure instanceof Error ? failure.message || failure.name : String(failure);
			clearTimeout(this.retry);
			this.retry = setTimeout(() => void this.tryAgain(), retryAfter);
			return false;
		}
	}

	/** Tries what was refused, in its order, and then what came after it. */
	private async tryAgain(): Promise<void> {
		for (const keep of this.refused.splice(0)) {
			if (!(await this.put(keep))) return;
		}
		for (const entry of this.queue) await this.send(entry, true);
	}

	private async send(entry: Entry, again: boolean): Promise<void> {
		const { id } = this.current().listed;
		// Where it is refused it stays in the queue, which is tried again.
		if (!(await this.attempt(() => keepEntry(id, entry, again)))) return;
		this.queue = this.queue.filter((one) => one !== entry);
		this.told([entry]);
		if (++this.kept < mostEntries) return;
		this.kept = 0;
		await this.put(() => this.keepWhole());
	}

	private async keepWhole(): Promise<void> {
		const { listed, work } = this.current();
		await keepWork(listed.id, work);
		await keepListed(listed);
		this.kept = 0;
	}
}
