import { piecesIn, type PieceView } from '$core/edit/pieces/piece-view.ts';
import { underChoices, type UnderChoice } from '$core/edit/layers/under-choices.ts';
import type { ArrangedRef, SizedRef, HolderRef, LayerRef, PieceRef } from '$core/model/command.ts';
import { CommandRefused } from '$core/edit/proposal.ts';
import { boxView, type BoxView } from '$core/view-models/chosen/box-view.ts';
import { alikePieces } from '$core/view-models/chosen/alike-pieces.ts';
import { manyLayers, type ManyLayers } from '$core/view-models/chosen/many-layers.ts';
import { manyView, type ManyView } from '$core/view-models/chosen/many-view.ts';
import { canonicalPath } from '$core/model/address.ts';
import { layerName } from '$core/model/site.ts';
import { placeWords } from '$core/model/span.ts';
import { between } from '$core/resolve/between.ts';
import { nearestState } from '$core/resolve/structure.ts';
import { dataAt, routeFor } from '$core/resolve/instance.ts';
import type { BetweenView, PageRequest } from '../messages.ts';
import { documentView, type DocumentView } from '$core/view-models/chosen/document-view.ts';
import { findable, type Findable } from '$core/view-models/words/findable.ts';
import {
	layerView,
	siteWordsView,
	type LayerView,
	type SiteWordsView
} from '$core/view-models/chosen/layer-view.ts';
import { kindOfValue, textOf } from '$core/resolve/content/values.ts';
import { valueUses } from '$core/resolve/content/value-uses.ts';
import { dataViews, type DataView } from '$core/view-models/material/data-view.ts';
import { partStarts } from '$core/edit/content/make-part.ts';
import type { PartStart } from '$core/edit/content/part-start.ts';
import { fillableElements, type FillableElement } from '$core/view-models/markup/from-data.ts';
import { accessCsv, accessTable, type AccessTable } from '$core/view-models/access.ts';
import { leadFrom } from '$core/resolve/moved.ts';
import { materialView, type MaterialView } from '$core/view-models/material/material-view.ts';
import { partViews, type PartView } from '$core/view-models/material/part-view.ts';
import type { OpenSite } from './open-site.ts';

/** What is there to say of the site, its layers and boxes. */
export class Answers {
	constructor(private readonly site: OpenSite) {}

	/** The page that serves an address; where no route does, the nearest state for a missing page. */
	pageAt(address: string): (PageRequest & { readonly missing: boolean }) | undefined {
		const { shown } = this.site;
		if (!shown) return undefined;
		const { routes } = shown.site;
		const now = routeFor(routes, address) ? address : leadFrom(routes, address)?.address;
		const route = now === undefined ? undefined : routeFor(routes, now);
		if (route && now !== undefined)
			return { page: layerName(route), address: canonicalPath(now), missing: false };
		const state = nearestState(shown.site, address, 'not-found');
		return state && { page: layerName(state), address: undefined, missing: true };
	}

	/** What a page or layout could sit under. */
	underChoices(ref: LayerRef): UnderChoice[] {
		return this.site.shown ? underChoices(this.site.shown, ref) : [];
	}

	/** What stays and what is thrown away when a visitor goes from one page to another. */
	between(from: string, to: string): BetweenView | undefined {
		const { shown } = this.site;
		const pages = [from, to].map(
			(page) => shown && this.site.find({ page, address: undefined }, shown)
		);
		const [one, other] = pages;
		if (!shown || !one || !other) return undefined;
		const { stays, goes, comes, regions } = between(shown.page(one), shown.page(other));
		const names = (layouts: typeof stays): string[] => layouts.map((layout) => layout.name.text);
		return { stays: names(stays), goes: names(goes), comes: names(comes), regions };
	}

	/** What there is to say about a box's sizes; undefined where it is not there any more. */
	boxView(ref: ArrangedRef, width: number): BoxView | undefined {
		const { shown } = this.site;
		return shown && unlessRefused(() => boxView(shown, ref, width));
	}

	/** The same about several; undefined where one of them is not there any more. */
	manyView(refs: readonly SizedRef[], width: number): ManyView | undefined {
		const { shown } = this.site;
		return shown && unlessRefused(() => manyView(shown, refs, width));
	}

	/** The pieces that stand somewhere, with their markup as it is written. */
	piecesIn(holder: HolderRef): PieceView[] {
		return this.site.latest ? piecesIn(this.site.latest, holder) : [];
	}

	/** The pieces that are like one but for their words. */
	alikePieces(piece: PieceRef): PieceRef[] {
		const { shown } = this.site;
		return (shown && unlessRefused(() => alikePieces(shown, piece))) ?? [];
	}

	/** What a layer says of itself; undefined where it is not there any more. */
	layerView(ref: LayerRef): LayerView | undefined {
		const { shown } = this.site;
		return shown && unlessRefused(() => layerView(shown, ref));
	}

	/** What a layer, or without one the site, says of the document around the body; undefined where it is not there any more. */
	documentView(ref: LayerRef | undefined): DocumentView | undefined {
		const { shown } = this.site;
		return shown && unlessRefused(() => documentView(shown, ref));
	}

	/** What several pages have in common; undefined where one of them is not there any more. */
	manyLayers(refs: readonly LayerRef[]): ManyLayers | undefined {
		const { shown } = this.site;
		return shown && unlessRefused(() => manyLayers(shown, refs));
	}

	/** What the site says of itself. */
	siteWords(): SiteWordsView | undefined {
		return this.site.shown && siteWordsView(this.site.shown);
	}

	/** Tokens and files, with where each is used. */
	material(): MaterialView | undefined {
		return this.site.shown && materialView(this.site.shown);
	}

	/** Shared data, value by value. */
	data(): DataView[] {
		return this.site.shown ? dataViews(this.site.shown) : [];
	}

	/** Every part, drawn as on a page that has it: `on` says which, by the part's name. */
	parts(on: ReadonlyMap<string, string>): PartView[] {
		const { shown, assetUrls, year } = this.site;
		return shown ? partViews(shown, assetUrls, year, on) : [];
	}

	/** The values of shared data that a piece shows, each with what it is now. */
	valuesIn(owner: string, piece: string): { readonly path: string; readonly says: string }[] {
		const { shown } = this.site;
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

	/** What in a piece could become a part, and where else the same stands. */
	partStarts(piece: PieceRef): PartStart[] {
		const { latest } = this.site;
		return (latest && unlessRefused(() => partStarts(latest, piece))) ?? [];
	}

	/** The elements of a piece that data can fill, with what is in scope at each. */
	fillable(piece: PieceRef): FillableElement[] {
		const { shown } = this.site;
		return (shown && unlessRefused(() => fillableElements(shown, piece, this.site.year))) ?? [];
	}

	/** Who may open what. */
	access(): AccessTable | undefined {
		return this.site.shown && accessTable(this.site.shown);
	}

	/** The same as comma-separated values. */
	accessCsv(): string {
		const { texts } = this.site.files;
		return this.site.shown
			? accessCsv(accessTable(this.site.shown), (span) => placeWords(span, texts))
			: '';
	}

	/** Everything that can be gone to by its name. */
	findable(): Findable[] {
		return this.site.shown ? findable(this.site.shown) : [];
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
