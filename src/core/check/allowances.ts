import { severityOf } from '../messages/catalogue.ts';
import { Memory } from '../lib/memory.ts';
import type { Problem } from '../messages/problem.ts';
import {
	layerName,
	layersOf,
	pagesOf,
	type Allowance,
	type Layer,
	type Layout,
	type Page,
	type Part,
	type Site
} from '../model/site.ts';
import type { Span } from '../model/span.ts';
import type { AllowRef } from '../model/command.ts';

/** What is set aside, and what says so. */
export interface Allowing {
	readonly allowance: Allowance;
	readonly in: AllowRef;
}

/** What says it, in words. */
export function allowWords({ kind, name }: AllowRef): string {
	if (kind === 'site') return 'the site';
	return kind === 'part' ? `the part ${name}` : name;
}

function refOf(one: Layer | Part): AllowRef {
	return { kind: one.kind, name: one.kind === 'part' ? one.name.text : layerName(one) };
}

const wholeSite: AllowRef = { kind: 'site', name: '' };

/**
 * What could set a problem aside, the nearest first: the layer or part in whose text it is, the page where it is
 * seen on one alone, and the site. Nothing could where it is an error.
 */
export function couldAllow(
	{ code, span }: Problem,
	pages: readonly string[],
	site: Site
): AllowRef[] {
	if (!canBeAllowed(code)) return [];
	const inside = [...layersOf(site), ...site.parts].find((one) => isIn(span, one.span));
	const [name, second] = pages;
	const page =
		second === undefined ? pagesOf(site).find((one) => layerName(one) === name) : undefined;
	const near = [inside, page === inside ? undefined : page].flatMap((one) => one ?? []);
	return [...near.map(refOf), wholeSite];
}

/** Where a problem was seen, for what sets it aside. */
export interface SeenOn {
	readonly page: Page;
	readonly chain: readonly Layout[];
}

/** Whether findings of a code can be set aside: an error keeps the site from being delivered. */
export function canBeAllowed(code: string): boolean {
	const severity = severityOf(code);
	return severity !== undefined && severity !== 'error' && !/^(allow-|more-)/.test(code);
}

/**
 * What a site sets aside. An allowance covers what is written in its layer or part, and as a layout covers its
 * pages, what is seen on the pages that sit under it; one of the site covers everything.
 */
export class Allowances {
	readonly all: readonly Allowing[];
	private readonly own = new Map<Layer | Part | Site, readonly Allowing[]>();
	private readonly saying: readonly (Layer | Part)[];

	private constructor(private readonly site: Site) {
		const layers = layersOf(site);
		this.saying = [...layers, ...site.parts].filter(({ allows }) => allows.length > 0);
		for (const one of this.saying) {
			const where = refOf(one);
			this.own.set(
				one,
				one.allows.map((allowance) => ({ allowance, in: where }))
			);
		}
		const { allows } = site.settings;
		this.own.set(
			site,
			allows.map((allowance) => ({ allowance, in: wholeSite }))
		);
		this.all = [...this.own.values()].flat();
	}

	static of(site: Site): Allowances {
		return known.get(site, [], () => new Allowances(site));
	}

	/** What sets a problem aside; undefined where nothing does. */
	of({ code, span }: Problem, on?: SeenOn): Allowing | undefined {
		if (this.all.length === 0 || !canBeAllowed(code)) return undefined;
		const inside = this.saying.find((one) => isIn(span, one.span));
		const layers = on ? [on.page, ...on.chain.toReversed()] : [];
		for (const one of [...(inside ? [inside] : []), ...layers, this.site]) {
			const found = this.own.get(one)?.find(({ allowance }) => allowance.code.text === code);
			if (found) return found;
		}
		return undefined;
	}
}

const known = new Memory<Site, Allowances>();

function isIn({ file, from }: Span, around: Span): boolean {
	return file === around.file && from >= around.from && from < around.to;
}
