import { joinBytes } from '../lib/bytes.ts';
import { Unzip, UnzipInflate, unzipSync, type UnzipFileInfo } from 'fflate';
import crc from 'crc-32';
import { IntakeError, mostBytes, mostFiles, checkPath, tooLarge } from './limits.ts';
import { zipDirectory } from './zip-directory.ts';

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
			if (size > info.size) {
				wrong = new IntakeError(
					`${file.name} in ${name} is larger than the ${info.size} bytes it says, so it was not opened.`
				);
			} else if (total > mostBytes) {
				wrong = tooLarge();
			} else {
				parts.push(part);
				if (!final || size !== info.size) return;
				const content = joinBytes(parts, size);
				if (info.sum !== undefined && sumOf(content) !== info.sum) {
					wrong = new IntakeError(
						`${file.name} in ${name} is not what was packed: its checksum is another. Pack or fetch it again.`
					);
				} else unpacked.set(file.name, content);
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

/** A file as the directory of its archive has it. */
interface Listed {
	/** bytes */
	readonly size: number;
	/** CRC-32 of its content. */
	readonly sum: number | undefined;
}

/** The files that an archive says it has, by its directory at the end. */
function list(name: string, bytes: Uint8Array): Map<string, Listed> {
	const listed = new Map<string, Listed>();
	const entries = zipDirectory(bytes);
	let [total, index] = [0, 0];
	const note = (info: UnzipFileInfo): boolean => {
		const sum = entries[index++]?.sum;
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
		listed.set(info.name, { size: info.originalSize, sum });
		return false;
	};
	try {
		if (entries.some(({ encrypted }) => encrypted)) {
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

/** CRC-32 as archives have it: without a sign. */
function sumOf(content: Uint8Array): number {
	return crc.buf(content) >>> 0;
}

/** Files that file managers put into archives by themselves. */
function isClutter(path: string): boolean {
	return path.startsWith('__MACOSX/') || /(^|\/)(\.DS_Store|Thumbs\.db)$/.test(path);
}
