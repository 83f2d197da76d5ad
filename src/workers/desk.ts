import { crossSection } from '$core/view-models/cross-section.ts';
import { hasSameRoofline, roofline, type Roofline } from '$core/view-models/roofline.ts';
import { emptyPieces } from '$core/emit/html/empty.ts';
import { pageHead } from '$core/emit/html/words.ts';
import { prepare, type Prepared } from '$core/edit/propose.ts';
import { touchedBetween } from '$core/edit/touches.ts';
import { type Command } from '$core/model/command.ts';
import { type Proposal } from '$core/edit/proposal.ts';
import { stageHtml } from '$core/emit/stage.ts';
import { atEdge, reasonOf, type Problem } from '$core/messages/problem.ts';
import type { SiteFiles } from '$core/model/files.ts';
import {
	copyPath,
	layerName,
	type DataSource,
	type Page,
	type StateKind
} from '$core/model/site.ts';
import { type PageInstance } from '$core/resolve/instance.ts';
import { checkSite, isSound, soundSite, type CheckedSite } from '$core/check/site.ts';
import { applyChanges, type Change } from '$core/source/change.ts';
import { refuseUnusable, takeIn, takeInFiles } from '$core/source/intake.ts';
import { IntakeError } from '$core/source/limits.ts';
import { readSiteFiles } from '$core/source/read.ts';
import { sentencePage } from '$core/answer/answer.ts';
import { sourcesOf } from '$core/answer/freshness.ts';
import { partViews, type PartView } from '$core/view-models/material/part-view.ts';
import { decodeUtf8 } from '$core/lib/utf8.ts';
import type {
	Made,
	Preview,
	FilesMessage,
	PageView,
	PageRequest,
	ProblemView,
	SeenView,
	Shown,
	SiteView,
	TakenIn,
	TouchedView
} from './messages.ts';
import { admittedRoles, keptOutBy } from '$core/resolve/roles.ts';
import { seeingWord, seenAs, type ResolvedSite } from '$core/resolve/site.ts';
import { nearestState } from '$core/resolve/structure.ts';
import { giveMarks, keepMarks, type Marks } from '$core/view-models/marks.ts';
import type { FindingsStep } from './findings.ts';
import { Looks } from './looks.ts';
import { Sources, type SourceState } from '../sources/sources.ts';

/** ms for which nothing else is answered while pages are compared. */
const mostAtOnce = 8;
/** Pages that are kept as they were drawn. */
const mostDrawn = 8;

/**
 * The open site, read and resolved. It lives in the worker; the application sends it changes of the
 * text and gets back what to draw. Where the text has errors, drawings keep its last state without.
 */
export class Desk extends Looks {
	private readonly sources = new Sources();
	/** The command that was looked at last, ready to be made. */
	private prepared: { before: CheckedSite; key: string; made: Prepared } | undefined;
	/** Marks of layouts that were kept with the site. */
	private openedWith: Marks = new Map();
	/** What is doubtful in the site has not been looked for yet. */
	private isUnchecked = false;
	/** Counts what ends the comparing of pages. */
	private turn = 0;
	/** How many edits are in the text, as the application counts them. */
	private number = 0;
	/** How it was before the last command was made, until the application has taken that. */
	private before: DeskState | undefined;
	/** The site whose roofline the application has; it is sent again only when it looks different. */
	private drawn: CheckedSite | undefined;
	/** Pages as they were drawn last, for one that cannot be drawn any more. */
	private readonly lastDrawn = new Map<string, PageView>();

	/** Takes in a file the user brought. It changes nothing yet: what is open stays open. */
	takeIn(name: string, bytes: Uint8Array): TakenIn {
		try {
			return usable(takeIn(name, bytes));
		} catch (failure) {
			return refusal(failure);
		}
	}

	/** The same for the files of a folder, by their paths from it. */
	takeInFolder(files: ReadonlyMap<string, Uint8Array>): TakenIn {
		try {
			return usable(takeInFiles(files));
		} catch (failure) {
			return refusal(failure);
		}
	}

	/** `number` is how many edits are in the text; `marks` are those that its layouts had when it was open last. */
	open(
		files: FilesMessage,
		request: PageRequest | undefined,
		number: number,
		marks: Marks = new Map()
	): Shown {
		this.openedWith = marks;
		this.takeFiles({ texts: files.texts, assets: files.assets });
		this.latest = this.good = this.drawn = this.before = undefined;
		this.since = [];
		this.number = number;
		this.lastDrawn.clear();
		this.sources.forgetAll();
		return this.readAgain(request, soundSite);
	}

	override findings(near: readonly string[]): FindingsStep | undefined {
		this.checked();
		return super.findings(near);
	}

	/** All that is wrong or doubtful in the text: what was opened was looked through for errors alone, to show it soon. */
	checked(): readonly ProblemView[] {
		if (!this.latest) return [];
		if (this.isUnchecked) {
			this.isUnchecked = false;
			const { latest } = this;
			this.latest = checkSite(latest.reading);
			keepMarks(latest.structure, this.latest.structure);
			if (this.good === latest) this.good = this.latest;
			if (this.drawn === latest) this.drawn = this.latest;
		}
		return this.latest.problems.map((problem) => this.problemView(problem));
	}

	/**
	 * Changes the text that has `number` edits in it. A command that was made meanwhile on the same text did not
	 * get there first, and is taken back.
	 */
	change(changes: readonly Change[], request: PageRequest | undefined, number: number): Shown {
		this.turn++;
		if (this.before && number === this.before.number) this.goBack(this.before);
		this.before = this.prepared = undefined;
		this.number = number + 1;
		this.since.push(...changes);
		const { texts, assets } = applyChanges(this.files, changes);
		this.takeFiles({ texts, assets });
		return this.readAgain(request);
	}

	/**
	 * Makes a command on the text that has `number` edits in it: at once, unless it is refused or takes something
	 * along that the user has not agreed to.
	 */
	make(command: Command, page: PageRequest | undefined, number: number, agreed: boolean): Made {
		this.turn++;
		if (number !== this.number) return { kind: 'overtaken' };
		const { proposal, after } = this.prepareOnce(command);
		if (proposal.kind === 'refused') return proposal;
		if (!after || (proposal.consequences.length > 0 && !agreed)) {
			return { kind: 'asks', proposal };
		}
		if (proposal.changes.length === 0) return { kind: 'made', proposal, shown: undefined };
		const { files, latest, good, since, drawn } = this;
		this.before = { number, files, latest, good, since: [...since], drawn };
		this.prepared = undefined;
		this.number = number + 1;
		this.since.push(...proposal.changes);
		return { kind: 'made', proposal, shown: this.adopt(after, page) };
	}

	private goBack({ number, files, latest, good, since, drawn }: DeskState): void {
		this.takeFiles(files);
		this.number = number;
		this.latest = latest;
		this.good = good;
		this.since = since;
		// What the application got of the command that did not count is not what it draws.
		if (this.drawn !== drawn) this.drawn = undefined;
	}

	/** A command prepared, worked out once as long as the site is the same. */
	protected prepareOnce(command: Command): Prepared {
		const before = this.latest;
		if (!before) {
			return { proposal: { kind: 'refused', sentence: 'No site is open.' }, after: undefined };
		}
		// Files come with other commands than those that are looked at again and again.
		const key = command.kind === 'put-file' ? '' : JSON.stringify(command);
		if (key !== '' && this.prepared?.before === before && this.prepared.key === key) {
			return this.prepared.made;
		}
		const made = prepare(before, command);
		this.prepared = { before, key, made };
		return made;
	}

	private takeFiles(files: SiteFiles): void {
		if (files.assets !== this.files.assets) this.assetUrls.changeTo(files.assets);
		this.files = files;
	}

	page(request: PageRequest): PageView | undefined {
		const { shown } = this;
		const page = shown && this.find(request, shown);
		if (!shown || !page) return undefined;
		const instances = shown.instances(page);
		const instance = instances.find((one) => one.address === request.address) ?? instances[0];
		return instance && this.pageView(instance, seenAs(shown, request));
	}

	/** The edit that a command comes to, or why it cannot be. */
	propose(command: Command): Proposal {
		return this.prepareOnce(command).proposal;
	}

	/** What a command would make of a page, without making it. */
	look(command: Command, page: PageRequest): Preview {
		this.turn++;
		const { proposal, after } = this.prepareOnce(command);
		if (proposal.kind === 'refused') {
			return { html: undefined, bands: [], refused: proposal.sentence, consequences: [] };
		}
		const { bands, consequences } = proposal;
		const found = after && isSound(after) ? this.find(page, after) : undefined;
		const instances = found && after ? after.instances(found) : [];
		const instance = instances.find((one) => one.address === page.address) ?? instances[0];
		const seen = after && seenAs(after, page);
		const html = instance && seen && stageHtml(instance, seen, this.assetUrls, this.year);
		return { html, bands, refused: undefined, consequences };
	}

	/**
	 * Names of the pages and bands that a command would change; none where it is refused. Whatever else is asked
	 * meanwhile comes first, and another command to look at ends it.
	 */
	async touches(command: Command): Promise<TouchedView> {
		const turn = ++this.turn;
		const before = this.latest;
		const { proposal, after } = this.prepareOnce(command);
		const pages: string[] = [];
		if (proposal.kind !== 'edit' || !before || !after) return { pages, bands: [] };
		let since = performance.now();
		for (const name of touchedBetween(before, after)) {
			if (name !== undefined) pages.push(name);
			if (performance.now() - since < mostAtOnce) continue;
			await new Promise((resolve) => setTimeout(resolve));
			if (turn !== this.turn) return { pages: [], bands: [] };
			since = performance.now();
		}
		return { pages, bands: proposal.bands };
	}

	/** Names of sources that have to be asked before what they give is shown. */
	dueSources(names: readonly string[]): string[] {
		const now = Date.now();
		return this.sourcesNamed(names)
			.filter((source) => this.sources.isDue(source, now))
			.map(({ name }) => name.text);
	}

	/** What is known of all sources from elsewhere. */
	sourceStates(): SourceState[] {
		const now = Date.now();
		const all = this.shown?.site.data ?? [];
		return all.filter(({ isUrl }) => isUrl).map((source) => this.sources.state(source, now));
	}

	/**
	 * Asks a source, at the stand-in that answers for it; `of` parts what different sites try out. Gives whether
	 * something is to be drawn anew.
	 */
	async askSource(name: string, of: string): Promise<boolean> {
		const [source] = this.sourcesNamed([name]);
		if (!source) return false;
		const bytes = this.files.assets.get(copyPath(source));
		const address = `/stand-in/data/${name}?of=${encodeURIComponent(of)}`;
		const failedBefore = this.sources.hasFailed(name);
		const before = JSON.stringify(this.shown?.site.values.get(name));
		await this.sources.ask(source, address, bytes && decodeUtf8(bytes));
		const after = JSON.stringify(this.sources.copies.get(name));
		return (
			(after !== undefined && after !== before) || failedBefore !== this.sources.hasFailed(name)
		);
	}

	/** Draws the site anew with what sources have given. */
	redraw(request: PageRequest | undefined): Shown {
		return this.readAgain(request);
	}

	private sourcesNamed(names: readonly string[]): DataSource[] {
		const all = this.shown?.site.data ?? [];
		return all.filter(({ name, isUrl }) => isUrl && names.includes(name.text));
	}

	/** Every part, drawn by itself. */
	parts(): PartView[] {
		return this.shown ? partViews(this.shown, this.assetUrls, this.year) : [];
	}

	/** Never fails: where reading does, that is a problem, and what was drawn last stays. */
	private readAgain(request: PageRequest | undefined, check = checkSite): Shown {
		this.isUnchecked = check !== checkSite;
		const problems: Problem[] = [];
		const [file = 'site.eave'] = this.files.texts.keys();
		const about = { what: 'The site', span: { file, from: 0, to: 0 } };
		const read = atEdge<CheckedSite | undefined>(
			about,
			problems,
			() => check(readSiteFiles(this.files, this.latest?.reading, this.sources.copies)),
			undefined
		);
		if (read) return this.adopt(read, request);
		const nothing = checkSite(readSiteFiles({ texts: new Map(), assets: new Map() }));
		const { files } = this;
		const shown = this.adopt({ ...nothing, problems }, request);
		// The text is what the user wrote, read or not.
		this.takeFiles(files);
		this.latest = undefined;
		return shown;
	}

	private adopt(latest: CheckedSite, request: PageRequest | undefined): Shown {
		this.latest = latest;
		this.takeFiles(latest.reading.files);
		if (isSound(latest)) {
			this.good = latest;
			this.since = [];
		}
		const shown = this.good ?? latest;
		if (this.drawn) keepMarks(this.drawn.structure, shown.structure);
		else giveMarks(this.openedWith, shown.structure);
		const stays = this.drawn !== undefined && hasSameRoofline(this.drawn, shown);
		const drawing = stays ? undefined : roofline(shown);
		this.drawn = shown;
		const site = this.siteView(latest, shown, drawing);
		const first = shown.routes[0] ?? shown.site.states[0];
		const page = request && this.page(request);
		if (page || !first) return { site, page };
		return { site, page: this.page({ ...request, page: layerName(first), address: undefined }) };
	}

	private siteView(
		latest: CheckedSite,
		shown: CheckedSite,
		drawing: Roofline | undefined
	): SiteView {
		const { settings } = shown.site;
		return {
			name: settings.name.text,
			bands: settings.bands.map((band) => ({ name: band.name.text, from: band.from })),
			tokens: [...new Set(settings.tokens.map((token) => token.name.text))],
			hasNight: settings.night.length > 0,
			data: shown.site.data.map((source) => source.name.text),
			roles: settings.roles.map(({ text }) => text),
			roofline: drawing,
			problems: latest.problems.map((problem) => this.problemView(problem)),
			current: shown === latest
		};
	}

	/** A page as it is drawn. One that cannot be drawn stays as it was, and says why. */
	private pageView(instance: PageInstance, shown: ResolvedSite): PageView | undefined {
		const name = layerName(instance.page);
		const { role, site } = shown;
		const key = `${name} ${instance.address} ${seeingWord({ role, trial: site.settings.trial })}`;
		try {
			const view = this.drawPage(instance, shown);
			this.lastDrawn.delete(key);
			this.lastDrawn.set(key, view);
			const [oldest] = this.lastDrawn.keys();
			if (this.lastDrawn.size > mostDrawn && oldest !== undefined) this.lastDrawn.delete(oldest);
			return view;
		} catch (failure) {
			const before = this.lastDrawn.get(key);
			return before && { ...before, fault: `${name} cannot be drawn (${reasonOf(failure)}).` };
		}
	}

	private drawPage(instance: PageInstance, shown: ResolvedSite): PageView {
		const { drawn, seen, kind } = this.seenBy(instance, shown);
		const resolved = shown.page(drawn.page);
		return {
			page: layerName(instance.page),
			address: instance.address,
			addresses: shown.instances(instance.page).map((one) => one.address),
			title: pageHead(drawn, shown, this.year).title,
			chain: resolved.chain.map((layout) => layout.name.text),
			fault: undefined,
			html:
				kind && seen.status !== 200 && seen.stands === undefined
					? sentencePage(shown, kind, instance.address)
					: stageHtml(drawn, shown, this.assetUrls, this.year),
			section: crossSection(resolved, shown),
			seen,
			empty: emptyPieces(drawn, shown, this.year),
			sources: sourcesOf(instance.page, shown)
				.filter(({ isUrl }) => isUrl)
				.map(({ name }) => name.text)
		};
	}

	/** What a visitor gets of a page: the page, or where it is closed the nearest state that says so. */
	private seenBy(
		instance: PageInstance,
		shown: ResolvedSite
	): { drawn: PageInstance; seen: SeenView; kind: StateKind | undefined } {
		const { site, structure, role } = shown;
		const { page, address } = instance;
		const closedBy = keptOutBy(page, role, structure);
		const waiting = closedBy ? undefined : this.waitingFor(page, shown);
		const kind = closedBy ? 'denied' : waiting;
		const state = kind && nearestState(site, address, kind);
		const [stands] = state ? shown.instances(state) : [];
		return {
			drawn: stands ?? instance,
			kind,
			seen: {
				role,
				status: closedBy ? 403 : waiting === 'failed' ? 503 : 200,
				stands: state && layerName(state),
				admits: admittedRoles(page, structure),
				closedBy: closedBy && layerName(closedBy)
			}
		};
	}

	/** The state that stands for a page while its data is on its way, or since it could not be had. */
	private waitingFor(page: Page, shown: ResolvedSite): 'loading' | 'failed' | undefined {
		const sources = sourcesOf(page, shown).filter(({ isUrl }) => isUrl);
		const failed = sources.some(
			({ name, failed: then }) => then === 'shown' && this.sources.hasFailed(name.text)
		);
		const asking = sources.some(
			({ name }) => this.sources.isAsking(name.text) && !shown.site.values.has(name.text)
		);
		return failed ? 'failed' : asking ? 'loading' : undefined;
	}
}

/** How a desk was before a command was made. */
interface DeskState {
	readonly number: number;
	readonly files: SiteFiles;
	readonly latest: CheckedSite | undefined;
	readonly good: CheckedSite | undefined;
	readonly since: Change[];
	readonly drawn: CheckedSite | undefined;
}

function usable(files: SiteFiles): SiteFiles {
	refuseUnusable(files);
	return files;
}

function refusal(failure: unknown): TakenIn {
	if (failure instanceof IntakeError) return { refused: failure.message };
	throw failure;
}
