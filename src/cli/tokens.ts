import { readFile } from 'node:fs/promises';
import { parsed } from '../core/design-tokens/read-tokens.ts';
import { siteTokens, writeTokens } from '../core/design-tokens/write-tokens.ts';
import { prepare } from '../core/edit/propose.ts';
import { tokenSheet } from '../core/emit/css/site-sheet.ts';
import { counted } from '../core/messages/wording.ts';
import { hasErrors } from '../core/messages/problem.ts';
import type { CheckedSite } from '../core/check/checked-site.ts';
import { WrittenTexts } from './check/mend-files.ts';
import { openSite, systemSentence } from './files/open-site.ts';
import type { Streams } from './streams.ts';
import { wrote } from './files/wrote.ts';

/** What `tokens` is asked for. */
export interface TokensOptions {
	/** The file that is written, or brought up to date where it is there. */
	readonly out?: string;
	/** A file whose tokens the site takes. */
	readonly take?: string;
	/** As a sheet of custom properties. */
	readonly css?: true;
}

/** Hands the tokens of a site over as JSON or as a sheet, or takes those of a file into its text. */
export async function tokensCommand(
	path: string,
	{ out, take, css }: TokensOptions,
	streams: Streams
): Promise<number> {
	if (take !== undefined && (out !== undefined || css)) {
		streams.errors('Give --take to take tokens in, or --out and --css to hand them over.\n');
		return 2;
	}
	const opened = await openSite(path, streams);
	if (typeof opened === 'number') return opened;
	if (hasErrors(opened.problems)) return 1;
	try {
		if (take !== undefined) return await takeIn(path, take, opened, streams);
		return await handOver(opened, out, css === true, streams);
	} catch (failure) {
		const sentence = systemSentence(failure);
		if (sentence === undefined) throw failure;
		streams.errors(`${take ?? out ?? path} cannot be read: ${sentence}\n`);
		return 2;
	}
}

async function handOver(
	{ site: { settings } }: CheckedSite,
	out: string | undefined,
	css: boolean,
	streams: Streams
): Promise<number> {
	const before = out === undefined || css ? undefined : await textAt(out);
	if (before !== undefined && parsed(before) === undefined) {
		streams.errors(`${out ?? ''} is no JSON object, so it is not written over.\n`);
		return 2;
	}
	const text = css ? tokenSheet(settings) : writeTokens(settings, before);
	if (out === undefined) {
		streams.out(text);
		return 0;
	}
	if (!(await wrote(out, text, streams))) return 2;
	const count = counted(siteTokens(settings).length, 'token');
	streams.out(`${before === undefined ? 'Wrote' : 'Brought up to date:'} ${count} in ${out}\n`);
	return 0;
}

/** Undefined where there is no such file yet. */
async function textAt(path: string): Promise<string | undefined> {
	try {
		return await readFile(path, 'utf8');
	} catch (failure) {
		if (failure instanceof Error && 'code' in failure && failure.code === 'ENOENT')
			return undefined;
		throw failure;
	}
}

async function takeIn(
	path: string,
	from: string,
	site: CheckedSite,
	streams: Streams
): Promise<number> {
	const written = await WrittenTexts.read(path, 'Texts');
	if (typeof written === 'string') {
		streams.errors(`${written}\n`);
		return 2;
	}
	const { proposal } = prepare(site, { kind: 'take-tokens', text: await readFile(from, 'utf8') });
	if (proposal.kind === 'refused') {
		streams.errors(`${from}: ${proposal.sentence}\n`);
		return 1;
	}
	const files = await written.write(proposal.changes.map((change) => written.inItsLines(change)));
	streams.out(`Taken into ${files.join(', ')}.\n`);
	return 0;
}
