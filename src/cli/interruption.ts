import { constants } from 'node:os';

/** Whoever runs the command wants it to end. */
export class Interrupted extends Error {
	override readonly name = 'Interrupted';
	/** As shells have it: 128 and the number of the signal. */
	readonly exitCode: number;

	constructor(signal: 'SIGINT' | 'SIGTERM') {
		super(`it was interrupted (${signal}).`);
		this.exitCode = 128 + constants.signals[signal];
	}
}

/** Listens for the signals that ask a process to end, so that what is half done can be taken back first. */
export class Interruption {
	private readonly controller = new AbortController();
	private readonly onInterrupt = (): void => this.controller.abort(new Interrupted('SIGINT'));
	private readonly onTerminate = (): void => this.controller.abort(new Interrupted('SIGTERM'));

	constructor() {
		process.on('SIGINT', this.onInterrupt);
		process.on('SIGTERM', this.onTerminate);
	}

	/** Its reason is an `Interrupted`. */
	get signal(): AbortSignal {
		return this.controller.signal;
	}

	end(): void {
		process.off('SIGINT', this.onInterrupt);
		process.off('SIGTERM', this.onTerminate);
	}
}
