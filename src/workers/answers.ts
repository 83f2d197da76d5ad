import {
	deliverPage,
	packSource,
	packZip,
	sheetsOf,
	type DeliveredFile
} from '$core/emit/delivery.ts';
import { closedPages } from '$core/emit/access-file.ts';
import { handOver, plainHandOver, type HandOver } from '$core/emit/hand-over.ts';
import type { TracedPage } from '$core/emit/html/marks.ts';
import { leadsToFolders, pageFile } from '$core/emit/paths.ts';
import { outputOf, sourceOf, traceOutput, traceSource } from '$core/emit/html/trace.ts';
import { type Trace } from '$core/model/trace.ts';
import { piecesIn, type PieceView } from '$core/edit/pieces/pieces.ts';
import { mendOf } from '$core/check/mend.ts';
import { labelOf } from '$core/edit/commands.ts';
import { underChoices, type UnderChoice } from '$core/edit/layers/under-choices.ts';
import {
	type SizedRef,
	type HolderRef,
	type LayerRef,
	type PieceRef
} from '$core/model/command.ts';
import { CommandRefused, type Refusal } from '$core/edit/proposal.ts';
import { boxView, type BoxView } from '$core/view-models/box-view.ts';
import { hasErrors, type Problem, sentenceOf } from '$core/messages/problem.ts';
import type { SiteFiles } from '$core/model/files.ts';
import { canonicalPath } from '$core/model/address.ts';
import { layerName, layersOf, type Page, pagesOf } from '$core/model/site.ts';
import { placeWords, positionAt, type Span } from '$core/model/span.ts';
import { encodeUtf8 } from '$core/lib/utf8.ts';
import { between } from '$core/resolve/between.ts';
import { nearestState } from '$core/resolve/structure.ts';
import { dataAt, routeFor, type PageInstance } from '$core/resolve/instance.ts';
import { activeMarkup, type ActiveMarkup } from '$core/resolve/content/active.ts';
import { deliveryProblems } from '$core/check/delivery.ts';
import { type CheckedSite } from '$core/check/site.ts';
import { placeAfter, placeBefore, type Change } from '$core/source/change.ts';
import { complete, type KnownNames } from '$core/source/complete.ts';
import type {
	BetweenView,
	ActiveView,
	DeliveredView,
	DeliveryView,
	OutputFile,
	PageRequest,
	PlaceView,
	MendView,
	ProblemView,
	Stretch
} from './messages.ts';
import { findable, type Findable } from '$core/view-models/findable.ts';
import {
	layerView,
	siteWordsView,
	type LayerView,
	type SiteWordsView
} from '$core/view-models/layer-view.ts';
import { kindOfValue, textOf } from '$core/resolve/content/values.ts';
import { completeTag, ownerAt, type TagCompletion } from '$core/view-models/complete-tag.ts';
import { valueUses } from '$core/view-models/material/value-uses.ts';
import { dataViews, type DataView } from '$core/view-models/material/data-view.ts';
import { partStarts, type PartStart } from '$core/edit/content/make-part.ts';
import { seenAs } from '$core/resolve/site.ts';
import { WrittenPage } from '$core/check/subject/written-page.ts';
import {
	writtenWords,
	type ShownWords,
	type WrittenWords
} from '$core/view-models/written-words.ts';
import { accessCsv, accessTable, type AccessTable } from '$core/view-models/access.ts';
import { materialView, type MaterialView } from '$core/view-models/material/material-view.ts';

/**
 * What can be asked of the open site, by whoever draws it: plain data only. While the text has errors,
 * what is drawn is its last state without, and places are those of the text as it is now.
 */
export class Answers {
	protected files: SiteFiles = { texts: new Map(), assets: new Map() };
	/** The site as the text is now. */
	protected latest: CheckedSite | undefined;
	/** Its last state without errors. */
	protected good: CheckedSite | undefined;
	/** What the text was changed by since then. */
	protected since: Change[] = [];

	constructor(protected readonly year: number) {}

	/** The page that serves an address; where no route does, the nearest state for a missing page. */
	pageAt(address: string): (PageRequest & { readonly missing: boolean }) | undefined {
		const { shown } = this;
		if (!shown) return undefined;
		const route = routeFor(shown.site.routes, address);
		if (route) return { page: layerName(route), address: canonicalPath(address), missing: false };
		const state = nearestState(shown.site, address, 'not-found');
		return state && { page: layerName(state), address: undefined, missing: true };
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
	boxView(ref: SizedRef, width: number): BoxView | undefined {
		const { shown } = this;
		return shown && unlessRefused(() => boxView(shown, ref, width));
	}

	/** The pieces that stand somewhere, with their markup as it is written. */
	piecesIn(holder: HolderRef): PieceView[] {
		return this.latest ? piecesIn(this.latest, holder) : [];
	}

	/** Where a box of the page is written. */
	placeOf(trace: Trace): PlaceView | undefined {
		const drawn = this.shown && sourceOf(this.shown, trace);
		return drawn && this.placeView(drawn);
	}

	/** Where words of the page on the stage are written, or why they are written nowhere as they stand there. */
	wordsAt(request: PageRequest, shown: ShownWords): WrittenWords | Refusal {
		const instance = this.instanceFor(request);
		const text = this.shown && seenAs(this.shown, request);
		if (!instance || !text) return { kind: 'refused', sentence: 'The page is not there any more.' };
		try {
			const found = writtenWords(new WrittenPage(instance, text, this.year), shown);
			return { ...found, place: this.inTextNow(found.place) };
		} catch (reason) {
			if (!(reason instanceof CommandRefused)) throw reason;
			const { message: sentence, at } = reason;
			return { kind: 'refused', sentence, ...(at && { at: this.inTextNow(at) }) };
		}
	}

	private inTextNow(drawn: Span): Span {
		return this.spanNow(drawn, this.files.texts.get(drawn.file) ?? '');
	}

	/** A place of the site that is drawn, in the text as it is now. */
	protected placeView(drawn: Span): PlaceView | undefined {
		const text = this.files.texts.get(drawn.file);
		if (text === undefined) return undefined;
		const { file, from: at } = this.spanNow(drawn, text);
		return { file, at, line: positionAt(text, at).line };
	}

	/** The files that come out for a page. */
	output(request: PageRequest): OutputFile[] {
		const { shown } = this;
		const instance = this.instanceFor(request);
		if (!shown || !instance) return [];
		const { html } = deliverPage(instance, shown.as(request.role), this.year);
		return [
			{ path: pageFile(instance, shown.site.settings.urls), language: 'html', text: html },
			...sheetsOf(instance.page, shown).map(({ path, css }): OutputFile => {
				return { path, language: 'css', text: css };
			})
		];
	}

	protected instanceFor(request: PageRequest): PageInstance | undefined {
		const { shown } = this;
		const page = shown && this.find(request, shown);
		const instances = page && shown ? shown.instances(page) : [];
		return instances.find((one) => one.address === request.address) ?? instances[0];
	}

	private traced(request: PageRequest): TracedPage | undefined {
		const instance = this.instanceFor(request);
		return instance && this.shown && deliverPage(instance, this.shown.as(request.role), this.year);
	}

	/** Where the text at an offset shows in the HTML of a page. */
	traceToOutput(file: string, offset: number, request: PageRequest): Stretch | undefined {
		const drawn = placeBefore(file, offset, this.since);
		const trace = this.good && traceSource(this.good, file, drawn);
		const page = this.traced(request);
		return trace && page && outputOf(page, trace);
	}

	/** What the text at an offset is about, of the page that is drawn; undefined where it is about none of it. */
	traceOf(file: string, offset: number): Trace | undefined {
		const drawn = placeBefore(file, offset, this.since);
		return this.good && traceSource(this.good, file, drawn);
	}

	/** The text that made what stands at an offset of a page's HTML. */
	traceToSource(offset: number, request: PageRequest): Span | undefined {
		const page = this.traced(request);
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
		const text = this.files.texts.get(file) ?? '';
		const inTag = this.completeInText(file, text, offset);
		return inTag ?? complete(text, offset, names);
	}

	/** What can stand in a tag of a text, as of the site that is drawn. */
	private completeInText(file: string, text: string, offset: number): ReturnType<typeof complete> {
		const { shown } = this;
		const drawn = placeBefore(file, offset, this.since);
		const owner = shown && ownerAt(shown, file, drawn);
		if (!shown || !owner) return undefined;
		const now = placeAfter(file, owner.span.from, this.since);
		const before = text.slice(now, offset);
		// Only what stands in a block of markup, or in quotes, has tags.
		const inMarkup = before.split('"""').length % 2 === 0;
		const line = before.slice(before.lastIndexOf('\n') + 1);
		if (!inMarkup && line.split('"').length % 2 === 1) return undefined;
		const markup = inMarkup ? before.slice(before.lastIndexOf('"""') + 3) : line;
		const found = completeTag(markup, owner, shown, this.year);
		return found && { from: offset - found.back, options: [...found.options] };
	}

	/** What can be written at the end of some markup of a piece. */
	completeMarkup(holder: HolderRef, before: string): TagCompletion | undefined {
		const { shown } = this;
		const { kind, name } = holder.layer;
		const owner =
			shown && layersOf(shown.site).find((one) => one.kind === kind && layerName(one) === name);
		return shown && owner && completeTag(before, owner, shown, this.year);
	}

	/** The values of shared data that a piece shows, each with what it is now. */
	valuesIn(owner: string, piece: string): { readonly path: string; readonly says: string }[] {
		const { shown } = this;
		if (!shown) return [];
		const paths = valueUses(shown.site)
			.filter((use) => use.owner === owner && use.piece === piece)
			.map(({ path }) => path);
		return [...new Set(paths)].map((path) => {
			const words = path.split('.').map((word) => (word === '*' ? '0' : word));
			const value = dataAt(shown.site, words);
			return { path, says: textOf(value) ?? kindOfValue(value) };
		});
	}

	/** Names and sizes of everything that would be handed over, or what keeps it from that. */
	delivery(what: HandOver = plainHandOver): DeliveryView {
		const problems = this.deliveryProblems();
		const views: DeliveredView[] = [];
		// One file at a time: all of them at once may be more than there is room for.
		for (const { path, kind, content } of this.delivered(problems, what)) {
			const size = typeof content === 'string' ? encodeUtf8(content).length : content.length;
			views.push({ path, kind, size });
		}
		const active = this.latest ? activeMarkup(this.latest).map((one) => this.activeView(one)) : [];
		const closed = this.latest ? closedPages(this.latest).map(({ address }) => address) : [];
		const isFolders = this.latest && leadsToFolders(this.latest.site.settings);
		return {
			files: views,
			problems: problems.map((one) => this.problemView(one)),
			active,
			closed,
			links: isFolders ? 'folders' : 'files'
		};
	}

	/** The static site as a zip, with marks or without; undefined while there are errors. */
	siteZip(what: HandOver = plainHandOver): Blob | undefined {
		const problems = this.deliveryProblems();
		if (!this.latest || hasErrors(problems)) return undefined;
		return zipBlob(this.delivered(problems, what));
	}

	private deliveryProblems(): readonly Problem[] {
		return this.latest ? deliveryProblems(this.latest, this.year) : [];
	}

	private *delivered(problems: readonly Problem[], what: HandOver): Generator<DeliveredFile> {
		if (!this.latest || hasErrors(problems)) return;
		yield* handOver(this.latest, this.year, what);
	}

	private activeView({ what, layer, piece, span }: ActiveMarkup): ActiveView {
		const text = this.files.texts.get(span.file) ?? '';
		return { what, layer, piece, ...span, ...positionAt(text, span.from) };
	}

	sourceZip(): Blob {
		return new Blob([packSource(this.files)], { type: 'application/zip' });
	}

	protected get shown(): CheckedSite | undefined {
		return this.good ?? this.latest;
	}

	/** A place of the site that is drawn, in the text as it is now. */
	private spanNow({ file, from, to }: Span, text: string): Span {
		const now = (at: number): number => Math.min(placeAfter(file, at, this.since), text.length);
		return { file, from: now(from), to: now(to) };
	}

	protected find(request: PageRequest, shown: CheckedSite): Page | undefined {
		const pages = pagesOf(shown.site);
		return pages.find((page) => layerName(page) === request.page);
	}

	protected problemView(problem: Problem): ProblemView {
		const { severity, code, span } = problem;
		const text = this.files.texts.get(span.file) ?? '';
		const place = { ...span, ...positionAt(text, span.from) };
		const mend = this.mendView(problem);
		return { severity, code, sentence: sentenceOf(problem), ...place, ...(mend && { mend }) };
	}

	private mendView(problem: Problem): MendView | undefined {
		if (problem.mend) return { kind: 'text', ...problem.mend };
		const command = this.latest && mendOf(problem, this.latest);
		return command && { kind: 'command', label: labelOf(command), command };
	}

	/** What a layer says of itself; undefined where it is not there any more. */
	layerView(ref: LayerRef): LayerView | undefined {
		const { shown } = this;
		return shown && unlessRefused(() => layerView(shown, ref));
	}

	/** What the site says of itself. */
	siteWords(): SiteWordsView | undefined {
		return this.shown && siteWordsView(this.shown);
	}

	/** Tokens and files, with where each is used. */
	material(): MaterialView | undefined {
		return this.shown && materialView(this.shown);
	}

	/** Shared data, value by value. */
	data(): DataView[] {
		return this.shown ? dataViews(this.shown) : [];
	}

	/** What in a piece could become a part, and where else the same stands. */
	partStarts(piece: PieceRef): PartStart[] {
		const { latest } = this;
		return (latest && unlessRefused(() => partStarts(latest, piece))) ?? [];
	}

	/** Who may open what. */
	access(): AccessTable | undefined {
		return this.shown && accessTable(this.shown);
	}

	/** The same as comma-separated values. */
	accessCsv(): string {
		const { texts } = this.files;
		return this.shown ? accessCsv(accessTable(this.shown), (span) => placeWords(span, texts)) : '';
	}

	/** Everything that can be gone to by its name. */
	findable(): Findable[] {
		return this.shown ? findable(this.shown) : [];
	}
}

/** What there is to say; undefined where it is of something that is not there any more. */
function unlessRefused<T>(say: () => T): T | undefined {
	try {
		return say();
	} catch (failure) {
		if (failure instanceof CommandRefused) return undefined;
		throw failure;
	}
}

function zipBlob(files: Iterable<DeliveredFile>): Blob {
	const named = function* (): Generator<readonly [string, string | Uint8Array]> {
		for (const { path, content } of files) yield [path, content];
	};
	const parts = packZip(named()).map((part) => new Uint8Array(part));
	return new Blob(parts, { type: 'application/zip' });
}
