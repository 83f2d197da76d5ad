import { goto } from '$app/navigation';
import type { Span } from '$core/model/span.ts';
import { trialOf, trialWords, type Trial } from '$core/model/trial.ts';
import type { PageRequest } from '$workers/messages.ts';

/** What the address of the application says: which page is shown, and on what screen. */
export interface Place {
	readonly request: PageRequest | undefined;
	/** Whom the site is seen by; undefined: all of it. */
	readonly role: string | undefined;
	/** What it is tried with. */
	readonly trial: Trial;
	/** px; undefined where the address says nothing. */
	readonly width: number | undefined;
	/** px; undefined where the screen is as tall as there is room. */
	readonly height: number | undefined;
}

export const leastWidth = 280;
export const mostWidth = 2560;
export const leastHeight = 200;
export const mostHeight = 4000;

export function readPlace(url: URL): Place {
	const page = url.searchParams.get('route');
	const width = Number(url.searchParams.get('width') ?? Number.NaN);
	const height = Number(url.searchParams.get('height') ?? Number.NaN);
	return {
		request:
			page === null ? undefined : { page, address: url.searchParams.get('page') ?? undefined },
		role: url.searchParams.get('as') ?? undefined,
		trial: trialOf(url.searchParams.get('try')?.split('.') ?? []),
		width: Number.isFinite(width) ? clampWidth(width) : undefined,
		height: Number.isFinite(height) ? clampHeight(height) : undefined
	};
}

export function clampWidth(width: number): number {
	return Math.round(Math.min(mostWidth, Math.max(leastWidth, width)));
}

export function clampHeight(height: number): number {
	return Math.round(Math.min(mostHeight, Math.max(leastHeight, height)));
}

/** The query that leads back to a place, for links from one view to another. */
export function placeQuery(place: Place): string {
	const query = new URLSearchParams();
	if (place.request) query.set('route', place.request.page);
	if (place.request?.address !== undefined) query.set('page', place.request.address);
	if (place.role !== undefined) query.set('as', place.role);
	const tried = trialWords(place.trial);
	if (tried.length > 0) query.set('try', tried.join('.'));
	if (place.width !== undefined) query.set('width', String(place.width));
	if (place.height !== undefined) query.set('height', String(place.height));
	// Slashes and colons are allowed in a query (RFC 3986, section 3.4) and read better as they are.
	return query.toString().replaceAll('%2F', '/').replaceAll('%3A', ':');
}

/**
 * Puts a place into the address; what else the address says stays. A new page is a step of the
 * browser's history, a new width is not.
 */
export async function writePlace(url: URL, place: Place): Promise<void> {
	const before = readPlace(url);
	if (placeQuery(place) === placeQuery(before)) return;
	const others = new URLSearchParams(url.searchParams);
	for (const name of ['route', 'page', 'as', 'try', 'width', 'height']) others.delete(name);
	const query = [placeQuery(place), others.toString()].filter((words) => words !== '').join('&');
	const samePage =
		before.request?.page === place.request?.page &&
		before.request?.address === place.request?.address &&
		before.role === place.role;
	const replaceState = before.request === undefined || samePage;
	await goto(`${url.pathname}?${query}`, { replaceState, keepFocus: true, noScroll: true });
}

/** Leads to a place in the text. */
export async function showPlace({ file, from }: Pick<Span, 'file' | 'from'>): Promise<void> {
	await goto(`/source?${new URLSearchParams({ file, at: String(from) }).toString()}`);
}
