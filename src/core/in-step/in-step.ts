import { listWords } from '../messages/wording.ts';
import { isEaveFile, type SiteFiles } from '../model/files.ts';
import type { Change } from '../source/change.ts';
import { checkPath, IntakeError } from '../source/limits.ts';
import { checkAmount } from './amount.ts';
import {
	agreedOf,
	bytesOf,
	contentIn,
	contentOf,
	isSame,
	type Agreed,
	type Content
} from './content.ts';
import { chosenText, type Choice } from './merge.ts';
import { PlaceFailure, type Place, type Stamp, type ThereNow } from './place.ts';
import { changeTo, reconcile, type Conflict, type Outcome } from './reconcile.ts';

/** The open site, as what keeps it in step with a folder needs it. */
export interface Side {
	/** Its files, this moment. */
	files(): SiteFiles;
	/**
	 * Makes changes as one step that can be undone: its files are changed when this returns, and what it gives
	 * is there once that is drawn.
	 */
	take(changes: readonly Change[], label: string): Promise<void>;
	/**
	 * Remembers what both sides have by now. The site's own files have to be kept before that is: else, after a stop, what
	 * was lost here would look like an edit.
	 */
	remember(agreed: ReadonlyMap<string, Agreed | undefined>): Promise<void>;
}

/** A file of the folder that a site cannot have, with the sentence that says why. */
export interface Unreadable {
	readonly path: string;
	readonly sentence: string;
}

/** What a look at both sides came to. */
export interface Report {
	/** Files that were taken over from the folder, and written to it. */
	readonly taken: readonly string[];
	readonly written: readonly string[];
	readonly conflicts: readonly Conflict[];
	readonly unreadable: readonly Unreadable[];
	/** Something is on its way, on one of both sides: one should look again soon. */
	readonly restless: boolean;
}

/** A file of the folder as it was seen last, and read where that was needed. */
interface Seen {
	readonly stamp: Stamp;
	/** Read once its stamp has stood still. */
	read?: ThereNow;
	/** What the site here had when both were found to be the same. */
	same?: string | Uint8Array;
}

/**
 * Keeps the open site and a folder in step, both ways. What both had when they last agreed is the measure: it tells who
 * changed what. Whatever was changed on one side reaches the other; where both changed one place, both stay as they are
 * until someone has chosen.
 */
export class InStep {
	private readonly agreed: Map<string, Agreed>;
	private readonly seen = new Map<string, Seen>();
	private conflicts: readonly Conflict[] = [];
	private unreadable: readonly Unreadable[] = [];
	private hasLooked = false;
	private step: Promise<unknown> = Promise.resolve();

	/** `agreed` is what both had at the end of the last time; nothing the first time. */
	constructor(
		private readonly place: Place,
		private readonly side: Side,
		agreed: ReadonlyMap<string, Agreed>
	) {
		this.agreed = new Map(agreed);
	}

	/**
	 * Looks at both sides once and does what there is to do. Throws a PlaceFailure where the folder cannot be had or has no
	 * site in it; nothing is lost by that, and it can be asked again.
	 */
	look(): Promise<Report> {
		return this.inTurn(() => this.lookOnce());
	}

	/**
	 * Ends a conflict: `choices` are for the parts that differ, in their order; one for all of it where there are none. What
	 * was not chosen is one step back in the site's history. Gives whether it is still the one that was shown.
	 */
	choose(conflict: Conflict, choices: readonly Choice[]): Promise<boolean> {
		return this.inTurn(() => this.chooseOnce(conflict, choices));
	}

	/** From now on, whatever the folder lacks is written there, whoever took it away. */
	writeAgain(): void {
		this.agreed.clear();
	}

	private inTurn<T>(task: () => Promise<T>): Promise<T> {
		const result = this.step.then(task);
		this.step = result.catch(() => undefined);
		return result;
	}

	private async lookOnce(): Promise<Report> {
		const moving = await this.readFolder();
		const { files, outcomes } = this.outcomes(moving);
		const takes = [...outcomes].flatMap(([path, outcome]) => takenOver(path, outcome, files));
		const labels = takes.map(({ file }) => file);
		// Between what was read of the site here and this, nothing else has its turn.
		const drawn = takes.length > 0 ? this.side.take(takes, labelOf(labels)) : undefined;
		const settled = new Map<string, Agreed | undefined>();
		for (const [path, outcome] of outcomes) {
			if (outcome.kind === 'merge') this.settle(path, outcome.there, settled);
			else if (outcome.kind === 'agreed' || outcome.kind === 'take') {
				this.settle(path, outcome.content, settled);
			}
		}
		this.note(outcomes, moving);
		await drawn;
		if (settled.size > 0) await this.side.remember(settled);
		const { written, left } = await this.writeAll(outcomes);
		const restless = moving.size > 0 || left;
		const { conflicts, unreadable } = this;
		return { taken: labels, written, conflicts, unreadable, restless };
	}

	/** What stands in the way. Of files that are on their way, what was known last; the same conflict stays the same object. */
	private note(outcomes: ReadonlyMap<string, Outcome>, moving: ReadonlySet<string>): void {
		const [conflicts, unreadable] = [this.conflicts, this.unreadable];
		const found = [...outcomes].flatMap(([path, outcome]): Unreadable[] =>
			outcome.kind === 'unreadable' ? [{ path, sentence: outcome.sentence }] : []
		);
		this.unreadable = [...unreadable.filter(({ path }) => moving.has(path)), ...found];
		const now = [...outcomes.values()].flatMap((outcome) => {
			if (outcome.kind !== 'conflict') return [];
			const { conflict } = outcome;
			return conflicts.find((one) => isSameConflict(one, conflict)) ?? conflict;
		});
		this.conflicts = [...conflicts.filter(({ path }) => moving.has(path)), ...now];
	}

	/** Takes in which files the folder has, and what is in those that changed; gives those that do not stand still yet. */
	private async readFolder(): Promise<ReadonlySet<string>> {
		const listed = await this.place.list();
		this.refuse(listed);
		const moving = new Set<string>(this.hasLooked ? [] : this.agreed.keys());
		this.hasLooked = true;
		for (const path of this.seen.keys()) {
			if (listed.has(path)) continue;
			this.seen.delete(path);
			// It may be about to be written anew.
			moving.add(path);
		}
		for (const [path, stamp] of listed) {
			const seen = this.seen.get(path);
			if (seen?.stamp !== stamp) {
				this.seen.set(path, { stamp });
				moving.add(path);
			} else if (!seen.read) {
				const read = await this.place.read(path);
				if (read?.stamp === stamp) seen.read = read;
				else {
					this.seen.delete(path);
					moving.add(path);
				}
			}
		}
		return moving;
	}

	/** A folder without a site is not taken for one whose files were all removed. */
	private refuse(listed: ReadonlyMap<string, Stamp>): void {
		const paths = [...listed.keys()];
		if (this.agreed.size > 0 && !paths.some(isEaveFile)) {
			throw new PlaceFailure(
				'empty',
				'The folder has no .eave file any more, so nothing is taken over from it.'
			);
		}
		checkAmount(listed.size, 0);
		for (const path of paths) {
			try {
				checkPath(path);
			} catch (failure) {
				if (failure instanceof IntakeError) throw new PlaceFailure('refused', failure.message);
				throw failure;
			}
		}
	}

	/** What is to be done about each file of either side. Nothing is waited for in here: both are of one moment. */
	private outcomes(moving: ReadonlySet<string>): {
		files: SiteFiles;
		outcomes: ReadonlyMap<string, Outcome>;
	} {
		const files = this.side.files();
		const paths = new Set([
			...this.agreed.keys(),
			...files.texts.keys(),
			...files.assets.keys(),
			...this.seen.keys()
		]);
		const outcomes = new Map<string, Outcome>();
		let total = 0;
		for (const path of [...paths].sort()) {
			if (moving.has(path)) continue;
			const seen = this.seen.get(path);
			const bytes = seen?.read?.bytes;
			total += bytes?.length ?? 0;
			const own = files.texts.get(path) ?? files.assets.get(path);
			if (seen && own !== undefined && seen.same === own) continue;
			const outcome = reconcile(path, this.agreed.get(path), files, bytes);
			const isOld = outcome.kind === 'agreed' && this.agreed.has(path) === (bytes !== undefined);
			if (!isOld) outcomes.set(path, outcome);
			if (seen && outcome.kind === 'agreed') seen.same = own;
		}
		checkAmount(0, total);
		return { files, outcomes };
	}

	private settle(
		path: string,
		content: Content | undefined,
		settled: Map<string, Agreed | undefined>
	): void {
		const agreed = content && agreedOf(content);
		if (agreed) this.agreed.set(path, agreed);
		else this.agreed.delete(path);
		settled.set(path, agreed);
	}

	/** Writes what changed here; what goes, goes after all that comes, so that a moved file is always somewhere. */
	private async writeAll(
		outcomes: ReadonlyMap<string, Outcome>
	): Promise<{ written: string[]; left: boolean }> {
		const paths = [...outcomes].flatMap(([path, { kind }]) =>
			kind === 'write' || kind === 'merge' ? [path] : []
		);
		const stays = (path: string): number => (contentIn(this.side.files(), path) ? 0 : 1);
		const written: string[] = [];
		let left = false;
		for (const path of paths.sort((a, b) => stays(a) - stays(b))) {
			const settled = new Map<string, Agreed | undefined>();
			// What it is by now: while the ones before it were written, it may have been edited.
			if (await this.writeOne(path, contentIn(this.side.files(), path), settled)) {
				written.push(path);
				await this.side.remember(settled);
			} else {
				// It is another by now, whatever its stamp says.
				this.seen.delete(path);
				left = true;
			}
		}
		return { written, left };
	}

	private async writeOne(
		path: string,
		content: Content | undefined,
		settled: Map<string, Agreed | undefined>
	): Promise<boolean> {
		const there = this.seen.get(path)?.read;
		if (!content) {
			if (there && !(await this.place.remove(path, there))) return false;
			this.seen.delete(path);
			this.settle(path, undefined, settled);
			return true;
		}
		const bytes = bytesOf(content, there?.bytes);
		const stamp = await this.place.write(path, bytes, there);
		if (stamp === undefined) return false;
		this.seen.set(path, { stamp, read: { bytes, stamp } });
		this.settle(path, content, settled);
		return true;
	}

	private async chooseOnce(conflict: Conflict, choices: readonly Choice[]): Promise<boolean> {
		if (!this.conflicts.includes(conflict)) return false;
		const { path, here, there, parts } = conflict;
		const files = this.side.files();
		// Someone may have typed meanwhile.
		if (!isSame(contentIn(files, path), here)) return false;
		const chosen = chosenContent(conflict, choices);
		this.conflicts = this.conflicts.filter((one) => one !== conflict);
		const settled = new Map<string, Agreed | undefined>();
		const takes = changeTo(path, files, there);
		// First what the folder has, then what was chosen: so whatever is not chosen is a step of the history.
		const drawn: Promise<void>[] = [];
		if (takes) drawn.push(this.side.take([takes], labelOf([path])));
		const then = changeTo(path, this.side.files(), chosen);
		if (then) {
			const label = parts ? `choose what stays in ${path}` : `keep ${path} as it was here`;
			drawn.push(this.side.take([then], label));
		}
		this.settle(path, there, settled);
		await Promise.all(drawn);
		await this.side.remember(settled);
		return true;
	}
}

/** What is to stay of a file that both changed. */
function chosenContent(
	{ here, there, parts }: Conflict,
	choices: readonly Choice[]
): Content | undefined {
	if (parts) return { kind: 'text', text: chosenText(parts, choices) };
	return choices[0] === 'there' ? there : here;
}

function takenOver(path: string, outcome: Outcome, files: SiteFiles): Change[] {
	if (outcome.kind !== 'take' && outcome.kind !== 'merge') return [];
	return [changeTo(path, files, outcome.content)].flatMap((change) => change ?? []);
}

function isSameConflict(one: Conflict, other: Conflict): boolean {
	return one.path === other.path && isSame(one.here, other.here) && isSame(one.there, other.there);
}

/** What the step is called in the history. */
function labelOf(paths: readonly string[]): string {
	const named = paths.length > 3 ? `${paths.length} files` : listWords(paths);
	return `take ${named} from the folder`;
}

/** What both have where a site was just opened from a folder, or written to one. */
export function agreedFrom(files: ReadonlyMap<string, Uint8Array>): Map<string, Agreed> {
	return new Map([...files].map(([path, bytes]) => [path, agreedOf(contentOf(path, bytes))]));
}
