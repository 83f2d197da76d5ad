import { mostBytes, mostFiles } from '../source/limits.ts';
import { PlaceFailure } from './place.ts';

/** Sees that a folder is not more than a site can be. Throws a PlaceFailure. */
export function checkAmount(files: number, bytes: number): void {
	if (files > mostFiles) {
		throw new PlaceFailure('refused', `The folder has more than ${mostFiles} files.`);
	}
	if (bytes > mostBytes) {
		const limit = mostBytes / 1024 / 1024;
		throw new PlaceFailure('refused', `The files of the folder are larger than ${limit} MB.`);
	}
}
