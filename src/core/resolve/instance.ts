import { Memory } from '../lib/memory.ts';
import { error, warning, type Problem } from '../messages/problem.ts';
import { sentenceOf } from '../messages/sentence.ts';
import { listWords } from '../messages/wording.ts';
import { whyNoSegment } from '../model/address.ts';
import { compareSpecificity, fillPattern, matchPattern, parameterNames } from '../model/pattern.ts';
import type { Page, PageSource, Route, Site } from '../model/site.ts';
import type { Named } from '../model/span.ts';

/** One page as a visitor gets it: a route or state, its address, and the values of its parameters. */
export interface PageInstance {
	readonly page: Page;
	/** The path part of the URL, such as `/catalogue/kale`. */
	readonly address: string;
	readonly parameters: ReadonlyMap<string, string>;
	/** The member of the list that the page stands for, for routes with `each`. */
	readonly item: unknown;
}

/** The pages a route stands for, and what is wrong with how it says which. */
export interface Instances {
	readonly pages: readonly PageInstance[];
	readonly problems: readonly Problem[];
}

/** The pages of a route: one for each member or sample, or one with the parameters' names as values. */
export function instancesOf(route: Route, site: Site): Instances {
	const declared = site.data.map(({ name, isUrl }) => `${name.text} ${isUrl}`).join();
	return knownInstances.get(route, [site.values, declared], () => findInstances(route, site));
}

/** What was worked out for a route, for as long as the site's data is the same, and what it says there is. */
const knownInstances = new Memory<Route, Instances>();

function findInstances(route: Route, site: Site): Instances {
	const names = parameterNames(route.pattern);
	const { pages } = route;
	const [name, second] = names;
	if (pages.kind === 'one') return { pages: [instance(route, new Map(), undefined)], problems: [] };
	if (name === undefined || second !== undefined) {
		const code = name === undefined ? 'pages-no-parameter' : 'pages-two-parameters';
		const problem = error(code, pages.span, route.pattern.text);
		return { pages: [instance(route, new Map(), undefined)], problems: [problem] };
	}
	if (pages.kind === 'samples') return sampleInstances(route, name, pages.values);
	const found = eachInstance(route, name, pages, site);
	return isFromElsewhere(pages.data.text, site) ? withoutErrors(found, pages) : found;
}

function isFromElsewhere(path: string, site: Site): boolean {
	const source = path.split('.')[1];
	return site.data.some(({ name, isUrl }) => isUrl && name.text === source);
}

/** What comes from elsewhere may be another thing tomorrow: what is wrong with it is said, and the rest goes on. */
function withoutErrors(
	{ pages, problems }: Instances,
	{ data }: Extract<PageSource, { kind: 'each' }>
): Instances {
	const [first] = problems;
	if (!first) return { pages, problems };
	const said = warning('pages-not-given', data.span, data.text, sentenceOf(first));
	return { pages, problems: [said] };
}

function sampleInstances(route: Route, name: string, values: readonly Named[]): Instances {
	const problems: Problem[] = [];
	const made: PageInstance[] = [];
	for (const { text, span } of values) {
		const why = whyNoValue(route, text);
		if (why === undefined) made.push(instance(route, new Map([[name, text]]), undefined));
		else problems.push(error('address-value', span, text, why));
	}
	return { pages: made, problems };
}

/** Why a value can be no part of the address; `*` stands for several segments. */
function whyNoValue({ pattern }: Route, value: string): string | undefined {
	const names = pattern.segments.at(-1)?.kind === 'rest' ? value.split('/') : [value];
	return names.map(whyNoSegment).find((why) => why !== undefined);
}

function eachInstance(
	route: Route,
	name: string,
	pages: Extract<PageSource, { kind: 'each' }>,
	site: Site
): Instances {
	const fallback = [instance(route, new Map(), undefined)];
	const path = pages.data.text;
	const list = dataAt(site, path.split('.').slice(1));
	const source = path.split('.')[1] ?? '';
	const isDeclared = site.data.some(({ name }) => name.text === source);
	// A source that has given nothing yet says so itself.
	if (list === undefined && isDeclared && !site.values.has(source)) {
		return { pages: fallback, problems: [] };
	}
	if (list === undefined) {
		const known = listWords([...site.values.keys()].map((key) => `data.${key}`));
		return { pages: fallback, problems: [error('each-unknown', pages.data.span, path, known)] };
	}
	if (!Array.isArray(list)) {
		return { pages: fallback, problems: [error('each-not-list', pages.data.span, path)] };
	}
	const problems: Problem[] = [];
	const made = new Map<string, PageInstance>();
	const field = pages.field.text;
	for (const [index, item] of list.entries()) {
		const value = isRecord(item) ? item[field] : undefined;
		if ((typeof value !== 'string' && typeof value !== 'number') || value === '') {
			problems.push(error('each-field', pages.field.span, field, path, index + 1));
		} else if (made.has(String(value))) {
			problems.push(error('each-same', pages.field.span, String(value), path, field));
		} else if (whyNoValue(route, String(value)) !== undefined) {
			const why = whyNoValue(route, String(value)) ?? '';
			problems.push(error('address-value', pages.field.span, String(value), why));
		} else {
			made.set(String(value), instance(route, new Map([[name, String(value)]]), item));
		}
	}
	return { pages: [...made.values()], problems };
}

function instance(
	route: Route,
	parameters: ReadonlyMap<string, string>,
	item: unknown
): PageInstance {
	const segments = route.pattern.segments;
	const all = new Map(
		segments.flatMap((segment): [string, string][] => {
			if (segment.kind === 'fixed') return [];
			const name = segment.kind === 'parameter' ? segment.name : 'rest';
			return [[name, parameters.get(name) ?? name]];
		})
	);
	return { page: route, address: fillPattern(route.pattern, all), parameters: all, item };
}

/** The value at a path of names inside the site's data. */
export function dataAt(site: Site, path: readonly string[]): unknown {
	const [source, ...rest] = path;
	if (source === undefined) return undefined;
	return valueAt(site.values.get(source), rest);
}

/** The value at a path of names inside a JSON value; undefined where it leads nowhere. */
export function valueAt(value: unknown, path: readonly string[]): unknown {
	let current = value;
	for (const name of path) {
		if (Array.isArray(current) && /^\d+$/.test(name)) current = current[Number(name)];
		else if (isRecord(current) && Object.hasOwn(current, name)) current = current[name];
		else return undefined;
	}
	return current;
}

export function isRecord(value: unknown): value is Record<string, unknown> {
	return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** The route that serves an address: a fixed segment wins over `:name`, that over `*`. */
export function routeFor(routes: readonly Route[], address: string): Route | undefined {
	let best: Route | undefined;
	for (const route of routes) {
		if (!matchPattern(route.pattern, address)) continue;
		if (!best || compareSpecificity(route.pattern, best.pattern) < 0) best = route;
	}
	return best;
}
