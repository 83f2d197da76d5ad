import { decodeUtf8 } from '../lib/utf8.ts';
import { IntakeError } from './limits.ts';

/** The text of an `.eave` file. Throws an IntakeError where it is none. */
export function siteText(path: string, bytes: Uint8Array): string {
	try {
		const text = decodeUtf8(bytes);
		if (text.includes('\0')) throw new IntakeError(`${path} is not text: it has null characters.`);
		// Line ends of one CR, as some old editors write them, would make one line of all.
		return text.replace(/\r(?!\n)/g, '\n');
	} catch (failure) {
		if (failure instanceof IntakeError) throw failure;
		throw new IntakeError(`${path} is not UTF-8 text.`);
	}
}
