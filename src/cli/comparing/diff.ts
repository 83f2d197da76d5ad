import { stat } from 'node:fs/promises';
import { patchOf } from '../../core/changes/patch.ts';
import { encodeUtf8 } from '../../core/lib/utf8.ts';
import { IntakeError } from '../../core/source/limits.ts';
import { systemSentence } from '../files/open-site.ts';
import { readSiteFolder, readSitePath } from '../files/site-path.ts';
import type { Streams } from '../streams.ts';

/** Prints what two states of a site's files differ in, as a patch that `git apply` takes; 0 nothing, 1 something, 2 wrong usage. */
export async function diffCommand(
	before: string,
	after: string,
	streams: Streams
): Promise<number> {
	try {
		const { text, leftOut } = patchOf(await filesOf(before), await filesOf(after));
		streams.out(text);
		for (const path of leftOut)
			streams.errors(`${path} is another, and no text: a patch of text cannot hold it.\n`);
		return text !== '' || leftOut.length > 0 ? 1 : 0;
	} catch (failure) {
		const sentence = failure instanceof IntakeError ? failure.message : systemSentence(failure);
		if (sentence === undefined) throw failure;
		streams.errors(`Nothing is compared: ${sentence}\n`);
		return 2;
	}
}

/** Of a folder, byte for byte; of others as they are taken in. */
export async function filesOf(path: string): Promise<ReadonlyMap<string, Uint8Array>> {
	if ((await stat(path)).isDirectory()) return (await readSiteFolder(path)).files;
	const { texts, assets } = await readSitePath(path);
	return new Map([
		...[...texts].map(([file, text]) => [file, encodeUtf8(text)] as const),
		...assets
	]);
}
