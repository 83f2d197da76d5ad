import { sentenceOf } from '../messages/sentence.ts';
import { isEaveFile, type SiteFiles } from '../model/files.ts';
import { commonFolder } from './common-folder.ts';
import { siteText } from './site-text.ts';
import { checkPath, IntakeError, mostBytes, mostFiles, tooLarge } from './limits.ts';
import { placeWords } from '../model/span.ts';
import { readSiteFiles, type SiteReading } from './read.ts';
import { unpack } from './unpack.ts';

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
	if (files.size > mostFiles) throw new IntakeError(`It has more than ${mostFiles} files.`);
	for (const [path, bytes] of withoutCommonFolder(files)) {
		checkPath(path);
		total += bytes.length;
		if (total > mostBytes) throw tooLarge();
		if (isEaveFile(path)) texts.set(path, siteText(path, bytes));
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
const unusable: ReadonlySet<string> = new Set(['no-site', 'no-route', 'line-too-long']);

/**
 * Reads files that are about to be opened. Throws an IntakeError where they hold no site that could be shown, however
 * much of it were mended.
 */
export function readUsable(files: SiteFiles): SiteReading {
	const reading = readSiteFiles(files);
	const problem = reading.problems.find((one) => unusable.has(one.code));
	if (!problem) return reading;
	const place =
		problem.code === 'line-too-long' ? ` (${placeWords(problem.span, files.texts)})` : '';
	throw new IntakeError(sentenceOf(problem) + place);
}

/** PKWARE APPNOTE, section 4.3.7: a local file header; 4.3.16: the end of an empty archive. */
export function looksLikeZip(bytes: Uint8Array): boolean {
	if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return false;
	return (bytes[2] === 3 && bytes[3] === 4) || (bytes[2] === 5 && bytes[3] === 6);
}

function withoutCommonFolder(files: ReadonlyMap<string, Uint8Array>): Map<string, Uint8Array> {
	const { length } = commonFolder([...files.keys()]);
	return new Map([...files].map(([path, bytes]) => [path.slice(length), bytes]));
}
