import type { Endpoint } from 'comlink';

/** The name of the error that is thrown where the worker is no longer there to answer. */
const workerStopped = 'WorkerStopped';

/** Whether something failed only since the worker was stopped, which is spoken of where that is done. */
export function isStopped(failure: unknown): boolean {
	return failure instanceof Error && failure.name === workerStopped;
}

/** What a message of comlink's protocol has that an answer is found by. */
function idOf(message: unknown): string | undefined {
	if (typeof message !== 'object' || message === null || !('id' in message)) return undefined;
	return typeof message.id === 'string' ? message.id : undefined;
}

/**
 * The way to a worker that can be started again: where it crashes or is stopped, everything that waits for
 * it is told so, and what is asked next goes to a new one.
 */
export class WorkerLink implements Endpoint {
	private worker: Worker;
	private readonly listeners = new Map<EventListenerOrEventListenerObject, EventListener>();
	private readonly waiting = new Set<string>();

	constructor(
		private readonly make: () => Worker,
		/** Told how many questions wait, whenever that changes. */
		private readonly onWaiting: (count: number) => void,
		/** Told that the worker is another one, which knows nothing yet, and why. */
		private readonly onRestart: (why: string) => void
	) {
		this.worker = this.begin();
	}

	postMessage(message: unknown, transfer: Transferable[] = []): void {
		const id = idOf(message);
		if (id !== undefined) {
			this.waiting.add(id);
			this.onWaiting(this.waiting.size);
		}
		this.worker.postMessage(message, transfer);
	}

	addEventListener(_type: string, listener: EventListenerOrEventListenerObject): void {
		const call: EventListener = (event) => {
			if (typeof listener === 'function') listener(event);
			else listener.handleEvent(event);
		};
		this.listeners.set(listener, call);
	}

	removeEventListener(_type: string, listener: EventListenerOrEventListenerObject): void {
		this.listeners.delete(listener);
	}

	/** Ends the worker, whatever it is doing, and starts another. */
	restart(why: string): void {
		this.worker.terminate();
		this.worker = this.begin();
		const lost = [...this.waiting];
		this.waiting.clear();
		this.onWaiting(0);
		// Comlink's answer for a call that threw, so that each promise is settled.
		const value = { isError: true, value: { name: workerStopped, message: why, stack: '' } };
		for (const id of lost) {
			this.emit(
				new MessageEvent('message', { data: { id, type: 'HANDLER', name: 'throw', value } })
			);
		}
		this.onRestart(why);
	}

	private begin(): Worker {
		const worker = this.make();
		worker.addEventListener('message', (event: MessageEvent<unknown>) => {
			if (worker !== this.worker) return;
			const id = idOf(event.data);
			if (id !== undefined && this.waiting.delete(id)) this.onWaiting(this.waiting.size);
			this.emit(event);
		});
		worker.addEventListener('error', (event) => {
			if (worker === this.worker) this.restart(event.message || 'it stopped by itself');
		});
		return worker;
	}

	private emit(event: Event): void {
		for (const call of [...this.listeners.values()]) call(event);
	}
}
