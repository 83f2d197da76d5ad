import { leadFrom } from '$core/resolve/moved.ts';
import { mendOf } from '$core/check/mend.ts';
import { labelOf } from '$core/edit/commands.ts';
import type { Problem } from '$core/messages/problem.ts';
import { sentenceOf } from '$core/messages/sentence.ts';
import { textOf, type SiteFiles } from '$core/model/files.ts';
import { layerName, type Page, pagesOf } from '$core/model/site.ts';
import { positionAt, type Span } from '$core/model/span.ts';
import type { PageInstance } from '$core/resolve/instance.ts';
import type { CheckedSite } from '$core/check/checked-site.ts';
import { placeAfter, type Change } from '$core/source/change.ts';
import type { PageRequest, PlaceView, MendView, ProblemView } from '../messages.ts';
import { seenAs, type ResolvedSite } from '$core/resolve/site.ts';
import { type Prepared, prepare } from '$core/edit/propose.ts';
import type { Command } from '$core/model/command.ts';
import { AssetUrls } from '../asset-urls.ts';

/**
 * The open site as it is now, which all that is asked of it looks at. While the text has errors, what is drawn is its
 * last state without, and places are those of the text as it is now. Only the desk changes it.
 */
export class OpenSite {
	readonly assetUrls = new AssetUrls();
	files: SiteFiles = { texts: new Map(), assets: new Map() };
	/** The site as the text is now. */
	latest: CheckedSite | undefined;
	/** Its last state without errors. */
	good: CheckedSite | undefined;
	/** What the text was changed by since then. */
	since: Change[] = [];
	/** The command that was looked at last, ready to be made. */
	private prepared: { before: CheckedSite; key: string; made: Prepared } | undefined;

	constructor(readonly year: number) {}

	/** What is drawn. */
	get shown(): CheckedSite | undefined {
		return this.good ?? this.latest;
	}

	/** A page of the site by its name. */
	find(request: PageRequest, shown: CheckedSite): Page | undefined {
		return pageCalled(request.page, shown);
	}

	/** A page that is drawn, at its address; at its first where that is not one of it. */
	instanceFor(request: PageRequest): PageInstance | undefined {
		const { shown } = this;
		const page = shown && this.find(request, shown);
		const instances = page && shown ? shown.instances(page) : [];
		return instances.find((one) => one.address === request.address) ?? instances[0];
	}

	/** Does something with a page that is drawn, as it is seen; undefined where it is not there. */
	settled<T>(
		request: PageRequest,
		settle: (instance: PageInstance, seen: ResolvedSite) => T
	): T | undefined {
		return this.shown && settledIn(this.shown, request, settle);
	}

	/** A command prepared, worked out once as long as the site is the same. */
	prepareOnce(command: Command): Prepared {
		const before = this.latest;
		if (!before) {
			return { proposal: { kind: 'refused', sentence: 'No site is open.' }, after: undefined };
		}
		// Files come with other commands than those that are looked at again and again.
		const hasFiles = command.kind === 'put-file' || command.kind === 'add-made';
		const key = hasFiles ? '' : JSON.stringify(command);
		if (key !== '' && this.prepared?.before === before && this.prepared.key === key) {
			return this.prepared.made;
		}
		const made = prepare(before, command);
		this.prepared = { before, key, made };
		return made;
	}

	/** Forgets what was made ready: the site is another one now. */
	forgetPrepared(): void {
		this.prepared = undefined;
	}

	takeFiles(files: SiteFiles): void {
		if (files.assets !== this.files.assets) this.assetUrls.changeTo(files.assets);
		this.files = files;
	}

	/** A place of the site that is drawn, in the text as it is now. */
	placeView(drawn: Span): PlaceView | undefined {
		const text = textOf(this.files, drawn.file);
		if (text === undefined) return undefined;
		const { file, from: at } = this.spanNow(drawn, text);
		return { file, at, line: positionAt(text, at).line };
	}

	/** The same as a stretch of the text. */
	inTextNow(drawn: Span): Span {
		return this.spanNow(drawn, textOf(this.files, drawn.file) ?? '');
	}

	private spanNow({ file, from, to }: Span, text: string): Span {
		const now = (at: number): number => Math.min(placeAfter(file, at, this.since), text.length);
		return { file, from: now(from), to: now(to) };
	}

	/** A problem with its place spelled out. */
	problemView(problem: Problem): ProblemView {
		const { severity, code, span } = problem;
		const text = textOf(this.files, span.file) ?? '';
		const place = { ...span, ...positionAt(text, span.from) };
		const mend = this.mendView(problem);
		return { severity, code, sentence: sentenceOf(problem), ...place, ...(mend && { mend }) };
	}

	private mendView(problem: Problem): MendView | undefined {
		if (problem.mend) return { kind: 'text', ...problem.mend };
		const command = this.latest && mendOf(problem, this.latest);
		return command && { kind: 'command', label: labelOf(command), command };
	}
}

/** Does something with a page of a site, as it is seen; undefined where it is not there. */
export function settledIn<T>(
	site: ResolvedSite,
	request: PageRequest,
	settle: (instance: PageInstance, seen: ResolvedSite) => T
): T | undefined {
	const page = pageCalled(request.page, site);
	if (!page) return undefined;
	const seen = seenAs(site, request);
	const instances = seen.instances(page);
	const instance = instances.find((one) => one.address === request.address) ?? instances[0];
	return instance && settle(instance, seen);
}

/** A page by its name, or by an address at which it was once: links to it stay good. */
function pageCalled(name: string, { site }: ResolvedSite): Page | undefined {
	return pagesOf(site).find((one) => layerName(one) === name) ?? leadFrom(site.routes, name)?.route;
}
