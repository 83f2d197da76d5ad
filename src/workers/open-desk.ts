import { wrap, type Remote } from 'comlink';
import type { Desk } from './desk.ts';

/** Starts the worker that reads and resolves the open site. */
export function openDesk(): Remote<Desk> {
	const worker = new Worker(new URL('./site.worker.ts', import.meta.url), { type: 'module' });
	return wrap<Desk>(worker);
}
