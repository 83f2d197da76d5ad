import {
	readEach,
	siteOf,
	type BringingIn,
	type BroughtSite,
	type ReadPages
} from '$core/bring-in/bring-in.ts';
import type { Choice } from '$core/bring-in/choosing/choice.ts';
import { partAt, partsOnPage, type PartOnPage } from '$core/bring-in/choosing/parts-on-page.ts';
import { broughtView, type BroughtView } from '$core/bring-in/brought-view.ts';
import { proofWords, proveEach } from '$core/bring-in/proving/proof.ts';
import { takePages } from '$core/bring-in/reading/take-pages.ts';
import { reasonOf } from '$core/messages/problem.ts';
import type { SiteFiles } from '$core/model/files.ts';
import { resolveSite } from '$core/resolve/site.ts';
import { IntakeError } from '$core/source/limits.ts';
import { readSiteFiles } from '$core/source/read.ts';

/** Pages that came in, held against what would be delivered. */
export interface ProofView {
	readonly same: number;
	readonly of: number;
	/** Of those that are not the same, what differs: goes on from the path. */
	readonly others: readonly { readonly path: string; readonly words: string }[];
}

/** What became of bringing in: what was found, a sentence why nothing was, or that it was stopped. */
export type BroughtAnswer = BroughtView | { readonly refused: string } | 'stopped';

/** ms of work before somebody else is heard. */
const slice = 40;
/** Pages of which is said what differs; there are more on the command line. */
const mostOthers = 200;

/** Pages that are made a site of, before anyone has taken it. What is open stays as it is. */
export class BringIn {
	private files: ReadonlyMap<string, Uint8Array> = new Map();
	private read: ReadPages | undefined;
	private found: BroughtSite | undefined;
	/** Counts up whenever what goes on is to stop. */
	private turn = 0;

	constructor(private readonly year: number) {}

	/** Finds what the pages among some files share; `name`: of the folder, zip or page that they came in. */
	async find(
		name: string,
		files: ReadonlyMap<string, Uint8Array>,
		onProgress: (progress: BringingIn) => void
	): Promise<BroughtAnswer> {
		const turn = ++this.turn;
		this.found = undefined;
		try {
			this.files = takePages(name, files, true);
			const steps = readEach(this.files, name.replace(/\.(zip|html?)$/i, ''));
			for (let since = performance.now(); ;) {
				const step = steps.next();
				if (step.done) {
					const { pages, notTaken } = step.value;
					if (pages.length === 0) return { refused: nothingFound(notTaken.length) };
					this.read = step.value;
					this.found = siteOf(step.value);
					return broughtView(this.found);
				}
				if (performance.now() - since < slice) continue;
				onProgress(step.value);
				if (!(await this.goesOn(turn))) return 'stopped';
				since = performance.now();
			}
		} catch (failure) {
			if (failure instanceof IntakeError) return { refused: failure.message };
			return { refused: `These pages could not be brought in: ${reasonOf(failure)}.` };
		}
	}

	/**
	 * Finds the frames again with what was chosen of them, the latest choice last; a sentence where the pages do not allow
	 * that one, and all stays as it was.
	 */
	choose(choices: readonly Choice[]): BroughtView | { readonly refused: string } | undefined {
		if (!this.read) return undefined;
		this.turn++;
		const site = siteOf(this.read, choices);
		const last = choices.at(-1);
		const why = last && site.unfit.get(last);
		if (why !== undefined) return { refused: why };
		this.found = site;
		return broughtView(site);
	}

	/** Whose each element of a page is. */
	parts(path: string): readonly PartOnPage[] {
		const page = this.found?.pages.find((one) => one.path === path);
		return page && this.found ? partsOnPage(page, this.found.frames) : [];
	}

	/** Whose an element of a page is that stands anywhere in it; undefined where there is none. */
	partAt(path: string, at: readonly number[]): PartOnPage | undefined {
		const page = this.found?.pages.find((one) => one.path === path);
		return page && partAt(page, this.parts(path), at);
	}

	/** Holds each page that came in against what would be delivered; undefined where it was stopped. */
	async prove(onProgress: (proof: ProofView) => void): Promise<ProofView | undefined> {
		const turn = ++this.turn;
		if (!this.found) return undefined;
		const of = this.found.pages.length;
		const others: { path: string; words: string }[] = [];
		let same = 0;
		const resolved = resolveSite(readSiteFiles(this.found.files));
		let since = performance.now();
		for (const proof of proveEach(this.files, resolved, this.year)) {
			if (proof.kind === 'same') same++;
			else if (proof.kind !== 'unread' && others.length < mostOthers) {
				others.push({ path: proof.path, words: proofWords(proof) });
			}
			if (performance.now() - since < slice) continue;
			onProgress({ same, of, others });
			if (!(await this.goesOn(turn))) return undefined;
			since = performance.now();
		}
		return { same, of, others };
	}

	stop(): void {
		this.turn++;
	}

	/** The site that was made; undefined where none is. */
	take(): SiteFiles | undefined {
		const files = this.found?.files;
		this.found = this.read = undefined;
		this.files = new Map();
		return files;
	}

	private async goesOn(turn: number): Promise<boolean> {
		await new Promise((resolve) => setTimeout(resolve));
		return this.turn === turn;
	}
}

function nothingFound(notTaken: number): string {
	return notTaken > 0
		? 'None of these pages can be read as HTML with a body.'
		: 'There is no page among these files: pages are files whose names end with .html or .htm.';
}
