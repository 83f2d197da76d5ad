/** An answer that stays open and carries messages (HTML standard, section 9.2: server-sent events). */
export function events(
	listen: (tell: (message: string) => void) => (() => void) | undefined,
	headers: Record<string, string> = {}
): Response | undefined {
	let stop: (() => void) | undefined;
	let send: (text: string) => void = () => undefined;
	const waiting: string[] = [];
	const end = listen((message) => {
		const text = `data: ${message}\n\n`;
		if (stop) send(text);
		else waiting.push(text);
	});
	if (!end) return undefined;
	const body = new ReadableStream<Uint8Array>({
		start(controller) {
			const encoder = new TextEncoder();
			send = (text) => {
				try {
					controller.enqueue(encoder.encode(text));
				} catch {
					// Whoever listened has gone, and is told of as soon as the server notices.
					end();
				}
			};
			stop = end;
			send('retry: 500\n\n');
			for (const text of waiting.splice(0)) send(text);
		},
		cancel: () => end()
	});
	return new Response(body, {
		headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', ...headers }
	});
}
