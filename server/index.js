// The built application behind a server that puts the same headers on every answer, files included.
import { createServer } from 'node:http';
import { handler } from '../build/handler.js';
import { secure } from './headers.js';

const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4310);

const server = createServer((request, response) => {
	secure(response);
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
