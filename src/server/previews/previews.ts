import { randomBytes } from 'node:crypto';
import * as z from 'zod';
import type { SiteAnswer, SiteRequest } from '../../core/answer/exchange.ts';
import type { Device } from './device.ts';
import { PreviewRoom, TookTooMuch } from './preview-room.ts';
import type { Question, Reply } from './room-messages.ts';

/** Sites that are looked at on other devices: kept in memory, for a while, behind addresses that no one guesses. */

/** ms for which a preview is kept after its last change. */
export const longestKept = 2 * 60 * 60 * 1000;
/** bytes of all previews together; the oldest makes room. */
const mostKept = 64 * 1024 * 1024;
/** Devices of one preview that are told of; more only look. */
const mostDevices = 20;

export const tokenSchema = z.string().regex(/^[\w-]{22}$/);

/** Whoever wants to know of changes: a page that renews itself, or the application for its devices. */
export type Listener = (message: string) => void;

interface Preview {
	/** The source as it was handed over: a room that is opened anew reads it again. */
	zip: Uint8Array;
	role: string | undefined;
	bytes: number;
	changed: number;
	readonly pages: Set<Listener>;
	readonly watchers: Set<Listener>;
	readonly devices: Map<string, Device>;
}

/** A site that cannot be shown; `message` is a sentence. */
export class PreviewRefused extends Error {
	override readonly name = 'PreviewRefused';
}

export class Previews {
	private readonly kept = new Map<string, Preview>();
	private bytes = 0;

	/** `most`: bytes of all previews together. */
	constructor(
		private readonly now: () => number = Date.now,
		private readonly most = mostKept,
		private readonly room = new PreviewRoom()
	) {}

	get count(): number {
		return this.kept.size;
	}

	/** Keeps a site, as a zip of its source, and gives the token of its address. Throws a PreviewRefused. */
	async add(zip: Uint8Array, role: string | undefined): Promise<string> {
		const token = randomBytes(16).toString('base64url');
		const bytes = await this.read(token, zip);
		this.makeRoom(bytes);
		this.kept.set(token, {
			zip,
			role,
			bytes,
			changed: this.now(),
			pages: new Set(),
			watchers: new Set(),
			devices: new Map()
		});
		this.bytes += bytes;
		return token;
	}

	/** Changes what a preview shows; its pages are told. Gives whether there is one. Throws a PreviewRefused. */
	async change(token: string, zip: Uint8Array, role: string | undefined): Promise<boolean> {
		if (!this.find(token)) return false;
		const bytes = await this.read(token, zip);
		const preview = this.find(token);
		if (!preview) return false;
		this.bytes += bytes - preview.bytes;
		Object.assign(preview, { zip, role, bytes, changed: this.now() });
		// What was changed last goes last.
		this.kept.delete(token);
		this.makeRoom(0);
		this.kept.set(token, preview);
		for (const tell of preview.pages) tell('changed');
		return true;
	}

	remove(token: string): void {
		const preview = this.kept.get(token);
		if (!preview) return;
		this.kept.delete(token);
		this.bytes -= preview.bytes;
		void this.room.ask({ kind: 'forget', token }).catch(() => undefined);
		for (const tell of [...preview.pages, ...preview.watchers]) tell('gone');
	}

	/** What a preview answers; undefined where there is none, or none that can be answered any more. */
	async answer(
		token: string,
		request: Omit<SiteRequest, 'role'>,
		base: string
	): Promise<SiteAnswer | undefined> {
		const preview = this.find(token);
		if (!preview) return undefined;
		const { role, changed, zip } = preview;
		const asked = { ...request, role, base, changed };
		try {
			const reply = await this.room.ask({ kind: 'answer', token, request: asked });
			if (reply.kind === 'answered') return reply.answer;
			await this.read(token, zip);
			const again = await this.room.ask({ kind: 'answer', token, request: asked });
			return again.kind === 'answered' ? again.answer : undefined;
		} catch (failure) {
			if (!(failure instanceof TookTooMuch) && !(failure instanceof PreviewRefused)) throw failure;
			// What cannot be answered once would hold up all others each time.
			this.remove(token);
			return undefined;
		}
	}

	/**
	 * Lets a page listen until the function that it gives is called; as long as it does, the device that it
	 * is on is there. Undefined where there is no such preview.
	 */
	listen(token: string, listener: Listener, device: Device | undefined): (() => void) | undefined {
		const preview = this.find(token);
		if (!preview) return undefined;
		preview.pages.add(listener);
		const isKnown =
			device !== undefined &&
			(preview.devices.has(device.id) || preview.devices.size < mostDevices);
		if (isKnown) {
			preview.devices.set(device.id, device);
			tellDevices(preview);
		}
		return () => {
			preview.pages.delete(listener);
			// A page that came anew under the same id has said something else meanwhile.
			if (!device || preview.devices.get(device.id) !== device) return;
			preview.devices.delete(device.id);
			tellDevices(preview);
		};
	}

	/** Tells of the devices that show a preview, now and whenever one comes, turns or goes. */
	watch(token: string, listener: Listener): (() => void) | undefined {
		const preview = this.find(token);
		if (!preview) return undefined;
		preview.watchers.add(listener);
		listener(devicesOf(preview));
		return () => preview.watchers.delete(listener);
	}

	/** Reads a site in its room; gives the bytes that it takes. Throws a PreviewRefused. */
	private async read(token: string, zip: Uint8Array): Promise<number> {
		const reply = await this.ask({ kind: 'read', token, zip });
		if (reply.kind === 'read') return reply.bytes + zip.length;
		throw new PreviewRefused(reply.kind === 'refused' ? reply.why : 'It cannot be read.');
	}

	private async ask(question: Question): Promise<Reply> {
		try {
			return await this.room.ask(question);
		} catch (failure) {
			throw failure instanceof TookTooMuch ? new PreviewRefused(failure.message) : failure;
		}
	}

	private find(token: string): Preview | undefined {
		const preview = this.kept.get(token);
		if (preview && this.now() - preview.changed > longestKept) {
			this.remove(token);
			return undefined;
		}
		return preview;
	}

	/** Takes away what is too old, and the oldest until there is room. */
	private makeRoom(bytes: number): void {
		for (const token of [...this.kept.keys()]) this.find(token);
		for (const token of [...this.kept.keys()]) {
			if (this.bytes + bytes <= this.most) return;
			this.remove(token);
		}
	}
}

function devicesOf({ devices }: Preview): string {
	return JSON.stringify([...devices.values()]);
}

function tellDevices(preview: Preview): void {
	for (const tell of preview.watchers) tell(devicesOf(preview));
}

/** The previews of this server. */
export const previews = new Previews();
