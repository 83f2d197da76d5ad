import { checkSite } from '../../../src/core/check/site.ts';
import { isSound, type CheckedSite } from '../../../src/core/check/checked-site.ts';
import { prepare } from '../../../src/core/edit/propose.ts';
import { layerName } from '../../../src/core/model/site.ts';
import type { Command } from '../../../src/core/model/command.ts';
import { applyChanges } from '../../../src/core/source/change.ts';
import { readSiteFiles } from '../../../src/core/source/read.ts';
import { Random } from '../fuzz/random.ts';
import { seedSites } from '../fuzz/seeds.ts';
import { randomCommand } from './random-commands.ts';

/** Whether what drawings ask for is done as a whole or not at all, can be taken back, and loses nothing on the way. */

export interface CommandsResult {
	readonly asked: number;
	/** Commands that became edits. */
	readonly made: number;
	/** What went wrong first, with the command. */
	readonly failure: { readonly text: string; readonly says: string } | undefined;
}

/** Commands that one after the other change one site, until another one is taken. */
const inARow = 12;

/** Asks for random things, one after the other, of random sites. */
export async function judgeCommands(asked: number, seed: number): Promise<CommandsResult> {
	const seeds = (await seedSites(seed))
		.map((files) => checkSite(readSiteFiles(files)))
		.filter(isSound);
	let made = 0;
	let site: CheckedSite | undefined;
	for (let run = 0; run < asked; run++) {
		const random = new Random(seed * 6007 + run);
		// The whole demo is large; most commands are asked of something smaller.
		if (!site || run % inARow === 0) site = random.of(random.once(6) ? seeds : seeds.slice(1));
		const command = randomCommand(random, site);
		if (!command) continue;
		const outcome = askFor(site, command);
		if (outcome.says !== undefined) {
			const text = `${JSON.stringify(command)}\n${[...site.reading.files.texts.values()].join('\n')}`;
			return { asked: run + 1, made, failure: { text, says: outcome.says } };
		}
		if (outcome.after) {
			made++;
			site = outcome.after;
		}
	}
	return { asked, made, failure: undefined };
}

interface Outcome {
	/** What is wrong; undefined where nothing is. */
	readonly says?: string;
	readonly after?: CheckedSite;
}

function askFor(site: CheckedSite, command: Command): Outcome {
	const { files } = site.reading;
	let prepared;
	try {
		prepared = prepare(site, command);
	} catch (failure) {
		return { says: `it throws: ${failure instanceof Error ? failure.stack : String(failure)}` };
	}
	const { proposal, after } = prepared;
	if (proposal.kind === 'refused') {
		const { sentence, at } = proposal;
		const length = at && files.texts.get(at.file)?.length;
		if (at && (length === undefined || at.to > length)) return { says: `the place of "${sentence}" is not in the text` };
		return isSentence(sentence) ? {} : { says: `"${sentence}" is no sentence` };
	}
	if (!after || !isSound(after)) return { says: 'it leaves an error' };
	const { texts, assets, inverse } = applyChanges(files, proposal.changes);
	const back = applyChanges({ texts, assets }, inverse);
	if (![...files.texts].every(([path, text]) => back.texts.get(path) === text)) return { says: 'it cannot be taken back' };
	if (back.texts.size !== files.texts.size || back.assets.size !== files.assets.size)
		return { says: 'taken back it has other files' };
	const fresh = checkSite(readSiteFiles({ texts, assets }));
	if (pagesOf(fresh) !== pagesOf(after)) return { says: 'read anew it has other pages' };
	const bad = proposal.consequences.find((one) => !isSentence(one));
	if (bad !== undefined) return { says: `"${bad}" is no sentence` };
	// Whoever was told of consequences was asked first.
	const silent = proposal.consequences.length === 0;
	const lost = silent && !takesAway.test(command.kind) ? lostIn(files.texts, texts, renamedBy(command)) : [];
	if (lost.length > 0) return { says: `without a word it loses ${lost[0]}` };
	return { after };
} // prettier-ignore

/** Commands that ask for just that. */
const takesAway =
	/^(remove-|unwrap|set-markup|set-stand-in|edit-words|write-markup|open-block|set-fill|set-part-markup|set-part-style|set-data|set-words|set-aside)/;

function isSentence(words: string): boolean {
	const said = words.replaceAll(/"[^"]*"|\{[^}]*\}/g, '');
	return words.trim() !== '' && !/undefined|\[object|NaN/.test(said);
}

function pagesOf({ site }: CheckedSite): string {
	return [...site.routes, ...site.states].map(layerName).join('\n');
}

/** A text as it is with what a command renames under its new name: what uses it is written anew. */
function renamedBy(command: Command): (text: string) => string {
	if (command.kind === 'rename-column') {
		return (text) => text.replaceAll(command.column, command.to);
	}
	if (command.kind !== 'rename-data' && command.kind !== 'rename-part') return (text) => text;
	return (text) => text.replaceAll(command.name, command.to);
}

/** Comments, and texts between three quotes, that are there no longer. */
function lostIn(before: ReadonlyMap<string, string>, after: ReadonlyMap<string, string>, renamed: (text: string) => string): string[] {
	const all = renamed([...after.values()].join('\n'));
	const written = renamed([...before.values()].join('\n'));
	const comments = written.match(/(?<=^\s*)\/\/.*$/gm) ?? [];
	const texts = [...written.matchAll(/"""([^]*?)"""/g)].map(([, text = '']) => text.trim());
	return [...comments, ...texts.filter((text) => !text.includes('\n'))].filter((one) => !all.includes(one));
} // prettier-ignore
