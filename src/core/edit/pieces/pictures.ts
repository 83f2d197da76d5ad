import type { PieceCommand } from '../../model/command.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { CommandRefused } from '../proposal.ts';
import { putFile } from '../site/files.ts';
import type { Surgery } from '../surgery.ts';

/** Puts a picture where it was pointed at, with its files; refused where the text has been changed there since. */
export function putPicture(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ place, before, after, files }: Extract<PieceCommand, { kind: 'put-picture' }>
): void {
	if (surgery.textOf(place) !== before) {
		throw new CommandRefused(
			'The text has changed there meanwhile: let the picture go there again.',
			place
		);
	}
	surgery.replace(place, after);
	const { assets } = resolved.reading.files;
	const taken = files.find(({ file }) => assets.has(file));
	if (taken) throw new CommandRefused(`There is a file ${taken.file} already.`);
	for (const { file, bytes } of files) putFile(resolved, surgery, file, bytes);
}
