import { existsSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { Handle } from '@sveltejs/kit';

/** Where the built application has the code that reads sites; there is none while it is developed. */
const workerPath = findWorker();

/** The first thing in each page asks for the worker, so that it is there as soon as the application is. */
export const handle: Handle = ({ event, resolve }) =>
	resolve(event, {
		transformPageChunk: ({ html }) => html.replace('%eave.worker%', workerPath ?? '')
	});

function findWorker(): string | undefined {
	for (const up of ['../client', '../../client', '../../../client']) {
		const folder = fileURLToPath(new URL(`${up}/_app/immutable/workers`, import.meta.url));
		if (!existsSync(folder)) continue;
		const name = readdirSync(folder).find((one) => /^site\.worker-.*\.js$/.test(one));
		if (name !== undefined) return `/_app/immutable/workers/${name}`;
	}
	return undefined;
}
