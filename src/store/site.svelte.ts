import { isStopped } from '$workers/link.ts';
import type { Remote } from 'comlink';
import { noTrial, type Trial } from '$core/model/trial.ts';
import type { Marks } from '$core/view-models/marks.ts';
import type { Roofline } from '$core/view-models/roofline.ts';
import { reasonOf } from '$core/messages/wording.ts';
import type { SiteFiles } from '$core/model/files.ts';
import type { Change } from '$core/source/change.ts';
import type { Desk } from '$workers/desk/desk.ts';
import type { Command } from '$core/model/command.ts';
import type { Made, PageView, PageRequest, Shown, SiteView } from '$workers/messages.ts';
import { emptyHistory } from './keep/history.ts';
import {
	advance,
	changesOf,
	entryFor,
	type Action,
	type Entry,
	type Work
} from './keep/journal.ts';
import {
	fetchSite,
	keepListed,
	listSites,
	noteOpened,
	type KeptSite,
	type ListedSite
} from './keep/listing.ts';
import { fetchNewer, keepWork } from './keep/work.ts';
import { Keeper } from './keep/keeper.svelte.ts';
import { Reader } from './reader.svelte.ts';
import { SiteTab } from './keep/site-tab.ts';
import { noteInTab, tabKey } from './keep/tab-notes.ts';
import { idle } from './ways/quiet.ts';

const nameless = 'Site without a name';
/** Rows of the roofline that take a while to draw. */
const manyRows = 2000;
const nothing: Work = { texts: new Map(), assets: new Map(), history: emptyHistory, number: 0 };

const notWriting = 'This site is being edited in another tab.';

/** What became of a command in the end. */
export type Done = Exclude<Made, { readonly kind: 'overtaken' }>;

/** A sentence for the user, shown until it is dismissed or the next one comes. */
export interface Notice {
	/** A refusal is about one action, and gone with the next. */
	readonly kind: 'fault' | 'fine' | 'refused';
	readonly sentence: string;
	/** Something to do about it. */
	readonly act?: { readonly label: string; readonly run: () => void };
}

/** One word for the marks of all layouts. */
function marksIn({ layouts }: Roofline): string {
	return layouts.map(({ name, mark }) => `${name} ${mark.hue} ${mark.hatch}`).join();
}

/**
 * The open site as the application sees it. Text is the one truth: every edit is an entry that goes
 * through `action`, is kept, told to other tabs and the worker, and comes back as something to draw.
 */
class SiteStore {
	id = $state('');
	work = $state.raw<Work>(nothing);
	site = $state.raw<SiteView | undefined>();
	roofline = $state.raw<Roofline>({ rows: [], layouts: [], routeCount: 0 });
	page = $state.raw<PageView | undefined>();
	sites = $state.raw<readonly ListedSite[]>([]);
	/** A page, or a state before the last edits, kept beside the one at work. */
	held = $state.raw<PageView | undefined>();
	/** Hue and hatch of each layout as they were when the site was opened. */
	private marks: Marks = new Map();
	notice = $state.raw<Notice | undefined>();
	ready = $state(false);
	/** This tab may write; another one may have the site open for writing. */
	writes = $state(true);
	/** Whom the site is seen by in all views; undefined: all of it. */
	seenBy = $state<string | undefined>();
	/** What pages are tried with, in all views. */
	trial = $state.raw<Trial>(noTrial);
	/** The site may load pictures, sheets and frames from other hosts. */
	outside = $state(false);

	readonly keeper = new Keeper(
		() => ({ listed: this.listed, work: this.work }),
		(entries) => this.tab?.tell(entries),
		() => void this.onLost()
	);
	readonly reader = new Reader((why) => void this.onRestart(why));
	private tab: SiteTab | undefined;
	private request: PageRequest | undefined;
	private taken: Promise<void> = Promise.resolve();

	get texts(): ReadonlyMap<string, string> {
		return this.work.texts;
	}

	/** The files of the site that are no text of it, by path. */
	get assets(): ReadonlyMap<string, Uint8Array> {
		return this.work.assets;
	}

	get history(): Work['history'] {
		return this.work.history;
	}

	/** Starts what reads sites; `request` is the page to show first. */
	begin(request: PageRequest | undefined): void {
		this.request = request;
		this.reader.start();
	}

	/** Another site starts with its own first page. */
	forgetPlace(): void {
		this.request = undefined;
	}

	/** Changes the text as one step that can be undone. */
	async apply(changes: readonly Change[], label: string, typing = false): Promise<void> {
		await this.action({ kind: 'do', label, changes: [...changes], at: Date.now(), typing });
	}

	undo(): Promise<void> {
		return this.action({ kind: 'undo' });
	}

	redo(): Promise<void> {
		return this.action({ kind: 'redo' });
	}

	async goTo(request: PageRequest): Promise<boolean> {
		const page = await this.core.page({ ...request, ...this.seeing });
		if (!page) return false;
		// It may have been asked for by a name of once.
		this.request = page.page === request.page ? request : { ...request, page: page.page };
		this.page = page;
		return true;
	}

	/** The page that is at work, as it is seen. */
	private get asked(): PageRequest | undefined {
		return this.request && { ...this.request, ...this.seeing };
	}

	/** How the site is looked at. */
	get seeing(): { readonly role: string | undefined; readonly trial: Trial } {
		return { role: this.seenBy, trial: this.trial };
	}

	/** Shows the whole application as a visitor sees it; undefined: all of it. */
	async seeAs(role: string | undefined): Promise<void> {
		this.seenBy = role;
		if (this.request && this.ready) await this.goTo(this.request);
	}

	/** Tries the pages of the whole application with something. */
	async tryWith(trial: Trial): Promise<void> {
		this.trial = trial;
		if (this.request && this.ready) await this.goTo(this.request);
	}

	/** Goes to the page that serves an address of the site. */
	async follow(address: string): Promise<boolean> {
		const request = await this.core.answers.pageAt(address);
		if (!request || request.missing) {
			const shown = request
				? `; ${request.page} is shown.`
				: ', and there is no state not-found to show.';
			this.say(`No route of this site serves ${address}${shown}`);
		}
		return request ? this.goTo(request) : false;
	}

	/** What the worker can be asked beside edits. Only after `start`. */
	get core(): Remote<Desk> {
		return this.reader.core;
	}

	/** Ends what the worker is doing; the text stays, and the drawings stay as they were. */
	stop(): void {
		this.reader.stop();
	}

	/** Reads the open site again, as after it was stopped. */
	async readAgain(): Promise<void> {
		this.reader.stopped = undefined;
		await this.reopen();
	}

	/** Keeps what has not been kept yet, at once. */
	async keepNow(): Promise<void> {
		if (this.writes && this.id !== '') await this.keeper.flush(true);
	}

	/** The page is left: what is not kept is kept, and another may write the site. */
	leavePage(): void {
		if (this.writes && this.id !== '') this.keeper.handOver();
		this.tab?.close();
	}

	takeOver(): Promise<void> {
		return this.tab?.takeOver() ?? Promise.resolve();
	}

	allowOutside(allowed: boolean): void {
		this.outside = allowed;
		void this.keeper.put(() => keepListed(this.listed));
	}

	async listAgain(): Promise<void> {
		const found = await listSites().catch(() => []);
		this.sites = found.filter((site) => !site.forgotten);
	}

	say(sentence: string, act?: Notice['act']): void {
		this.notice = { kind: 'fault', sentence, ...(act && { act }) };
	}

	/** Says that something failed which should not, and logs it for whoever looks into it. */
	sayFailure(what: string, failure: unknown, then = 'Nothing of the site was changed.'): void {
		// A worker that stopped has been spoken of, and started again.
		if (isStopped(failure)) return;
		console.error(what, failure);
		this.say(`${what}: ${reasonOf(failure)}. ${then}`);
	}

	/** How the open site is listed among those that are kept. */
	get listed(): ListedSite {
		const name = this.site?.name || nameless;
		const marks = new Map(this.roofline.layouts.map((layout) => [layout.name, layout.mark]));
		return { id: this.id, name, changed: Date.now(), outside: this.outside, marks };
	}

	private async onRestart(why: string): Promise<void> {
		this.say(`What reads the site stopped (${why}) and was started again. Nothing is lost.`);
		await this.reopen();
	}

	/** Keeps what is open before another site takes its place; where that cannot be, the user decides. */
	async leave(go: () => Promise<void>): Promise<void> {
		if (this.ready && this.writes) await this.keeper.flush(true);
		if (!this.keeper.pending && this.keeper.fault === undefined) return go();
		this.say(
			`The open site could not be kept in this browser (${this.keeper.fault ?? 'it is being tried'}). Save it to a file under Deliver first.`,
			{ label: 'Go on without it', run: () => void go() }
		);
	}

	/** Says that another tab edits the site, and offers to do it here. */
	sayNotWriting(): void {
		this.say(`${notWriting} Nothing was changed here.`, {
			label: 'Edit it here',
			run: () => void this.takeOver()
		});
	}

	private async action(action: Action): Promise<void> {
		const { work } = this;
		const entry = entryFor(work, action);
		if (!entry) return;
		if (!this.writes) {
			this.sayNotWriting();
			return;
		}
		const changes = changesOf(work, entry);
		this.work = advance(work, entry);
		this.keeper.note(entry, work);
		await this.draw(changes, work.number);
	}

	/** Draws the text after some changes of the one that had `number` edits in it. */
	private async draw(changes: readonly Change[], number: number): Promise<void> {
		if (this.reader.stopped !== undefined) return this.readAgain();
		await this.attempt(() => this.core.change(changes, this.asked, number));
	}

	/**
	 * Makes what a drawing asks for: what reads the site works it out and draws it in one go, and the text
	 * here follows. Where the text was changed meanwhile, it is worked out again.
	 */
	async make(command: Command, agreed: boolean, typing: boolean): Promise<Done> {
		if (!this.writes) return { kind: 'refused', sentence: notWriting };
		if (this.reader.stopped !== undefined) await this.readAgain();
		for (;;) {
			const { number } = this.work;
			const answer = this.core.make(command, this.asked, number, agreed);
			// Until its turn comes, no one waits for it.
			answer.catch(() => undefined);
			const turn = this.taken.then(async (): Promise<Made> => {
				const made = await answer;
				if (made.kind !== 'made' || !made.shown) return made;
				if (number !== this.work.number) return { kind: 'overtaken' };
				const { label, changes } = made.proposal;
				this.note({ kind: 'do', label, changes: [...changes], at: Date.now(), typing });
				this.take(made.shown);
				return made;
			});
			this.taken = turn.then(
				() => undefined,
				() => undefined
			);
			const made = await turn;
			if (made.kind !== 'overtaken') return made;
		}
	}

	/** Notes an action whose result is drawn already. */
	private note(action: Action): void {
		const { work } = this;
		const entry = entryFor(work, action);
		if (!entry) return;
		this.work = advance(work, entry);
		this.keeper.note(entry, work);
	}

	/** Edits that another tab made. */
	private async heard(entries: readonly Entry[]): Promise<void> {
		if (this.writes) return;
		if (entries[0]?.number !== this.work.number + 1) return this.fetchAgain();
		for (const entry of entries) {
			const { number } = this.work;
			const changes = changesOf(this.work, entry);
			this.work = advance(this.work, entry);
			await this.draw(changes, number);
		}
	}

	/** Takes the text as it is kept, where another tab has written it. */
	private async fetchAgain(): Promise<void> {
		const { id } = this;
		const kept = await fetchSite(id).catch(() => undefined);
		// Meanwhile another site may have been opened.
		if (id !== this.id || !kept || kept.number <= this.work.number) return;
		const { texts, assets, history, number } = kept;
		this.work = { texts, assets, history, number };
		await this.reopen();
	}

	/** Shows a site as it was kept; one that was damaged goes on as another. */
	async showKept(kept: KeptSite): Promise<void> {
		const { listed, lost } = kept;
		if (lost.length > 0) {
			// What is damaged is not written over: what could be read goes on as another site.
			await this.adoptNow(kept);
			this.say(
				`${listed.name} was damaged in this browser. ${lost.join(' ')} What could be read is open, as a site of its own.`
			);
			return;
		}
		this.keeper.reset();
		await this.show(listed, kept);
		// The list is written now and then; each edit is kept by itself, with its time.
		const [last, undone] = [this.history.past.at(-1)?.at, this.history.future.at(-1)?.at];
		this.keeper.keptAt = Math.max(listed.changed, last ?? 0, undone ?? 0);
	}

	/** Opens files as a site of their own, which is kept before it is shown. */
	adopt(files: SiteFiles): Promise<void> {
		return this.leave(() => this.adoptNow(files));
	}

	private async adoptNow(files: SiteFiles): Promise<void> {
		const listed = { id: crypto.randomUUID(), name: nameless, changed: Date.now() };
		const { texts, assets } = files;
		const work: Work = { texts, assets, history: emptyHistory, number: 0 };
		this.keeper.reset();
		await this.keeper.put(async () => {
			await keepWork(listed.id, work);
			await keepListed(listed);
		});
		await this.show(listed, work);
		await this.keeper.put(() => keepListed(this.listed));
		await this.listAgain();
	}

	private async show(listed: ListedSite, work: Work): Promise<void> {
		this.tab?.close();
		this.id = listed.id;
		const tab = (this.tab = new SiteTab(listed.id, {
			gained: () => void this.onGained(),
			lost: () => void this.onLost(),
			heard: (entries) => void this.heard(entries),
			asked: () => this.keepNow()
		}));
		const { texts, assets, history, number } = work;
		this.work = { texts, assets, history, number };
		this.outside = listed.outside ?? false;
		this.marks = listed.marks ?? new Map();
		this.notice = undefined;
		this.held = undefined;
		this.reader.stopped = undefined;
		const writes = await tab.join();
		if (tab !== this.tab) return;
		this.writes = writes;
		noteInTab(tabKey, listed.id);
		void noteOpened(listed.id).catch(() => undefined);
		if (this.writes) await this.takeNewer();
		await this.reopen();
	}

	/**
	 * A page that was left may have kept its last edits after the site was read here, but before it let go:
	 * now that no one else writes, they are taken.
	 */
	private async takeNewer(): Promise<void> {
		const late = new Promise<undefined>((resolve) => setTimeout(resolve, 1500));
		const { id } = this;
		const asking = fetchNewer(id, this.work.number).catch(() => undefined);
		const newer = await Promise.race([asking, late]);
		if (newer && id === this.id) this.work = newer;
	}

	/** It may write. What another tab kept last is taken first, as long as the browser answers. */
	private async onGained(): Promise<void> {
		const { tab } = this;
		await Promise.race([this.fetchAgain(), new Promise((resolve) => setTimeout(resolve, 1500))]);
		if (tab === this.tab) this.writes = true;
	}

	/** Another tab took the site. What was not kept here yet must not be lost: it becomes a copy. */
	private async onLost(): Promise<void> {
		if (!this.writes) return;
		this.writes = false;
		const { texts, assets } = this;
		const { pending } = this.keeper;
		this.keeper.reset();
		if (!pending) return this.fetchAgain();
		await this.adoptNow({ texts, assets });
		this.say(
			'Another tab took over the site before the last edits here were kept. They are open here as a copy.'
		);
	}

	/** Draws the site again with what its sources have given. */
	redraw(): Promise<void> {
		return this.attempt(() => this.core.redraw(this.asked));
	}

	private takeRoofline(roofline: Roofline): void {
		const before = marksIn(this.roofline);
		this.roofline = roofline;
		if (this.ready && this.writes && before !== marksIn(roofline)) {
			void this.keeper.put(() => keepListed(this.listed));
		}
	}

	private async reopen(): Promise<void> {
		const { texts, assets, number } = this.work;
		await this.attempt(() => this.core.open({ texts, assets }, this.asked, number, this.marks));
		void this.takeProblems();
	}

	/** What is doubtful is looked for once the first page is drawn, and has asked what it needs for that. */
	private async takeProblems(): Promise<void> {
		await idle();
		const { site } = this;
		const problems = await this.core.checked().catch((failure: unknown) => {
			this.sayFailure('What is doubtful in the text could not be looked for', failure);
		});
		// Meanwhile the text may have been edited: what came with that is newer.
		if (problems && this.site && this.site === site) this.site = { ...site, problems };
	}

	/** Asks the worker at once; what it gives is taken in the order in which it was asked. */
	private attempt(ask: () => Promise<Shown>): Promise<void> {
		const answer = ask();
		// Until its turn comes, no one waits for it.
		answer.catch(() => undefined);
		this.taken = this.taken.then(() => this.takeFrom(answer));
		return this.taken;
	}

	/** Takes what the worker gives; where it fails, that is said and what was drawn stays. */
	private async takeFrom(answer: Promise<Shown>): Promise<void> {
		try {
			const shown = await answer;
			// To take in what a large site sends, and to draw it, are two steps: between them the page answers.
			if ((shown.site.roofline?.rows.length ?? 0) > manyRows) await nextTask();
			this.take(shown);
		} catch (failure) {
			this.sayFailure('The site could not be drawn', failure, 'Its text is in Source.');
		}
	}

	private take(shown: Shown): void {
		this.site = shown.site;
		if (shown.site.roofline) this.takeRoofline(shown.site.roofline);
		this.page = shown.page;
		if (shown.page) this.request = { page: shown.page.page, address: shown.page.address };
	}
}

function nextTask(): Promise<void> {
	return new Promise((resolve) => setTimeout(resolve));
}

export const store = new SiteStore();
