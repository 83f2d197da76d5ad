import { type Problem, atEdge } from '$core/messages/problem.ts';
import type { SiteFiles } from '$core/model/files.ts';
import { layerName } from '$core/model/site.ts';
import { type CheckedSite, isSound } from '$core/check/checked-site.ts';
import { checkSite } from '$core/check/site.ts';
import { soundSite } from '$core/check/sound.ts';
import { type Change, applyChanges } from '$core/source/change.ts';
import type {
	PageRequest,
	PageView,
	ProblemView,
	FilesMessage,
	Made,
	Shown,
	SiteView,
	TakenIn
} from '../messages.ts';
import { keepMarks, giveMarks, type Marks } from '$core/view-models/marks.ts';
import type { Command } from '$core/model/command.ts';
import { readSiteFiles, type SiteReading } from '$core/source/read.ts';
import { hasSameRoofline, roofline, type Roofline } from '$core/view-models/roofline.ts';
import { readUsable, takeIn, takeInFiles } from '$core/source/intake.ts';
import { IntakeError } from '$core/source/limits.ts';
import type { SizeStore } from '$core/measure/size-store.ts';
import { proxy, type ProxyMarked } from 'comlink';
import { Settlings } from '../settling.ts';
import { Sheets } from '../sheets.ts';
import { Answers } from './answers.ts';
import { Arranging } from './arranging.ts';
import { Boxes } from './boxes.ts';
import { BringIn } from './bringing-in.ts';
import { DataSources } from './data-sources.ts';
import { DrawnPages } from './drawn-pages.ts';
import { HandingOver } from './handing-over.ts';
import { FindingsDesk } from './findings-desk.ts';
import { OpenSite } from './open-site.ts';
import { PageSheet } from './page-sheet.ts';
import { Places } from './places.ts';
import { Proposals } from './proposals.ts';

/** What the application reaches through the desk, where it is. */
type Room<T> = T & ProxyMarked;

/**
 * The open site, read and resolved. It lives in the worker; the application sends it changes of the text and gets back
 * what to draw. What else can be asked has rooms of its own, which all look at the same site.
 */
export class Desk {
	readonly answers: Room<Answers>;
	readonly places: Room<Places>;
	readonly handingOver: Room<HandingOver>;
	readonly boxes: Room<Boxes>;
	readonly sheet: Room<PageSheet>;
	readonly findings: Room<FindingsDesk>;
	readonly sources: Room<DataSources>;
	readonly proposals: Room<Proposals>;
	readonly bringIn: Room<BringIn>;
	readonly arranging: Room<Arranging>;
	private readonly site: OpenSite;
	private readonly pages: DrawnPages;
	private readonly settlings: Settlings;
	/** Told whenever sizes of content may have been measured. */
	onSettled: (() => void) | undefined;

	/** Marks of layouts that were kept with the site. */
	private openedWith: Marks = new Map();

	/** What is doubtful in the site has not been looked for yet. */
	private isUnchecked = false;

	/** What was taken in last, as it was read to see whether it can be opened: what is opened is mostly that. */
	private tookIn: SiteReading | undefined;

	/** How many edits are in the text, as the application counts them. */
	private number = 0;

	/** How it was before the last command was made, until the application has taken that. */
	private before: DeskState | undefined;

	/** The site whose roofline the application has; it is sent again only when it looks different. */
	private drawn: CheckedSite | undefined;

	constructor(year: number) {
		const site = new OpenSite(year);
		const settlings = new Settlings(year, () => this.onSettled?.());
		const sheets = new Sheets(year, (...of) => settlings.pageOf(...of));
		const sources = new DataSources(site);
		this.site = site;
		this.settlings = settlings;
		this.pages = new DrawnPages(site, sources);
		this.answers = proxy(new Answers(site));
		this.places = proxy(new Places(site));
		this.handingOver = proxy(new HandingOver(site));
		this.boxes = proxy(new Boxes(site, settlings));
		this.sheet = proxy(new PageSheet(site, settlings, sheets));
		this.findings = proxy(new FindingsDesk(site, settlings, sheets, () => void this.checked()));
		this.sources = proxy(sources);
		this.proposals = proxy(new Proposals(site));
		this.arranging = proxy(new Arranging(site));
		this.bringIn = proxy(new BringIn(year, () => site.shown));
	}

	/** Sizes of content that were measured, by whatever site. */
	get sizes(): SizeStore {
		return this.settlings.store;
	}

	/** A page as it is drawn; undefined where it is not there. */
	page(request: PageRequest): PageView | undefined {
		return this.pages.page(request);
	}

	/** Takes in a file the user brought. It changes nothing yet: what is open stays open. */
	takeIn(name: string, bytes: Uint8Array): TakenIn {
		try {
			return this.usable(takeIn(name, bytes));
		} catch (failure) {
			return refusal(failure);
		}
	}

	/** The same for the files of a folder, by their paths from it. */
	takeInFolder(files: ReadonlyMap<string, Uint8Array>): TakenIn {
		try {
			return this.usable(takeInFiles(files));
		} catch (failure) {
			return refusal(failure);
		}
	}

	private usable(files: SiteFiles): SiteFiles {
		this.tookIn = readUsable(files);
		return files;
	}

	/** `number` is how many edits are in the text; `marks` are those that its layouts had when it was open last. */
	open(
		files: FilesMessage,
		request: PageRequest | undefined,
		number: number,
		marks: Marks = new Map()
	): Shown {
		this.openedWith = marks;
		this.site.takeFiles({ texts: files.texts, assets: files.assets });
		this.site.latest = this.site.good = this.drawn = this.before = undefined;
		this.site.since = [];
		this.number = number;
		this.pages.forget();
		this.sources.forgetAll();
		const shown = this.readAgain(request, soundSite);
		this.tookIn = undefined;
		return shown;
	}

	/** All that is wrong or doubtful in the text: what was opened was looked through for errors alone, to show it soon. */
	checked(): readonly ProblemView[] {
		if (!this.site.latest) return [];
		if (this.isUnchecked) {
			this.isUnchecked = false;
			const { latest } = this.site;
			this.site.latest = checkSite(latest.reading);
			keepMarks(latest.structure, this.site.latest.structure);
			if (this.site.good === latest) this.site.good = this.site.latest;
			if (this.drawn === latest) this.drawn = this.site.latest;
		}
		return this.site.latest.problems.map((problem) => this.site.problemView(problem));
	}

	/**
	 * Changes the text that has `number` edits in it. A command that was made meanwhile on the same text did not
	 * get there first, and is taken back.
	 */
	change(changes: readonly Change[], request: PageRequest | undefined, number: number): Shown {
		this.proposals.interrupt();
		if (this.before && number === this.before.number) this.goBack(this.before);
		this.before = undefined;
		this.site.forgetPrepared();
		this.number = number + 1;
		this.site.since.push(...changes);
		const { texts, assets } = applyChanges(this.site.files, changes);
		this.site.takeFiles({ texts, assets });
		return this.readAgain(request);
	}

	/**
	 * Makes a command on the text that has `number` edits in it: at once, unless it is refused or takes something
	 * along that the user has not agreed to.
	 */
	make(command: Command, page: PageRequest | undefined, number: number, agreed: boolean): Made {
		this.proposals.interrupt();
		if (number !== this.number) return { kind: 'overtaken' };
		const { proposal, after } = this.site.prepareOnce(command);
		if (proposal.kind === 'refused') return proposal;
		if (!after || (proposal.consequences.length > 0 && !agreed)) {
			return { kind: 'asks', proposal };
		}
		if (proposal.changes.length === 0) return { kind: 'made', proposal, shown: undefined };
		const { files, latest, good, since } = this.site;
		this.before = { number, files, latest, good, since: [...since], drawn: this.drawn };
		this.site.forgetPrepared();
		this.number = number + 1;
		this.site.since.push(...proposal.changes);
		return { kind: 'made', proposal, shown: this.adopt(after, page) };
	}

	private goBack({ number, files, latest, good, since, drawn }: DeskState): void {
		this.site.takeFiles(files);
		this.number = number;
		this.site.latest = latest;
		this.site.good = good;
		this.site.since = since;
		// What the application got of the command that did not count is not what it draws.
		if (this.drawn !== drawn) this.drawn = undefined;
	}

	/** Draws the site anew with what sources have given. */
	redraw(request: PageRequest | undefined): Shown {
		return this.readAgain(request);
	}

	/** Never fails: where reading does, that is a problem, and what was drawn last stays. */
	private readAgain(request: PageRequest | undefined, check = checkSite): Shown {
		this.isUnchecked = check !== checkSite;
		const problems: Problem[] = [];
		const [file = 'site.eave'] = this.site.files.texts.keys();
		const about = { what: 'The site', span: { file, from: 0, to: 0 } };
		const before = this.site.latest?.reading ?? this.tookIn;
		const read = atEdge<CheckedSite | undefined>(
			about,
			problems,
			() => check(readSiteFiles(this.site.files, before, this.sources.copies)),
			undefined
		);
		if (read) return this.adopt(read, request);
		const nothing = checkSite(readSiteFiles({ texts: new Map(), assets: new Map() }));
		const { files } = this.site;
		const shown = this.adopt({ ...nothing, problems }, request);
		// The text is what the user wrote, read or not.
		this.site.takeFiles(files);
		this.site.latest = undefined;
		return shown;
	}

	private adopt(latest: CheckedSite, request: PageRequest | undefined): Shown {
		this.site.latest = latest;
		this.site.takeFiles(latest.reading.files);
		if (isSound(latest)) {
			this.site.good = latest;
			this.site.since = [];
		}
		const shown = this.site.good ?? latest;
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
			problems: latest.problems.map((problem) => this.site.problemView(problem)),
			current: shown === latest
		};
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

function refusal(failure: unknown): TakenIn {
	if (failure instanceof IntakeError) return { refused: failure.message };
	throw failure;
}
