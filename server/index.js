// The built application behind a server that puts the same headers on every answer, files included.
import { createServer } from 'node:http';
import { secure } from './headers.js';

// The handler reads it as it is loaded: a whole site may be handed over, and each route has a bound of its own.
process.env.BODY_SIZE_LIMIT ??= '60M';
// Addresses are those under which it was asked for; a server in front says where it speaks HTTPS.
process.env.PROTOCOL_HEADER ??= 'x-forwarded-proto';
const { handler } = await import('../build/handler.js');

const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4310);

const server = createServer((request, response) => {
	secure(response);
	request.headers['x-forwarded-proto'] ??= 'http';
	handler(request, response, () => {
		response.statusCode = 404;
		response.end('There is nothing here.');
	});
});
server.on('error', (failure) => {
	console.error(`The application cannot listen on ${host}:${port}: ${failure.message}`);
	process.exit(1);
});
server.listen(port, host);
