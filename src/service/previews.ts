import { randomBytes } from 'node:crypto';
import * as z from 'zod';
import { answer } from '../core/answer/answer.ts';
import type { SiteAnswer, SiteRequest } from '../core/answer/exchange.ts';
import { isSound, soundSite, type CheckedSite } from '../core/check/site.ts';
import { counted } from '../core/messages/problem.ts';
import type { SiteFiles } from '../core/model/files.ts';
import { takeIn } from '../core/source/intake.ts';
import { readSiteFiles } from '../core/source/read.ts';

/** Sites that are looked at on other devices: kept in memory, for a while, behind addresses that no one guesses. */

/** ms for which a preview is kept after its last change. */
export const longestKept = 2 * 60 * 60 * 1000;
/** bytes of all previews together; the oldest makes room. */
export const mostKept = 64 * 1024 * 1024;
/** Devices of one preview that are told of; more only look. */
const mostDevices = 20;

/** What a device says of itself, in the query of what it listens to. */
export const deviceSchema = z.object({
	id: z.string().regex(/^[\w-]{8,40}$/),
	/** CSS px */
	width: z.coerce.number().int().min(100).max(10_000),
	/** CSS px */
	height: z.coerce.number().int().min(100).max(10_000),
	/** Device pixels for each CSS px. */
	ratio: z.coerce.number().min(0.1).max(20),
	/** px that 1rem is. */
	text: z.coerce.number().min(1).max(200)
});
export type Device = z.infer<typeof deviceSchema>;

export const tokenSchema = z.string().regex(/^[\w-]{22}$/);

/** Whoever wants to know of changes: a page that renews itself, or the application for its devices. */
export type Listener = (message: string) => void;

interface Preview {
	files: SiteFiles;
	site: CheckedSite;
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
		private readonly most = mostKept
	) {}

	get count(): number {
		return this.kept.size;
	}

	/** Keeps a site, as a zip of its source, and gives the token of its address. Throws a PreviewRefused. */
	add(zip: Uint8Array, role: string | undefined): string {
		const { files, site } = open(zip, undefined);
		const token = randomBytes(16).toString('base64url');
		const bytes = bytesOf(files);
		this.makeRoom(bytes);
		this.kept.set(token, {
			files,
			site,
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
	change(token: string, zip: Uint8Array, role: string | undefined): boolean {
		const preview = this.find(token);
		if (!preview) return false;
		const { files, site } = open(zip, preview.site);
		const bytes = bytesOf(files);
		this.bytes += bytes - preview.bytes;
		Object.assign(preview, { files, site, role, bytes, changed: this.now() });
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
		for (const tell of [...preview.pages, ...preview.watchers]) tell('gone');
	}

	/** What a preview answers; undefined where there is none. */
	answer(token: string, request: Omit<SiteRequest, 'role'>, base: string): SiteAnswer | undefined {
		const preview = this.find(token);
		if (!preview) return undefined;
		const { site: resolved, role, changed } = preview;
		const headLines = [`<script src="${base}.live.js" defer></script>`];
		const site = { resolved, base, changed, failed: new Set<string>(), headLines };
		return answer(site, { ...request, role });
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

/** What is worked out of a text takes about so many times as much as the text. */
const worked = 24;

/** bytes that a site takes in memory, roughly: its files as they are unpacked, and what is worked out of its texts. */
function bytesOf({ texts, assets }: SiteFiles): number {
	const text = [...texts.values()].reduce((sum, { length }) => sum + length, 0);
	return [...assets.values()].reduce((sum, { length }) => sum + length, text * worked);
}

function devicesOf({ devices }: Preview): string {
	return JSON.stringify([...devices.values()]);
}

function tellDevices(preview: Preview): void {
	for (const tell of preview.watchers) tell(devicesOf(preview));
}

function open(
	zip: Uint8Array,
	before: CheckedSite | undefined
): { files: SiteFiles; site: CheckedSite } {
	let files: SiteFiles;
	try {
		files = takeIn('site.zip', zip);
	} catch (failure) {
		throw new PreviewRefused(failure instanceof Error ? failure.message : 'It cannot be read.');
	}
	const site = soundSite(readSiteFiles(files, before?.reading));
	const errors = site.problems.filter(({ severity }) => severity === 'error').length;
	if (!isSound(site)) throw new PreviewRefused(`The text has ${counted(errors, 'error')}.`);
	return { files, site };
}

/** The previews of this server. */
export const previews = new Previews();

/** The script by which a page on a device renews itself, and says how large its screen is. */
export const deviceScript = `const base = document.currentScript.src.replace(/\\.live\\.js$/, '');
const id = Array.from(crypto.getRandomValues(new Uint8Array(9)), (byte) => byte.toString(36)).join('').slice(0, 16).padEnd(8, '0');
let news;
const listen = () => {
  news?.close();
  const text = parseFloat(getComputedStyle(document.documentElement).fontSize);
  const device = { id, width: innerWidth, height: innerHeight, ratio: devicePixelRatio, text };
  news = new EventSource(base + '.live?' + new URLSearchParams(device));
  news.onmessage = ({ data }) => { if (data === 'changed') location.reload(); };
};
listen();
let wait;
addEventListener('resize', () => { clearTimeout(wait); wait = setTimeout(listen, 200); });
addEventListener('pagehide', () => news.close());
addEventListener('pageshow', ({ persisted }) => { if (persisted) listen(); });
`;
