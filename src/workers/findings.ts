import { allowWords, couldAllow } from '$core/check/allowances.ts';
import { loadLibraries, markupJudge } from '$core/check/libraries.ts';
import { isSafe, mendOf } from '$core/check/mend.ts';
import type { CheckedSite } from '$core/check/checked-site.ts';
import { labelOf } from '$core/edit/commands.ts';
import { aboutOf } from '$core/findings/about.ts';
import type { Finding, FoundOn } from '$core/findings/finding.ts';
import {
	LookingOver,
	type Findings,
	type MeasuredBoxes,
	type SetAside
} from '$core/findings/look-over.ts';
import { severities, type Severity } from '$core/messages/severity.ts';
import { reasonOf } from '$core/messages/wording.ts';
import { sentenceOf } from '$core/messages/sentence.ts';
import type { SiteFiles } from '$core/model/files.ts';
import { layerName, pagesOf, type Allowance, type Page } from '$core/model/site.ts';
import { positionOf } from '$core/model/span.ts';
import type { AllowRef, Command } from '$core/model/command.ts';
import type { MeasuredCount } from './measuring-queue.ts';
import type { ProblemView } from './messages.ts';

/** A finding with its place spelled out, as the application shows it. */
export interface FindingView extends Omit<ProblemView, 'mend'> {
	readonly cause: string;
	/** The first pages that have it, and how many do. */
	readonly on: readonly FoundOn[];
	readonly pages: number;
	readonly estimated: boolean;
	/** The cause of the finding that explains it. */
	readonly because: string | undefined;
	readonly mend:
		{ readonly label: string; readonly command: Command; readonly safe: boolean } | undefined;
	/** What could set it aside, the nearest first; none for errors. */
	readonly allowIn: readonly AllowRef[];
}

/** What is set aside, with the reason. */
export interface AsideView {
	readonly code: string;
	readonly reason: string;
	readonly where: string;
	readonly in: AllowRef;
	readonly file: string;
	readonly from: number;
	readonly line: number;
	readonly sentences: readonly string[];
}

/** What a kind of finding is about. */
export interface AboutView {
	readonly what: string;
	readonly why: string;
}

export interface FindingsView {
	readonly findings: readonly FindingView[];
	/** Of each kind, also of those that are too many to be listed. */
	readonly counts: Readonly<Record<string, number>>;
	/** How many errors, warnings and hints there are that rest on no guess. */
	readonly sure: readonly [number, number, number];
	/** How much there is on each page that rests on no guess: errors, warnings and hints. */
	readonly onPages: Readonly<Record<string, readonly [number, number, number]>>;
	readonly aside: readonly AsideView[];
	readonly about: Readonly<Record<string, AboutView>>;
}

/** How far looking over the site has got, and what was found since it was asked last. */
export interface FindingsStep {
	readonly gone: number;
	readonly total: number;
	readonly done: boolean;
	/** All that was found, once all has been looked at. */
	readonly all: FindingsView | undefined;
	/** What was found on the pages in sight, as soon as they have been looked at. */
	readonly near: FindingsView | undefined;
	/** How many pages have been measured, so that nothing of them rests on guesses. */
	readonly measured: MeasuredCount | undefined;
}

/** ms for which nothing else is answered. */
const mostAtOnce = 12;
/** More of one kind than anyone goes through; what else there is, is counted. */
const mostOfKind = 200;
/** Pages that are named with a finding. */
const mostNamed = 40;

/** Looks over the open site, a little at a time, and again what an edit touched. */
export class FindingsWork {
	private readonly over: LookingOver;
	private going:
		| {
				readonly site: CheckedSite;
				readonly steps: ReturnType<LookingOver['over']>;
				/** Pages that come first, as one word. */
				readonly first: string;
				gone: number;
				found: Findings | undefined;
				all: FindingsView | undefined;
				/** What has been told: of which pages in sight, and all of it. */
				toldNear: string;
				toldAll: boolean;
		  }
		| undefined;
	private stale = false;
	private failure: string | undefined;

	constructor(year: number, measured: MeasuredBoxes) {
		this.over = new LookingOver(year, measured);
	}

	/** A page was measured, so what rests on guesses there is looked at again. */
	measuredNow(page: string, address: string): void {
		this.over.measuredNow(page, address);
		this.stale = true;
	}

	/** The rules of HTML come when they are first asked for; where they cannot be had, it is said. */
	private awaitJudge(): void {
		const { failure } = this;
		this.failure = undefined;
		if (failure !== undefined) throw new Error(failure);
		void loadLibraries().catch((reason: unknown) => {
			this.failure = `The rules of HTML and of languages could not be loaded: ${reasonOf(reason)}`;
		});
	}

	/** How many findings of a kind a page has. */
	countOn(site: CheckedSite, code: string, page: string): number {
		return this.over.on(site, [page]).findings.filter(({ problem }) => problem.code === code)
			.length;
	}

	/** Goes on for a while; `near` names pages that are in sight, which come first. */
	step(
		site: CheckedSite,
		files: SiteFiles,
		near: readonly string[]
	): Omit<FindingsStep, 'measured'> {
		const pages = site.site.routes.length + site.site.states.length;
		if (!markupJudge()) {
			this.awaitJudge();
			return { gone: 0, total: pages, done: false, all: undefined, near: undefined };
		}
		let { going } = this;
		if (going?.site !== site || this.stale) {
			this.stale = false;
			const steps = this.over.over(site, near);
			const first = near.join('\n');
			const told = { toldNear: '', toldAll: false };
			going = this.going = {
				site,
				steps,
				first,
				gone: 0,
				found: undefined,
				all: undefined,
				...told
			};
		}
		const until = performance.now() + mostAtOnce;
		const word = near.join('\n');
		const isWaiting = going.toldNear !== word;
		while (!going.all) {
			// What was found is put into words in a turn of its own.
			if (going.found) going.all = viewOf(going.found, site, files);
			const step = going.found ? undefined : going.steps.next();
			if (step?.done) going.found = step.value;
			else if (step) going.gone = step.value.gone;
			if (going.found && !going.all) break;
			if (isWaiting && word === going.first && going.gone >= near.length) break;
			if (performance.now() > until) break;
		}
		const { gone, all, first } = going;
		const total = pages;
		const isNear = isWaiting && (all !== undefined || (word === first && gone >= near.length));
		const found = isNear ? viewOf(this.over.on(site, near), site, files) : undefined;
		if (isNear) going.toldNear = word;
		const news = going.toldAll ? undefined : all;
		if (all) going.toldAll = true;
		return { gone, total, done: all !== undefined, all: news, near: found };
	}
}

function viewOf({ findings, aside }: Findings, site: CheckedSite, files: SiteFiles): FindingsView {
	const counts: Record<string, number> = {};
	const listed: FindingView[] = [];
	for (const finding of findings) {
		const { code } = finding.problem;
		const count = (counts[code] = (counts[code] ?? 0) + 1);
		if (count <= mostOfKind) listed.push(findingView(finding, site, files));
	}
	const about: Record<string, AboutView> = {};
	for (const code of Object.keys(counts)) {
		const known = aboutOf(code);
		if (known) about[code] = { what: known.what, why: known.why };
	}
	return {
		findings: listed,
		counts,
		sure: sureOf(findings),
		onPages: countsOnPages(findings, site),
		aside: asideViews(aside, files),
		about
	};
}

function sureOf(findings: readonly Finding[]): [number, number, number] {
	const count = (severity: Severity): number =>
		findings.filter(({ problem, estimated }) => !estimated && problem.severity === severity).length;
	return [count('error'), count('warning'), count('hint')];
}

/** Of what is about the text alone, the page counts in whose text it stands. */
function countsOnPages(
	findings: readonly Finding[],
	{ site }: CheckedSite
): Record<string, readonly [number, number, number]> {
	const counts: Record<string, [number, number, number]> = {};
	const pages = new Map<string, Page[]>();
	for (const page of pagesOf(site)) {
		const list = pages.get(page.span.file);
		if (list) list.push(page);
		else pages.set(page.span.file, [page]);
	}
	for (const { problem, on, estimated } of findings) {
		if (estimated) continue;
		const { file, from } = problem.span;
		const written = pages.get(file)?.find(({ span }) => span.from <= from && from < span.to);
		const names = new Set(on.map(({ page }) => page));
		if (written) names.add(layerName(written));
		const place = severities.indexOf(problem.severity);
		for (const name of names) {
			const count = (counts[name] ??= [0, 0, 0]);
			count[place] = (count[place] ?? 0) + 1;
		}
	}
	return counts;
}

function findingView(finding: Finding, site: CheckedSite, files: SiteFiles): FindingView {
	const { cause, problem, on, estimated, because } = finding;
	const { severity, code, span } = problem;
	const command = mendOf(problem, site);
	return {
		cause,
		severity,
		code,
		sentence: sentenceOf(problem),
		...span,
		...positionOf(span, files.texts),
		on: on.slice(0, mostNamed),
		pages: on.length,
		estimated,
		because,
		mend: command && { label: labelOf(command), command, safe: isSafe(problem, site) },
		allowIn: couldAllow(
			problem,
			on.map(({ page }) => page),
			site.site
		)
	};
}

function asideViews(aside: readonly SetAside[], files: SiteFiles): AsideView[] {
	const sentences = new Map<Allowance, { one: SetAside; sentences: string[] }>();
	for (const one of aside) {
		const known = sentences.get(one.allowance);
		const sentence = sentenceOf(one.finding.problem);
		if (known) known.sentences.push(sentence);
		else sentences.set(one.allowance, { one, sentences: [sentence] });
	}
	return [...sentences].map(([{ code, reason, span }, { one, sentences: told }]): AsideView => {
		const { line } = positionOf(span, files.texts);
		return {
			code: code.text,
			reason: reason.text,
			where: allowWords(one.in),
			in: one.in,
			file: span.file,
			from: span.from,
			line,
			sentences: told
		};
	});
}
