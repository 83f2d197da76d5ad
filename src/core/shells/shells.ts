import { answerPlan } from '../answer/plan.ts';
import { encodePath } from '../model/address.ts';
import { escapeHtml } from '../emit/html/escape.ts';
import { pageHtml } from '../emit/html/page.ts';
import { pageHead } from '../emit/html/words.ts';
import { hasParameters } from '../model/pattern.ts';
import {
	fillKindsOf,
	layerName,
	pagesOf,
	type Page,
	type Route,
	type State
} from '../model/site.ts';
import type { Template } from '../model/template.ts';
import { admittedRoles, writtenFor } from '../resolve/roles.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedPage, ResolvedRegion, Step } from '../resolve/page.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { slotOf } from '../resolve/structure.ts';
import { shellsJsonSchema, type ShellPage, type ShellPlace, type ShellsFile } from './schema.ts';

/** A file of the shells of a site. */
export interface ShellFile {
	readonly path: string;
	readonly content: string;
}

/** The page's own content where it stands in no layout. */
const bareSlot = 'main';
/** Stands for the title of a page in the pattern of a shell. */
const titleWord = '{title}';

interface Shell {
	readonly name: string;
	/** A page of this chain that brings nothing itself. */
	readonly blank: PageInstance;
	readonly seen: ResolvedSite;
	readonly resolved: ResolvedPage;
}

/**
 * The frames of a site for pages that come from another server: a document for each chain, in which every place that
 * a page can fill is a `<slot>` with what layouts put there (HTML, section 4.12.4), and `shells.json`, which says what
 * each route fills. `base` is where the site will be, such as `/` or `/lib/`.
 */
export function shellFiles(site: ResolvedSite, base: string, year: number): ShellFile[] {
	const shells = new Shells(site, base, year);
	const said = shells.said();
	return [
		{ path: 'shells.json', content: `${JSON.stringify(said, undefined, '\t')}\n` },
		{ path: 'shells.schema.json', content: shellsJsonSchema() },
		...shells.documents()
	];
}

class Shells {
	private readonly byKey = new Map<string, Shell>();
	private readonly names = new Set<string>();

	constructor(
		private readonly site: ResolvedSite,
		private readonly base: string,
		private readonly year: number
	) {
		for (const page of pagesOf(site.site)) this.shellOf(page);
	}

	said(): ShellsFile {
		const { settings, routes, states } = this.site.site;
		return {
			$schema: './shells.schema.json',
			site: settings.name.text,
			lang: settings.lang,
			base: this.base,
			roles: settings.roles.map(({ text }) => text),
			shells: Object.fromEntries(
				[...this.byKey.values()].map((shell) => [shell.name, this.shellSaid(shell)])
			),
			routes: routes.map((route) => this.routeSaid(route)),
			states: states.map((state) => ({
				state: state.state.text,
				at: state.at.text,
				...this.pageSaid(state)
			}))
		};
	}

	documents(): ShellFile[] {
		const plan = answerPlan(this.site);
		return [...this.byKey.values()].map(({ name, blank, seen, resolved }) => ({
			path: `${name}.html`,
			content: pageHtml(blank, seen, {
				link: (url) => plan.link(url, this.base),
				marks: 'none',
				headLines: plan
					.sheetsOf(blank.page)
					.map(
						(path) => `<link rel="stylesheet" href="${escapeHtml(this.base + encodePath(path))}">`
					),
				year: this.year,
				slots: { bare: bareSlot, of: (region) => slotOfRegion(region, resolved) }
			})
		}));
	}

	/** Pages share a shell where they sit under the same and are written for the same; who says more has one alone. */
	private shellOf(page: Page): Shell {
		const { structure } = this.site;
		const chain = structure.chainOf(page).map(({ name }) => name.text);
		const role = writtenFor(page, structure);
		const { head, attributes } = page.document;
		const says = page.adjusts.length + head.length + attributes.length > 0;
		const own = says ? layerName(page) : '';
		const key = JSON.stringify([chain, role, own]);
		const known = this.byKey.get(key);
		if (known) return known;
		const [first] = this.site.site.settings.roles;
		const words = [...(chain.length > 0 ? chain : ['bare']), own];
		const seen = this.site.as(role);
		const blank = blankOf(page);
		const shell: Shell = {
			name: this.free(words, role === first?.text ? undefined : role),
			blank,
			seen,
			resolved: seen.page(blank.page)
		};
		this.byKey.set(key, shell);
		return shell;
	}

	/** A name for a file that no other shell has. */
	private free(words: readonly string[], role: string | undefined): string {
		const parts = [...words, ...(role === undefined ? [] : ['for', role])];
		const plain = parts
			.join('-')
			.replaceAll(/[^A-Za-z0-9]+/g, '-')
			.replaceAll(/^-|-$/g, '');
		let name = plain;
		for (let number = 2; this.names.has(name); number++) name = `${plain}-${number}`;
		this.names.add(name);
		return name;
	}

	private shellSaid({ name, blank, seen, resolved }: Shell): ShellsFile['shells'][string] {
		const { title, description } = pageHead(blank, seen, this.year);
		const { chain, regions } = resolved;
		const places = regions.flatMap((region) => placeOf(region, resolved) ?? []);
		return {
			file: `${name}.html`,
			layouts: chain.map((layout) => layout.name.text),
			...(seen.role !== undefined && { role: seen.role }),
			title,
			...(description !== '' && { description }),
			places: chain.length > 0 ? places : [barePlace],
			locked: regions
				.filter(({ region }) => region.locked)
				.map(({ layout, region, landed }) => ({
					region: region.name.text,
					layout: layout.name.text,
					pieces: landed.flatMap((one) => (one.kind === 'piece' ? [one.piece.name.text] : []))
				}))
		};
	}

	private routeSaid(route: Route): ShellsFile['routes'][number] {
		const plan = answerPlan(this.site);
		const isOpen = route.pages.kind === 'one' && hasParameters(route.pattern);
		const instances = isOpen ? [] : this.site.instances(route);
		return {
			route: route.pattern.text,
			admit: admittedRoles(route, this.site.structure),
			pages: instances.map((instance) => ({
				address: this.base + plan.pathOf(instance),
				title: pageHead(instance, this.site, this.year).title
			})),
			moved: route.moved.map(({ text }) => text),
			...this.pageSaid(route)
		};
	}

	private pageSaid(page: Page): ShellPage {
		const { name, blank, seen, resolved } = this.shellOf(page);
		const plan = answerPlan(this.site);
		const [instance] = this.site.instances(page);
		const shared = new Set(plan.sheetsOf(blank.page));
		const own = seen.page(page);
		const { title, description } = pageHead(instance ?? blank, seen, this.year);
		return {
			shell: name,
			title,
			...(description !== '' && { description }),
			sheets: plan
				.sheetsOf(page)
				.filter((path) => !shared.has(path))
				.map((path) => this.base + encodePath(path)),
			fills: own.regions.flatMap((region, index) => {
				const there = resolved.regions[index];
				const slot = there && slotOfRegion(there, resolved);
				if (slot === undefined) return [];
				return region.steps.flatMap((step) => fillSaid(step, page, slot) ?? []);
			})
		};
	}
}

/** What a page does to a place; undefined where it is a layout that does it, or nobody. */
function fillSaid(step: Step, page: Page, slot: string): ShellPage['fills'][number] | undefined {
	if (step.layer !== page || step.action === 'passed' || step.action === 'gave') return undefined;
	const how = step.action === 'emptied' ? 'empty' : step.action;
	return { slot, how, pieces: step.pieces.map(({ name }) => name.text) };
}

/** A page that sits under the same and brings nothing, whose title stands for any. */
function blankOf(page: Page): PageInstance {
	const title: Template = { parts: [titleWord], places: [[]], span: page.span };
	const nothing = {
		pieces: [],
		arrangements: [],
		fills: [],
		styles: [],
		title,
		description: undefined
	};
	const blank: Route | State = { ...page, ...nothing };
	return { page: blank, address: '', parameters: new Map(), item: undefined };
}

/** The slot of a region that pages can fill: called as it is, with its layout where two of the chain have one of that name. */
function slotOfRegion(
	{ layout, region, landed }: ResolvedRegion,
	{ regions }: ResolvedPage
): string | undefined {
	if (region.locked || landed.some(({ kind }) => kind === 'layout')) return undefined;
	const name = region.name.text;
	const isOnly = regions.filter((one) => one.region.name.text === name).length === 1;
	return isOnly ? name : `${layout.name.text}.${name}`;
}

function placeOf(resolved: ResolvedRegion, page: ResolvedPage): ShellPlace | undefined {
	const { layout, region, steps } = resolved;
	const slot = slotOfRegion(resolved, page);
	if (slot === undefined) return undefined;
	const isContent = slotOf(layout) === region;
	return {
		slot,
		region: region.name.text,
		layout: layout.name.text,
		element: region.element.text,
		content: isContent,
		required: region.required,
		fills: [...fillKindsOf(region)],
		filled: steps.flatMap(({ layer, action, pieces }) => {
			if (action === 'passed' || action === 'content') return [];
			if (action === 'gave' && pieces.length === 0) return [];
			const how = action === 'emptied' ? 'empty' : action;
			return [{ layer: layerName(layer), how, pieces: pieces.map(({ name }) => name.text) }];
		})
	};
}

const barePlace: ShellPlace = {
	slot: bareSlot,
	region: bareSlot,
	element: 'main',
	content: true,
	required: false,
	fills: [],
	filled: []
};
