import { joinBytes } from '../model/bytes.ts';
import { Unzip, UnzipInflate, unzipSync, type UnzipFileInfo } from 'fflate';
import { IntakeError, mostBytes, mostFiles, checkPath, tooLarge } from './limits.ts';

/** Archives are read by so much at a time, so that one that never ends is noticed early. */
const stretch = 8 * 1024;

/**
 * Unpacks a zip. What it says of its sizes is not believed: bytes are counted as they come out, and
 * it stops where there are more than it says, or than a site may have. Throws an IntakeError.
 */
export function unpack(name: string, bytes: Uint8Array): Map<string, Uint8Array> {
	const listed = list(name, bytes);
	const unpacked = new Map<string, Uint8Array>();
	let total = 0;
	// The library catches what is thrown while it unpacks, so what is wrong is noted and thrown outside.
	let wrong: IntakeError | undefined;
	const unzip = new Unzip((file) => {
		const info = listed.get(file.name);
		if (!info || unpacked.has(file.name)) return;
		const parts: Uint8Array[] = [];
		let size = 0;
		file.ondata = (failure, part, final) => {
			if (wrong) return;
			if (failure) {
				wrong = new IntakeError(`${file.name} in ${name} cannot be unpacked.`);
				return;
			}
			size += part.length;
			total += part.length;
			if (size > info.originalSize) {
				wrong = new IntakeError(
					`${file.name} in ${name} is larger than the ${info.originalSize} bytes it says, so it was not opened.`
				);
			} else if (total > mostBytes) {
				wrong = tooLarge();
			} else {
				parts.push(part);
				if (final && size === info.originalSize) unpacked.set(file.name, joinBytes(parts, size));
			}
		};
		file.start();
	});
	unzip.register(UnzipInflate);
	try {
		for (let at = 0; at < bytes.length; at += stretch) {
			unzip.push(bytes.subarray(at, at + stretch), at + stretch >= bytes.length);
			if (wrong) throw wrong;
		}
	} catch (failure) {
		if (failure instanceof IntakeError) throw failure;
		throw new IntakeError(`${name} is not a zip file that can be unpacked.`);
	}
	const missing = [...listed.keys()].find((path) => !unpacked.has(path));
	if (missing !== undefined) {
		throw new IntakeError(`${missing} in ${name} is cut short, so it was not opened.`);
	}
	return unpacked;
}

/** The files that an archive says it has, by its directory at the end. */
function list(name: string, bytes: Uint8Array): Map<string, UnzipFileInfo> {
	const listed = new Map<string, UnzipFileInfo>();
	let total = 0;
	const note = (info: UnzipFileInfo): boolean => {
		if (info.name.endsWith('/') || isClutter(info.name)) return false;
		checkPath(info.name);
		if (listed.has(info.name)) throw new IntakeError(`${name} has two files named ${info.name}.`);
		if (info.compression !== 0 && info.compression !== 8) {
			throw new IntakeError(
				`${info.name} in ${name} is packed in a way that cannot be read (method ${info.compression}).`
			);
		}
		total += info.originalSize;
		if (total > mostBytes) throw tooLarge();
		if (listed.size === mostFiles) throw new IntakeError(`It has more than ${mostFiles} files.`);
		listed.set(info.name, info);
		return false;
	};
	try {
		if (isEncrypted(bytes)) {
			throw new IntakeError(
				`${name} is encrypted. Unpack it with its password, and bring the folder.`
			);
		}
		unzipSync(bytes, { filter: note });
	} catch (failure) {
		if (failure instanceof IntakeError) throw failure;
		throw new IntakeError(`${name} is not a zip file that can be unpacked.`);
	}
	return listed;
}

/** PKWARE APPNOTE, section 4.4.4: bit 0 of the flags that the directory (4.3.12) has of each file. */
function isEncrypted(bytes: Uint8Array): boolean {
	const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
	let end = bytes.length - 22;
	while (end >= 0 && view.getUint32(end, true) !== 0x06054b50) end--;
	if (end < 0) return false;
	const count = view.getUint16(end + 10, true);
	let at = view.getUint32(end + 16, true);
	for (let entry = 0; entry < count && at + 46 <= bytes.length; entry++) {
		if (view.getUint32(at, true) !== 0x02014b50) return false;
		if ((view.getUint16(at + 8, true) & 1) === 1) return true;
		const lengths = [28, 30, 32].map((field) => view.getUint16(at + field, true));
		at += 46 + lengths.reduce((sum, length) => sum + length, 0);
	}
	return false;
}

/** Files that file managers put into archives by themselves. */
function isClutter(path: string): boolean {
	return path.startsWith('__MACOSX/') || /(^|\/)(\.DS_Store|Thumbs\.db)$/.test(path);
}
