import * as z from 'zod/mini';
import { sentenceIn } from './sources.svelte.ts';
import { store } from './site.svelte.ts';

const openedSchema = z.object({ token: z.string(), addresses: z.array(z.string()) });
const devicesSchema = z.array(
	z.object({
		id: z.string(),
		width: z.number(),
		height: z.number(),
		ratio: z.number(),
		text: z.number()
	})
);

/** A device that shows the site. Sizes in CSS px. */
export type ShownDevice = z.infer<typeof devicesSchema>[number];

/** ms of quiet after an edit before other devices are told. */
const quiet = 250;

/** The site as it is looked at on other devices: handed to the server, which keeps it for a while. */
class Devices {
	/** Where it is to be found; empty while it is not handed over. */
	addresses = $state.raw<readonly string[]>([]);
	list = $state.raw<readonly ShownDevice[]>([]);
	fault = $state('');
	busy = $state(false);
	private token: string | undefined;
	private news: EventSource | undefined;
	private timer: ReturnType<typeof setTimeout> | undefined;

	get isOpen(): boolean {
		return this.addresses.length > 0;
	}

	/** Hands the site over. */
	async open(): Promise<void> {
		if (this.isOpen || this.busy) return;
		this.busy = true;
		this.fault = '';
		try {
			const answered = await this.send('POST', '/api/preview');
			if (!answered.ok) {
				this.fault = await sentenceIn(answered);
				return;
			}
			const said: unknown = await answered.json();
			const { token, addresses } = openedSchema.parse(said);
			this.token = token;
			this.addresses = addresses;
			this.news = new EventSource(`/api/preview/${token}/devices`);
			this.news.onmessage = ({ data }: MessageEvent<unknown>) => this.hear(data);
		} catch {
			this.fault = 'The server does not answer.';
		} finally {
			this.busy = false;
		}
	}

	/** Other devices follow what was changed, once typing rests. */
	follow(): void {
		if (!this.isOpen) return;
		clearTimeout(this.timer);
		this.timer = setTimeout(() => void this.change(), quiet);
	}

	/** Takes the site back; other devices show it no longer. */
	async close(): Promise<void> {
		const { token } = this;
		this.end();
		if (token !== undefined) {
			await fetch(`/api/preview/${token}`, { method: 'DELETE' }).catch(() => undefined);
		}
	}

	private async change(): Promise<void> {
		const { token } = this;
		// While the text has errors, what was shown last stays.
		if (token === undefined || store.site?.current !== true) return;
		const answered = await this.send('PUT', `/api/preview/${token}`).catch(() => undefined);
		if (answered?.ok) this.fault = '';
		else if (answered?.status === 404) this.end();
		else this.fault = answered ? await sentenceIn(answered) : 'The server does not answer.';
	}

	private async send(method: 'POST' | 'PUT', path: string): Promise<Response> {
		const zip = await store.core.handingOver.sourceZip();
		const as = store.seenBy === undefined ? '' : `?as=${store.seenBy}`;
		return fetch(path + as, { method, headers: { 'content-type': 'application/zip' }, body: zip });
	}

	private hear(data: unknown): void {
		if (data === 'gone') {
			this.end();
			this.fault =
				'The site is no longer kept for other devices: it was not changed for two hours, or made room for others.';
			return;
		}
		try {
			const said: unknown = JSON.parse(String(data));
			this.list = devicesSchema.parse(said);
		} catch {
			// What cannot be read says nothing of any device.
		}
	}

	private end(): void {
		clearTimeout(this.timer);
		this.news?.close();
		this.token = undefined;
		this.addresses = [];
		this.list = [];
	}
}

export const devices = new Devices();
