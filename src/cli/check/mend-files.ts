import { chmod, readFile, realpath, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { checkSite } from '../../core/check/site.ts';
import type { CheckedSite } from '../../core/check/checked-site.ts';
import { isSafe, mendOf } from '../../core/check/mend.ts';
import { prepare } from '../../core/edit/propose.ts';
import type { Finding } from '../../core/findings/finding.ts';
import { isEaveFile, isSheetFile } from '../../core/model/files.ts';
import type { Command } from '../../core/model/command.ts';
import { applyChanges, type Change } from '../../core/source/change.ts';
import { looksLikeZip } from '../../core/source/intake.ts';
import { readSiteFiles } from '../../core/source/read.ts';
import { readSiteFolder } from '../files/site-path.ts';
import { writeWhole } from '../files/wrote.ts';

/** A site after safe mends, and the changes of its texts that made them; none where none could be made. */
export interface Mended {
	readonly site: CheckedSite;
	readonly count: number;
	readonly changes: readonly Change[];
}

/** Makes the mends that change nothing but what was wrong, as long as each can be made. */
export function mendSafely(
	site: CheckedSite,
	findings: readonly Finding[],
	written: WrittenTexts
): Mended {
	const commands = new Map<string, Command>();
	for (const { problem } of findings) {
		const command = isSafe(problem, site) ? mendOf(problem, site) : undefined;
		if (command) commands.set(JSON.stringify(command), command);
	}
	const mends = [...commands.values()];
	const none = { site, count: 0, changes: [] };
	if (mends.length === 0) return none;
	const { proposal } = prepare(site, { kind: 'several', label: 'Mend', commands: mends });
	if (proposal.kind !== 'edit') return none;
	const changes = proposal.changes.map((change) => written.inItsLines(change));
	const { texts, assets } = applyChanges(site.reading.files, changes);
	return { site: checkSite(readSiteFiles({ texts, assets })), count: mends.length, changes };
}

/** Texts of a site as they stand in its files: with the mark at their beginning and the ends of lines that they have. */
export class WrittenTexts {
	private constructor(
		/** Where each file is. */
		private readonly placeOf: (file: string) => string,
		private readonly texts: Map<string, string>
	) {}

	/** Those of a folder or a single file; a sentence where it is neither. */
	static async read(path: string, what: 'Fixes' | 'Texts'): Promise<WrittenTexts | string> {
		const texts = new Map<string, string>();
		const info = await stat(path);
		if (!info.isDirectory()) {
			const bytes = await readFile(path);
			if (looksLikeZip(bytes)) {
				return `${path} is a zip. ${what} are written into a folder or an .eave file: unpack it first.`;
			}
			const real = await realpath(path);
			return new WrittenTexts(() => real, texts.set('', rawText(bytes)));
		}
		const { files, within } = await readSiteFolder(path);
		for (const [file, bytes] of files)
			if (isEaveFile(file) || isSheetFile(file)) texts.set(file, rawText(bytes));
		return new WrittenTexts((file) => join(path, within, file), texts);
	}

	/** A change whose new lines end as those of its file do. */
	inItsLines(change: Change): Change {
		if (change.kind !== 'edit') return change;
		const isWindows = (this.textOf(change.file) ?? '').includes('\r\n');
		return isWindows ? { ...change, insert: change.insert.replace(/\r?\n/g, '\r\n') } : change;
	}

	/** Makes changes of the texts that were read from these files, byte for byte nothing else; gives the files that changed. */
	async write(changes: readonly Change[]): Promise<string[]> {
		const changed = new Map<string, string>();
		for (const change of changes) {
			if (change.kind !== 'edit')
				throw new RangeError(`A fix would ${change.kind} ${change.file}.`);
			const text = changed.get(change.file) ?? this.textOf(change.file) ?? '';
			changed.set(change.file, inRaw(text, change));
		}
		for (const [file, text] of changed) {
			const place = this.placeOf(file);
			const { mode } = await stat(place);
			await writeWhole(place, text);
			await chmod(place, mode);
		}
		return [...changed.keys()];
	}

	private textOf(file: string): string | undefined {
		return this.texts.get(file) ?? this.texts.get('');
	}
}

/** U+FEFF, which editors put at the beginning of a file, and which is no part of its text. */
const mark = '\ufeff';

function rawText(bytes: Uint8Array): string {
	return new TextDecoder('utf-8', { ignoreBOM: true }).decode(bytes);
}

/** Lone CRs count as ends of lines when a text is read, and stay what they are. */
function inRaw(raw: string, { from, to, insert }: Extract<Change, { kind: 'edit' }>): string {
	const before = raw.startsWith(mark) ? mark.length : 0;
	const isOld = /\r(?!\n)/.test(raw) && !/(^|[^\r])\n/.test(raw);
	const written = isOld ? insert.replaceAll('\n', '\r') : insert;
	return raw.slice(0, from + before) + written + raw.slice(to + before);
}
