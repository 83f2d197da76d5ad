import type { CheckedSite } from '../core/check/checked-site.ts';
import { accessPath, closedPages } from '../core/emit/access-file.ts';
import { handOver, type HandOver } from '../core/emit/hand-over.ts';
import { counted } from '../core/messages/wording.ts';
import type { Streams } from './streams.ts';
import { goneWords, writeSite, type WriteWhere } from './files/write-site.ts';

/** What `build` is asked for. */
export interface BuildOptions extends HandOver, WriteWhere {}

/** Writes the static site of `path` into a folder. */
export function buildCommand(
	path: string,
	{ out, year, ...what }: BuildOptions,
	streams: Streams
): Promise<number> {
	return writeSite(
		path,
		{ out, year },
		(site) => [...handOver(site, year, what)],
		(files, removed, site) => {
			const pages = files.filter((file) => file.kind === 'page').length;
			const others = counted(files.length - pages, 'other file');
			return (
				`Wrote ${counted(pages, 'page')} and ${others} to ${out}${goneWords(removed)}\n` +
				closedSentence(site, what.closed || what.nginx)
			);
		},
		streams
	);
}

/** What became of pages that are not for everyone: a static site keeps no one out. */
function closedSentence(site: CheckedSite, written: boolean): string {
	const count = closedPages(site).length;
	if (count === 0) return '';
	const pages = counted(count, 'page');
	return written
		? `${pages} not everyone may open are there for whoever knows their address, unless the server keeps to ${accessPath}.\n`
		: `Left out: ${pages} that not everyone may open (--closed writes them too). ${accessPath} says who may.\n`;
}
