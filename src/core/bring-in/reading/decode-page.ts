/** A page as text, and the encoding that its bytes were in. */
export interface DecodedPage {
	readonly text: string;
	readonly encoding: string;
}

/** What browsers take a page for that says nothing (HTML, section 13.2.3.2, for most of the world). */
const unsaid = 'windows-1252';
/** Bytes that are looked through for what a page says of itself: HTML, section 13.2.3.2. */
const lookedThrough = 1024;

/**
 * The text of a page by its byte order mark, what its head declares, or UTF-8 where its bytes are that. Undefined where
 * the bytes are no text.
 */
export function decodePage(bytes: Uint8Array): DecodedPage | undefined {
	const encoding = encodingOf(bytes);
	try {
		const text = new TextDecoder(encoding, { fatal: false }).decode(bytes);
		return text.includes('\0') ? undefined : { text: text.replace(/^\ufeff/, ''), encoding };
	} catch {
		return undefined;
	}
}

function encodingOf(bytes: Uint8Array): string {
	const [a, b, c] = bytes;
	if (a === 0xef && b === 0xbb && c === 0xbf) return 'utf-8';
	if (a === 0xfe && b === 0xff) return 'utf-16be';
	if (a === 0xff && b === 0xfe) return 'utf-16le';
	const declared = declaredIn(bytes);
	if (declared !== undefined && isKnown(declared)) return declared;
	return isUtf8(bytes) ? 'utf-8' : unsaid;
}

function declaredIn(bytes: Uint8Array): string | undefined {
	const head = String.fromCharCode(...bytes.subarray(0, lookedThrough));
	const [, said] = /<meta[^>]+charset\s*=\s*["']?\s*([^\s"'/>;]+)/i.exec(head) ?? [];
	const [, ofXml] = /^<\?xml[^>]+encoding\s*=\s*["']([^"']+)/i.exec(head) ?? [];
	const found = (said ?? ofXml)?.toLowerCase();
	// HTML, section 13.2.3.3: what could be read to find that is no UTF-16.
	return found?.startsWith('utf-16') ? 'utf-8' : found;
}

function isKnown(encoding: string): boolean {
	try {
		return new TextDecoder(encoding, { fatal: false }).decode(new Uint8Array()) === '';
	} catch {
		return false;
	}
}

function isUtf8(bytes: Uint8Array): boolean {
	try {
		new TextDecoder('utf-8', { fatal: true }).decode(bytes);
		return true;
	} catch {
		return false;
	}
}
