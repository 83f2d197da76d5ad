import * as z from 'zod/mini';
import { entrySchema, type Entry } from './journal.ts';

const messageSchema = z.discriminatedUnion('kind', [
	/** Entries that were made and kept. */
	z.object({ kind: z.literal('entries'), entries: z.array(entrySchema) }),
	/** Another tab wants to write. */
	z.object({ kind: z.literal('yield') })
]);
type Message = z.infer<typeof messageSchema>;

/** What a tab is told about the site it has open. */
export interface TabEvents {
	/** It may write from now on. Others may have written since it looked last. */
	gained(): void;
	/** It may write no more. */
	lost(): void;
	/** Another tab made these edits. */
	heard(entries: readonly Entry[]): void;
	/** Another tab asks for the site: all that is not kept yet is to be kept now. */
	asked(): Promise<void>;
}

/** ms; a page that was left, as by loading it again, has let go of the site by then. */
const handover = 900;

/** ms; a tab that does not answer within this is asleep, or gone. */
const patience = 1000;

/**
 * A tab's part in a site: of all tabs that have it open one writes, and the others look on (Web Locks
 * API; the entries go over a BroadcastChannel). Where one closes, the next in line writes.
 */
export class SiteTab {
	private readonly channel: BroadcastChannel;
	private readonly name: string;
	private release: (() => void) | undefined;
	private waiting: AbortController | undefined;
	private closed = false;

	constructor(
		id: string,
		private readonly events: TabEvents
	) {
		this.name = `long-eave site ${id}`;
		this.channel = new BroadcastChannel(this.name);
		this.channel.addEventListener('message', (event: MessageEvent<unknown>) => {
			const message = messageSchema.safeParse(event.data).data;
			if (message?.kind === 'entries') events.heard(message.entries);
			else if (message?.kind === 'yield' && this.release) void this.giveUp();
		});
	}

	/** Gives whether this tab may write. Where it may not, it waits in line. */
	async join(): Promise<boolean> {
		// Without the API, as on addresses that are not secure, every tab writes.
		if (!('locks' in navigator)) return true;
		const got = await this.request({ signal: AbortSignal.timeout(handover) });
		if (!got) this.waitInLine();
		return got;
	}

	tell(entries: readonly Entry[]): void {
		this.post({ kind: 'entries', entries: [...entries] });
	}

	/** Asks the tab that writes to let go, and takes the site where it does not answer. */
	async takeOver(): Promise<void> {
		this.post({ kind: 'yield' });
		await new Promise((resolve) => setTimeout(resolve, patience));
		if (this.release || this.closed) return;
		this.waiting?.abort();
		if (await this.request({ steal: true })) this.events.gained();
	}

	close(): void {
		this.closed = true;
		this.waiting?.abort();
		this.release?.();
		this.channel.close();
	}

	private post(message: Message): void {
		if (!this.closed) this.channel.postMessage(message);
	}

	private async giveUp(): Promise<void> {
		await this.events.asked();
		this.release?.();
		this.release = undefined;
		this.events.lost();
		this.waitInLine();
	}

	private waitInLine(): void {
		this.waiting = new AbortController();
		const { signal } = this.waiting;
		void this.request({ signal }).then((got) => {
			if (got && !this.closed) this.events.gained();
		});
	}

	/** Resolves once it is known whether the lock is held; it is until `release` is called. */
	private request(options: LockOptions): Promise<boolean> {
		return new Promise((resolve) => {
			const hold = (lock: Lock | null): Promise<void> | undefined => {
				resolve(lock !== null);
				if (!lock) return undefined;
				return new Promise((done) => (this.release = done));
			};
			navigator.locks.request(this.name, options, hold).catch(() => {
				// Given up while waiting, or taken away by another tab.
				resolve(false);
				if (!this.release) return;
				this.release = undefined;
				if (this.closed) return;
				this.events.lost();
				this.waitInLine();
			});
		});
	}
}
