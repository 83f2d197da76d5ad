/**
 * Addresses of pages, the path of a URL (RFC 3986, section 3.3). Escapes are decoded once, when an
 * address is read, and written in one way only, so that equal addresses are equal texts.
 */

/** What a segment stands for; what is no escape stays as it is. */
export function decodeSegment(segment: string): string {
	try {
		return decodeURIComponent(segment);
	} catch {
		return segment;
	}
}

/** A name as it stands in a URL. A half of a character, which no URL can hold, becomes U+FFFD. */
export function encodeSegment(name: string): string {
	return encodeURIComponent(name.replace(/\p{Surrogate}/gu, '\ufffd'));
}

/** The path of a URL in the one way in which addresses are written here. */
export function canonicalPath(path: string): string {
	return path
		.split('/')
		.map((segment) => encodeSegment(decodeSegment(segment)))
		.join('/');
}

/** The path of a file as it stands in a URL. */
export function encodePath(path: string): string {
	// RFC 3986, section 3.3: `$` and `@` may stand in a path as they are, and read better so.
	return path.split('/').map(encodeSegment).join('/').replaceAll('%24', '$').replaceAll('%40', '@');
}

/** `/visit/index.html` and `/visit.html` are asked for where `/visit` is meant. */
export function withoutFile(address: string): string {
	const meant = address.replace(/(^|\/)index\.html$|\.html$/, '');
	return meant === '' ? '/' : meant;
}

/** Most file systems take names of up to 255 bytes; sheets have four more, `.css`. */
const longestName = 240;

/** Why a name can be no segment of an address, as the end of a sentence; undefined where it can. */
export function whyNoSegment(name: string): string | undefined {
	if (name === '') return 'it is empty';
	if (name === '.' || name === '..') return `"${name}" would lead to another folder`;
	if (/[/\\]/.test(name)) return 'it has a slash in it';
	if (/[\u0000-\u001f\u007f]/.test(name)) return 'it has a character that cannot be seen';
	if (/\p{Surrogate}/u.test(name)) return 'it has half a character in it';
	const bytes = new TextEncoder().encode(name).length;
	if (bytes > longestName) return `it is ${bytes} bytes long, and ${longestName} is the most`;
	return undefined;
}
