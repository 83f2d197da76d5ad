import { isEaveFile } from '../model/files.ts';

/**
 * The folder that all files are in, with a slash at its end, where it is no part of the site: an archive of a folder
 * often has it as its only entry. Empty where there is none.
 */
export function commonFolder(paths: readonly string[]): string {
	const folder = paths[0]?.split('/')[0];
	const isCommon = paths.every((path) => path.includes('/') && path.split('/')[0] === folder);
	if (!isCommon || folder === undefined || folder === '..' || folder === '') return '';
	return paths.filter(isEaveFile).some((path) => path.split('/').length === 2) ? `${folder}/` : '';
}
