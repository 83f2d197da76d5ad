// The built application behind a server that puts the same headers on every answer, files included.
import { createServer } from 'node:http';
import { secure } from './headers.js';

// The handler reads it as it is loaded: a whole site may be handed over, and each route has a bound of its own.
process.env.BODY_SIZE_LIMIT ??= '60M';
// Addresses are those under which it was asked for; a server in front says where it speaks HTTPS.
process.env.PROTOCOL_HEADER ??= 'x-forwarded-proto';

/**
 * Starts it, and gives the server once it listens. What `before` takes, by giving true, it answers itself.
 * Fails where the port cannot be had.
 */
export async function startApplication({ host, port, before = () => false }) {
	const { handler } = await import('../build/handler.js');
	const server = createServer((request, response) => {
		secure(response);
		if (before(request, response)) return;
		request.headers['x-forwarded-proto'] ??= 'http';
		handler(request, response, () => {
			response.statusCode = 404;
			response.end('There is nothing here.');
		});
	});
	await new Promise((resolve, reject) => {
		server.once('error', reject);
		server.listen(port, host, resolve);
	});
	return server;
}
