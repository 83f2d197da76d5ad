import { crossSection } from '$core/drawing/cross-section.ts';
import { hasSameRoofline, roofline, type Roofline } from '$core/drawing/roofline.ts';
import {
	deliverPage,
	packSource,
	packZip,
	sheetsOf,
	deliverEach,
	type DeliveredFile
} from '$core/emit/delivery.ts';
import type { TracedPage } from '$core/emit/html/marks.ts';
import { pieceHtmlOf } from '$core/emit/html/page.ts';
import { pageHead } from '$core/emit/html/words.ts';
import { pageFile } from '$core/emit/paths.ts';
import { outputOf, sourceOf, traceOutput, traceSource } from '$core/emit/html/trace.ts';
import { type Trace } from '$core/model/trace.ts';
import { piecesIn, type PieceView } from '$core/edit/pieces/pieces.ts';
import { mendOf } from '$core/check/mend.ts';
import { prepare } from '$core/edit/propose.ts';
import { labelOf } from '$core/edit/wishes.ts';
import { touches } from '$core/edit/touches.ts';
import { underChoices, type UnderChoice } from '$core/edit/layers/under-choices.ts';
import { type BoxRef, type HolderRef, type LayerRef, type Wish } from '$core/model/wish.ts';
import { WishRefused, type Proposal } from '$core/edit/proposal.ts';
import { boxView, type BoxView } from '$core/drawing/box-view.ts';
import { jumpWidths } from '$core/geometry/widths/jumps.ts';
import { sizesFrom, type Metrics } from '$core/geometry/pieces/metrics.ts';
import { PageLayout } from '$core/geometry/page-layout.ts';
import { estimateSize } from '$core/geometry/pieces/estimate.ts';
import type { PieceSizes } from '$core/geometry/pieces/piece-size.ts';
import { stageHtml } from '$core/emit/stage.ts';
import { atEdge, hasErrors, reasonOf, type Problem, sentenceOf } from '$core/messages/problem.ts';
import type { SiteFiles } from '$core/model/files.ts';
import { canonicalPath } from '$core/model/address.ts';
import { layerName, type Page, pagesOf } from '$core/model/site.ts';
import { positionAt, type Span } from '$core/model/span.ts';
import { encodeUtf8 } from '$core/model/utf8.ts';
import { between } from '$core/resolve/between.ts';
import { nearestState } from '$core/resolve/structure.ts';
import { routeFor, type PageInstance } from '$core/resolve/instance.ts';
import { activeMarkup, type ActiveMarkup } from '$core/resolve/active.ts';
import { deliveryProblems } from '$core/check/delivery.ts';
import { checkSite, isSound, type CheckedSite } from '$core/check/site.ts';
import { applyChanges, placeAfter, placeBefore, type Change } from '$core/source/change.ts';
import { complete, type KnownNames } from '$core/source/complete.ts';
import { refuseUnusable, takeIn, takeInFiles } from '$core/source/intake.ts';
import { IntakeError } from '$core/source/limits.ts';
import { readSiteFiles } from '$core/source/read.ts';
import { AssetUrls } from './asset-urls.ts';
import type {
	BetweenView,
	ActiveView,
	DeliveredView,
	DeliveryView,
	FilesMessage,
	OutputFile,
	PageView,
	PageWish,
	PlaceView,
	MendView,
	ProblemView,
	Shown,
	SiteView,
	Stretch,
	TakenIn,
	TouchedView
} from './messages.ts';

/** Pages that are kept as they were drawn. */
const mostDrawn = 8;

/**
 * The open site, read and resolved. It lives in the worker; the application sends it changes of the
 * text and gets back what to draw. Where the text has errors, drawings keep its last state without.
 */
export class Desk {
	private files: SiteFiles = { texts: new Map(), assets: new Map() };
	private readonly assetUrls = new AssetUrls();
	/** The last edit that was proposed, ready to be made. */
	private prepared:
		{ before: CheckedSite; changes: readonly Change[]; after: CheckedSite } | undefined;
	/** The site whose roofline the application has; it is sent again only when it looks different. */
	private drawn: CheckedSite | undefined;
	private latest: CheckedSite | undefined;
	private good: CheckedSite | undefined;
	/** What the text was changed by since the last state without errors. */
	private since: Change[] = [];
	/** Pages as they were drawn last, for one that cannot be drawn any more. */
	private readonly lastDrawn = new Map<string, PageView>();

	constructor(private readonly year: number) {}

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

	open(files: FilesMessage, wish: PageWish | undefined): Shown {
		this.takeFiles({ texts: files.texts, assets: files.assets });
		this.latest = this.good = this.drawn = undefined;
		this.since = [];
		this.lastDrawn.clear();
		return this.readAgain(wish);
	}

	change(changes: readonly Change[], wish: PageWish | undefined): Shown {
		const { prepared } = this;
		this.prepared = undefined;
		this.since.push(...changes);
		if (prepared && prepared.before === this.latest && sameChanges(prepared.changes, changes)) {
			return this.adopt(prepared.after, wish);
		}
		const { texts, assets } = applyChanges(this.files, changes);
		this.takeFiles({ texts, assets });
		return this.readAgain(wish);
	}

	private takeFiles(files: SiteFiles): void {
		if (files.assets !== this.files.assets) this.assetUrls.changeTo(files.assets);
		this.files = files;
	}

	page(wish: PageWish): PageView | undefined {
		const { shown } = this;
		const page = shown && this.find(wish, shown);
		if (!shown || !page) return undefined;
		const instances = shown.instances(page);
		const instance = instances.find((one) => one.address === wish.address) ?? instances[0];
		return instance && this.pageView(instance, shown);
	}

	/** The page that serves an address; where no route does, the nearest state for a missing page. */
	pageAt(address: string): (PageWish & { readonly missing: boolean }) | undefined {
		const { shown } = this;
		if (!shown) return undefined;
		const route = routeFor(shown.site.routes, address);
		if (route) return { page: layerName(route), address: canonicalPath(address), missing: false };
		const state = nearestState(shown.site, address, 'not-found');
		return state && { page: layerName(state), address: undefined, missing: true };
	}

	/** The files that come out for a page. */
	output(wish: PageWish): OutputFile[] {
		const { shown } = this;
		const instance = this.instanceFor(wish);
		if (!shown || !instance) return [];
		const { html } = deliverPage(instance, shown, this.year);
		return [
			{ path: pageFile(instance, shown.site.settings.urls), language: 'html', text: html },
			...sheetsOf(instance.page, shown).map(({ path, css }): OutputFile => {
				return { path, language: 'css', text: css };
			})
		];
	}

	/** The edit that a wish comes to, or why it cannot be. */
	propose(wish: Wish): Proposal {
		const before = this.latest;
		if (!before) return { kind: 'refused', sentence: 'No site is open.' };
		const { proposal, after } = prepare(before, wish);
		if (proposal.kind === 'edit' && after) {
			this.prepared = { before, changes: proposal.changes, after };
		}
		return proposal;
	}

	/** Names of the pages and bands that a wish would change; none where it is refused. */
	touches(wish: Wish): TouchedView {
		const proposal = this.propose(wish);
		if (proposal.kind !== 'edit' || !this.latest) return { pages: [], bands: [] };
		return { pages: touches(this.latest, proposal.changes), bands: proposal.bands };
	}

	/** What a page or layout could sit under. */
	underChoices(ref: LayerRef): UnderChoice[] {
		return this.shown ? underChoices(this.shown, ref) : [];
	}

	/** What stays and what is thrown away when a visitor goes from one page to another. */
	between(from: string, to: string): BetweenView | undefined {
		const { shown } = this;
		const pages = [from, to].map((page) => shown && this.find({ page, address: undefined }, shown));
		const [one, other] = pages;
		if (!shown || !one || !other) return undefined;
		const { stays, goes, comes, regions } = between(shown.page(one), shown.page(other));
		const names = (layouts: typeof stays): string[] => layouts.map((layout) => layout.name.text);
		return { stays: names(stays), goes: names(goes), comes: names(comes), regions };
	}

	/** What there is to say about a box's sizes; undefined where it is not there any more. */
	boxView(ref: BoxRef, width: number): BoxView | undefined {
		const { shown } = this;
		try {
			return shown && boxView(shown, ref, width);
		} catch (failure) {
			if (failure instanceof WishRefused) return undefined;
			throw failure;
		}
	}

	/** Widths at which a box of a page jumps, by what its pieces measure. */
	jumps(wish: PageWish, metrics: Metrics): number[] {
		const { shown } = this;
		const page = shown && this.find(wish, shown);
		if (!shown || !page) return [];
		const measured = sizesFrom(metrics);
		const [instance] = shown.instances(page);
		const target = {
			link: (url: string) => url,
			headLines: [],
			marks: 'none' as const,
			year: this.year
		};
		const html = instance && pieceHtmlOf(instance, shown, target);
		// What is too large to be measured is estimated.
		const sizes: PieceSizes = (key) => measured(key) ?? estimateSize(html?.(key) ?? '');
		const content = { page: shown.page(page), site: shown.site, sizes, open: new Set<string>() };
		return jumpWidths(new PageLayout(content));
	}

	/** The pieces that stand somewhere, with their markup as it is written. */
	piecesIn(holder: HolderRef): PieceView[] {
		return this.latest ? piecesIn(this.latest, holder) : [];
	}

	/** Where a box of the page is written. */
	placeOf(trace: Trace): PlaceView | undefined {
		const drawn = this.shown && sourceOf(this.shown, trace);
		const text = drawn && this.files.texts.get(drawn.file);
		if (!drawn || text === undefined) return undefined;
		const { file, from: at } = this.spanNow(drawn, text);
		return { file, at, line: positionAt(text, at).line };
	}

	private instanceFor(wish: PageWish): PageInstance | undefined {
		const { shown } = this;
		const page = shown && this.find(wish, shown);
		const instances = page && shown ? shown.instances(page) : [];
		return instances.find((one) => one.address === wish.address) ?? instances[0];
	}

	private traced(wish: PageWish): TracedPage | undefined {
		const instance = this.instanceFor(wish);
		return instance && this.shown && deliverPage(instance, this.shown, this.year);
	}

	/** Where the text at an offset shows in the HTML of a page. */
	traceToOutput(file: string, offset: number, wish: PageWish): Stretch | undefined {
		const drawn = placeBefore(file, offset, this.since);
		const trace = this.good && traceSource(this.good, file, drawn);
		const page = this.traced(wish);
		return trace && page && outputOf(page, trace);
	}

	/** The text that made what stands at an offset of a page's HTML. */
	traceToSource(offset: number, wish: PageWish): Span | undefined {
		const page = this.traced(wish);
		const trace = page && traceOutput(page, offset);
		const span = trace && this.good && sourceOf(this.good, trace);
		const text = span && this.files.texts.get(span.file);
		return span && text !== undefined ? this.spanNow(span, text) : undefined;
	}

	/** What can be written at a place of the text. */
	complete(file: string, offset: number): ReturnType<typeof complete> {
		const site = this.shown?.site;
		const names: KnownNames = {
			layouts: site?.layouts.map((layout) => layout.name.text) ?? [],
			regions: [
				...new Set(site?.layouts.flatMap((one) => one.regions.map((region) => region.name.text)))
			],
			routes: site?.routes.map((route) => route.pattern.text) ?? [],
			data: [...(site?.values.keys() ?? [])]
		};
		return complete(this.files.texts.get(file) ?? '', offset, names);
	}

	/** Names and sizes of everything that would be handed over, or what keeps it from that. */
	delivery(marks = false): DeliveryView {
		const problems = this.deliveryProblems();
		const views: DeliveredView[] = [];
		// One file at a time: all of them at once may be more than there is room for.
		for (const { path, kind, content } of this.delivered(problems, marks)) {
			const size = typeof content === 'string' ? encodeUtf8(content).length : content.length;
			views.push({ path, kind, size });
		}
		const active = this.latest ? activeMarkup(this.latest).map((one) => this.activeView(one)) : [];
		return { files: views, problems: problems.map((one) => this.problemView(one)), active };
	}

	/** The static site as a zip, with marks or without; undefined while there are errors. */
	siteZip(marks = false): Blob | undefined {
		const problems = this.deliveryProblems();
		if (!this.latest || hasErrors(problems)) return undefined;
		return zipBlob(this.delivered(problems, marks));
	}

	private deliveryProblems(): readonly Problem[] {
		return this.latest ? deliveryProblems(this.latest, this.year) : [];
	}

	private *delivered(problems: readonly Problem[], marks: boolean): Generator<DeliveredFile> {
		if (!this.latest || hasErrors(problems)) return;
		yield* deliverEach(this.latest, this.year, marks ? 'all' : 'none');
	}

	private activeView({ what, layer, piece, span }: ActiveMarkup): ActiveView {
		const text = this.files.texts.get(span.file) ?? '';
		return { what, layer, piece, ...span, ...positionAt(text, span.from) };
	}

	sourceZip(): Blob {
		return new Blob([packSource(this.files)], { type: 'application/zip' });
	}

	private get shown(): CheckedSite | undefined {
		return this.good ?? this.latest;
	}

	/** A place of the site that is drawn, in the text as it is now. */
	private spanNow({ file, from, to }: Span, text: string): Span {
		const now = (at: number): number => Math.min(placeAfter(file, at, this.since), text.length);
		return { file, from: now(from), to: now(to) };
	}

	/** Never fails: where reading does, that is a problem, and what was drawn last stays. */
	private readAgain(wish: PageWish | undefined): Shown {
		const problems: Problem[] = [];
		const [file = 'site.eave'] = this.files.texts.keys();
		const about = { what: 'The site', span: { file, from: 0, to: 0 } };
		const read = atEdge<CheckedSite | undefined>(
			about,
			problems,
			() => checkSite(readSiteFiles(this.files, this.latest?.reading)),
			undefined
		);
		if (read) return this.adopt(read, wish);
		const nothing = checkSite(readSiteFiles({ texts: new Map(), assets: new Map() }));
		const { files } = this;
		const shown = this.adopt({ ...nothing, problems }, wish);
		// The text is what the user wrote, read or not.
		this.takeFiles(files);
		this.latest = undefined;
		return shown;
	}

	private adopt(latest: CheckedSite, wish: PageWish | undefined): Shown {
		this.latest = latest;
		this.takeFiles(latest.reading.files);
		if (isSound(latest)) {
			this.good = latest;
			this.since = [];
		}
		const shown = this.good ?? latest;
		const stays = this.drawn !== undefined && hasSameRoofline(this.drawn, shown);
		const drawing = stays ? undefined : roofline(shown);
		this.drawn = shown;
		const site = this.siteView(latest, shown, drawing);
		const first = shown.routes[0] ?? shown.site.states[0];
		const page = wish && this.page(wish);
		if (page || !first) return { site, page };
		return { site, page: this.page({ page: layerName(first), address: undefined }) };
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
			roofline: drawing,
			problems: latest.problems.map((problem) => this.problemView(problem)),
			current: shown === latest
		};
	}

	/** A page as it is drawn. One that cannot be drawn stays as it was, and says why. */
	private pageView(instance: PageInstance, shown: CheckedSite): PageView | undefined {
		const name = layerName(instance.page);
		const key = `${name} ${instance.address}`;
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

	private drawPage(instance: PageInstance, shown: CheckedSite): PageView {
		const resolved = shown.page(instance.page);
		return {
			page: layerName(instance.page),
			address: instance.address,
			addresses: shown.instances(instance.page).map((one) => one.address),
			title: pageHead(instance, shown, this.year).title,
			chain: resolved.chain.map((layout) => layout.name.text),
			fault: undefined,
			html: stageHtml(instance, shown, this.assetUrls, this.year),
			section: crossSection(resolved, shown)
		};
	}

	private find(wish: PageWish, shown: CheckedSite): Page | undefined {
		const pages = pagesOf(shown.site);
		return pages.find((page) => layerName(page) === wish.page);
	}

	private problemView(problem: Problem): ProblemView {
		const { severity, code, span } = problem;
		const text = this.files.texts.get(span.file) ?? '';
		const place = { ...span, ...positionAt(text, span.from) };
		const mend = this.mendView(problem);
		return { severity, code, sentence: sentenceOf(problem), ...place, ...(mend && { mend }) };
	}

	private mendView(problem: Problem): MendView | undefined {
		if (problem.mend) return { kind: 'text', ...problem.mend };
		const wish = this.latest && mendOf(problem, this.latest);
		return wish && { kind: 'wish', label: labelOf(wish), wish };
	}
}

function usable(files: SiteFiles): SiteFiles {
	refuseUnusable(files);
	return files;
}

function refusal(failure: unknown): TakenIn {
	if (failure instanceof IntakeError) return { refused: failure.message };
	throw failure;
}

function zipBlob(files: Iterable<DeliveredFile>): Blob {
	const named = function* (): Generator<readonly [string, string | Uint8Array]> {
		for (const { path, content } of files) yield [path, content];
	};
	const parts = packZip(named()).map((part) => new Uint8Array(part));
	return new Blob(parts, { type: 'application/zip' });
}

function sameChanges(a: readonly Change[], b: readonly Change[]): boolean {
	return JSON.stringify(a) === JSON.stringify(b);
}
