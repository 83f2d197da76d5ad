/** What the directory of an archive says of a file that the library which unpacks it does not tell. */
export interface ZipEntry {
	readonly encrypted: boolean;
	/** CRC-32 of what was packed. */
	readonly sum: number;
}

/**
 * The entries of a zip's directory, in its order (PKWARE APPNOTE, sections 4.3.12 and 4.3.16); those up to where it
 * cannot be read.
 */
export function zipDirectory(bytes: Uint8Array): ZipEntry[] {
	const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
	let end = bytes.length - 22;
	while (end >= 0 && view.getUint32(end, true) !== 0x06054b50) end--;
	if (end < 0) return [];
	const count = view.getUint16(end + 10, true);
	let at = view.getUint32(end + 16, true);
	const entries: ZipEntry[] = [];
	while (entries.length < count && at + 46 <= bytes.length) {
		if (view.getUint32(at, true) !== 0x02014b50) break;
		// Section 4.4.4: bit 0 of the flags.
		const encrypted = (view.getUint16(at + 8, true) & 1) === 1;
		entries.push({ encrypted, sum: view.getUint32(at + 16, true) });
		const lengths = [28, 30, 32].map((field) => view.getUint16(at + field, true));
		at += 46 + lengths.reduce((sum, length) => sum + length, 0);
	}
	return entries;
}
