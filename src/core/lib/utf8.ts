/** Text of UTF-8 bytes. Throws a TypeError where the bytes are not UTF-8 (WHATWG Encoding, section 8.1). */
export function decodeUtf8(bytes: Uint8Array): string {
	return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
}

export function encodeUtf8(text: string): Uint8Array<ArrayBuffer> {
	return new TextEncoder().encode(text);
}

/** Bytes as the text that they are, each character of it; undefined where they are no text. */
export function exactText(bytes: Uint8Array): string | undefined {
	if (bytes.includes(0)) return undefined;
	try {
		return new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes);
	} catch {
		return undefined;
	}
}
