import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { SiteRequest } from '../../core/answer/exchange.ts';
import { IntakeError } from '../../core/source/limits.ts';
import { systemSentence } from '../files/open-site.ts';
import type { Streams } from '../streams.ts';
import { LivePages, liveScript } from './live.ts';
import { Notices } from './notices.ts';
import { errorPage, signInPage } from './pages.ts';
import { ServedSite } from './served-site.ts';

/** What `serve` is asked for. */
export interface ServeOptions {
	readonly port: number;
	/** Who visitors are that have not chosen; undefined: the first role. */
	readonly as: string | undefined;
	/** What sources have to know to give notice; undefined: one that nobody can guess. */
	readonly noticeToken: string | undefined;
}

/** Only this machine: whoever else could reach it could choose any role. */
const host = '127.0.0.1';
const cookieName = 'long-eave-role';
/** Letters of a token of the user's own: fewer can be guessed. */
const shortestToken = 16;
/** bytes of a form. */
const mostPosted = 4096;

/** A site that is being served, until it is closed. */
export interface Serving {
	readonly address: string;
	close(): Promise<void>;
}

/** Serves a site and follows its folder until the process is told to end. */
export async function serveCommand(
	path: string,
	options: ServeOptions,
	streams: Streams,
	until: Promise<void>
): Promise<number> {
	if (!Number.isInteger(options.port) || options.port < 0 || options.port > 65_535) {
		streams.errors('--port needs a number from 0 to 65535.\n');
		return 2;
	}
	if (options.noticeToken !== undefined && options.noticeToken.length < shortestToken) {
		streams.errors(`--notice-token needs ${shortestToken} characters or more.\n`);
		return 2;
	}
	try {
		const serving = await serve(path, options, streams);
		streams.out(`Serving at ${serving.address} (ends with Ctrl and C)\n`);
		await until;
		await serving.close();
		return 0;
	} catch (failure) {
		if (failure instanceof IntakeError) streams.errors(`${path}:1:1: intake: ${failure.message}\n`);
		else {
			const sentence = systemSentence(failure);
			if (sentence === undefined) throw failure;
			streams.errors(`${path} cannot be served: ${sentence}\n`);
		}
		return 2;
	}
}

/** Starts to serve. Throws an IntakeError or an error of the system where that cannot be. */
export async function serve(
	path: string,
	{ port, as, noticeToken }: ServeOptions,
	streams: Streams
): Promise<Serving> {
	const live = new LivePages();
	const notices = new Notices(noticeToken);
	const told = new Set<string>();
	let address = '';
	/** Where each source gives notice is said once, also of those that come later. */
	const tellNotices = (): void => {
		for (const name of site.waiting.filter((one) => !told.has(one))) {
			told.add(name);
			streams.out(`${name} gives notice with POST ${notices.addressOf(name, address)}\n`);
		}
	};
	const site = new ServedSite(path, streams, Date.now, () => {
		live.tell();
		tellNotices();
	});
	await site.open();
	if (as !== undefined && !site.roles.includes(as)) {
		streams.errors(`The site has no role ${as}; visitors are whoever has not signed in.\n`);
	}
	const server = createServer((request, response) => {
		respond(request, response, { site, live, notices, as }).catch((failure: unknown) => {
			streams.errors(`${request.url ?? '/'} could not be answered: ${String(failure)}\n`);
			if (!response.headersSent) response.writeHead(500);
			response.end();
		});
	});
	await listen(server, port);
	site.watch();
	const bound = server.address();
	const own = typeof bound === 'object' && bound ? bound.port : port;
	address = `http://${host}:${own}/`;
	tellNotices();
	return {
		address,
		async close() {
			live.close();
			await site.close();
			server.closeAllConnections();
			await new Promise((resolve) => server.close(resolve));
		}
	};
}

function listen(server: Server, port: number): Promise<void> {
	return new Promise((resolve, reject) => {
		server.once('error', reject);
		server.listen(port, host, resolve);
	});
}

/** What a request is answered from. */
interface Served {
	readonly site: ServedSite;
	readonly live: LivePages;
	readonly notices: Notices;
	readonly as: string | undefined;
}

async function respond(
	request: IncomingMessage,
	response: ServerResponse,
	{ site, live, notices, as }: Served
): Promise<void> {
	const { method = 'GET', url: target = '/', headers } = request;
	const [path = '/'] = target.split('?');
	const role = roleIn(headers.cookie) ?? as;
	if (path === '/.live') return live.add(response);
	if (path === '/.live.js') return send(response, 200, 'text/javascript', liveScript);
	if (path === '/sign-in') return signIn(request, response, site, role);
	if (notices.isFor(path)) {
		const { status, says } = notices.answer(request, site);
		const allow: Record<string, string> = status === 405 ? { allow: 'POST' } : {};
		return send(response, status, 'text/plain', says && `${says}\n`, allow);
	}
	const asked: SiteRequest = {
		method,
		target,
		role,
		time: Date.now(),
		headers: Object.fromEntries(
			Object.entries(headers).map(([name, value]) => [name, value?.toString()])
		)
	};
	const answered = await site.answer(asked);
	if (!answered) {
		return send(response, 500, 'text/html', errorPage(site.problems, site.texts));
	}
	response.writeHead(answered.status, answered.headers);
	response.end(answered.body);
}

/** A stand-in for signing in: who one is, is what one chooses. */
async function signIn(
	request: IncomingMessage,
	response: ServerResponse,
	site: ServedSite,
	role: string | undefined
): Promise<void> {
	const url = new URL(request.url ?? '/', 'http://site.invalid');
	if (request.method !== 'POST') {
		const page = signInPage(site.roles, role, localPath(url.searchParams.get('to')));
		return send(response, 200, 'text/html', page);
	}
	const form = new URLSearchParams(await readForm(request));
	const chosen = form.get('role') ?? '';
	if (!site.roles.includes(chosen)) {
		return send(response, 400, 'text/plain', `There is no role ${chosen}.\n`);
	}
	response.writeHead(303, {
		location: localPath(form.get('to')),
		'set-cookie': `${cookieName}=${chosen}; Path=/; HttpOnly; SameSite=Lax`,
		'cache-control': 'no-store'
	});
	response.end();
}

/** A path of this site, whatever else was asked for: never an address elsewhere. */
function localPath(to: string | null): string {
	return to !== null && /^\/(?![/\\])[^\u0000-\u0020\\]*$/.test(to) ? to : '/';
}

async function readForm(request: IncomingMessage): Promise<string> {
	let text = '';
	for await (const part of request) {
		text += String(part);
		if (text.length > mostPosted) return '';
	}
	return text;
}

function roleIn(cookies = ''): string | undefined {
	return new RegExp(`(?:^|;\\s*)${cookieName}=([a-z0-9-]+)`).exec(cookies)?.[1];
}

function send(
	response: ServerResponse,
	status: number,
	type: string,
	text: string,
	headers: Readonly<Record<string, string>> = {}
): void {
	response.writeHead(status, {
		...headers,
		'content-type': `${type}; charset=utf-8`,
		'cache-control': 'no-store',
		'x-content-type-options': 'nosniff'
	});
	response.end(text);
}
