import { randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import { stat } from 'node:fs/promises';
import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import { join } from 'node:path';
import { systemSentence } from '../files/open-site.ts';
import { FollowedPath } from '../serve/followed-path.ts';
import { readSiteFolder } from '../files/site-path.ts';
import type { Streams } from '../streams.ts';
import { FolderRequests } from './folder-requests.ts';

/** Only this machine: whoever can reach it, with the token, can write the folder. */
const host = '127.0.0.1';

/** The built application, as `server/application.js` starts it. */
interface Application {
	startApplication(options: {
		readonly host: string;
		readonly port: number;
		readonly before: (request: IncomingMessage, response: ServerResponse) => boolean;
	}): Promise<Server>;
}

/** The application at work on a folder, until it is closed. */
interface Opened {
	readonly address: string;
	close(): Promise<void>;
}

/** Starts the application on a folder of this machine, both ways, until the process is told to end. */
export async function openCommand(
	path: string,
	port: number,
	streams: Streams,
	until: Promise<void>
): Promise<number> {
	if (!Number.isInteger(port) || port < 0 || port > 65_535) {
		streams.errors('--port needs a number from 0 to 65535.\n');
		return 2;
	}
	try {
		if (!(await stat(path)).isDirectory()) {
			streams.errors(`${path} is a file: open takes a folder, which it keeps in step.\n`);
			return 2;
		}
		const opened = await openFolder(path, port);
		if (!opened) {
			streams.errors('The application is not built here: run "npm run build" first.\n');
			return 2;
		}
		streams.out(`Open at ${opened.address} (ends with Ctrl and C)\n`);
		streams.out(`What is edited there is written to ${path}, and what changes here shows there.\n`);
		await until;
		await opened.close();
		return 0;
	} catch (failure) {
		const sentence = systemSentence(failure);
		if (sentence === undefined) throw failure;
		streams.errors(`${path} cannot be opened: ${sentence}\n`);
		return 2;
	}
}

/** The same, without words; undefined where the application is not built. */
async function openFolder(path: string, port: number): Promise<Opened | undefined> {
	const application = await builtApplication();
	if (!application) return undefined;
	const token = randomBytes(16).toString('hex');
	// A folder that has nothing but the folder of the site.
	const { within } = await readSiteFolder(path);
	let own = port;
	const names = (): string[] => [host, 'localhost'].map((name) => `${name}:${own}`);
	const requests = new FolderRequests(join(path, within), token, names);
	const server = await application.startApplication({
		host,
		port,
		before: (request, response) => requests.take(request, response)
	});
	const bound = server.address();
	if (typeof bound === 'object' && bound) own = bound.port;
	const following = new FollowedPath(join(path, within), () => requests.tell());
	return {
		address: `http://${host}:${own}/?folder=${token}`,
		async close() {
			await following.close();
			requests.close();
			server.closeAllConnections();
			await new Promise((resolve) => server.close(resolve));
		}
	};
}

/** It lies beside the command line where that is bundled, and two folders further up where it is not. */
async function builtApplication(): Promise<Application | undefined> {
	for (const up of ['../..', '../../..']) {
		const root = new URL(`${up}/`, import.meta.url);
		if (!existsSync(new URL('build/handler.js', root))) continue;
		const loaded: unknown = await import(new URL('server/application.js', root).href);
		if (isApplication(loaded)) return loaded;
	}
	return undefined;
}

function isApplication(loaded: unknown): loaded is Application {
	return (
		typeof loaded === 'object' &&
		loaded !== null &&
		'startApplication' in loaded &&
		typeof loaded.startApplication === 'function'
	);
}
