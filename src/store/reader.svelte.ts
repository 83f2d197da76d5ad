import type { Remote } from 'comlink';
import type { Desk } from '$workers/desk/desk.ts';
import { openDesk, type OpenDesk } from '$workers/open-desk.ts';
import { busy } from './ways/busy.svelte.ts';

/** ms; a worker that stops again within this is not started by itself. */
const tooSoon = 4000;

/** The worker that reads the open site, which is started again where it stops. */
export class Reader {
	/** Why nothing is read any more until it is asked for. */
	stopped = $state<string | undefined>();
	private opened: OpenDesk | undefined;
	private startedAt = 0;

	/** `onRestart` is told why a new worker has nothing to read yet. */
	constructor(private readonly onRestart: (why: string) => void) {}

	start(): void {
		this.startedAt = Date.now();
		this.opened ??= openDesk(
			(count) => busy.waiting(count),
			(why) => this.restarted(why)
		);
	}

	/** What the worker can be asked. Only after `start`. */
	get core(): Remote<Desk> {
		if (!this.opened) throw new Error('The site is not open yet.');
		return this.opened.desk;
	}

	/** Ends what the worker is doing; it reads nothing until it is asked to. */
	stop(): void {
		this.stopped = 'you stopped it';
		this.opened?.restart('It was stopped.');
	}

	private restarted(why: string): void {
		const soon = Date.now() - this.startedAt < tooSoon;
		this.startedAt = Date.now();
		if (this.stopped !== undefined) return;
		if (soon) this.stopped = why;
		else this.onRestart(why);
	}
}
