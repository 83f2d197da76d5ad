// npm start: installs and builds where need be, serves the application and prints its address.
import { createServer } from 'node:net';
import { build, install, serve } from './lib/setup.js';

install();
build();
const port = process.env.PORT ? Number(process.env.PORT) : await freePort(4310);
const { server, address } = await serve(port);
console.log(`Long Eave is at ${address}`);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));

/** The first port from `from` on that nothing listens on. */
async function freePort(from) {
	for (let candidate = from; candidate < from + 50; candidate++) {
		if (await isFree(candidate)) return candidate;
	}
	throw new Error(`No port from ${from} to ${from + 49} is free. Choose one: PORT=5000 npm start`);
}

function isFree(candidate) {
	return new Promise((resolve) => {
		const probe = createServer();
		probe.once('error', () => resolve(false));
		probe.listen(candidate, '127.0.0.1', () => probe.close(() => resolve(true)));
	});
}
