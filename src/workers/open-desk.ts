import { wrap, type Remote } from 'comlink';
import type { Desk } from './desk/desk.ts';
import { WorkerLink } from './link.ts';

/** The worker that reads and resolves the open site, and the way to start it again. */
export interface OpenDesk {
	readonly desk: Remote<Desk>;
	/** Ends what it is doing; whatever waits for it fails with `why`. */
	restart(why: string): void;
}

declare global {
	/** The worker that the first lines of the page have started, before the application was there. */
	var eaveWorker: Worker | undefined;
}

/** That worker, once. */
function startedEarly(): Worker | undefined {
	const early = globalThis.eaveWorker;
	globalThis.eaveWorker = undefined;
	return early;
}

export function openDesk(
	onWaiting: (count: number) => void,
	onRestart: (why: string) => void
): OpenDesk {
	const start = (): Worker =>
		startedEarly() ?? new Worker(new URL('./site.worker.ts', import.meta.url), { type: 'module' });
	const link = new WorkerLink(start, onWaiting, onRestart);
	return { desk: wrap<Desk>(link), restart: (why) => link.restart(why) };
}
