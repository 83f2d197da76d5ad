import type { RequestHandler } from './$types';

/** What a page may bring in that lies in the site itself: its files have URLs of these kinds. */
const own = 'data: blob:';
const elsewhere = 'https: http:';

/**
 * An empty document for the frames that pages are put into. It has a policy of its own, which all that
 * is put into it obeys: no script ever, and nothing from outside the site, unless `outside` asks for it.
 */
export const GET: RequestHandler = ({ url }) => {
	const from = url.searchParams.has('outside') ? `${own} ${elsewhere}` : own;
	const policy = [
		"default-src 'none'",
		`img-src ${from}`,
		`media-src ${from}`,
		`font-src ${from}`,
		`style-src 'unsafe-inline' ${from}`,
		`frame-src ${from}`,
		"form-action 'none'",
		"frame-ancestors 'self'",
		'sandbox allow-same-origin'
	].join('; ');
	return new Response('<!doctype html><html data-stage><head></head><body></body></html>', {
		headers: {
			'content-type': 'text/html; charset=utf-8',
			'content-security-policy': policy,
			'x-dns-prefetch-control': 'off',
			'cache-control': 'no-cache'
		}
	});
};
