import { readSitePath } from '../cli/files/site-path.ts';
import { bringIn as bringPagesIn } from '../core/bring-in/bring-in.ts';
import { takePages } from '../core/bring-in/reading/take-pages.ts';
import { deliveryProblems } from '../core/check/delivery.ts';
import { loadLibraries } from '../core/check/libraries.ts';
import { checkSite } from '../core/check/site.ts';
import type { CheckedSite } from '../core/check/checked-site.ts';
import { handOver, plainHandOver } from '../core/emit/hand-over.ts';
import { LookingOver } from '../core/findings/look-over.ts';
import { reportOf } from '../core/findings/report.ts';
import { boxEntries, estimatedBoxes } from '../core/laid/found-boxes.ts';
import { hasErrors, type Problem } from '../core/messages/problem.ts';
import { sentenceOf } from '../core/messages/sentence.ts';
import type { SiteFiles } from '../core/model/files.ts';
import { layerName, pagesOf, type Page } from '../core/model/site.ts';
import { positionAt } from '../core/model/span.ts';
import { explain } from '../core/resolve/explain.ts';
import { handOverShells } from '../core/shells/hand-over.ts';
import { takeInFiles } from '../core/source/intake.ts';
import { readSiteFiles } from '../core/source/read.ts';
import { encodeUtf8 } from '../core/lib/utf8.ts';
import type {
	Box,
	BroughtIn,
	BuildOptions,
	Finding,
	MadeFile,
	ResolvedPage,
	Site,
	SiteFilesByPath
} from './types.ts';

export type * from './types.ts';

/** What was read, behind what is handed out. */
const sites = new WeakMap<Site, CheckedSite>();

/**
 * Reads a site: a folder, a `.eave` file or a zip on disk, or its files. Links of the file system are not followed.
 * Throws where it cannot be read, or is none; what is wrong in its text are its `errors`.
 */
export async function readSite(from: string | SiteFilesByPath): Promise<Site> {
	const files = typeof from === 'string' ? await readSitePath(from) : takeInFiles(bytesOf(from));
	const checked = checkSite(readSiteFiles(files));
	const { settings, layouts } = checked.site;
	const site: Site = {
		name: settings.name.text,
		routes: checked.routes.map(({ pattern }) => pattern.text),
		layouts: layouts.map(({ name }) => name.text),
		roles: settings.roles.map(({ text }) => text),
		errors: checked.problems
			.filter(({ severity }) => severity === 'error')
			.map((problem) => findingOf(problem, files))
	};
	sites.set(site, checked);
	return site;
}

/**
 * Says where everything on a page comes from: its chain, what each layer did to each region, whose each piece is.
 * `route` is a route as it is written, or a state (`denied at /desk`); `as`: as a visitor of this role gets it.
 * Throws where there is none.
 */
export function resolve(
	site: Site,
	route: string,
	{ as }: { readonly as?: string } = {}
): ResolvedPage {
	const checked = checkedOf(site);
	const { page, addresses, chain, regions, bare } = explain(pageOf(checked, route), checked.as(as));
	return {
		page,
		addresses,
		chain: chain.map(({ layout }) => layout),
		regions: regions.map(({ lands, layout, region, element, slot, locked, required, steps }) => ({
			layout,
			region,
			element,
			slot,
			locked,
			required,
			steps,
			lands: lands.map((one) =>
				one.kind === 'piece' ? { piece: one.piece, owner: one.owner } : { layout: one.layout }
			)
		})),
		bare: bare.map(({ piece }) => piece)
	};
}

/**
 * Computes the boxes of a page on a screen, without a browser. `width` and `height` are those of the screen, px; a height
 * of 800 where none is said. What rests on the size of text is guessed and says so; the command line measures it.
 * Throws where there is no such page, or no such screen.
 */
export function boxes(
	site: Site,
	route: string,
	{
		width,
		height = 800,
		as
	}: { readonly width: number; readonly height?: number; readonly as?: string }
): Box[] {
	if (!(width > 0) || !(height > 0)) throw new Error('A screen needs a width and a height in px.');
	const checked = checkedOf(site);
	const [instance] = checked.instances(pageOf(checked, route));
	if (!instance) throw new Error(`The route ${route} has no page.`);
	const screens = { from: width, to: width, height, scrollbar: 0 };
	const [found] = estimatedBoxes(instance, checked.as(as), thisYear(), screens);
	return boxEntries(found?.boxes ?? []);
}

/** Looks for everything that is wrong or doubtful, on every page and at every width. What the text ignores is left out. */
export async function check(
	site: Site,
	{ year = thisYear() }: { readonly year?: number } = {}
): Promise<Finding[]> {
	await loadLibraries();
	const checked = checkedOf(site);
	const report = reportOf(new LookingOver(year).whole(checked), checked);
	return report.findings.map(
		({ code, severity, sentence, file, line, column, pages, estimated }) => ({
			code,
			severity,
			sentence,
			file,
			line,
			column,
			pages: pages.map(({ page, address }) => ({ page, address })),
			estimated
		})
	);
}

/**
 * Makes the static site: HTML, CSS and the site's other files. Throws a sentence with the first error and its place where
 * the site has one, so that nothing is built by halves.
 */
export function build(site: Site, options: BuildOptions = {}): MadeFile[] {
	const { year = thisYear(), ...what } = options;
	return [...handOver(buildable(site, year), year, { ...plainHandOver, ...what })];
}

/**
 * Makes the frames for pages that come from another server: documents with a `<slot>` for each place that pages fill, and
 * `shells.json` (docs/shells.md). `base` is what addresses and sheets in them begin with, such as `/lib/`. Throws as `build` does.
 */
export function shells(
	site: Site,
	{ base = '/', year = thisYear() }: { readonly base?: string; readonly year?: number } = {}
): MadeFile[] {
	return handOverShells(buildable(site, year), base, year);
}

/**
 * Makes a site of pages of HTML: what they share becomes frames, and what is left are pages. `files` are those of their
 * folder, by path; `name` is what the site is called. Throws where there is no page among them.
 */
export function bringIn(files: ReadonlyMap<string, Uint8Array>, name: string): BroughtIn {
	const brought = bringPagesIn(takePages(name, files, false), name);
	if (!('files' in brought))
		throw new Error('There is no page among the files that could be brought in.');
	return {
		files: new Map<string, string | Uint8Array>([...brought.files.texts, ...brought.files.assets]),
		notTaken: brought.notTaken.map(({ path, why }) => ({ path, why }))
	};
}

function bytesOf(files: SiteFilesByPath): Map<string, Uint8Array> {
	return new Map(
		[...files].map(([path, content]) => [
			path,
			typeof content === 'string' ? encodeUtf8(content) : content
		])
	);
}

function checkedOf(site: Site): CheckedSite {
	const checked = sites.get(site);
	if (!checked) throw new Error('This is no site that readSite gave.');
	return checked;
}

function pageOf({ site, routes }: CheckedSite, route: string): Page {
	const page = pagesOf(site).find((one) => layerName(one) === route);
	if (page) return page;
	const known = routes.map(({ pattern }) => pattern.text).join(', ');
	throw new Error(`There is no route ${route}. There is ${known}.`);
}

function buildable(site: Site, year: number): CheckedSite {
	const checked = checkedOf(site);
	const problems = deliveryProblems(checked, year);
	if (!hasErrors(problems)) return checked;
	const first = problems.find(({ severity }) => severity === 'error');
	const { file, line, column, sentence } = first
		? findingOf(first, checked.reading.files)
		: { file: '', line: 1, column: 1, sentence: 'The site has errors.' };
	throw new Error(`${file}:${line}:${column}: ${sentence}`);
}

function findingOf(problem: Problem, { texts }: SiteFiles): Finding {
	const { code, severity, span } = problem;
	const { line, column } = positionAt(texts.get(span.file) ?? '', span.from);
	return {
		code,
		severity,
		sentence: sentenceOf(problem),
		file: span.file,
		line,
		column,
		pages: [],
		estimated: false
	};
}

function thisYear(): number {
	return new Date().getFullYear();
}
