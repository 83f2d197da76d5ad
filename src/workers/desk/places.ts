import { textOf } from '$core/model/files.ts';
import { deliverPage } from '$core/emit/delivery.ts';
import type { TracedPage } from '$core/emit/html/marks.ts';
import { outputOf, sourceOf, traceOutput, traceSource } from '$core/emit/html/trace.ts';
import type { Trace } from '$core/model/trace.ts';
import type { HolderRef } from '$core/model/command.ts';
import { CommandRefused, type Refusal } from '$core/edit/proposal.ts';
import { layerName, layersOf } from '$core/model/site.ts';
import type { Span } from '$core/model/span.ts';
import { placeAfter, placeBefore } from '$core/source/change.ts';
import { complete, type KnownNames } from '$core/source/complete.ts';
import type { PageRequest, PlaceView, Stretch } from '../messages.ts';
import { completeTag, ownerAt, type TagCompletion } from '$core/view-models/markup/complete-tag.ts';
import { seenAs } from '$core/resolve/site.ts';
import { WrittenPage } from '$core/check/subject/written-page.ts';
import {
	writtenWords,
	type ShownWords,
	type WrittenWords
} from '$core/view-models/markup/written-words.ts';
import { roomOf, type PieceOnPage, type RoomLine } from '$core/pictures/box-widths.ts';
import { asPicture, type Picture } from '$core/pictures/picture.ts';
import { pictureFile } from '$core/pictures/picture-files.ts';
import { keepingRule, type KeepingRule } from '$core/pictures/kept-within.ts';
import {
	picturePlace,
	placeAtEnd,
	type PicturePlace,
	type PointedAt
} from '$core/pictures/picture-place.ts';
import type { InScope } from '$core/view-models/markup/in-scope.ts';
import {
	outlineView,
	scopeAt,
	type OutlineAsked,
	type OutlineView
} from '$core/view-models/markup/outline-view.ts';
import type { OpenSite } from './open-site.ts';

/** Files that may be sizes of one picture: those of the site by their paths, others with their bytes. */
export type PicturesSeen = readonly {
	readonly path: string;
	readonly bytes: Uint8Array | undefined;
}[];

/** A picture and the place that it is to have. */
export interface PictureAt extends PicturePlace {
	readonly picture: Picture;
	readonly room: readonly RoomLine[];
	/** What it needs so that it is no wider than its place; undefined where a style says so already. */
	readonly rule: KeepingRule | undefined;
}

const pageGone: Refusal = { kind: 'refused', sentence: 'The page is not there any more.' };

/** Where what is drawn is written, the other way round, and what can be written at a place. */
export class Places {
	constructor(private readonly site: OpenSite) {}

	/** Where a box of the page is written. */
	placeOf(trace: Trace): PlaceView | undefined {
		const drawn = this.site.shown && sourceOf(this.site.shown, trace);
		return drawn && this.site.placeView(drawn);
	}

	/** Where words of the page on the stage are written, or why they are written nowhere as they stand there. */
	wordsAt(request: PageRequest, shown: ShownWords): WrittenWords | Refusal {
		const page = this.writtenPage(request);
		if (!page) return pageGone;
		return this.orRefused(() => {
			const found = writtenWords(page, shown);
			return { ...found, place: this.site.inTextNow(found.place) };
		});
	}

	/**
	 * Where a picture is written that is let go on the page on the stage, or stands at the end of a piece of it, the room
	 * that it has there at every width, and what its files are.
	 */
	pictureAt(
		request: PageRequest,
		at: PointedAt | PieceOnPage,
		files: PicturesSeen
	): PictureAt | Refusal {
		const page = this.writtenPage(request);
		if (!page) return pageGone;
		return this.orRefused(() => {
			const found = 'element' in at ? picturePlace(page, at) : placeAtEnd(page, at);
			const known = files.map(({ path, bytes }) => {
				const own = bytes ?? this.site.files.assets.get(path);
				return own && pictureFile(path, own);
			});
			const picture = asPicture(known.filter((one) => one !== undefined));
			if ('refused' in picture) throw new CommandRefused(picture.refused);
			const room = roomOf(page.instance, page.resolved, page.year, found.on);
			const rule = keepingRule(page, found.on.owner);
			return { ...found, place: this.site.inTextNow(found.place), picture, room, rule };
		});
	}

	/** What stands in some markup that the page on the stage shows. */
	outline(request: PageRequest, asked: OutlineAsked): OutlineView | undefined {
		const page = this.writtenPage(request);
		const found = page && this.orRefused(() => outlineView(page, asked));
		return found && 'kind' in found ? undefined : found;
	}

	/** Lists and values with a name at an offset of some markup. */
	scopeAt(request: PageRequest, asked: OutlineAsked, offset: number): InScope {
		const page = this.writtenPage(request);
		const found = page && this.orRefused(() => scopeAt(page, asked, offset));
		return found && !('kind' in found) ? found : { lists: [], values: [] };
	}

	/** The page on the stage, with the way back to the text. */
	private writtenPage(request: PageRequest): WrittenPage | undefined {
		const instance = this.site.instanceFor(request);
		const text = this.site.shown && seenAs(this.site.shown, request);
		return instance && text && new WrittenPage(instance, text, this.site.year);
	}

	private orRefused<T>(find: () => T): T | Refusal {
		try {
			return find();
		} catch (reason) {
			if (!(reason instanceof CommandRefused)) throw reason;
			const { message: sentence, at } = reason;
			return { kind: 'refused', sentence, ...(at && { at: this.site.inTextNow(at) }) };
		}
	}

	private traced(request: PageRequest): TracedPage | undefined {
		const instance = this.site.instanceFor(request);
		return (
			instance &&
			this.site.shown &&
			deliverPage(instance, this.site.shown.as(request.role), this.site.year)
		);
	}

	/** Where the text at an offset shows in the HTML of a page. */
	traceToOutput(file: string, offset: number, request: PageRequest): Stretch | undefined {
		const drawn = placeBefore(file, offset, this.site.since);
		const trace = this.site.good && traceSource(this.site.good, file, drawn);
		const page = this.traced(request);
		return trace && page && outputOf(page, trace);
	}

	/** What the text at an offset is about, of the page that is drawn; undefined where it is about none of it. */
	traceOf(file: string, offset: number): Trace | undefined {
		const drawn = placeBefore(file, offset, this.site.since);
		return this.site.good && traceSource(this.site.good, file, drawn);
	}

	/** The text that made what stands at an offset of a page's HTML. */
	traceToSource(offset: number, request: PageRequest): Span | undefined {
		const page = this.traced(request);
		const trace = page && traceOutput(page, offset);
		const span = trace && this.site.good && sourceOf(this.site.good, trace);
		return span && textOf(this.site.files, span.file) !== undefined
			? this.site.inTextNow(span)
			: undefined;
	}

	/** What can be written at a place of the text. */
	complete(file: string, offset: number): ReturnType<typeof complete> {
		const site = this.site.shown?.site;
		const names: KnownNames = {
			layouts: site?.layouts.map((layout) => layout.name.text) ?? [],
			regions: [
				...new Set(site?.layouts.flatMap((one) => one.regions.map((region) => region.name.text)))
			],
			routes: site?.routes.map((route) => route.pattern.text) ?? [],
			data: [...(site?.values.keys() ?? [])]
		};
		const text = textOf(this.site.files, file) ?? '';
		const inTag = this.completeInText(file, text, offset);
		return inTag ?? complete(text, offset, names);
	}

	/** What can stand in a tag of a text, as of the site that is drawn. */
	private completeInText(file: string, text: string, offset: number): ReturnType<typeof complete> {
		const { shown } = this.site;
		const drawn = placeBefore(file, offset, this.site.since);
		const owner = shown && ownerAt(shown, file, drawn);
		if (!shown || !owner) return undefined;
		const now = placeAfter(file, owner.span.from, this.site.since);
		const before = text.slice(now, offset);
		// Only what stands in a block of markup, or in quotes, has tags.
		const inMarkup = before.split('"""').length % 2 === 0;
		const line = before.slice(before.lastIndexOf('\n') + 1);
		if (!inMarkup && line.split('"').length % 2 === 1) return undefined;
		const markup = inMarkup ? before.slice(before.lastIndexOf('"""') + 3) : line;
		const found = completeTag(markup, owner, shown, this.site.year);
		return found && { from: offset - found.back, options: [...found.options] };
	}

	/** What can be written at the end of some markup of a piece. */
	completeMarkup(holder: HolderRef, before: string): TagCompletion | undefined {
		const { shown } = this.site;
		const { kind, name } = holder.layer;
		const owner =
			shown && layersOf(shown.site).find((one) => one.kind === kind && layerName(one) === name);
		return shown && owner && completeTag(before, owner, shown, this.site.year);
	}
}
