import type { ServerResponse } from 'node:http';

/** Pages that want to know of changes (HTML standard, section 9.2: server-sent events). */
export class LivePages {
	private readonly open = new Set<ServerResponse>();

	/** Keeps the answer open, and writes to it whenever something changed. */
	add(response: ServerResponse): void {
		response.writeHead(200, {
			'content-type': 'text/event-stream',
			'cache-control': 'no-store',
			'x-content-type-options': 'nosniff'
		});
		response.write('retry: 500\n\n');
		this.open.add(response);
		response.on('close', () => this.open.delete(response));
	}

	tell(): void {
		for (const response of this.open) response.write('data: changed\n\n');
	}

	close(): void {
		for (const response of this.open) response.end();
	}
}

/** The script by which a page renews itself, where it stands and as far as it was scrolled. */
export const liveScript = `const news = new EventSource('/.live');
let lost = false;
news.onmessage = () => location.reload();
news.onerror = () => { lost = true; };
news.onopen = () => { if (lost) location.reload(); };
`;
