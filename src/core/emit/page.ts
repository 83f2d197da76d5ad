import { templateText } from '../model/template.ts';
import { layerName, type Layer, type Layout, type Member, type Piece } from '../model/site.ts';
import { frameOf } from '../declare/frame.ts';
import type { PieceKey } from '../geometry/piece-size.ts';
import type { Opener } from '../resolve/drawers.ts';
import { keptAs } from '../resolve/between.ts';
import { compileMarkup } from '../resolve/markup.ts';
import { navLinks, type NavLink } from '../resolve/nav.ts';
import type { Landed, ResolvedPage, ResolvedRegion } from '../resolve/page.ts';
import type { PageInstance } from '../resolve/instance.ts';
import { slotOf } from '../resolve/structure.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { evaluateText, type Scope } from '../resolve/values.ts';
import { escapeHtml } from './escape.ts';
import { drawerId } from './selectors.ts';
import { renderMarkup } from './markup.ts';

/** What a page is written for. */
export interface PageTarget {
	/** A URL as written in markup, as it works from the page. */
	link(url: string): string;
	/** The lines in the head that bring in the style sheets. */
	readonly styleLines: readonly string[];
	readonly year: number;
}

/** The HTML of one page: outer layers wrap inner ones, each element says which layer it comes from. */
export function pageHtml(
	instance: PageInstance,
	resolved: ResolvedSite,
	target: PageTarget
): string {
	const writer = new PageWriter(instance, resolved, target);
	return writer.document();
}

/** The HTML of one piece or opener by itself, as it stands on the page. */
export function pieceHtmlOf(
	instance: PageInstance,
	resolved: ResolvedSite,
	target: PageTarget
): (key: PieceKey) => string {
	const parts = new PageWriter(instance, resolved, target).parts();
	return (key) => parts.get(partName(key)) ?? '';
}

function partName({ layout, region, piece, owner, opener }: PieceKey): string {
	return [layout ?? '', region ?? '', owner, opener ? 'opener' : '', piece].join('/');
}

/** The title and description of a page, after the patterns of the layouts it sits under. */
export function pageHead(
	instance: PageInstance,
	resolved: ResolvedSite,
	year: number
): { title: string; description: string } {
	const scope = pageScope(instance, resolved, year);
	const chain = resolved.structure.chainOf(instance.page);
	const pattern = chain.findLast((layout) => layout.title)?.title;
	return {
		title: pattern ? evaluateText(pattern, scope) : scope.title,
		description: scope.description
	};
}

/** What expressions on the page can refer to, its own title and description included. */
export function pageScope(instance: PageInstance, resolved: ResolvedSite, year: number): Scope {
	const { page } = instance;
	const bare: Scope = { site: resolved.site, instance, title: '', description: '', year };
	const title = page.title ? evaluateText(page.title, bare) : layerName(page);
	const chain = resolved.structure.chainOf(page);
	const template = page.description ?? chain.findLast((one) => one.description)?.description;
	const description = template ? evaluateText(template, { ...bare, title }) : '';
	return { ...bare, title, description };
}

/** The title of a route for lists of links: its own, without the patterns of layouts. */
export function linkText(instance: PageInstance, scope: Scope): string {
	const { title } = instance.page;
	if (!title) return layerName(instance.page);
	return evaluateText(title, { ...scope, instance, title: templateText(title) });
}

class PageWriter {
	private readonly lines: string[] = [];
	private readonly page: ResolvedPage;
	private readonly scope: Scope;

	constructor(
		private readonly instance: PageInstance,
		private readonly resolved: ResolvedSite,
		private readonly target: PageTarget
	) {
		this.page = resolved.page(instance.page);
		this.scope = pageScope(instance, resolved, target.year);
	}

	document(): string {
		const { lang, dir } = this.resolved.site.settings;
		const head = pageHead(this.instance, this.resolved, this.target.year);
		this.write(0, '<!doctype html>');
		this.write(0, `<html lang="${escapeHtml(lang)}"${dir === 'rtl' ? ' dir="rtl"' : ''}>`);
		this.write(1, '<head>');
		this.write(2, '<meta charset="utf-8">');
		this.write(2, '<meta name="viewport" content="width=device-width, initial-scale=1">');
		this.write(2, `<title>${escapeHtml(head.title)}</title>`);
		if (head.description) {
			this.write(2, `<meta name="description" content="${escapeHtml(head.description)}">`);
		}
		for (const line of this.target.styleLines) this.write(2, line);
		this.write(1, '</head>');
		this.write(1, '<body>');
		const [outermost] = this.page.chain;
		if (outermost) this.layer(outermost, 2);
		else this.barePage();
		this.write(1, '</body>');
		this.write(0, '</html>');
		return this.lines.join('\n') + '\n';
	}

	/** The HTML inside of every piece and opener, by its place and name. */
	parts(): Map<string, string> {
		const parts = new Map<string, string>();
		const add = (key: PieceKey, write: () => void): void => {
			this.lines.length = 0;
			write();
			parts.set(partName(key), this.lines.join('\n'));
		};
		for (const { layout, region, landed } of this.page.regions) {
			const where = { layout: layout.name.text, region: region.name.text };
			for (const one of landed) {
				if (one.kind !== 'piece') continue;
				const key = {
					...where,
					piece: one.piece.name.text,
					owner: layerName(one.owner),
					opener: false
				};
				add(key, () => this.piece(one.piece, one.owner, 0));
			}
			const { openers } = frameOf(layout, this.resolved.site.settings.bands);
			for (const opener of openers.filter(({ host }) => host === region)) {
				const key = { ...where, piece: opener.region.name.text, owner: where.layout, opener: true };
				add(key, () => this.openers([opener], opener.end, layout, 0));
			}
		}
		for (const { piece, owner } of this.page.bare) {
			const key = {
				layout: undefined,
				region: undefined,
				piece: piece.name.text,
				owner: layerName(owner),
				opener: false
			};
			add(key, () => this.piece(piece, owner, 0));
		}
		return parts;
	}

	/** A layout's root, in a box of its own where its bands look at the space it gets. */
	private layer(layout: Layout, depth: number): void {
		const space = layout.measure === 'space';
		const inner = space ? depth + 1 : depth;
		if (space) this.write(depth, `<div class="space" data-space="${layout.name.text}">`);
		this.write(inner, `<div class="layer" ${ownerAttribute(layout)}>`);
		for (const member of layout.members) this.member(member, layout, inner + 1);
		this.write(inner, '</div>');
		if (space) this.write(depth, '</div>');
	}

	private member(member: Member, layout: Layout, depth: number): void {
		if (member.kind === 'region') {
			const resolved = this.page.regions.find((one) => one.region === member);
			if (resolved) this.region(resolved, depth);
			return;
		}
		const element = member.element.text;
		const attributes = `${ownerAttribute(layout)} data-wrapper="${member.name.text}"`;
		this.write(depth, `<${element} ${attributes}>`);
		for (const inner of member.members) this.member(inner, layout, depth + 1);
		this.write(depth, `</${element}>`);
	}

	private region(resolved: ResolvedRegion, depth: number): void {
		const { layout, region, landed } = resolved;
		const { openers } = frameOf(layout, this.resolved.site.settings.bands);
		const here = openers.filter((opener) => opener.host === region);
		const element = region.element.text;
		const attributes = regionAttributes(resolved, openers);
		if (landed.length === 0 && here.length === 0) {
			this.write(depth, `<${element} ${attributes}></${element}>`);
			return;
		}
		this.write(depth, `<${element} ${attributes}>`);
		this.openers(here, 'first', layout, depth + 1);
		for (const one of landed) this.landed(one, depth + 1);
		this.openers(here, 'last', layout, depth + 1);
		this.write(depth, `</${element}>`);
	}

	/** Buttons that open drawers by themselves: HTML, section 6.12. */
	private openers(
		openers: readonly Opener[],
		end: Opener['end'],
		layout: Layout,
		depth: number
	): void {
		for (const { region, label } of openers.filter((opener) => opener.end === end)) {
			const id = drawerId(layout.name.text, region.name.text);
			const button = `<button type="button" popovertarget="${id}">${escapeHtml(label)}</button>`;
			const attributes = `${ownerAttribute(layout)} data-opener="${region.name.text}"`;
			this.write(depth, `<div ${attributes}>${button}</div>`);
		}
	}

	private landed(landed: Landed, depth: number): void {
		if (landed.kind === 'layout') this.layer(landed.layout, depth);
		else this.piece(landed.piece, landed.owner, depth);
	}

	private barePage(): void {
		const { page } = this.page;
		this.write(2, `<main class="layer" ${ownerAttribute(page)}>`);
		for (const one of this.page.bare) this.landed(one, 3);
		this.write(2, '</main>');
	}

	private piece(piece: Piece, owner: Layer, depth: number): void {
		const opening = `<div ${ownerAttribute(owner)} data-piece="${piece.name.text}">`;
		if (piece.kind === 'nav') {
			this.write(depth, opening);
			this.links(navLinks(piece, this.resolved.site), depth + 1, true);
			this.write(depth, '</div>');
			return;
		}
		const markup = compileMarkup(piece.markup);
		const html = renderMarkup(markup, this.scope, (url) => this.target.link(url));
		if (!markup.indentable) {
			this.write(depth, `${opening}${html}</div>`);
			return;
		}
		this.write(depth, opening);
		this.write(depth + 1, html.replaceAll('\n', '\n' + '  '.repeat(depth + 1)));
		this.write(depth, '</div>');
	}

	private links(links: readonly NavLink[], depth: number, outermost: boolean): void {
		this.write(depth, outermost ? '<ul role="list">' : '<ul>');
		for (const { route, links: inner } of links) {
			const [instance] = this.resolved.instances(route);
			if (!instance) continue;
			const current = instance.address === this.instance.address ? ' aria-current="page"' : '';
			const href = escapeHtml(this.target.link(instance.address));
			const text = escapeHtml(linkText(instance, this.scope));
			const link = `<a href="${href}"${current}>${text}</a>`;
			if (inner.length === 0) {
				this.write(depth + 1, `<li>${link}</li>`);
			} else {
				this.write(depth + 1, `<li>${link}`);
				this.links(inner, depth + 2, false);
				this.write(depth + 1, '</li>');
			}
		}
		this.write(depth, '</ul>');
	}

	private write(depth: number, text: string): void {
		this.lines.push('  '.repeat(depth) + text);
	}
}

function regionAttributes(resolved: ResolvedRegion, openers: readonly Opener[]): string {
	const { layout, region, landed } = resolved;
	const words = [ownerAttribute(layout), `data-region="${region.name.text}"`];
	if (slotOf(layout) === region) words.push('data-slot');
	if (openers.some((opener) => opener.region === region)) {
		words.push(`id="${drawerId(layout.name.text, region.name.text)}" popover`);
	}
	// Pages that show the same here share the name, so that a browser can leave it standing.
	const kept = landed.length > 0 ? keptAs(resolved) : undefined;
	if (kept !== undefined) words.push(`style="view-transition-name: ${kept}"`);
	return words.join(' ');
}

/** The attribute by which an element leads back to the layer that wrote it. */
export function ownerAttribute(owner: Layer): string {
	switch (owner.kind) {
		case 'layout':
			return `data-layout="${owner.name.text}"`;
		case 'route':
			return `data-route="${escapeHtml(owner.pattern.text)}"`;
		case 'state':
			return `data-state="${escapeHtml(layerName(owner))}"`;
	}
}
