/**
 * A short text that is equal for equal bytes and, for all that matters here, different for different ones:
 * 32 bits of FNV-1a and 32 of a second one that starts elsewhere, with the length. Not for secrets.
 */
export function fingerprint(bytes: Uint8Array): string {
	let [one, other] = [0x811c9dc5, 0x9747b28c];
	for (const byte of bytes) {
		one = Math.imul(one ^ byte, 0x01000193);
		other = Math.imul(other ^ byte, 0x85ebca6b);
	}
	return [one, other, bytes.length].map((part) => (part >>> 0).toString(36)).join('-');
}
