import { mkdir, readdir, writeFile } from 'node:fs/promises';
import { basename, dirname, join, resolve } from 'node:path';
import { bringIn, type BroughtSite, type NotTaken } from '../core/bring-in/bring-in.ts';
import { inQuirks } from '../core/bring-in/brought-view.ts';
import type { FoundFrame } from '../core/bring-in/finding/found-frame.ts';
import { proofWords, type Proof } from '../core/bring-in/proving/proof.ts';
import { takePages } from '../core/bring-in/reading/take-pages.ts';
import { counted } from '../core/messages/wording.ts';
import { sentenceOf } from '../core/messages/sentence.ts';
import { placeWords } from '../core/model/span.ts';
import { resolveSite } from '../core/resolve/site.ts';
import { IntakeError } from '../core/source/limits.ts';
import { readSiteFiles } from '../core/source/read.ts';
import { browserFor, provePages } from './comparing/prove-pages.ts';
import { systemSentence } from './files/open-site.ts';
import { readPagesPath } from './files/site-path.ts';
import type { Streams } from './streams.ts';

/** What `bring-in` is asked for. */
interface BringInOptions {
	readonly out: string;
	readonly json: boolean;
	readonly measure: boolean;
}

/**
 * Makes a site of a folder of pages, and holds every page against what came in; 0 all are the same, 1 some are not, 2 wrong
 * usage or nothing to bring in.
 */
export async function bringInCommand(
	path: string,
	{ out, json, measure }: BringInOptions,
	streams: Streams
): Promise<number> {
	const chromium = browserFor(measure, streams);
	if (chromium === false) return 2;
	try {
		if (!(await isFree(out))) {
			streams.errors(`${out} is there already, and not empty. Give a folder that is new.\n`);
			return 2;
		}
		const name = basename(resolve(path));
		const read = await readPagesPath(path, (file) => {
			streams.errors(`${file} is a symbolic link and is left out.\n`);
		});
		const files = takePages(name, read, false);
		const site = bringIn(files, name.replace(/\.(zip|html?)$/i, ''));
		sayNotTaken(site.notTaken, streams);
		if ('pages' in site) sayQuirks(inQuirks(site.pages), streams);
		if (!('pages' in site)) {
			streams.errors(`There is no page in ${path} that could be brought in.\n`);
			return 2;
		}
		const reading = readSiteFiles(site.files);
		for (const problem of reading.problems) {
			const place = placeWords(problem.span, site.files.texts);
			streams.errors(`${place}: ${problem.code}: ${sentenceOf(problem)}\n`);
		}
		await write(out, site);
		const proof = await provePages(files, resolveSite(reading), chromium, streams);
		streams.out(json ? `${JSON.stringify(report(site, proof), null, 1)}\n` : words(site, proof));
		return proof.same === proof.pages.length ? 0 : 1;
	} catch (failure) {
		if (failure instanceof IntakeError) {
			streams.errors(`${path}: ${failure.message}\n`);
			return 2;
		}
		const sentence = systemSentence(failure);
		if (sentence === undefined) throw failure;
		streams.errors(`${path} cannot be brought in: ${sentence}\n`);
		return 2;
	}
}

async function isFree(folder: string): Promise<boolean> {
	try {
		return (await readdir(folder)).length === 0;
	} catch (failure) {
		if (failure instanceof Error && 'code' in failure && failure.code === 'ENOENT') return true;
		throw failure;
	}
}

async function write(out: string, { files }: BroughtSite): Promise<void> {
	for (const [path, content] of [...files.texts, ...files.assets]) {
		const file = join(out, path);
		await mkdir(dirname(file), { recursive: true });
		await writeFile(file, content);
	}
}

function sayNotTaken(notTaken: readonly NotTaken[], { errors }: Streams): void {
	for (const { path, why } of notTaken) errors(`${path} ${why}; it stays a file of the site.\n`);
}

/** Which pages were laid out as old browsers did, as far as a line has room for them. */
function sayQuirks(paths: readonly string[], { errors }: Streams): void {
	if (paths.length === 0) return;
	const named = paths.slice(0, 5).join(', ') + (paths.length > 5 ? ' …' : '');
	const have =
		paths.length === 1 ? 'has no doctype of today; it gets' : 'have no doctype of today; they get';
	errors(`${counted(paths.length, 'page')} ${have} one, and boxes may lie elsewhere: ${named}\n`);
}

/** How many pages of a proof are the same, and for the others what differs. */
export function proofReport({ pages, same }: Proof): string {
	const others = pages.filter(({ kind }) => kind !== 'same');
	const lines = others.map((one) => `${one.path} ${proofWords(one)}\n`);
	return `${same} of ${counted(pages.length, 'page')} are the same.\n${lines.join('')}`;
}

function words({ frames, pages, files }: BroughtSite, proof: Proof): string {
	const line = (frame: FoundFrame, depth: number): string => {
		const regions = frame.regions.filter(({ isSlot }) => !isSlot).map(({ name }) => name);
		const places = regions.length === 0 ? '' : `: ${regions.join(', ')}`;
		const count = counted(frame.pages.length, 'page');
		const own = `${'  '.repeat(depth)}${frame.name} at ${frame.at}, around ${count}${places}\n`;
		return own + frame.inner.map((inner) => line(inner, depth + 1)).join('');
	};
	const inFrames = new Set(frames.flatMap((frame) => frame.pages)).size;
	const alone = pages.length - inFrames;
	return [
		...frames.map((frame) => line(frame, 0)),
		...(alone > 0 ? [`in no frame: ${counted(alone, 'page')}\n`] : []),
		`${bytesOf(pages.map(({ bytes }) => bytes))} of pages came in, ${bytesOf([...files.texts.values()].map(({ length }) => length))} of text are the site.\n`,
		proofReport(proof)
	].join('');
}

function bytesOf(sizes: readonly number[]): string {
	const sum = sizes.reduce((total, size) => total + size, 0);
	return sum < 10_000 ? `${sum} bytes` : `${Math.round(sum / 1000)} kB`;
}

function report({ frames, notTaken, pages }: BroughtSite, proof: Proof): object {
	const frameReport = ({ name, at, covers, pages, regions, inner }: FoundFrame): object => ({
		name,
		at,
		covers,
		pages: pages.map(({ path }) => path),
		regions: regions.map((region) => region.name),
		inner: inner.map(frameReport)
	});
	return {
		frames: frames.map(frameReport),
		notTaken,
		inQuirks: inQuirks(pages),
		pages: proof.pages.map((one) => ({ path: one.path, kind: one.kind, words: proofWords(one) }))
	};
}
