// Runs the built application by itself.
import { startApplication } from './application.js';

const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4310);

try {
	await startApplication({ host, port });
} catch (failure) {
	console.error(`The application cannot listen on ${host}:${port}: ${failure.message}`);
	process.exit(1);
}
