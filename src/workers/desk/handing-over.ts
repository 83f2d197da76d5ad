import {
	deliverPage,
	packSource,
	packZip,
	sheetsOf,
	type DeliveredFile
} from '$core/emit/delivery.ts';
import { closedPages } from '$core/emit/access-file.ts';
import { handOver, plainHandOver, type HandOver } from '$core/emit/hand-over.ts';
import { basePath, leadsToFolders, pageFile } from '$core/emit/paths.ts';
import { writeTokens } from '$core/design-tokens/write-tokens.ts';
import { tokenSheet } from '$core/emit/css/site-sheet.ts';
import { patchOf } from '$core/changes/patch.ts';
import type { SiteFiles } from '$core/model/files.ts';
import { handOverShells, type HandedFile } from '$core/shells/hand-over.ts';
import { hasErrors, type Problem } from '$core/messages/problem.ts';
import { positionAt } from '$core/model/span.ts';
import { encodeUtf8 } from '$core/lib/utf8.ts';
import { activeMarkup, type ActiveMarkup } from '$core/resolve/content/active.ts';
import { deliveryProblems } from '$core/check/delivery.ts';
import type {
	ActiveView,
	DeliveredView,
	DeliveryView,
	OutputFile,
	PageRequest
} from '../messages.ts';
import type { OpenSite } from './open-site.ts';

/** What is handed over. */
export class HandingOver {
	constructor(private readonly site: OpenSite) {}

	/** The files that come out for a page. */
	output(request: PageRequest): OutputFile[] {
		const { shown } = this.site;
		const instance = this.site.instanceFor(request);
		if (!shown || !instance) return [];
		const { html } = deliverPage(instance, shown.as(request.role), this.site.year);
		return [
			{ path: pageFile(instance, shown.site.settings.urls), language: 'html', text: html },
			...sheetsOf(instance.page, shown).map(({ path, css }): OutputFile => {
				return { path, language: 'css', text: css };
			})
		];
	}

	/** Names and sizes of everything that would be handed over, or what keeps it from that. */
	delivery(what: HandOver = plainHandOver): DeliveryView {
		const problems = this.deliveryProblems();
		const views: DeliveredView[] = [];
		// One file at a time: all of them at once may be more than there is room for.
		for (const { path, kind, content } of this.delivered(problems, what)) {
			views.push({ path, kind, size: sizeOf(content) });
		}
		const active = this.site.latest
			? activeMarkup(this.site.latest).map((one) => this.activeView(one))
			: [];
		const closed = this.site.latest
			? closedPages(this.site.latest).map(({ address }) => address)
			: [];
		const isFolders = this.site.latest && leadsToFolders(this.site.latest.site.settings);
		return {
			files: views,
			problems: problems.map((one) => this.site.problemView(one)),
			active,
			closed,
			links: isFolders ? 'folders' : 'files'
		};
	}

	/** The static site as a zip, with marks or without; undefined while there are errors. */
	siteZip(what: HandOver = plainHandOver): Blob | undefined {
		const problems = this.deliveryProblems();
		if (!this.site.latest || hasErrors(problems)) return undefined;
		return zipBlob(this.delivered(problems, what));
	}

	/** Names and sizes of the shells and what goes with them; nothing while there are errors. */
	shells(): DeliveredView[] {
		return this.handedShells().map(({ path, kind, content }) => ({
			path,
			kind,
			size: sizeOf(content)
		}));
	}

	/** The shells as a zip; undefined while there are errors. */
	shellsZip(): Blob | undefined {
		const files = this.handedShells();
		return files.length > 0 ? zipBlob(files) : undefined;
	}

	private handedShells(): HandedFile[] {
		const { latest } = this.site;
		if (!latest || hasErrors(this.deliveryProblems())) return [];
		return handOverShells(latest, basePath(latest.site.settings), this.site.year);
	}

	/** What the site's files differ in from how they were, as a patch; `after`: how they were later. */
	patch(
		before: SiteFiles,
		after?: SiteFiles
	): { readonly text: string; readonly leftOut: readonly string[] } {
		return patchOf(bytesOf(before), bytesOf(after ?? this.site.files));
	}

	/** The tokens as JSON, or as a sheet of custom properties. */
	tokens(form: 'json' | 'css'): Blob {
		const settings = this.site.shown?.site.settings;
		if (!settings) return new Blob([]);
		return form === 'json'
			? new Blob([writeTokens(settings)], { type: 'application/json' })
			: new Blob([tokenSheet(settings)], { type: 'text/css' });
	}

	/** Names and sizes of the site's own files. */
	source(): DeliveredView[] {
		const { texts, assets } = this.site.files;
		const view = (kind: DeliveredView['kind']) => {
			return ([path, content]: readonly [string, string | Uint8Array]): DeliveredView => ({
				path,
				kind,
				size: sizeOf(content)
			});
		};
		return [...[...texts].map(view('text')), ...[...assets].map(view('asset'))];
	}

	sourceZip(): Blob {
		return new Blob([packSource(this.site.files)], { type: 'application/zip' });
	}

	private deliveryProblems(): readonly Problem[] {
		return this.site.latest ? deliveryProblems(this.site.latest, this.site.year) : [];
	}

	private *delivered(problems: readonly Problem[], what: HandOver): Generator<DeliveredFile> {
		if (!this.site.latest || hasErrors(problems)) return;
		yield* handOver(this.site.latest, this.site.year, what);
	}

	private activeView({ what, layer, piece, span }: ActiveMarkup): ActiveView {
		const text = this.site.files.texts.get(span.file) ?? '';
		return { what, layer, piece, ...span, ...positionAt(text, span.from) };
	}
}

function bytesOf({ texts, assets }: SiteFiles): ReadonlyMap<string, Uint8Array> {
	return new Map([
		...[...texts].map(([path, text]) => [path, encodeUtf8(text)] as const),
		...assets
	]);
}

function sizeOf(content: string | Uint8Array): number {
	return typeof content === 'string' ? encodeUtf8(content).length : content.length;
}

function zipBlob(files: Iterable<Pick<DeliveredFile, 'path' | 'content'>>): Blob {
	const named = function* (): Generator<readonly [string, string | Uint8Array]> {
		for (const { path, content } of files) yield [path, content];
	};
	const parts = packZip(named()).map((part) => new Uint8Array(part));
	return new Blob(parts, { type: 'application/zip' });
}
