import { createHash } from 'node:crypto';
import { stat } from 'node:fs/promises';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { basename, resolve } from 'node:path';
import { fingerprint } from '../../core/lib/fingerprint.ts';
import { folderPath, stampHeader, type Listing } from '../../core/in-step/served.ts';
import { reasonOf } from '../../core/messages/wording.ts';
import { IntakeError, mostBytes } from '../../core/source/limits.ts';
import { systemSentence } from '../files/open-site.ts';
import { LivePages } from '../serve/live.ts';
import { hasToken } from '../token.ts';
import { DiskFolder, FolderRefused } from './disk-folder.ts';

/** Where changes are told of. */
const changesPath = `${folderPath}.changes`;

/** What is answered where something cannot be: a status (RFC 9110, section 15) and a sentence. */
class Refusal extends Error {
	constructor(
		readonly status: 400 | 403 | 404 | 405 | 410 | 412 | 413 | 428,
		message: string
	) {
		super(message);
	}
}

/** Answers what the application asks of the folder that it works on, to whoever knows the token. */
export class FolderRequests {
	private readonly root: string;
	private readonly folder: DiskFolder;
	private readonly live = new LivePages();

	/** `hosts` are the names under which it may be asked: a page from elsewhere comes with another. */
	constructor(
		root: string,
		private readonly token: string,
		private readonly hosts: () => readonly string[]
	) {
		this.root = resolve(root);
		this.folder = new DiskFolder(this.root);
	}

	/** Something changed in the folder. */
	tell(): void {
		this.live.tell();
	}

	close(): void {
		this.live.close();
	}

	/** Answers a request where it is for the folder; gives whether it is. */
	take(request: IncomingMessage, response: ServerResponse): boolean {
		const { pathname, searchParams } = new URL(request.url ?? '/', 'http://folder.invalid');
		if (!pathname.startsWith(folderPath)) return false;
		void this.answer(request, response, pathname, searchParams).catch((failure: unknown) => {
			const { status, says } = refusalOf(failure);
			if (response.headersSent) return response.end();
			response.writeHead(status, { 'content-type': 'text/plain; charset=utf-8' }).end(says);
		});
		return true;
	}

	private async answer(
		request: IncomingMessage,
		response: ServerResponse,
		pathname: string,
		query: URLSearchParams
	): Promise<void> {
		const { headers, method = 'GET' } = request;
		if (!this.hosts().includes(headers.host ?? '')) {
			throw new Refusal(403, 'The folder is only open to this machine, by its own name.');
		}
		if (!hasToken(headers, query, this.token)) {
			throw new Refusal(403, 'The token of this address is missing or of another time: take the address that “long-eave open” has written.'); // prettier-ignore
		}
		response.setHeader('cache-control', 'no-store');
		if (pathname === changesPath) return this.live.add(response);
		if (pathname === folderPath) {
			const listing = JSON.stringify(await this.listing());
			response.writeHead(200, { 'content-type': 'application/json' }).end(listing);
			return;
		}
		const path = pathname.slice(folderPath.length).split('/').map(decoded).join('/');
		if (method === 'GET') return this.read(path, response);
		if (method === 'PUT') return this.write(path, request, response);
		if (method === 'DELETE') return this.remove(path, request, response);
		throw new Refusal(405, 'Files are read, put there and taken away.');
	}

	private async listing(): Promise<Listing> {
		const there = await stat(this.root).catch(() => undefined);
		if (!there?.isDirectory()) throw new Refusal(410, 'The folder is not there any more.');
		const id = createHash('sha256').update(this.root).digest('hex').slice(0, 16);
		return { name: basename(this.root), id, files: await this.folder.list() };
	}

	private async read(path: string, response: ServerResponse): Promise<void> {
		const file = await this.folder.read(path);
		if (!file) throw new Refusal(404, `${path} is not there.`);
		response
			.writeHead(200, {
				'content-type': 'application/octet-stream',
				etag: `"${fingerprint(file.bytes)}"`,
				[stampHeader]: file.stamp
			})
			.end(file.bytes);
	}

	private async write(
		path: string,
		request: IncomingMessage,
		response: ServerResponse
	): Promise<void> {
		const mark = conditionOf(request);
		const stamp = await this.folder.write(path, await bodyOf(request), mark);
		if (stamp === undefined) throw new Refusal(412, `${path} is another by now.`);
		response.writeHead(204, { [stampHeader]: stamp }).end();
	}

	private async remove(
		path: string,
		request: IncomingMessage,
		response: ServerResponse
	): Promise<void> {
		const mark = conditionOf(request);
		if (mark === undefined || !(await this.folder.remove(path, mark))) {
			throw new Refusal(412, `${path} is another by now.`);
		}
		response.writeHead(204).end();
	}
}

/** What the file has to be (RFC 9110, section 13.1): its mark; undefined: not there at all. */
function conditionOf({ headers }: IncomingMessage): string | undefined {
	if (headers['if-none-match'] === '*') return undefined;
	const mark = /^"([^"]*)"$/.exec(headers['if-match'] ?? '')?.[1];
	if (mark === undefined) throw new Refusal(428, 'What is written says what it expects to find.');
	return mark;
}

function decoded(word: string): string {
	try {
		return decodeURIComponent(word);
	} catch {
		throw new Refusal(400, `${word} is no path.`);
	}
}

async function bodyOf(request: IncomingMessage): Promise<Buffer> {
	const parts: Buffer[] = [];
	let size = 0;
	for await (const part of request) {
		const bytes = Buffer.from(part);
		size += bytes.length;
		if (size > mostBytes) throw new Refusal(413, `No file is larger than ${mostBytes / 1024 / 1024} MB.`); // prettier-ignore
		parts.push(bytes);
	}
	return Buffer.concat(parts);
}

function refusalOf(failure: unknown): { status: number; says: string } {
	if (failure instanceof Refusal) return { status: failure.status, says: failure.message };
	if (failure instanceof IntakeError || failure instanceof FolderRefused) {
		return { status: 400, says: failure.message };
	}
	const sentence = systemSentence(failure);
	return { status: 500, says: sentence ? asSentence(sentence) : `${reasonOf(failure)}.` };
}

function asSentence(words: string): string {
	return words.charAt(0).toUpperCase() + words.slice(1);
}
