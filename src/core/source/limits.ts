/** A site may be this large, unpacked. */
export const mostBytes = 50 * 1024 * 1024;
export const mostFiles = 20_000;

/** Files could not be taken in; `message` is a sentence for the user. */
export class IntakeError extends Error {
	override readonly name = 'IntakeError';
}

export function tooLarge(): IntakeError {
	return new IntakeError(`It is larger than ${mostBytes / 1024 / 1024} MB unpacked.`);
}

/** Sees that a path stays in the folder that it is counted from. Throws an IntakeError. */
export function checkPath(path: string): void {
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
