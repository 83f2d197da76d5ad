import { atEdge, hasErrors, listProblems, warning, type Problem } from '../messages/problem.ts';
import {
	layerName,
	layerSpan,
	type Layer,
	type Layout,
	type NavPiece,
	type Page,
	type Route,
	type Site
} from '../model/site.ts';
import type { SiteReading } from '../source/read.ts';
import { checkAddresses } from './check-addresses.ts';
import { checkBands } from './check-bands.ts';
import { checkBoxes } from './check-boxes.ts';
import { checkLanding } from './check-landing.ts';
import { checkFills, checkRequired } from './check-page.ts';
import { instancesOf, type Instances, type PageInstance } from './instance.ts';
import { compileMarkup } from './markup.ts';
import { navLinks, treeOrder } from './nav.ts';
import { piecesIn } from './pieces.ts';
import { resolvePage, type ResolvedPage } from './page.ts';
import { checkRoles } from './roles.ts';
import { resolveStructure, type Structure } from './structure.ts';
import { checkExpressions } from './values.ts';

/** A site with its chains worked out; pages are resolved when they are asked for. */
export interface ResolvedSite {
	readonly reading: SiteReading;
	readonly site: Site;
	readonly structure: Structure;
	/** Routes in the order of the route tree. */
	readonly routes: readonly Route[];
	readonly problems: readonly Problem[];
	page(page: Page): ResolvedPage;
	/** The pages that a route or state is delivered as. */
	instances(page: Page): readonly PageInstance[];
}

interface Known {
	readonly chain: readonly Layout[];
	readonly resolved: ResolvedPage;
}

/** What was worked out for pages, kept from edit to edit for as long as nothing it came from changed. */
const knownPages = new WeakMap<Page, Known>();

/**
 * Resolves a site and collects everything that is wrong with it. Only pages whose own text or
 * chain changed since they were last resolved are worked out again.
 */
export function resolveSite(reading: SiteReading): ResolvedSite {
	const { site } = reading;
	const structure = resolveStructure(site, reading.files.texts);
	const instances = new Map<Page, Instances>();
	for (const route of site.routes) instances.set(route, instancesOf(route, site));
	const pageOf = (page: Page): ResolvedPage => resolveKnown(page, structure);
	const instancesFor = (page: Page): readonly PageInstance[] =>
		instances.get(page)?.pages ?? [
			{ page, address: page.kind === 'state' ? page.at.text : '/', parameters: {}, item: undefined }
		];
	const instancesOfLayer = (layer: Layer): readonly PageInstance[] =>
		layer.kind === 'layout' ? [] : instancesFor(layer);
	const problems: Problem[] = [];
	append(problems, reading.problems);
	append(problems, structure.problems);
	append(problems, checkAddresses(site.routes, instancesFor));
	// Thousands of pages, nearly all without problems: nothing is made for those.
	const check = (layer: Layer): void => {
		append(problems, checkFills(layer, structure));
		append(problems, checkExpressions(layer, instancesOfLayer(layer), site));
		append(problems, checkPieces(layer, site));
		append(problems, checkRoles(layer, site));
		append(problems, checkBands(layer, site));
		append(problems, checkBoxes(layer, site));
		append(problems, checkLanding(layer, structure, site));
		if (layer.kind === 'layout') return;
		append(problems, checkRequired(layer, structure, pageOf));
		append(problems, instances.get(layer)?.problems ?? none);
	};
	for (const layer of [...site.layouts, ...site.routes, ...site.states]) {
		const about = { what: layerName(layer), span: layerSpan(layer) };
		atEdge(about, problems, () => check(layer), undefined);
	}
	return {
		reading,
		site,
		structure,
		routes: treeOrder(site.routes),
		problems: listProblems(problems),
		page: pageOf,
		instances: instancesFor
	};
}

/** Whether a resolved site can be delivered. */
export function isSound(resolved: ResolvedSite): boolean {
	return !hasErrors(resolved.problems);
}

function resolveKnown(page: Page, structure: Structure): ResolvedPage {
	const chain = structure.chainOf(page);
	const known = knownPages.get(page);
	const holds =
		known?.chain.length === chain.length && known.chain.every((one, i) => one === chain[i]);
	if (known && holds) return known.resolved;
	const resolved = resolvePage(page, structure);
	knownPages.set(page, { chain, resolved });
	return resolved;
}

interface PieceFacts {
	readonly problems: readonly Problem[];
	readonly navs: readonly NavPiece[];
}

/** What a layer's pieces say by themselves, whatever the rest of the site says. */
const knownPieces = new WeakMap<Layer, PieceFacts>();

const none: readonly Problem[] = [];

function append(problems: Problem[], more: readonly Problem[]): void {
	for (const problem of more) problems.push(problem);
}

function checkPieces(layer: Layer, site: Site): readonly Problem[] {
	let facts = knownPieces.get(layer);
	if (!facts) knownPieces.set(layer, (facts = findPieceFacts(layer)));
	const { problems, navs } = facts;
	if (navs.length === 0) return problems;
	const empty = navs.filter((piece) => navLinks(piece, site).length === 0);
	return [...problems, ...empty.map((nav) => warning('nav-empty', nav.fromSpan, nav.from.text))];
}

function findPieceFacts(layer: Layer): PieceFacts {
	const pieces = piecesIn(layer);
	return {
		problems: pieces.flatMap((piece) =>
			piece.kind === 'markup' ? compileMarkup(piece.markup).problems : []
		),
		navs: pieces.filter((piece) => piece.kind === 'nav')
	};
}
