import { folderPath, listingSchema, stampHeader } from '$core/in-step/served.ts';
import { PlaceFailure, type Place, type Stamp, type ThereNow } from '$core/in-step/place.ts';
import { fingerprint } from '$core/lib/fingerprint.ts';

/** A folder that the command line has opened: it is asked over HTTP, and each write says what it expects to find. */
export class ServedPlace implements Place {
	/** `origin` is where the command line answers, `token` what it has to be told. */
	constructor(
		private readonly origin: string,
		readonly token: string
	) {}

	/** What the folder is called, and what it is known by. */
	async about(): Promise<{ readonly name: string; readonly id: string }> {
		return listingSchema.parse(await (await this.ask('')).json());
	}

	async list(): Promise<ReadonlyMap<string, Stamp>> {
		const { files } = listingSchema.parse(await (await this.ask('')).json());
		return new Map(files);
	}

	async read(path: string): Promise<ThereNow | undefined> {
		const answer = await this.ask(path);
		if (answer.status === 404) return undefined;
		return {
			bytes: new Uint8Array(await answer.arrayBuffer()),
			stamp: answer.headers.get(stampHeader) ?? ''
		};
	}

	async write(
		path: string,
		bytes: Uint8Array,
		before: ThereNow | undefined
	): Promise<Stamp | undefined> {
		const answer = await this.ask(path, {
			method: 'PUT',
			headers: conditionOf(before),
			body: new Uint8Array(bytes)
		});
		return answer.status === 412 ? undefined : (answer.headers.get(stampHeader) ?? '');
	}

	async remove(path: string, before: ThereNow): Promise<boolean> {
		const answer = await this.ask(path, { method: 'DELETE', headers: conditionOf(before) });
		return answer.status !== 412;
	}

	/** Tells of changes; gives what ends it. */
	follow(changed: () => void): () => void {
		const news = new EventSource(
			`${this.origin}${folderPath}.changes?token=${encodeURIComponent(this.token)}`
		);
		news.onmessage = changed;
		news.onopen = changed;
		return () => news.close();
	}

	private async ask(
		path: string,
		{ headers = {}, ...init }: RequestInit & { headers?: Record<string, string> } = {}
	): Promise<Response> {
		const address = `${this.origin}${folderPath}${path.split('/').map(encodeURIComponent).join('/')}`;
		let answer: Response;
		try {
			answer = await fetch(address, {
				...init,
				headers: { ...headers, authorization: `Bearer ${this.token}` }
			});
		} catch {
			throw new PlaceFailure(
				'gone',
				'The command that opened the folder (long-eave open) does not answer.'
			);
		}
		if (answer.ok || answer.status === 404 || answer.status === 412) return answer;
		const sentence = (await answer.text()).trim();
		throw new PlaceFailure(answer.status === 410 ? 'gone' : 'refused', sentence);
	}
}

/** What the file has to be for something to happen (RFC 9110, section 13.1). */
function conditionOf(before: ThereNow | undefined): Record<string, string> {
	return before ? { 'if-match': `"${fingerprint(before.bytes)}"` } : { 'if-none-match': '*' };
}
