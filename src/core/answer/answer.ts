import mime from 'mime';
import { decodeSegment, withoutFile } from '../model/address.ts';
import { escapeHtml } from '../emit/html/escape.ts';
import { pageHtml } from '../emit/html/page.ts';
import { withUrls } from '../emit/css/author/style-urls.ts';
import type { Layer, State, StateKind } from '../model/site.ts';
import { encodeUtf8 } from '../lib/utf8.ts';
import { utcTime } from '../lib/utc.ts';
import type { PageInstance } from '../resolve/instance.ts';
import { closedAt, keptOutBy } from '../resolve/roles.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { nearestState } from '../resolve/structure.ts';
import { pageAsked, segmentsOf } from './asked.ts';
import { found, type Representation } from './found.ts';
import type { AnsweringSite, SiteAnswer, SiteRequest } from './exchange.ts';
import { freshOf, sourcesOf } from './freshness.ts';
import { answerPlan, type AnswerPlan } from './plan.ts';

/** s, before someone who was told that the site cannot answer may ask again. */
const retryAfter = 30;
/** What every answer says to the browser. */
const always = { 'x-content-type-options': 'nosniff', 'referrer-policy': 'same-origin' };
/** What is asked for by its own address can be kept, but is asked about before it is used again. */
const askFirst = 'no-cache';

/**
 * What a site answers (HTTP, RFC 9110): a page, the nearest state in its place where it is closed (403),
 * missing (404) or cannot be made (503), a file, a sheet, or the way to the one address of a page (301, 308).
 * Pure: the time comes with the request.
 */
export function answer(site: AnsweringSite, request: SiteRequest): SiteAnswer {
	const isHead = request.method === 'HEAD';
	if (!isHead && request.method !== 'GET') {
		const headers = { ...always, allow: 'GET, HEAD', 'content-type': 'text/plain; charset=utf-8' };
		return { status: 405, headers, body: encodeUtf8(`${request.method} does nothing here.\n`) };
	}
	const full = new Answerer(site, request).answer();
	const headers = { ...always, ...full.headers };
	return { ...full, headers, body: isHead ? undefined : full.body };
}

class Answerer {
	private readonly plan: AnswerPlan;
	private readonly seen: ResolvedSite;
	private readonly path: string;
	private readonly query: string;

	constructor(
		private readonly site: AnsweringSite,
		private readonly request: SiteRequest
	) {
		const { resolved } = site;
		const roles = resolved.site.settings.roles.map(({ text }) => text);
		const known = roles.find((role) => role === request.role);
		this.plan = answerPlan(resolved);
		this.seen = resolved.as(known ?? roles[0]);
		const [, path = '/', query = ''] = /^([^?#]*)([^#]*)/.exec(request.target) ?? [];
		this.path = path;
		this.query = query;
	}

	answer(): SiteAnswer {
		const words = segmentsOf(this.path);
		const { structure } = this.seen;
		if (words.some(isNoWord)) return this.nothing(oddAddress, closedAt(oddAddress, structure));
		const written = '/' + words.join('/');
		const sheet = words[0] === 'styles' ? this.plan.sheetAt(words.join('/')) : undefined;
		if (sheet !== undefined) return this.sheet(sheet);
		const file = this.plan.fileAt(words.map(decodeSegment).join('/'));
		if (file) return this.file(file, words.at(-1) ?? '');
		const page = pageAsked(this.plan, written);
		if (!page) {
			const meant = withoutFile(written);
			const route = this.plan.routeAt(meant);
			const now = this.plan.movedTo(written);
			if (!now) return this.nothing(meant, route ?? closedAt(meant, structure));
			return keptOutBy(route ?? now.page, this.seen.role, structure)
				? this.instead('denied', 403, meant)
				: this.leadsTo(308, this.plan.pathOf(now));
		}
		const path = this.plan.pathOf(page);
		if (this.path !== `/${path}`) return this.leadsTo(301, path);
		if (keptOutBy(page.page, this.seen.role, structure)) {
			return this.instead('denied', 403, page.address);
		}
		const sources = sourcesOf(page.page, this.seen);
		const failing = sources.find(
			(source) => source.failed === 'shown' && this.site.failed.has(source.name.text)
		);
		if (failing) return this.instead('failed', 503, page.address);
		const html = this.write(page);
		const cache = freshOf(sources) ?? askFirst;
		return this.send({
			status: 200,
			body: encodeUtf8(html),
			type: 'text/html; charset=utf-8',
			cache: this.hasRoles ? `private, ${cache}` : cache
		});
	}

	/** Where there is no page: in a branch that is closed, no one else learns that. */
	private nothing(address: string, closing: Layer | undefined): SiteAnswer {
		const isKeptOut = closing && keptOutBy(closing, this.seen.role, this.seen.structure);
		return isKeptOut
			? this.instead('denied', 403, address)
			: this.instead('not-found', 404, address);
	}

	private get hasRoles(): boolean {
		return this.seen.site.settings.roles.length > 0;
	}

	private write(instance: PageInstance): string {
		const { base, headLines } = this.site;
		return pageHtml(instance, this.seen, {
			link: (url) => this.plan.link(url, base),
			marks: 'none',
			headLines: [
				...this.plan
					.sheetsOf(instance.page)
					.map((path) => `<link rel="stylesheet" href="${escapeHtml(base + path)}">`),
				...headLines
			],
			year: utcTime(this.request.time).year
		});
	}

	/**
	 * To the one address of a page that was asked for in another spelling (301), or at an address where it was once
	 * (308; RFC 9110, sections 15.4.2 and 15.4.9), with what was asked of it.
	 */
	private leadsTo(status: 301 | 308, path: string): SiteAnswer {
		const location = this.site.base + path + this.query;
		const headers = {
			location,
			'cache-control': askFirst,
			'content-type': 'text/plain; charset=utf-8'
		};
		return { status, headers, body: encodeUtf8(`It is at ${location}\n`) };
	}

	/** The nearest state of a kind; where the site has none, a sentence. */
	private instead(kind: StateKind, status: 403 | 404 | 503, address: string): SiteAnswer {
		const state = nearestState(this.seen.site, address, kind);
		const html = state ? this.write(standing(state)) : sentencePage(this.seen, kind, address);
		const headers = {
			'content-type': 'text/html; charset=utf-8',
			'cache-control': 'no-store',
			...(status === 503 && { 'retry-after': String(retryAfter) })
		};
		return { status, headers, body: encodeUtf8(html) };
	}

	private sheet(css: string): SiteAnswer {
		const linked = withUrls(css, (url) => this.plan.link(url, this.site.base));
		return this.send({
			status: 200,
			body: encodeUtf8(linked),
			type: 'text/css; charset=utf-8',
			cache: askFirst
		});
	}

	private file(bytes: Uint8Array, name: string): SiteAnswer {
		const type = mime.getType(decodeSegment(name)) ?? 'application/octet-stream';
		const isText = /^text\/|json$|xml$|javascript$/.test(type);
		return this.send({
			status: 200,
			body: bytes,
			type: isText ? `${type}; charset=utf-8` : type,
			cache: askFirst,
			ranges: true
		});
	}

	private send(representation: Omit<Representation, 'changed' | 'vary'>): SiteAnswer {
		const vary = this.hasRoles ? 'cookie' : undefined;
		return found({ ...representation, changed: this.site.changed, vary }, this.request);
	}
}

/** Where what no address can be is taken to lead, so that servers that decode it first agree. */
const oddAddress = '/-';

/** Whether a segment of an address can be none, since what it stands for is a path or cannot be written. */
function isNoWord(word: string): boolean {
	return /[/\\\u0000-\u001f\u007f]/.test(decodeSegment(word));
}

function standing(state: State): PageInstance {
	return { page: state, address: state.at.text, parameters: new Map(), item: undefined };
}

const sentences: Readonly<Record<StateKind, string>> = {
	'not-found': 'There is no page at this address.',
	denied: 'This page is not for everyone.',
	failed: 'This page cannot be made at the moment.',
	loading: 'This page is on its way.'
};

/** What is said where the site has no state for it. */
export function sentencePage({ site }: ResolvedSite, kind: StateKind, address: string): string {
	const { lang, name } = site.settings;
	return [
		'<!DOCTYPE html>',
		`<html lang="${escapeHtml(lang)}"><head><meta charset="utf-8"><title>${escapeHtml(name.text)}</title></head>`,
		`<body><p>${sentences[kind]} (${escapeHtml(address)})</p></body></html>\n`
	].join('\n');
}
