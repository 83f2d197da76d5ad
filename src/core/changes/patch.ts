import { isSameBytes } from '../lib/bytes.ts';
import { createTwoFilesPatch } from 'diff';
import { encodeUtf8, exactText } from '../lib/utf8.ts';

/** What another state of files is, as a text that version control takes. */
export interface Patch {
	/** A unified diff with git's headers; empty where nothing differs that is text. */
	readonly text: string;
	/** Files that are no text and are another, which such a text cannot hold. */
	readonly leftOut: readonly string[];
}

/** The difference of two states of files, by their paths, so that `git apply` makes one of the other. */
export function patchOf(
	before: ReadonlyMap<string, Uint8Array>,
	after: ReadonlyMap<string, Uint8Array>
): Patch {
	const paths = [...new Set([...before.keys(), ...after.keys()])].sort();
	const leftOut: string[] = [];
	const parts = paths.flatMap((path) => {
		const [old, now] = [before.get(path), after.get(path)];
		if (old && now && isSameBytes(old, now)) return [];
		const [from, to] = [old, now].map((bytes) => (bytes ? exactText(bytes) : ''));
		if (from === undefined || to === undefined) {
			leftOut.push(path);
			return [];
		}
		return [filePatch(path, old && from, now && to)];
	});
	return { text: parts.join(''), leftOut };
}

/** One file of the patch; `undefined`: it is not there. A file without a line has no lines to show. */
function filePatch(path: string, before: string | undefined, after: string | undefined): string {
	const mode =
		before === undefined
			? 'new file mode 100644\n'
			: after === undefined
				? 'deleted file mode 100644\n'
				: '';
	const head = `diff --git ${quoted(`a/${path}`)} ${quoted(`b/${path}`)}\n${mode}`;
	if ((before ?? '') === (after ?? '')) return head;
	const names = [
		before === undefined ? '/dev/null' : quoted(`a/${path}`),
		after === undefined ? '/dev/null' : quoted(`b/${path}`)
	] as const;
	const lines = createTwoFilesPatch('a', 'b', before ?? '', after ?? '', undefined, undefined, {
		context: 3
	});
	const hunks = lines.slice(lines.indexOf('@@'));
	return `${head}--- ${names[0]}\n+++ ${names[1]}\n${hunks}`;
}

/** A path as git has it: with quotes and escapes where there is more than plain characters in it. */
function quoted(path: string): string {
	if (/^[\x21\x23-\x5b\x5d-\x7e]+$/.test(path)) return path;
	const bytes = [...encodeUtf8(path)].map((byte) => {
		const character = String.fromCharCode(byte);
		if (character === '"' || character === '\\') return `\\${character}`;
		return byte < 0x20 || byte > 0x7e ? `\\${byte.toString(8).padStart(3, '0')}` : character;
	});
	return `"${bytes.join('')}"`;
}
