import {
	guestsOf,
	readEach,
	siteOf,
	type BringingIn,
	type BroughtSite,
	type ReadPages
} from '$core/bring-in/bring-in.ts';
import { inFolderOf, type Choice } from '$core/bring-in/choosing/choice.ts';
import {
	partsAround,
	partsOnPage,
	type PartOnPage
} from '$core/bring-in/choosing/parts-on-page.ts';
import { broughtView, type BroughtView } from '$core/bring-in/brought-view.ts';
import { proofWords, proveEach } from '$core/bring-in/proving/proof.ts';
import { shownPage } from '$core/bring-in/proving/shown-page.ts';
import { decodePage } from '$core/bring-in/reading/decode-page.ts';
import { takePages } from '$core/bring-in/reading/take-pages.ts';
import { finished } from '$core/lib/finished.ts';
import { reasonOf } from '$core/messages/wording.ts';
import type { Command } from '$core/model/command.ts';
import { counted } from '$core/messages/wording.ts';
import type { SiteFiles } from '$core/model/files.ts';
import { stageHtml } from '$core/emit/stage.ts';
import { resolveSite, type ResolvedSite } from '$core/resolve/site.ts';
import { addressOf } from '$core/bring-in/reading/links.ts';
import { AssetUrls } from '../asset-urls.ts';
import type { PageHtml } from '../messages.ts';
import { IntakeError } from '$core/source/limits.ts';
import { readSiteFiles } from '$core/source/read.ts';

/** Pages that came in, held against what would be delivered. */
export interface ProofView {
	readonly same: number;
	readonly of: number;
	/** Paths of those that are the same; none while that is still being found out. */
	readonly paths: readonly string[];
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
	private resolved: { readonly of: BroughtSite; readonly site: ResolvedSite } | undefined;
	private readonly urls = new AssetUrls();
	/** Counts up whenever what goes on is to stop. */
	private turn = 0;

	constructor(
		private readonly year: number,
		/** The site that is open. */
		private readonly open: () => ResolvedSite | undefined
	) {}

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

	/**
	 * What adds these frames to the open site, and their pages, too, if they are to come along; in a folder of it, or where
	 * they are. Undefined where nothing was found.
	 */
	intoSite(
		choices: readonly Choice[],
		folder: string,
		withPages: boolean
	): Extract<Command, { kind: 'add-made' }> | undefined {
		const site = this.open()?.site;
		if (!this.read || !site) return undefined;
		const start = folder === '' ? '' : `${folder}/`;
		const read = start === '' ? this.read : readIn(this.files, start, this.read.folder);
		const moved = choices.map((choice) => inFolderOf(choice, start));
		const taken = new Set(site.layouts.map(({ name }) => name.text));
		const { texts, assets } = guestsOf(read, moved, site.settings.lang, taken);
		const kept = [...texts].filter(([path]) => withPages || path.startsWith('layouts/'));
		const pages = counted(read.pages.length, 'page');
		const what = withPages ? pages : `the frame of ${pages}`;
		return { kind: 'add-made', what, texts: kept, files: [...assets] };
	}

	/** Whose each element of a page is. */
	parts(path: string): readonly PartOnPage[] {
		const page = this.found?.pages.find((one) => one.path === path);
		return page && this.found ? partsOnPage(page, this.found.frames) : [];
	}

	/** The elements around one that stands anywhere in a page, and that itself: whose each is. */
	around(path: string, at: readonly number[]): readonly PartOnPage[] {
		const page = this.found?.pages.find((one) => one.path === path);
		return page && this.found ? partsAround(page, this.found.frames, at) : [];
	}

	/** A page as the stage would show it once all is taken; undefined where it would not be there. */
	preview(path: string): PageHtml | undefined {
		const address = addressOf(path);
		const { found } = this;
		if (!found) return undefined;
		const resolved = this.resolvedOf(found);
		const page = resolved.routes.find(({ pattern }) => pattern.text === address);
		const [instance] = page ? resolved.instances(page) : [];
		if (!instance) return undefined;
		this.urls.changeTo(found.files.assets);
		return { html: stageHtml(instance, resolved, this.urls, this.year), address };
	}

	/** A page as it came in, as the application can show it. */
	cameIn(path: string): PageHtml | undefined {
		const bytes = this.files.get(path);
		const decoded = bytes && decodePage(bytes);
		if (!decoded) return undefined;
		this.urls.changeTo(this.read?.assets ?? new Map());
		const files = {
			bytes: (file: string) => this.files.get(file),
			url: (file: string) => this.urls.get(file)
		};
		return { html: shownPage(decoded.text, path, files), address: addressOf(path) };
	}

	/** Holds each page that came in against what would be delivered; undefined where it was stopped. */
	async prove(onProgress: (proof: ProofView) => void): Promise<ProofView | undefined> {
		const turn = ++this.turn;
		if (!this.found) return undefined;
		const of = this.found.pages.length;
		const others: { path: string; words: string }[] = [];
		const paths: string[] = [];
		const resolved = this.resolvedOf(this.found);
		let since = performance.now();
		for (const proof of proveEach(this.files, resolved, this.year)) {
			if (proof.kind === 'same') paths.push(proof.path);
			else if (proof.kind !== 'unread' && others.length < mostOthers) {
				others.push({ path: proof.path, words: proofWords(proof) });
			}
			if (performance.now() - since < slice) continue;
			onProgress({ same: paths.length, of, paths: [], others });
			if (!(await this.goesOn(turn))) return undefined;
			since = performance.now();
		}
		return { same: paths.length, of, paths, others };
	}

	stop(): void {
		this.turn++;
	}

	/** The site that was made; undefined where none is. */
	take(): SiteFiles | undefined {
		const files = this.found?.files;
		this.found = this.read = this.resolved = undefined;
		this.files = new Map();
		return files;
	}

	private resolvedOf(site: BroughtSite): ResolvedSite {
		if (this.resolved?.of !== site) {
			this.resolved = { of: site, site: resolveSite(readSiteFiles(site.files)) };
		}
		return this.resolved.site;
	}

	private async goesOn(turn: number): Promise<boolean> {
		await new Promise((resolve) => setTimeout(resolve));
		return this.turn === turn;
	}
}

/** The same pages as they would be read in a folder. */
function readIn(files: ReadonlyMap<string, Uint8Array>, start: string, folder: string): ReadPages {
	const moved = new Map([...files].map(([path, bytes]) => [start + path, bytes]));
	return finished(readEach(moved, folder));
}

function nothingFound(notTaken: number): string {
	return notTaken > 0
		? 'None of these pages can be read as HTML with a body.'
		: 'There is no page among these files: pages are files whose names end with .html or .htm.';
}
