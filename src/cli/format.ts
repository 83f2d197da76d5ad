import { tidy } from '../core/format/tidy.ts';
import { parseSyntax } from '../core/source/syntax.ts';
import { placeWords } from '../core/model/span.ts';
import { counted } from '../core/messages/wording.ts';
import { sentenceOf } from '../core/messages/sentence.ts';
import type { Change } from '../core/source/change.ts';
import { WrittenTexts } from './check/mend-files.ts';
import { soundSite } from '../core/check/sound.ts';
import { loadSite } from './files/open-site.ts';
import type { Streams } from './streams.ts';

/**
 * Writes the texts of a site as one would with care; with `check` nothing is written, and an exit code of 1 says that
 * something would be.
 */
export async function formatCommand(
	path: string,
	{ check }: { readonly check: boolean },
	streams: Streams
): Promise<number> {
	const opened = await loadSite(path, streams, soundSite);
	if (typeof opened === 'number') return opened;
	const written = check ? undefined : await WrittenTexts.read(path, 'Texts');
	if (typeof written === 'string') {
		streams.errors(`${written}\n`);
		return 2;
	}
	const { texts } = opened.reading.files;
	const bands = opened.site.settings.bands.map(({ name }) => name.text);
	const changes: Change[] = [];
	let unread = 0;
	for (const [file, text] of texts) {
		const tidied = tidy(text, bands);
		if (tidied === undefined) {
			unread++;
			const [problem] = parseSyntax(file, text).problems;
			const why = problem
				? `${placeWords(problem.span, texts)}: ${sentenceOf(problem)}`
				: `${file}:1:1`;
			streams.errors(`${why} It is left as it is.\n`);
		} else if (tidied !== text) {
			changes.push({ kind: 'edit', file, from: 0, to: text.length, insert: tidied });
		}
	}
	await written?.write(changes);
	for (const { file } of changes) streams.out(`${file}\n`);
	const count = counted(changes.length, 'file');
	const said = check ? `${count} would be formatted.` : `${count} formatted.`;
	streams.out(changes.length === 0 ? (unread > 0 ? '' : 'Everything is tidy.\n') : `${said}\n`);
	return unread > 0 || (check && changes.length > 0) ? 1 : 0;
}
