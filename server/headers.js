// What every answer says to the browser about what it may do with it.

/** Of everything but pages, which say more by themselves: no script from elsewhere, in no one's frame. */
const policy = [
	"default-src 'self'",
	"object-src 'none'",
	"base-uri 'none'",
	"form-action 'none'",
	"frame-ancestors 'none'"
].join('; ');

/** Sets the headers that hold for every answer; one that an answer sets by itself wins. */
export function secure(response) {
	response.setHeader('Content-Security-Policy', policy);
	response.setHeader('X-Content-Type-Options', 'nosniff');
	response.setHeader('Referrer-Policy', 'no-referrer');
	response.setHeader('Cross-Origin-Opener-Policy', 'same-origin');
	response.setHeader('Cross-Origin-Resource-Policy', 'same-origin');
	response.setHeader('Permissions-Policy', 'camera=(), microphone=(), geolocation=()');
}
