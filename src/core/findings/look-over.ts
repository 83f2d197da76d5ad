import { finished } from '../lib/finished.ts';
import type { AcrossCheck, FitCheck, PageCheck, WholeCheck } from '../check/check.ts';
import { Allowances, allowWords, type Allowing, type SeenOn } from '../check/allowances.ts';
import { checks } from '../check/list.ts';
import type { CheckedSite } from '../check/checked-site.ts';
import { factsOf, type PageFacts } from '../check/subject/page-facts.ts';
import { shownFaults, shownOccurrences, type ShownFault } from '../check/html/shown-faults.ts';
import { markupJudge } from '../check/libraries.ts';
import type { Occurrence } from '../check/subject/occurrence.ts';
import { WrittenPage } from '../check/subject/written-page.ts';
import { atEdge, hint, listProblems, type Problem } from '../messages/problem.ts';
import { Memory } from '../lib/memory.ts';
import { layerName, layerSpan, pagesOf, type Page, type Site } from '../model/site.ts';
import type { LaidBoxes } from '../laid/laid-boxes.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { Finding } from './finding.ts';
import { markupFound } from './markup-found.ts';
import { gather, type Seen } from './gather.ts';
import { fitsIn, GuessedFits, occurrencesOf } from './fits.ts';

/** Of a route that stands for many pages, as many are looked at. */
export const mostInstances = 50;

/** What is found on one page, and what it says of itself. */
interface PageFound {
	readonly facts: PageFacts[];
	readonly seen: Seen[];
}

/** The boxes of a page where its content has been measured at all widths; undefined where it has not. */
export type MeasuredBoxes = (
	instance: PageInstance,
	resolved: ResolvedSite
) => LaidBoxes | undefined;

/** How far it has got: pages of all pages. */
export interface LookedOver {
	readonly gone: number;
	readonly total: number;
}

/** Something that was found and is set aside, with the reason. */
export interface SetAside extends Allowing {
	readonly finding: Finding;
}

/** All that was found in a site. */
export interface Findings {
	readonly findings: readonly Finding[];
	readonly aside: readonly SetAside[];
	/** Every page was measured at all widths, so that what is not told is not there. */
	readonly measured: boolean;
}

const wholeChecks = checks.filter((check): check is WholeCheck => check.of === 'whole');
const pageChecks = checks.filter((check): check is PageCheck => check.of === 'page');
const acrossChecks = checks.filter((check): check is AcrossCheck => check.of === 'across');
const fitChecks = checks.filter((check): check is FitCheck => check.of === 'boxes');

/**
 * Goes over all pages of a site, and over those again that an edit touched. Everything else was found before, as
 * each edit was read.
 */
export class LookingOver {
	private readonly fits = new GuessedFits(fitChecks);
	private readonly pages = new Memory<Page, PageFound>();
	private readonly shared = new Map<string, number>();
	/** What was measured of pages; it is another number each time. */
	private readonly measured = new Map<string, number>();
	private readonly measuredAt = new Set<string>();
	private count = 0;

	constructor(
		private readonly year: number,
		private readonly boxesOf: MeasuredBoxes = () => undefined,
		/** What a browser shows to be wrong on a page, where it was opened in one. */
		private readonly shownOn?: (instance: PageInstance) => readonly ShownFault[]
	) {}

	/** Sizes of a page's content have been measured, so its boxes are looked at again. */
	measuredNow(page: string, address: string): void {
		this.measured.set(page, ++this.count);
		this.measuredAt.add(`${page} ${address}`);
	}

	/** Looks at the pages in `first`, then at all others; gives what was found on all of them. */
	*over(checked: CheckedSite, first: readonly string[] = []): Generator<LookedOver, Findings> {
		const pages = pagesOf(checked.site);
		const total = pages.length;
		const inSight = new Set(first);
		const order = [
			...pages.filter((page) => inSight.has(layerName(page))),
			...pages.filter((page) => !inSight.has(layerName(page)))
		];
		const found = new Map<Page, PageFound>();
		for (const [index, page] of order.entries()) {
			const looking = this.foundOn(page, checked);
			let step = looking.next();
			for (; !step.done; step = looking.next()) yield { gone: index, total };
			found.set(page, step.value);
			yield { gone: index + 1, total };
		}
		const all = pages.flatMap((page) => found.get(page) ?? []);
		const going = this.findings(checked, all);
		let step = going.next();
		for (; !step.done; step = going.next()) yield { gone: total, total };
		return step.value;
	}

	/** All of it, without a rest. */
	whole(checked: CheckedSite): Findings {
		return finished(this.over(checked));
	}

	/** What is found on some pages alone, at once. */
	on(checked: CheckedSite, names: readonly string[]): Findings {
		const pages = pagesOf(checked.site).filter((page) => names.includes(layerName(page)));
		const seen = pages.flatMap((page) => {
			return finished(this.foundOn(page, checked)).seen;
		});
		const judge = markupJudge();
		const markup = judge ? finished(markupFound(checked, judge, pages)).seen : [];
		return this.told(checked, [...seen, ...markup], []);
	}

	/** What was seen on all pages, and what can be seen only then; one check after the other. */
	private *findings(
		checked: CheckedSite,
		pages: readonly PageFound[]
	): Generator<undefined, Findings> {
		const facts = pages.flatMap((page) => page.facts);
		const about = { what: 'The site', span: checked.site.settings.name.span };
		const whole: Problem[] = [];
		const seen = pages.flatMap((page) => page.seen);
		const judge = markupJudge();
		if (judge) {
			const { seen: inMarkup, alone } = yield* markupFound(checked, judge);
			seen.push(...inMarkup);
			whole.push(...alone);
			yield;
		}
		for (const check of acrossChecks) {
			const occurrences = atEdge(about, whole, () => check.find(facts, checked), []);
			seen.push(...occurrences.map(onNoPage));
			yield;
		}
		for (const check of wholeChecks) {
			whole.push(...atEdge(about, whole, () => check.find(checked), []));
			yield;
		}
		const { findings, aside } = this.told(checked, seen, whole);
		yield;
		const measured = this.isMeasured(checked);
		const untold = [...(measured ? [] : ofBoxes), ...(this.shownOn ? [] : shownFaults.codes)];
		const idle = idleAllowances(checked, aside, new Set(untold));
		return { findings: [...findings, ...idle], aside, measured };
	}

	/** Findings, but for what the text sets aside. */
	private told(checked: CheckedSite, seen: readonly Seen[], whole: readonly Problem[]): Findings {
		const allowances = Allowances.of(checked.site);
		if (allowances.all.length === 0) {
			const findings = gather(seen, [...checked.problems, ...whole]);
			return { findings, aside: [], measured: false };
		}
		const pages = new Map(pagesOf(checked.site).map((page) => [layerName(page), page]));
		const chainOf = (name: string): SeenOn | undefined => {
			const page = pages.get(name);
			return page && { page, chain: checked.structure.chainOf(page) };
		};
		const told: Seen[] = [];
		const aside = new Map<Allowing, Seen[]>();
		for (const one of seen) {
			const allowing = allowances.of(one.occurrence.problem, chainOf(one.page));
			if (!allowing) told.push(one);
			else aside.set(allowing, [...(aside.get(allowing) ?? []), one]);
		}
		const open = whole.filter((problem) => !allowances.of(problem));
		const alone = [...checked.allowed.map(({ problem }) => problem), ...whole];
		const setAside = allowances.all.flatMap((allowing): SetAside[] => {
			const own = alone.filter((problem) => allowances.of(problem) === allowing);
			return gather(aside.get(allowing) ?? [], own).map((finding) => ({ ...allowing, finding }));
		});
		const findings = gather(told, [...checked.problems, ...open]);
		return { findings, aside: setAside, measured: false };
	}

	private isMeasured(checked: CheckedSite): boolean {
		return (
			markupJudge() !== undefined &&
			pagesOf(checked.site).every((page) =>
				checked
					.instances(page)
					.slice(0, mostInstances)
					.every(({ address }) => this.measuredAt.has(`${layerName(page)} ${address}`))
			)
		);
	}

	/** What is found on a page; one of those that a route stands for after the other. */
	private *foundOn(page: Page, checked: CheckedSite): Generator<undefined, PageFound> {
		const { structure, site } = checked;
		const { settings, parts, values } = site;
		const depends = [
			...structure.chainOf(page),
			settings,
			parts,
			values,
			this.sharedNumber(site, checked),
			this.measured.get(layerName(page)) ?? 0
		];
		const known = this.pages.peek(page, depends);
		if (known) return known;
		const found: PageFound = { facts: [], seen: [] };
		for (const instance of checked.instances(page).slice(0, mostInstances)) {
			const problems: Problem[] = [];
			const about = { what: layerName(page), span: layerSpan(page) };
			const looking = this.lookAt(instance, checked, found);
			while (!atEdge(about, problems, () => looking.next().done === true, true)) yield;
			const on = { page: about.what, address: instance.address };
			for (const problem of problems) found.seen.push({ occurrence: { problem }, ...on });
			yield;
		}
		this.pages.put(page, depends, found);
		return found;
	}

	/** Looks at one page, in steps that are short each, and adds what it finds. */
	private *lookAt(
		instance: PageInstance,
		checked: CheckedSite,
		{ facts, seen }: PageFound
	): Generator<undefined, void> {
		const written = new WrittenPage(instance, checked, this.year);
		const on = { page: written.name, address: instance.address };
		const add = (occurrences: readonly Occurrence[]): void => {
			for (const occurrence of occurrences) seen.push({ occurrence, ...on });
		};
		facts.push(factsOf(written));
		for (const check of pageChecks) add(check.find(written));
		const shown = this.shownOn?.(instance) ?? [];
		if (shown.length > 0) add(shownOccurrences(shown, written, this.knownOn(seen, written)));
		const isMeasured = this.measuredAt.has(`${written.name} ${instance.address}`);
		const measured = isMeasured ? this.boxesOf(instance, checked) : undefined;
		add(measured ? this.measuredFits(written, measured) : yield* this.fits.of(written));
	}

	/** What is found on a page already, in its markup as well. */
	private knownOn(seen: readonly Seen[], { resolved, declared }: WrittenPage): Occurrence[] {
		const judge = markupJudge();
		const inMarkup = judge
			? finished(markupFound(resolved, judge, [declared]))
			: { seen: [], alone: [] };
		const alone = inMarkup.alone.map((problem): Occurrence => ({ problem }));
		return [...seen, ...inMarkup.seen].map(({ occurrence }) => occurrence).concat(alone);
	}

	private measuredFits(written: WrittenPage, boxes: LaidBoxes): Occurrence[] {
		const fits = fitsIn(boxes, written, fitChecks).map((fit) => ({ fit, by: boxes.by }));
		return occurrencesOf({ page: written.name, fits }, written);
	}

	/** The same number for as long as what reaches all pages is the same: routes and titles, which lists of links show. */
	private sharedNumber(site: Site, { reading }: CheckedSite): number {
		return sharedNumbers.get(site, [this], () => {
			const word = site.routes
				.map(({ pattern, title, admit }) => {
					const text = title ? (reading.files.texts.get(title.span.file) ?? '') : '';
					const roles = admit.map((role) => role.text).join(' ');
					return `${pattern.text} ${title ? text.slice(title.span.from, title.span.to) : ''} ${roles}`;
				})
				.join('\n');
			const files = [...site.assets].join(' ');
			const key = `${word}\n${files}`;
			let number = this.shared.get(key);
			if (number === undefined) {
				if (this.shared.size > 8) this.shared.clear();
				this.shared.set(key, (number = ++this.count));
			}
			return number;
		});
	}
}

const sharedNumbers = new Memory<Site, number>();

function onNoPage(occurrence: Occurrence): Seen {
	return { occurrence, page: occurrence.page ?? '', address: occurrence.address ?? '' };
}

/** What only boxes show: guesses may not see it, so nothing is known of it before all is measured. */
const ofBoxes: ReadonlySet<string> = new Set(fitChecks.flatMap(({ codes }) => codes));

/** Allowances that set nothing aside; taking one away changes nothing. `untold`: what may be there, and was not looked for. */
function idleAllowances(
	checked: CheckedSite,
	aside: readonly SetAside[],
	untold: ReadonlySet<string>
): Finding[] {
	const used = new Set(aside.map(({ allowance }) => allowance));
	const idle = Allowances.of(checked.site).all.filter(
		({ allowance }) => !used.has(allowance) && !untold.has(allowance.code.text)
	);
	const problems = idle.map(({ allowance, in: where }): Problem => {
		const { text, span } = allowance.code;
		return hint('allow-idle', span, text, allowWords(where));
	});
	return gather([], listProblems(problems));
}
