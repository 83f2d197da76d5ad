import { counted } from '../core/messages/wording.ts';
import { handOverShells } from '../core/shells/hand-over.ts';
import type { Streams } from './streams.ts';
import { goneWords, writeSite, type WriteWhere } from './files/write-site.ts';

/** What `shells` is asked for. */
export interface ShellsOptions extends WriteWhere {
	/** What addresses and sheets in the shells begin with. */
	readonly base: string;
}

/** Writes the frames of the site of `path`, for pages that come from another server. */
export async function shellsCommand(
	path: string,
	{ base, ...where }: ShellsOptions,
	streams: Streams
): Promise<number> {
	if (!/^\/([^\s?#]*\/)?$/.test(base)) {
		streams.errors('--base begins and ends with a slash, such as /lib/.\n');
		return 2;
	}
	return writeSite(
		path,
		where,
		(site) => handOverShells(site, base, where.year),
		(files, removed) => {
			const shells = files.filter(({ kind }) => kind === 'shell').length;
			return `Wrote ${counted(shells, 'shell')}, shells.json and ${counted(files.length - shells - 2, 'other file')} to ${where.out}${goneWords(removed)}\n`;
		},
		streams
	);
}
