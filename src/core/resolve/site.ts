import { Memory } from '../lib/memory.ts';
import type { Problem } from '../messages/problem.ts';
import type { Page, Route, Site, SiteSettings } from '../model/site.ts';
import { noTrial, trialWords, type Trial } from '../model/trial.ts';
import type { SiteReading } from '../source/read.ts';
import { instancesOf, type Instances, type PageInstance } from './instance.ts';
import { treeOrder } from './content/nav.ts';
import { adjustedChain } from './adjust.ts';
import { resolvePage, type ResolvedPage } from './page.ts';
import { resolveStructure, type Structure } from './structure.ts';

/** A site with its chains worked out; pages are resolved when they are asked for. */
export interface ResolvedSite {
	readonly reading: SiteReading;
	readonly site: Site;
	readonly structure: Structure;
	/** Routes in the order of the route tree. */
	readonly routes: readonly Route[];
	/** What could not be read or resolved. */
	readonly unresolved: readonly Problem[];
	/** Whom it is seen by; undefined: all of it, as its author sees it. */
	readonly role: string | undefined;
	/** The same site as a visitor of some role sees it. */
	as(role: string | undefined): ResolvedSite;
	/** The same site with what it is tried with; for the same trial, the same `site`. */
	tried(trial: Trial): ResolvedSite;
	page(page: Page): ResolvedPage;
	/** The pages that a route or state is delivered as. */
	instances(page: Page): readonly PageInstance[];
}

/** How a site is looked at: by whom, undefined for all of it, and with what it is tried. */
export interface Seeing {
	readonly role?: string | undefined;
	readonly trial?: Trial | undefined;
}

/** A site as it is looked at; whoever is asked for and is no role of it sees all. */
export function seenAs(resolved: ResolvedSite, { role, trial = noTrial }: Seeing): ResolvedSite {
	const { roles } = resolved.site.settings;
	return resolved.as(roles.find(({ text }) => text === role)?.text).tried(trial);
}

/** The same in words, for keys. */
export function seeingWord({ role = '', trial = noTrial }: Seeing): string {
	return [role, ...trialWords(trial)].join(' ');
}

/** What was worked out for pages, kept from edit to edit for as long as their chain is the same. */
const pages = new Map<string | undefined, Memory<Page, ResolvedPage>>();

function pagesFor(role: string | undefined): Memory<Page, ResolvedPage> {
	let memory = pages.get(role);
	if (!memory) pages.set(role, (memory = new Memory()));
	return memory;
}

/**
 * Resolves a site: what sits under what, which pages there are. Only pages whose own text or chain
 * changed since they were last resolved are worked out again.
 */
export function resolveSite(reading: SiteReading): ResolvedSite {
	const { site } = reading;
	const structure = resolveStructure(site, reading.files.texts);
	const instances = new Map<Page, Instances>();
	const unresolved = [...reading.problems, ...structure.problems];
	for (const route of site.routes) {
		const found = instancesOf(route, site);
		instances.set(route, found);
		for (const problem of found.problems) unresolved.push(problem);
	}
	const routes = treeOrder(site.routes);
	const sites = new Map<string, Site>();
	const seen = (role: string | undefined, trial: Trial): ResolvedSite => ({
		reading,
		site: triedSite(site, trial, sites),
		structure,
		routes,
		unresolved,
		role,
		as: (other) => seen(other, trial),
		tried: (other) => seen(role, other),
		page: (page) =>
			pagesFor(role).get(page, adjustedChain(page, structure), () =>
				resolvePage(page, structure, role)
			),
		instances: (page) => instances.get(page)?.pages ?? [onlyPage(page)]
	});
	return seen(undefined, noTrial);
}

function triedSite(site: Site, trial: Trial, known: Map<string, Site>): Site {
	const words = trialWords(trial).join(' ');
	if (words === '') return site;
	const tried = known.get(words) ?? {
		...site,
		settings: triedSettings(site.settings, trial, words)
	};
	known.set(words, tried);
	return tried;
}

/** Settings with what a site is tried with; styles of boxes are remembered by them, over edits of other text. */
const tried = new WeakMap<SiteSettings, Map<string, SiteSettings>>();

function triedSettings(settings: SiteSettings, trial: Trial, words: string): SiteSettings {
	const known = tried.get(settings) ?? new Map<string, SiteSettings>();
	tried.set(settings, known);
	const { dir } = settings;
	const turned = dir === 'ltr' ? 'rtl' : 'ltr';
	const made = known.get(words) ?? { ...settings, trial, dir: trial.mirrored ? turned : dir };
	known.set(words, made);
	return made;
}

function onlyPage(page: Page): PageInstance {
	const address = page.kind === 'state' ? page.at.text : '/';
	return { page, address, parameters: new Map(), item: undefined };
}
