import { unzipSync, type UnzipFileInfo } from 'fflate';
import { isEaveFile, type SiteFiles } from '../model/files.ts';
import { decodeUtf8 } from '../model/utf8.ts';
import { placeOf, readSiteFiles } from './read.ts';

/** A site may be this large, unpacked. */
export const mostBytes = 50 * 1024 * 1024;
const mostFiles = 20_000;

/** Files could not be taken in; `message` is a sentence for the user. */
export class IntakeError extends Error {
	override readonly name = 'IntakeError';
}

/**
 * Takes in what the user brought: one `.eave` file, or a zip of a site's folder.
 * Throws an IntakeError; nothing is taken in by halves.
 */
export function takeIn(name: string, bytes: Uint8Array): SiteFiles {
	if (bytes.length === 0) throw new IntakeError(`${name} is empty.`);
	if (looksLikeZip(bytes)) return takeInFiles(unpack(name, bytes));
	if (name.toLowerCase().endsWith('.zip')) throw new IntakeError(`${name} is not a zip file.`);
	return takeInFiles(new Map([[isEaveFile(name) ? name : `${name}.eave`, bytes]]));
}

/** Takes in the files of a folder, by their paths from it. Throws an IntakeError. */
export function takeInFiles(files: ReadonlyMap<string, Uint8Array>): SiteFiles {
	const texts = new Map<string, string>();
	const assets = new Map<string, Uint8Array>();
	let total = 0;
	for (const [path, bytes] of withoutCommonFolder(files)) {
		checkPath(path);
		total += bytes.length;
		if (total > mostBytes) throw tooLarge();
		if (isEaveFile(path)) texts.set(path, toText(path, bytes));
		else assets.set(path, bytes);
	}
	if (texts.size === 0) {
		throw new IntakeError('There is no .eave file in it, so there is no site to open.');
	}
	if ([...texts.values()].every((text) => text.trim() === '')) {
		throw new IntakeError('Its .eave files are empty, so there is no site to open.');
	}
	return { texts, assets };
}

/** Problems with which there is nothing to show, so that the site is not opened at all. */
const unusable: ReadonlySet<string> = new Set([
	'no-site',
	'no-layout',
	'no-route',
	'line-too-long'
]);

/** Throws an IntakeError where the files hold no site that could be shown, however much of it were mended. */
export function refuseUnusable(files: SiteFiles): void {
	const problem = readSiteFiles(files).problems.find((one) => unusable.has(one.code));
	if (!problem) return;
	const place = problem.code === 'line-too-long' ? ` (${placeOf(problem.span, files.texts)})` : '';
	throw new IntakeError(problem.sentence + place);
}

function toText(path: string, bytes: Uint8Array): string {
	try {
		const text = decodeUtf8(bytes);
		if (text.includes('\0')) throw new IntakeError(`${path} is not text: it has null characters.`);
		return text;
	} catch (failure) {
		if (failure instanceof IntakeError) throw failure;
		throw new IntakeError(`${path} is not UTF-8 text.`);
	}
}

/** PKWARE APPNOTE, section 4.3.7: a local file header; 4.3.16: the end of an empty archive. */
function looksLikeZip(bytes: Uint8Array): boolean {
	if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return false;
	return (bytes[2] === 3 && bytes[3] === 4) || (bytes[2] === 5 && bytes[3] === 6);
}

function unpack(name: string, bytes: Uint8Array): Map<string, Uint8Array> {
	let total = 0;
	let count = 0;
	const wanted = (info: UnzipFileInfo): boolean => {
		if (info.name.endsWith('/') || isClutter(info.name)) return false;
		checkPath(info.name);
		total += info.originalSize;
		if (total > mostBytes) throw tooLarge();
		if (++count > mostFiles) throw new IntakeError(`It has more than ${mostFiles} files.`);
		return true;
	};
	try {
		return new Map(Object.entries(unzipSync(bytes, { filter: wanted })));
	} catch (failure) {
		if (failure instanceof IntakeError) throw failure;
		throw new IntakeError(`${name} is not a zip file that can be unpacked.`);
	}
}

function tooLarge(): IntakeError {
	return new IntakeError(`It is larger than ${mostBytes / 1024 / 1024} MB unpacked.`);
}

/** Files that file managers put into archives by themselves. */
function isClutter(path: string): boolean {
	return path.startsWith('__MACOSX/') || /(^|\/)(\.DS_Store|Thumbs\.db)$/.test(path);
}

function checkPath(path: string): void {
	const words = path.split(/[/\\]/);
	if (path.startsWith('/') || path.startsWith('\\') || /^[a-z]:/i.test(path)) {
		throw new IntakeError(`It has a file with an absolute path, ${path}, and was not opened.`);
	}
	if (words.includes('..')) {
		throw new IntakeError(`It has a file whose path climbs out, ${path}, and was not opened.`);
	}
	if (words.includes('') || words.includes('.')) {
		throw new IntakeError(`It has a file with an unusable path, ${path}, and was not opened.`);
	}
}

/** An archive of a folder often has that folder as its only entry; it is not part of the site. */
function withoutCommonFolder(files: ReadonlyMap<string, Uint8Array>): Map<string, Uint8Array> {
	const paths = [...files.keys()];
	const folder = paths[0]?.split('/')[0];
	const isCommon = paths.every((path) => path.includes('/') && path.split('/')[0] === folder);
	const texts = paths.filter(isEaveFile);
	if (!isCommon || folder === undefined || folder === '..' || folder === '') return new Map(files);
	if (!texts.some((path) => path.split('/').length === 2)) return new Map(files);
	return new Map([...files].map(([path, bytes]) => [path.slice(folder.length + 1), bytes]));
}
