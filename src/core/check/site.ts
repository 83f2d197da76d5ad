import { atEdge, hasErrors, listProblems, type Problem } from '../messages/problem.ts';
import { severityOf } from '../messages/catalogue.ts';
import type { Arrangement } from '../model/arrange.ts';
import { Memory } from '../lib/memory.ts';
import {
	layerName,
	layerSpan,
	layersOf,
	type Layer,
	type Layout,
	type Site
} from '../model/site.ts';
import { resolveSite, type ResolvedSite } from '../resolve/site.ts';
import type { SiteReading } from '../source/read.ts';
import { Allowances, type Allowing } from './allowances.ts';
import { nothing, type Check, type LayerCheck } from './check.ts';
import { checks } from './list.ts';

/** A resolved site with everything that is wrong with it. */
export interface CheckedSite extends ResolvedSite {
	readonly problems: readonly Problem[];
	/** What was found and is set aside. */
	readonly allowed: readonly AllowedProblem[];
}

/** A problem that is not told, and what sets it aside. */
export interface AllowedProblem extends Allowing {
	readonly problem: Problem;
}

const layerChecks = checks.filter((check): check is LayerCheck => check.of === 'layer');
const nearChecks = layerChecks.filter(({ reaches }) => reaches === undefined);
const farChecks = layerChecks.filter(({ reaches }) => reaches === 'site');

/** What was found in layers by the checks that look no further than their chain, and by those of them that find errors. */
const foundNear = new Memory<Layer, readonly Problem[]>();
const foundErrors = new Memory<Layer, readonly Problem[]>();
const frames = new Memory<Layout, string>();

/**
 * What of a layout matters to the pages inside: its regions, what may be put into them, and how they
 * arrange it. Sizes and markup do not: as long as this is the same, what is found in the pages is.
 */
function frameOf(layout: Layout): string {
	return frames.get(layout, [], () =>
		JSON.stringify([
			layout.name.text,
			layout.at.key,
			layout.regions.map(({ name, slot, locked, required, arrangements }) => [
				name.text,
				[slot, locked, required],
				arrangements.map(arrangementWords)
			])
		])
	);
}

function arrangementWords(arrangement: Arrangement): readonly unknown[] {
	const { kind, band } = arrangement;
	const inner =
		kind === 'areas'
			? arrangement.rows.map(({ cells }) => cells)
			: kind === 'columns'
				? [arrangement.columns, arrangement.each?.count, arrangement.rows]
				: [arrangement.wrap];
	return [kind, band?.text, inner];
}

/** Whether a check can find what keeps a site from being drawn. */
function findsErrors({ codes }: Check): boolean {
	return codes.some((code) => severityOf(code) === 'error');
}

/**
 * Resolves a site as it was read, and looks only for errors: what keeps it from being drawn, and nothing that is
 * doubtful.
 */
export function soundSite(reading: SiteReading): CheckedSite {
	const resolved = resolveSite(reading);
	const found = checks
		.filter(findsErrors)
		.flatMap((check) => (check.of === 'site' ? check.find(resolved) : nothing));
	const inLayers = eachLayer(resolved, foundErrors, nearChecks.filter(findsErrors), farChecks.filter(findsErrors)); // prettier-ignore
	const errors = [...withoutSwallowed(resolved.unresolved), ...found, ...inLayers].filter(
		({ severity }) => severity === 'error'
	);
	return { ...resolved, problems: listProblems(errors), allowed: [] };
}

/** What checks find in each layer; what near ones found is known for as long as layer and chain stay as they are. */
function eachLayer(
	resolved: ResolvedSite,
	known: Memory<Layer, readonly Problem[]>,
	near: readonly LayerCheck[],
	far: readonly LayerCheck[]
): Problem[] {
	const { settings, values, data, parts } = resolved.site;
	const dataNames = data.map(({ name }) => name.text).join(' ');
	return layersOf(resolved.site).flatMap((layer) => {
		const chain = resolved.structure.chainOf(layer);
		const depends = [settings, values, dataNames, parts, ...chain.map(frameOf)];
		return [
			...known.get(layer, depends, () => findIn(layer, near, resolved)),
			...findIn(layer, far, resolved)
		];
	});
}

/** What is missing because a text or block that nothing ends has swallowed it is not told as well. */
function withoutSwallowed(problems: readonly Problem[]): Problem[] {
	const open = new Set(
		problems.flatMap(({ code, span }) =>
			code === 'unclosed-text' || code === 'unclosed-block' ? [span.file] : []
		)
	);
	return problems.filter(({ code, span }) => code !== 'layout-no-slot' || !open.has(span.file));
}

/** Resolves a site as it was read, and goes through all checks. */
export function checkSite(reading: SiteReading): CheckedSite {
	const resolved = resolveSite(reading);
	const problems = withoutSwallowed(resolved.unresolved);
	const append = (more: readonly Problem[]): void => {
		for (const problem of more) problems.push(problem);
	};
	for (const check of checks) {
		if (check.of === 'site') append(check.find(resolved));
	}
	append(eachLayer(resolved, foundNear, nearChecks, farChecks));
	const { told, allowed } = setAside(problems, resolved.site);
	return { ...resolved, problems: listProblems(told), allowed };
}

/** Parts problems into those that are told and those that the text sets aside. */
function setAside(
	problems: readonly Problem[],
	site: Site
): { readonly told: readonly Problem[]; readonly allowed: readonly AllowedProblem[] } {
	const allowances = Allowances.of(site);
	if (allowances.all.length === 0) return { told: problems, allowed: [] };
	const told: Problem[] = [];
	const allowed: AllowedProblem[] = [];
	for (const problem of problems) {
		const allowing = allowances.of(problem);
		if (allowing) allowed.push({ ...allowing, problem });
		else told.push(problem);
	}
	return { told, allowed };
}

/** What some checks find in a layer. */
function findIn(
	layer: Layer,
	list: readonly LayerCheck[],
	resolved: ResolvedSite
): readonly Problem[] {
	let found: Problem[] | undefined;
	for (const check of list) {
		const about = { what: layerName(layer), span: layerSpan(layer) };
		const own: Problem[] = [];
		for (const problem of atEdge(about, own, () => check.find(layer, resolved), nothing)) {
			own.push(problem);
		}
		if (own.length > 0) (found ??= []).push(...own);
	}
	return found ?? nothing;
}

/** Whether a site can be delivered. */
export function isSound({ problems }: CheckedSite): boolean {
	return !hasErrors(problems);
}
