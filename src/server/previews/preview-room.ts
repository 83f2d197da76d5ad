import { resolve } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Question, Reply } from './room-messages.ts';

/** ms that one question may take. */
const longestAnswer = 10_000;
/** MB of memory that all previews may take together while they are worked on. */
const mostMemory = 512;

/** A question took too long, or too much memory; `message` is a sentence. */
export class TookTooMuch extends Error {
	override readonly name = 'TookTooMuch';
}

/**
 * A thread of its own for what strangers hand over, so that nothing that is in it holds the server: questions are put
 * one after the other, and one that takes too long ends the thread, with all that it knew.
 */
export class PreviewRoom {
	private worker: Worker | undefined;
	private last: Promise<unknown> = Promise.resolve();

	/** `longest`: ms that one question may take. */
	constructor(
		private readonly longest = longestAnswer,
		private readonly open: () => Worker = openWorker
	) {}

	/** Throws a TookTooMuch. */
	async ask(question: Question): Promise<Reply> {
		const asked = this.last.then(() => this.put(question));
		this.last = asked.catch(() => undefined);
		return asked;
	}

	/** Ends the thread. */
	async close(): Promise<void> {
		const { worker } = this;
		this.worker = undefined;
		await worker?.terminate();
	}

	private put(question: Question): Promise<Reply> {
		const worker = (this.worker ??= this.open());
		return new Promise<Reply>((settle, refuse) => {
			const giveUp = (why: string): void => {
				done();
				void this.close();
				refuse(new TookTooMuch(why));
			};
			const late = setTimeout(
				() => giveUp(`Reading the site took more than ${this.longest / 1000} s.`),
				this.longest
			);
			const onFailure = (failure: Error): void => {
				if (isMemory(failure))
					return giveUp('Reading the site took more memory than there is for previews.');
				done();
				void this.close();
				refuse(failure);
			};
			const onReply = (reply: Reply): void => {
				done();
				settle(reply);
			};
			const onExit = (): void => onFailure(new Error('What reads previews was closed.'));
			const done = (): void => {
				clearTimeout(late);
				worker.off('message', onReply).off('error', onFailure).off('exit', onExit);
			};
			worker.on('message', onReply).on('error', onFailure).on('exit', onExit);
			worker.postMessage(question);
		});
	}
}

function isMemory(failure: Error): boolean {
	return 'code' in failure && failure.code === 'ERR_WORKER_OUT_OF_MEMORY';
}

/** The thread, as it is bundled beside the command line. */
function openWorker(): Worker {
	const worker = new Worker(resolve('dist/preview-room.mjs'), {
		resourceLimits: { maxOldGenerationSizeMb: mostMemory }
	});
	worker.unref();
	return worker;
}
